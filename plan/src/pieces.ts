import {
  masterKey,
  pieceKey,
  readPieceKey,
  sparesOf,
  type Pattern,
  type PieceKey,
  type PourDoc,
} from '@zero-pour/contracts';
import { castsWax, goesIntoFlask, type PrintFaultKey } from '@zero-pour/core';
import type { CastLine, Named } from './part';

/** A piece by its name, with what it is a copy of. */
export interface PlannedPiece<P extends Named = Pattern> {
  key: PieceKey;
  line: string;
  pattern: P;
  /** "3", or "master 1". */
  copy: string;
  /** "Limpet drop 3": what it is called at the bench. */
  name: string;
}

const upTo = (n: number): number[] => Array.from({ length: n }, (_, i) => i + 1);

/** Two lines of one pattern are told apart by a letter. */
const lineLetter = (part: CastLine, parts: readonly CastLine[]): string => {
  const same = parts.filter(({ pattern }) => pattern.id === part.pattern.id);
  return same.length > 1 ? ` ${String.fromCharCode(97 + same.indexOf(part))}` : '';
};

/** "Limpet drop", or "Limpet drop b" where several lines have it. */
export const nameOfPart = (part: CastLine, parts: readonly CastLine[]): string =>
  `${part.pattern.name}${lineLetter(part, parts)}`;

function pieceOf<P extends Named>(
  key: PieceKey,
  part: CastLine<P>,
  parts: readonly CastLine<P>[],
): PlannedPiece<P>[] {
  const named = readPieceKey(key);
  if (!named) return [];
  const copy = named.master ? `master ${named.copy}` : String(named.copy);
  const name = `${nameOfPart(part, parts)} ${copy}`;
  return [{ key, line: part.key, pattern: part.pattern, copy, name }];
}

/** Copies that something was recorded of, beyond those that are wanted now: they stay in sight. */
const recordedBeyond = (
  records: readonly object[],
  part: CastLine,
  wanted: readonly PieceKey[],
): PieceKey[] => {
  const keys = records.flatMap((record) => Object.keys(record));
  const own = keys.filter((key) => readPieceKey(key)?.line === part.key && !wanted.includes(key));
  return [...new Set(own)].sort((a, b) => (readPieceKey(a)?.copy ?? 0) - (readPieceKey(b)?.copy ?? 0));
};

interface Pieces<P extends Named> {
  doc: PourDoc;
  parts: readonly CastLine<P>[];
}

const printedKeys = (doc: PourDoc, part: CastLine): PieceKey[] =>
  upTo(part.prints + sparesOf(doc, part.key)).map((copy) =>
    castsWax(doc.brief.route) ? masterKey(part.key, copy) : pieceKey(part.key, copy),
  );

/** Every printed piece, line by line, spares included. */
export function printedPieces<P extends Named>({ doc, parts }: Pieces<P>): PlannedPiece<P>[] {
  return parts.flatMap((part) => {
    const wanted = printedKeys(doc, part);
    const beyond = recordedBeyond([doc.print.pieces, doc.clean.pieces ?? {}], part, wanted);
    const printed = castsWax(doc.brief.route) ? beyond.filter((key) => readPieceKey(key)?.master) : beyond;
    return [...wanted, ...printed].flatMap((key) => pieceOf(key, part, parts));
  });
}

/**
 * Copies of a line that are cast: those that the shop sent into the flask, and, up to the wanted count, those that it has
 * not judged yet and that were not lost. By a mold route as many waxes as are wanted.
 */
function castKeys<P extends Named>({ doc, parts }: Pieces<P>, part: CastLine<P>): PieceKey[] {
  const recorded = Object.keys(doc.result.castings);
  if (castsWax(doc.brief.route)) return upTo(part.count).map((copy) => pieceKey(part.key, copy));
  const printed = printedPieces({ doc, parts }).filter(({ line }) => line === part.key);
  const verdictOf = (key: PieceKey) => doc.clean.pieces?.[key]?.verdict;
  const sent = printed.filter(({ key }) => {
    const verdict = verdictOf(key);
    return recorded.includes(key) || (verdict !== undefined && goesIntoFlask(verdict));
  });
  const open = printed.filter(
    (piece) =>
      !sent.includes(piece) &&
      verdictOf(piece.key) === undefined &&
      doc.print.pieces[piece.key]?.outcome !== 'lost',
  );
  const taken = new Set([...sent, ...open.slice(0, Math.max(0, part.count - sent.length))]);
  return printed.filter((piece) => taken.has(piece)).map(({ key }) => key);
}

/** Every piece that is cast, line by line. */
export function castPieces<P extends Named>({ doc, parts }: Pieces<P>): PlannedPiece<P>[] {
  return parts.flatMap((part) => {
    const cast = castKeys({ doc, parts }, part);
    const beyond = recordedBeyond([doc.result.castings], part, cast);
    return [...cast, ...beyond].flatMap((key) => pieceOf(key, part, parts));
  });
}

/** Everything that is wrong with a piece. */
export const faultsOf = (piece: PourDoc['print']['pieces'][string] | undefined): PrintFaultKey[] => [
  ...new Set([...(piece?.fault ? [piece.fault] : []), ...(piece?.moreFaults ?? [])]),
];
