import type { Judgement } from '../judge';
import { estimateShare, say, type ShareEstimate } from '../numeric';

/** Fewer pieces than this are no rank (handbook 02). */
export const PIECES_LEAST = 5;

/** How pieces of a test set are graded after printing (handbook 02, "Qualifying a resin"). */
export const PRINT_GRADES = ['missing', 'fragment', 'thin or distorted', 'whole'] as const;
export type PrintGrade = (typeof PRINT_GRADES)[number];

/** … and after casting with the shop's baseline recipe. */
export const CAST_GRADES = ['good', 'needs repair', 'scrap'] as const;
export type CastGrade = (typeof CAST_GRADES)[number];

export const VERDICTS = ['keep', 'keep for …', 'drop'] as const;

/** Good pieces of how many. */
export interface PieceCount {
  good: number;
  of: number;
}

/** A piece as far as it was graded. */
export interface GradedPiece {
  print: PrintGrade | null;
  cast: CastGrade | null;
}

/** Whole prints of those graded, and good castings of those cast; kept apart, since a resin may do one and not the other. */
export function countGrades(pieces: readonly GradedPiece[]): { prints: PieceCount; casts: PieceCount } {
  const printed = pieces.filter((piece) => piece.print !== null);
  const cast = pieces.filter((piece) => piece.cast !== null);
  return {
    prints: { good: printed.filter((piece) => piece.print === 'whole').length, of: printed.length },
    casts: { good: cast.filter((piece) => piece.cast === 'good').length, of: cast.length },
  };
}

/** A yield that says on how little it stands. */
export interface Standing extends ShareEstimate {
  /** From fewer than five pieces: shown, but no rank. */
  few: boolean;
}

/** The yield behind a count, with its 90 % interval. */
export function standing({ good, of }: PieceCount): Standing {
  return { ...estimateShare(good, of), few: of < PIECES_LEAST };
}

export const addCounts = (a: PieceCount, b: PieceCount): PieceCount => ({
  good: a.good + b.good,
  of: a.of + b.of,
});

/**
 * Order of a ranking: by the low end of the interval, so that three of three does not stand above forty of
 * forty-two; those with too few pieces last.
 */
export function byStanding(a: Standing, b: Standing): number {
  return Number(a.few) - Number(b.few) || b.low - a.low;
}

/** Share from which a resin is worth keeping for a class, and below which it is not (*shop defaults*). */
const KEEP_FROM = 0.8;
const DROP_BELOW = 0.5;

/** What the graded pieces of one class say about the resin; the person decides. */
export function suggestVerdict(count: PieceCount, doing: 'prints' | 'casts'): Judgement {
  const share = standing(count);
  const figures = say`${count.good} of ${count.of} ${doing === 'prints' ? 'printed whole' : 'cast well'}; true share ${Math.round(100 * share.low)} to ${Math.round(100 * share.high)} %.`;
  const rule = `suggested ${doing}`;
  if (share.few) {
    return {
      rule,
      weight: 'watch',
      lead: 'Too few to say.',
      why: [...figures, ` ${PIECES_LEAST} pieces at least.`],
    };
  }
  if (share.low >= DROP_BELOW && share.mean >= KEEP_FROM)
    return { rule, weight: 'ok', lead: 'Keep.', why: figures };
  if (share.high <= KEEP_FROM && share.mean < DROP_BELOW)
    return { rule, weight: 'stop', lead: 'Drop.', why: figures };
  return { rule, weight: 'watch', lead: 'Not settled.', why: figures };
}
