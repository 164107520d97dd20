import { workMinutesOf, type Settings } from '@zero-pour/contracts';

/** When the melt begins, h after kiln in: so that the metal is ready at zero, and not before the last hand at the kiln. */
export function meltsAtH(settings: Settings, hands: readonly { atH: number }[], kilnH: number): number {
  const last = Math.max(0, ...hands.map(({ atH }) => atH));
  return Math.min(kilnH, Math.max(last, kilnH - workMinutesOf(settings, 'melt') / 60));
}
