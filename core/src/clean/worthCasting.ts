import type { PrintFaultKey } from '../why';

/** What becomes of a printed piece. */
export const PIECE_VERDICTS = ['cast', 'test', 'mend', 'reprint', 'spare'] as const;
export type PieceVerdict = (typeof PIECE_VERDICTS)[number];

/** Verdicts with which a piece goes into the flask: cast, as a test, or mended. */
const GOES: readonly PieceVerdict[] = ['cast', 'test', 'mend'];
export const goesIntoFlask = (verdict: PieceVerdict): boolean => GOES.includes(verdict);
export const EXPECTATIONS = ['likely good', 'doubtful', 'poor'] as const;
export type Expectation = (typeof EXPECTATIONS)[number];

/** What is known of a piece before it is invested. */
export interface PieceEvidence {
  outcome: 'good' | 'flawed' | 'lost' | undefined;
  faults?: readonly PrintFaultKey[];
  /** Cleaning steps that were left out or cut short, and cures that were too long, by name. */
  skipped: readonly string[];
  short: readonly string[];
  long: readonly string[];
  /** The last look at the skin, in words, when it was not as it should be. */
  skin: string;
  /** Days past the life of an uncured or a cured print. */
  staleDays: number;
}

export interface WorthCasting {
  verdict: PieceVerdict;
  expect: Expectation;
  /** Sentences, the gravest first. */
  reasons: string[];
  /** The fault lies in the model: it goes back to Pattern as a new version. */
  toPattern: boolean;
}

/** Faults that wax, file or drill mend; all others are printed again. */
const MENDED: readonly PrintFaultKey[] = ['pinholes', 'waves', 'ridge', 'base curled', 'cracked at cut'];
/** Faults that come again until the model is changed. */
const OF_THE_MODEL: readonly PrintFaultKey[] = ['same feature broke', 'detail missing', 'hole closed'];

/** Whether a piece is worth its metal, and what to expect of it (handbook 04, "Worth casting?"); a proposal, not a ruling. */
export function worthCasting(piece: PieceEvidence): WorthCasting {
  const faults = piece.faults ?? [];
  const toPattern = faults.some((fault) => OF_THE_MODEL.includes(fault));
  if (piece.outcome === 'lost')
    return { verdict: 'reprint', expect: 'poor', reasons: ['It was lost in the print.'], toPattern };
  const reasons: string[] = [];
  if (piece.skin) reasons.push(`The skin was ${piece.skin} at the last look: residue spoils castings.`);
  if (piece.skipped.length > 0) reasons.push(`Left out: ${piece.skipped.join(', ')}.`);
  if (piece.short.length > 0) reasons.push(`Too short: ${piece.short.join(', ')}.`);
  if (piece.long.length > 0)
    reasons.push(`Too long: ${piece.long.join(', ')}; too much light makes it brittle.`);
  if (piece.staleDays > 0)
    reasons.push(`It lay ${piece.staleDays} ${piece.staleDays === 1 ? 'day' : 'days'} past its time.`);
  if (piece.outcome === 'flawed') {
    // One fault that cannot be mended is enough.
    const mendable = faults.length > 0 && faults.every((fault) => MENDED.includes(fault));
    return mendable
      ? { verdict: 'mend', expect: 'doubtful', reasons: ['Mend it in wax: easier now than in metal.', ...reasons], toPattern } // prettier-ignore
      : { verdict: 'reprint', expect: 'poor', reasons: ['Its flaw would come out in the metal.', ...reasons], toPattern }; // prettier-ignore
  }
  if (reasons.length === 0) return { verdict: 'cast', expect: 'likely good', reasons, toPattern };
  return { verdict: 'test', expect: piece.skin ? 'poor' : 'doubtful', reasons, toPattern };
}
