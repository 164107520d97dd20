import {
  archivePart,
  Refusal,
  SHOP_KINDS,
  type ArchiveHead,
  type ArchivePart,
  type KeptHistory,
  type KeptRecord,
  type KeptRun,
  type Pattern,
  type Pour,
  type Settings,
  type ShopKind,
} from '@zero-pour/contracts';
import {
  holdLock,
  isForeignKeyViolation,
  isUniqueViolation,
  type Database,
  type Queryable,
} from '../db/database';
import { restoreHistory } from '../db/historyStore';
import { restoreRun } from '../db/kilnRunStore';
import { addPattern } from '../db/patternStore';
import { addPour } from '../db/pourStore';
import { restoreRecord } from '../db/recordStore';
import { keepSettings } from '../db/settingsStore';
import { keepItem } from '../db/shopStore';
import { wrongIn } from './locatedJson';
import type { ReadPart } from './readPart';

/** Kinds that others name come first. */
const RANK: Record<ArchivePart['of'], number> = { settings: 0, things: 1, patterns: 3, records: 4, pour: 5, run: 6, history: 7 }; // prettier-ignore
const rankOf = (part: ArchivePart): number =>
  part.of === 'things' && part.kind === 'profile' ? RANK.things + 1 : RANK[part.of];
/** The files of an archive in the order in which they are put in. */
const inOrder = ({ files }: ArchiveHead): string[] =>
  Object.keys(files)
    .map((path) => ({ path, rank: rankOf(archivePart(path)!) }))
    .sort((a, b) => a.rank - b.rank)
    .map(({ path }) => path);

/** Whether a shop has nothing of its own yet. */
export async function isEmptyShop(db: Queryable): Promise<boolean> {
  const counts = [...SHOP_KINDS, 'pattern', 'pour', 'bench_record', 'kiln_run'].map(
    (table) => `SELECT count(*) AS n FROM ${table}`,
  );
  const { rows } = await db.query<{ total: number }>(
    `SELECT sum(n) AS total FROM (${counts.join(' UNION ALL ')}) AS all_counts`,
  );
  return Number(rows[0]?.total ?? 0) === 0;
}
export async function refuseUnlessEmpty(db: Queryable): Promise<void> {
  if (!(await isEmptyShop(db))) throw new Refusal('SHOP_NOT_EMPTY');
}

/** A list in an order in which none comes before the one that it follows. */
function formerFirst<T extends { id: string; formerId?: string | null }>(list: readonly T[]): [T, number][] {
  const placed: [T, number][] = [];
  const done = new Set<string>();
  let left = list.map((one, i): [T, number] => [one, i]);
  while (left.length > 0) {
    const ready = left.filter(([{ formerId }]) => !formerId || done.has(formerId) || !left.some(([{ id }]) => id === formerId)); // prettier-ignore
    // A circle is none that was ever kept: the database refuses the first of it.
    const next = ready.length > 0 ? ready : left;
    for (const [one] of next) done.add(one.id);
    placed.push(...next);
    left = left.filter((entry) => !next.includes(entry));
  }
  return placed;
}

/** What is refused or clashes while it is put in is told at its place in its file. */
async function atItsPlace(
  { path, text }: ReadPart,
  at: readonly PropertyKey[],
  work: () => Promise<unknown>,
): Promise<void> {
  try {
    await work();
  } catch (error) {
    if (error instanceof Refusal && error.status < 500) throw wrongIn(path, text, at, error.message);
    if (isUniqueViolation(error)) throw wrongIn(path, text, at, 'another one has its id or its number');
    if (isForeignKeyViolation(error)) throw wrongIn(path, text, at, 'it names something that is not there');
    throw error;
  }
}

async function restorePart(tx: Queryable, read: ReadPart): Promise<void> {
  const { part, content } = read;
  const each = async <T>(list: readonly [T, number][], keep: (one: T) => Promise<unknown>): Promise<void> => {
    for (const [one, i] of list) await atItsPlace(read, [i], () => keep(one));
  };
  const indexed = <T>(list: readonly T[]): [T, number][] => list.map((one, i) => [one, i]);
  switch (part.of) {
    case 'settings':
      await keepSettings(tx, content as Settings, 'any');
      return;
    case 'things':
      return each(formerFirst(content as { id: string; formerId?: string | null }[]), (item) =>
        keepItem(tx, part.kind as ShopKind, item, 'any'),
      );
    case 'patterns':
      return each(formerFirst(content as Pattern[]), ({ createdAt, ...pattern }) =>
        addPattern(tx, pattern, createdAt),
      );
    case 'records':
      return each(indexed(content as KeptRecord[]), (record) => restoreRecord(tx, part.kind, record));
    case 'pour': {
      const { createdAt, ...pour } = content as Pour;
      return atItsPlace(read, [], () => addPour(tx, { ...pour, at: createdAt }));
    }
    case 'run':
      return atItsPlace(read, [], () => restoreRun(tx, content as KeptRun));
    case 'history':
      return atItsPlace(read, [], () => restoreHistory(tx, content as KeptHistory[]));
  }
}

/** Puts the parts of an archive, all of which are known to read, into an empty shop, in one transaction. Its bytes are kept already. */
export async function restoreShop(
  db: Database,
  head: ArchiveHead,
  read: (path: string) => Promise<ReadPart>,
): Promise<void> {
  await db.transaction(async (tx) => {
    await holdLock(tx, 'importing');
    await refuseUnlessEmpty(tx);
    for (const { hash, bytes, mediaType } of head.bytes)
      await tx.query(
        'INSERT INTO blob (hash, bytes, media_type) VALUES ($1, $2, $3) ON CONFLICT (hash) DO NOTHING',
        [hash, bytes, mediaType],
      );
    for (const path of inOrder(head)) await restorePart(tx, await read(path));
    await tx.query('UPDATE numbering SET pour = greatest(pour, $1::integer)', [head.lastPour]);
  });
}
