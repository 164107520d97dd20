import type { Segment } from '../burnout';

/** Water leaves, and wax drains, at no hotter hold than this. °C */
export const STEAM_MOST_C = 200;
/** As the book holds it where a programme has no hold for it. */
const STEAM: Segment = {
  name: 'Steam and drain',
  rampCPerH: 130,
  targetC: 150,
  holdH: 0,
  flaskWay: 'button down',
  hands: [],
  note: 'Water leaves, wax drains.',
};

/** Which segments of a programme do what, by their place. */
export interface ProgrammeRoles {
  steam: number;
  peak: number;
  /** At the casting temperature, at the end. */
  soak: number;
}

/**
 * A programme in which each of its jobs has a segment of its own, and which those are: a hold for the steam is put in front, and one for
 * the soak behind, where there is none.
 */
export function withRoles(given: readonly Segment[]): {
  segments: Segment[];
  roles: ProgrammeRoles;
  steamAdded: boolean;
} {
  const heats = given.findIndex(({ targetC }) => targetC !== null && targetC > STEAM_MOST_C);
  const before = heats < 0 ? given.length : heats;
  const segments = before === 0 ? [STEAM, ...given] : [...given];
  const steam = Math.max(0, before - 1);
  const hottest = Math.max(...segments.map(({ targetC }) => targetC ?? -Infinity));
  const peak = segments.findLastIndex(({ targetC }) => targetC === hottest);
  const last = segments.at(-1)!;
  const soaks = segments.length - 1 > peak && last.targetC === null;
  if (!soaks)
    segments.push({ ...last, name: 'To casting temperature', rampCPerH: null, targetC: null, holdH: 0, hands: [], note: 'Until the core agrees.' }); // prettier-ignore
  return { segments, roles: { steam, peak, soak: segments.length - 1 }, steamAdded: before === 0 };
}
