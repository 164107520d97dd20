import { estimateShare } from '../numeric';
import type { TuningTrial } from './trials';

/** Two trials that cannot both be of the same settings: more light let fewer struts stand, or opened slots. */
export interface Contradiction {
  of: 'struts' | 'slots';
  /** Places in the list of trials, the one with less light first. */
  less: number;
  more: number;
}

/**
 * The clearest contradiction of each side: the 90 % intervals of the two shares lie apart the wrong way round. With more light
 * more struts stand and fewer slots stay open; where counts say otherwise, something else has changed. O(trials²).
 */
export function findContradictions(trials: readonly TuningTrial[]): Contradiction[] {
  return (['struts', 'slots'] as const).flatMap((of) => {
    const shares = trials.map((trial) => ({
      exposureS: trial.exposureS,
      known: trial[of].of > 0,
      ...estimateShare(trial[of].good, trial[of].of),
    }));
    let worst: { gap: number; found: Contradiction } | undefined;
    for (let less = 0; less < shares.length; less++)
      for (let more = 0; more < shares.length; more++) {
        const [a, b] = [shares[less]!, shares[more]!];
        if (!a.known || !b.known || a.exposureS >= b.exposureS) continue;
        const gap = of === 'struts' ? a.low - b.high : b.low - a.high;
        if (gap > 0 && gap > (worst?.gap ?? 0)) worst = { gap, found: { of, less, more } };
      }
    return worst ? [worst.found] : [];
  });
}
