import { z } from 'zod';

/** Names a line of the brief; never given again within a pour, so that what hangs on it stays where it belongs. */
export const lineKeySchema = z.string().regex(/^[a-z0-9]{1,12}$/);

/**
 * One piece, one name, from the plate to the polishing wheel: "line/copy". Copies count from 1 and keep their name
 * whatever becomes of their neighbours. By a mold route what is printed are masters, "line/m1"; the copies are waxes.
 */
export const pieceKeySchema = z.string().regex(/^[a-z0-9]{1,12}\/m?[1-9]\d{0,2}$/);
export type PieceKey = string;

export const pieceKey = (line: string, copy: number): PieceKey => `${line}/${copy}`;
export const masterKey = (line: string, copy: number): PieceKey => `${line}/m${copy}`;

export interface NamedPiece {
  line: string;
  copy: number;
  master: boolean;
}

/** The parts of a piece's name; undefined for what is none. */
export function readPieceKey(key: string): NamedPiece | undefined {
  const found = /^([a-z0-9]{1,12})\/(m?)([1-9]\d{0,2})$/.exec(key);
  return found ? { line: found[1]!, copy: Number(found[3]), master: found[2] === 'm' } : undefined;
}
