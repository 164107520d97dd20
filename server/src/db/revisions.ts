import { SHOP_KINDS, StaleRefusal } from '@zero-pour/contracts';
import { isDeepStrictEqual } from 'node:util';
import type { Queryable } from './database';

/** The revision that a writer had before him: null when he thought it new, 'any' for a program that brings a whole shop into an empty one: what it brings was judged when it was kept first. */
export type Base = number | null | 'any';

/**
 * Refuses to write over a state that the writer had not seen. The very same again is no fault: an answer may have been
 * lost. Returns whether there is anything to write.
 */
export function holdBase<T>(had: { value: T; revision: number } | undefined, base: Base, sent: T): boolean {
  if (!had) return true;
  if (isDeepStrictEqual(plain(had.value), plain(sent))) return false;
  if (base !== 'any' && base !== had.revision) throw new StaleRefusal(had.value, had.revision);
  return true;
}

/** As JSON has it, moments as text; a field that holds nothing is as good as none: the database tells one where a page left it out. */
const plain = (value: unknown): unknown =>
  JSON.parse(JSON.stringify(value), (_, one: unknown) => (one === null ? undefined : one));

const ADDRESSES = [
  ...SHOP_KINDS.map((kind) => `SELECT '/shop/${kind}/' || id AS at, revision FROM ${kind}`),
  `SELECT '/settings', revision FROM settings`,
].join(' UNION ALL ');

/** Revisions of everything that a page begins with, by address; of patterns those that are named. */
export const listRevisions = async (
  db: Queryable,
  patternIds: readonly string[],
): Promise<Record<string, number>> =>
  byAddress(
    await db.query<{ at: string; revision: number }>(
      `${ADDRESSES} UNION ALL SELECT '/patterns/' || id, revision FROM pattern WHERE id = ANY($1::uuid[])`,
      [patternIds],
    ),
  );

export const listRecordRevisions = async (db: Queryable): Promise<Record<string, number>> =>
  byAddress(await db.query(`SELECT '/records/' || kind || '/' || id AS at, revision FROM bench_record`));

const byAddress = ({ rows }: { rows: { at: string; revision: number }[] }): Record<string, number> =>
  Object.fromEntries(rows.map(({ at, revision }) => [at, revision]));
