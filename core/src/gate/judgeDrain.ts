import type { Judgement } from '../judge';
import { quantity, say } from '../numeric';
import type { Section } from '../pattern';
import type { SpotFeed } from './gateFeed';

/**
 * Where a mass empties through a way narrower than this share of it, or than so much, ash stays longer (*shop defaults* of ours:
 * the book gives the rule without a figure). Ratio; mm.
 */
export const DRAIN_LEAST = { share: 1 / 3, widthMm: 0.8 } as const;

/**
 * Whether resin and ash leave each mass while it burns out, by the same widest way that the metal takes back in (handbook
 * 05, "Burnout drain"): masses that must empty through thin places, one sentence each.
 */
export function judgeDrain(
  masses: readonly Section[],
  feeds: readonly SpotFeed[],
  gates: readonly { diameterMm: number }[],
): Judgement[] {
  const mm = (value: number) => quantity(value, 'mm', 1);
  return feeds.flatMap((feed): Judgement[] => {
    if (feed.gate < 0) return [];
    const { widthMm } = masses[feed.spot]!;
    const outMm = Math.min(feed.neck?.widthMm ?? widthMm, gates[feed.gate]!.diameterMm);
    const isThin = outMm < DRAIN_LEAST.share * widthMm;
    const isTiny = outMm < DRAIN_LEAST.widthMm && widthMm > 2 * outMm;
    if (!isThin && !isTiny) return [];
    return [
      {
        rule: `drain ${feed.spot + 1}`,
        weight: 'watch',
        lead: `Mass ${feed.spot + 1} empties slowly.`,
        why: say`${mm(widthMm)} thick, its resin leaves through ${mm(outMm)}: ash may stay in it. A gate on it, or a longer hold with air at the top of the burnout.`,
      },
    ];
  });
}
