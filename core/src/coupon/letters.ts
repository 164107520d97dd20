/**
 * Letters of 3 × 5 squares, rows from the top, a bit a square: coarse enough for any resin that prints at all.
 * Engraved strokes are one square wide.
 */
const GLYPHS: Readonly<Record<string, readonly [number, number, number, number, number]>> = {
  '0': [7, 5, 5, 5, 7],
  '1': [2, 6, 2, 2, 7],
  '2': [7, 1, 7, 4, 7],
  '3': [7, 1, 3, 1, 7],
  '4': [5, 5, 7, 1, 1],
  '5': [7, 4, 7, 1, 7],
  '6': [7, 4, 7, 5, 7],
  '7': [7, 1, 2, 2, 2],
  '8': [7, 5, 7, 5, 7],
  '9': [7, 5, 7, 1, 7],
  '.': [0, 0, 0, 0, 2],
  '-': [0, 0, 7, 0, 0],
  '/': [1, 1, 2, 4, 4],
  A: [2, 5, 7, 5, 5],
  B: [6, 5, 6, 5, 6],
  C: [7, 4, 4, 4, 7],
  D: [6, 5, 5, 5, 6],
  E: [7, 4, 6, 4, 7],
  F: [7, 4, 6, 4, 4],
  G: [7, 4, 5, 5, 7],
  H: [5, 5, 7, 5, 5],
  I: [7, 2, 2, 2, 7],
  J: [1, 1, 1, 5, 7],
  K: [5, 5, 6, 5, 5],
  L: [4, 4, 4, 4, 7],
  M: [5, 7, 7, 5, 5],
  N: [6, 5, 5, 5, 5],
  O: [7, 5, 5, 5, 7],
  P: [7, 5, 7, 4, 4],
  Q: [7, 5, 5, 7, 1],
  R: [7, 5, 6, 5, 5],
  S: [7, 4, 7, 1, 7],
  T: [7, 2, 2, 2, 2],
  U: [5, 5, 5, 5, 7],
  V: [5, 5, 5, 5, 2],
  W: [5, 5, 7, 7, 5],
  X: [5, 5, 2, 5, 5],
  Y: [5, 5, 2, 2, 2],
  Z: [7, 1, 2, 4, 7],
};

/** A run of filled squares in one row: column, row from the top, length. */
export interface Run {
  column: number;
  row: number;
  length: number;
}

const COLUMNS = 3;
export const LETTER_ROWS = 5;
/** Columns from one letter to the next. */
export const LETTER_PITCH = COLUMNS + 1;

/** Squares to engrave for a text, as runs; letters that are not known stay blank. */
export function textRuns(text: string): Run[] {
  return [...text.toUpperCase()].flatMap((letter, n) =>
    (GLYPHS[letter] ?? []).flatMap((bits, row) => rowRuns(bits, row, n)),
  );
}

function rowRuns(bits: number, row: number, letter: number): Run[] {
  const runs: Run[] = [];
  for (let c = 0; c < COLUMNS; c++) {
    if (!((bits >> (COLUMNS - 1 - c)) & 1)) continue;
    const last = runs.at(-1);
    if (last && last.column + last.length === letter * LETTER_PITCH + c) last.length++;
    else runs.push({ column: letter * LETTER_PITCH + c, row, length: 1 });
  }
  return runs;
}
