import type { MixedBowl, PourDoc } from '@zero-pour/contracts';
import type { PourHandle } from '../../state/usePour';

const kept = <T extends object>(fields: T): T =>
  Object.fromEntries(Object.entries(fields).filter(([, value]) => value !== undefined)) as T;

/** What was noted of the bowl at hand. */
const atHand = ({ invest }: PourDoc): MixedBowl =>
  kept({
    steps: invest.steps,
    powderInAt: invest.powderInAt,
    glossOffAt: invest.glossOffAt,
    weighedPowderG: invest.weighedPowderG,
    weighedWaterG: invest.weighedWaterG,
    weighedBoricG: invest.weighedBoricG,
  });

const NOTED = ['powderInAt', 'glossOffAt', 'weighedPowderG', 'weighedWaterG', 'weighedBoricG'] as const;

/** Puts the bowl at hand among those that are mixed; the clock, steps and weights begin anew for the next. */
export function beginNextBowl({ pour, set }: Pick<PourHandle, 'pour' | 'set'>): void {
  const { doc } = pour.value;
  set(['invest', 'earlierBowls'], [...(doc.invest.earlierBowls ?? []), atHand(doc)]);
  for (const key of Object.keys(doc.invest.steps)) set(['invest', 'steps', key], undefined);
  for (const field of NOTED) set(['invest', field], undefined);
}
