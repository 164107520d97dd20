import { pouredAt, RECORD_KINDS, SHOP_KINDS, type ShopFile } from '@zero-pour/contracts';
import { refuseUnlessEmpty } from '../archive/restoreShop';
import { holdLock, type Database } from '../db/database';
import { keepKilnRun } from '../db/kilnRunStore';
import { addPattern } from '../db/patternStore';
import { addPour } from '../db/pourStore';
import { keepRecord } from '../db/recordStore';
import { keepSettings } from '../db/settingsStore';
import { keepItem } from '../db/shopStore';
import type { BlobFiles } from '../files/blobFiles';
import { keepBlob } from './keepBlob';
import { snapshotUsed } from './usedItems';

/** A whole shop with the bytes of its patterns by hash. */
export interface ShopBundle {
  file: ShopFile;
  bytes: ReadonlyMap<string, Uint8Array>;
}

/** Kinds that others name come first. */
const IN_ORDER = [...SHOP_KINDS].sort((a, b) => Number(a === 'profile') - Number(b === 'profile'));

/**
 * Brings a whole shop into an empty one; all of it or nothing (bytes without a pattern do no harm). The shop is
 * only made when there is room for it.
 */
export async function importShop(
  db: Database,
  files: BlobFiles,
  make: () => Promise<ShopBundle>,
): Promise<void> {
  await refuseUnlessEmpty(db);
  const { file, bytes } = await make();
  for (const [hash, content] of bytes)
    await keepBlob(db, files, hash, 'application/octet-stream', once(content));
  await db.transaction(async (tx) => {
    await holdLock(tx, 'importing');
    await refuseUnlessEmpty(tx);
    await keepSettings(tx, file.settings, 'any');
    for (const kind of IN_ORDER) for (const item of file.lists[kind]) await keepItem(tx, kind, item, 'any');
    for (const { createdAt, ...pattern } of file.patterns) await addPattern(tx, pattern, createdAt);
    for (const kind of RECORD_KINDS)
      for (const record of file.records[kind]) await keepRecord(tx, kind, record, 'any');
    for (const { id, doc, number, createdAt } of file.pours) {
      const used = pouredAt(doc) === undefined ? undefined : await snapshotUsed(tx, doc);
      await addPour(tx, { id, doc, number, used, at: createdAt });
    }
    for (const { id, log } of file.kilnRuns) await keepKilnRun(tx, id, log);
  });
}

async function* once(bytes: Uint8Array): AsyncIterable<Uint8Array> {
  yield bytes;
}
