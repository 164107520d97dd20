import {
  applyChanges,
  parseOrRefuse,
  pourDocSchema,
  type FieldChange,
  type Pour,
} from '@zero-pour/contracts';
import type { Database } from '../db/database';
import { findPour, keepPourDoc } from '../db/pourStore';
import { snapshotUsed } from './usedItems';

/**
 * Makes field changes to a pour and keeps them; other fields that somebody else changed meanwhile stay.
 * When the moment of the pour is recorded, what it was made with is kept beside it; when that moment is
 * taken back, so is the copy.
 */
export async function changePour(db: Database, id: string, changes: readonly FieldChange[]): Promise<Pour> {
  return db.transaction(async (tx) => {
    const pour = await findPour(tx, id);
    const doc = parseOrRefuse(pourDocSchema, applyChanges(pour.doc, changes));
    const poured = doc.pour.pouredAt !== undefined;
    const used = poured ? (pour.used ?? (await snapshotUsed(tx, doc))) : undefined;
    await keepPourDoc(tx, id, doc, used);
    return findPour(tx, id);
  });
}
