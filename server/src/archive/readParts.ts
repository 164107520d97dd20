import {
  archivePath,
  RECORD_KINDS,
  SHOP_KINDS,
  type ArchiveHead,
  type KeptHistory,
  type KeptRecord,
  type KeptRun,
  type Unread,
} from '@zero-pour/contracts';
import type { Queryable } from '../db/database';
import { exportHistory } from '../db/historyStore';
import { exportRun, listKilnRuns } from '../db/kilnRunStore';
import { listPatterns } from '../db/patternStore';
import { listPourPage } from '../db/pourStore';
import { exportRecords } from '../db/recordStore';
import { readSettings } from '../db/settingsStore';
import { listShop } from '../db/shopStore';

/** One JSON file of an archive: where it stands, what it holds, and how many entries those are. */
export interface WrittenPart {
  path: string;
  /** Read when it is wanted: most of a shop is readings of kilns, and they are not needed to count them. */
  content: () => unknown;
  entries: number;
}

const byId = (a: { id: string }, b: { id: string }): number => a.id.localeCompare(b.id);
const byTime = (a: KeptRecord, b: KeptRecord): number =>
  a.createdAt.localeCompare(b.createdAt) || byId(a.record, b.record);
const byItem = (a: KeptHistory, b: KeptHistory): number =>
  a.at.localeCompare(b.at) || a.itemId.localeCompare(b.itemId);

const listed = (path: string, content: unknown[]): WrittenPart => ({
  path,
  content: () => content,
  entries: content.length,
});

/** Everything of a shop but its bytes, file by file, always in the same order; what does not read is handed to `unread`. */
export async function* readParts(
  db: Queryable,
  unread: (list: Unread[]) => void,
): AsyncGenerator<WrittenPart> {
  const settings = await readSettings(db);
  unread(settings.unread);
  yield { path: archivePath.settings, content: () => settings.settings, entries: 1 };
  const shop = await listShop(db);
  unread(shop.unread);
  for (const kind of SHOP_KINDS) yield listed(archivePath.things(kind), [...shop.lists[kind]].sort(byId));
  const patterns = await listPatterns(db);
  unread(patterns.unread);
  const oldestFirst = [...patterns.read].sort((a, b) => a.createdAt.localeCompare(b.createdAt) || byId(a, b));
  yield listed(archivePath.patterns, oldestFirst);
  const records = await exportRecords(db);
  unread(records.unread);
  for (const kind of RECORD_KINDS) yield listed(archivePath.records(kind), records.lists[kind].sort(byTime));
  for (let after = 0; ;) {
    const page = await listPourPage(db, after);
    unread(page.unread);
    for (const pour of page.read)
      yield { path: archivePath.pour(pour.number), content: () => pour, entries: 1 };
    if (page.last === null) break;
    after = page.last;
  }
  for (const { id } of (await listKilnRuns(db)).sort(byId))
    yield {
      path: archivePath.run(id),
      content: (): Promise<KeptRun> => exportRun(db, id),
      entries: 1,
    };
  yield listed(archivePath.history, (await exportHistory(db)).sort(byItem));
}

/** What the head says of bytes, in the order of their hashes. */
export async function listBytes(db: Queryable): Promise<ArchiveHead['bytes']> {
  const { rows } = await db.query<{ hash: string; bytes: number; mediaType: string }>(
    'SELECT hash, bytes, media_type AS "mediaType" FROM blob ORDER BY hash',
  );
  return rows.map(({ hash, bytes, mediaType }) => ({ hash, bytes: Number(bytes), mediaType }));
}
