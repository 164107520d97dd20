import type { Flaw } from '@zero-pour/contracts';
import type { FlawKind } from '@zero-pour/core';
import type { PourContext } from '../context';
import { castPieces, type PlannedPiece } from '../pieces';

/** Castings of a pour that evidence is asked for: those that have a flaw, and where they hung. */
export interface FlawedPieces {
  pieces: PlannedPiece[];
  /** Indices of the flasks that they hung in. */
  flasks: number[];
  /** Keys of the lines that they are copies of. */
  lines: string[];
}

/** … of these pieces. */
export function flawedPieces({ flasks }: PourContext, pieces: PlannedPiece[]): FlawedPieces {
  const keys = new Set(pieces.map(({ key }) => key));
  return {
    pieces,
    flasks: flasks.flatMap((flask, at) => (flask.pieces.some(({ key }) => keys.has(key)) ? [at] : [])),
    lines: [...new Set(pieces.map(({ line }) => line))],
  };
}

/** All that was cast: what the record says of them, whatever is wrong with any. */
export const allPieces = (context: PourContext): FlawedPieces => flawedPieces(context, castPieces(context));

/** Flaws of one kind of a piece. */
export const flawsOf = ({ doc }: Pick<PourContext, 'doc'>, key: string, kind: FlawKind): Flaw[] =>
  (doc.result.castings[key]?.flaws ?? []).filter((flaw) => flaw.kind === kind);
