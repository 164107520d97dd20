import type { TestSetRun } from '@zero-pour/contracts';
import {
  countGrades,
  suggestVerdict,
  TUNED_CLASSES,
  type Judgement,
  type PieceCount,
  type TunedClass,
} from '@zero-pour/core';

export interface ClassSummary {
  castClass: TunedClass;
  prints: PieceCount;
  casts: PieceCount;
  /** What the counts of all runs of this resin say; the person decides. */
  printsSay: Judgement;
  castsSay: Judgement;
}

/** Counts of one class over the runs of a resin, with what they suggest; classes without a piece are left out. */
export function summarise(runs: readonly TestSetRun[]): ClassSummary[] {
  return TUNED_CLASSES.flatMap((castClass) => {
    const pieces = runs.flatMap((run) => run.pieces.filter((piece) => piece.castClass === castClass));
    if (pieces.length === 0) return [];
    const { prints, casts } = countGrades(pieces);
    return [
      {
        castClass,
        prints,
        casts,
        printsSay: suggestVerdict(prints, 'prints'),
        castsSay: suggestVerdict(casts, 'casts'),
      },
    ];
  });
}

export type Piece = TestSetRun['pieces'][number];

/** The same part in several resins and on several printers, newest run of each first: for pictures side by side. */
export function sideBySide(
  runs: readonly TestSetRun[],
  patternId: string,
): { run: TestSetRun; pieces: Piece[] }[] {
  const newest = new Map<string, TestSetRun>();
  for (const run of [...runs].sort((a, b) => a.printedAt.localeCompare(b.printedAt))) {
    if (run.pieces.some((piece) => piece.patternId === patternId))
      newest.set(`${run.resinId}/${run.printerId}`, run);
  }
  return [...newest.values()]
    .reverse()
    .map((run) => ({ run, pieces: run.pieces.filter((p) => p.patternId === patternId) }));
}
