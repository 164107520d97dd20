import type { Casting, Pattern, PlannedCut } from '@zero-pour/contracts';
import { flawWords } from '@zero-pour/core';
import type { PlannedPiece } from '@zero-pour/plan';
import type { Point } from '../../pattern';

/** A place on a file with the word that stands beside it. */
export interface ModelMark {
  at: Point;
  word: string;
}

/** Flaws of all copies of a pattern, with the copy's number. Only what was shown on this very file has a place on it. */
export const flawMarks = (
  pattern: Pattern,
  pieces: readonly PlannedPiece[],
  castings: Readonly<Record<string, Casting>>,
): ModelMark[] =>
  pieces.flatMap(({ key, copy }) =>
    (castings[key]?.flaws ?? []).flatMap((flaw) =>
      flaw.placeMm && flaw.patternId === pattern.id
        ? [{ at: flaw.placeMm, word: `${copy}: ${flawWords(flaw.kind)}` }]
        : [],
    ),
  );

export const flawsSay = (pattern: Pattern, marks: readonly ModelMark[]): string =>
  marks.length > 0
    ? `${pattern.name}, with what was found on its copies`
    : `${pattern.name}: no flaw is shown on it yet`;

/** Planned cuts of a line that have a place on this file. */
export const cutMarks = (pattern: Pattern, cuts: readonly PlannedCut[]): ModelMark[] =>
  cuts.flatMap(({ placeMm, patternId, what }) =>
    placeMm && patternId === pattern.id ? [{ at: placeMm, word: what || 'cut' }] : [],
  );
