/** Room beside what is to be printed, for its words. */
const ROOM = 1.1;

/** Seconds that a chart spans: from its curves' first to their last, and as far as what is to be printed. */
export const shownSpan = (exposuresS: readonly number[], takenS: number): readonly [number, number] => [
  Math.min(exposuresS[0]!, takenS / ROOM),
  Math.max(exposuresS.at(-1)!, takenS * ROOM),
];
