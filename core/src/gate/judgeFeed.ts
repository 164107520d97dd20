import { quantity, say, type Phrase } from '../numeric';
import type { Judgement } from '../judge';
import { HOT_SPOTS_MAX, type Section } from '../pattern';
import { FEED_LIMITS, gradeFeed, type SpotFeed } from './gateFeed';
import { gateDiameterForModulusMm, GATE_MIN_MM } from './modulus';

const mm = (value: number, digits = 1) => quantity(value, 'mm', digits);
const ratio = (value: number) => quantity(value, 'ratio', 2);

/** What starves a mass, and what would feed it. */
function whyNot(feed: SpotFeed, mass: Section): Phrase {
  const own = say`one of ${mm(gateDiameterForModulusMm(mass.modulusMm))} on it`;
  if (feed.gate < 0) return [...say`No gate's metal reaches it. Set `, ...own, '.'];
  if (feed.neck && feed.neckRatio < FEED_LIMITS.neck.good)
    return [
      ...say`The way narrows to ${mm(feed.neck.widthMm)}, which keeps ${ratio(feed.neckRatio)} of its V/A (${ratio(FEED_LIMITS.neck.good)} wanted): it freezes first. Give the mass a gate of its own, `,
      ...own,
      '.',
    ];
  return say`Gate ${String(feed.gate + 1)} keeps ${ratio(feed.gateRatio)} of its V/A (${ratio(FEED_LIMITS.gate.good)} wanted): take ${mm(gateDiameterForModulusMm(mass.modulusMm))}.`;
}

/** Smaller masses than the largest two dozen are not followed, and nothing is said for them. */
function fedWords(masses: number): string {
  if (masses === 1) return 'Its mass is fed.';
  return masses < HOT_SPOTS_MAX
    ? `All ${masses} masses are fed.`
    : `The ${masses} largest masses are fed, smaller ones were not followed.`;
}

/**
 * Whether gates feed the part's masses: each that starves by itself, and one sentence when none does. `cellMm` is what
 * the grid tells apart.
 */
export function judgeFeed(
  masses: readonly Section[],
  feeds: readonly SpotFeed[],
  gates: readonly { diameterMm: number }[],
  cellMm: number,
): Judgement[] {
  const bad = feeds.flatMap((feed): Judgement[] => {
    const mass = masses[feed.spot]!;
    const grade = gradeFeed(feed);
    if (grade === 'good') return [];
    const lead = feed.gate < 0 ? 'not fed' : grade === 'fix' ? 'starves' : 'is fed late';
    return [
      {
        rule: `feed ${feed.spot + 1}`,
        weight: grade,
        lead: `Mass ${feed.spot + 1} ${lead}.`,
        why: [...say`${mm(mass.widthMm)} thick. `, ...whyNot(feed, mass)],
      },
    ];
  });
  const thin = gates.flatMap(({ diameterMm }, n): Judgement[] =>
    diameterMm < GATE_MIN_MM
      ? [
          {
            rule: `gate thin ${n + 1}`,
            weight: 'watch',
            lead: `Gate ${n + 1} is thin.`,
            why: say`${mm(diameterMm)}; under ${mm(GATE_MIN_MM)} it freezes or breaks, unless it only fills or carries.`,
          },
        ]
      : [],
  );
  if (masses.length === 0)
    return [
      {
        rule: 'feed',
        weight: 'watch',
        lead: 'No mass found.',
        why: say`Nothing in it is thicker than the ${mm(cellMm, 2)} that the grid tells apart: look at the filling instead.`,
      },
    ];
  const worst = feeds.reduce((a, b) => (b.neckRatio < a.neckRatio ? b : a), feeds[0]!);
  if (bad.length === 0)
    return [
      {
        rule: 'feed',
        weight: 'ok',
        lead: fedWords(masses.length),
        why: worst.neck
          ? say`The narrowest way keeps ${ratio(worst.neckRatio)} of what it feeds (${ratio(FEED_LIMITS.neck.good)} wanted), on a grid of ${mm(cellMm, 2)}.`
          : say`No way narrows before its mass, on a grid of ${mm(cellMm, 2)}.`,
      },
      ...thin,
    ];
  return [...bad, ...thin];
}
