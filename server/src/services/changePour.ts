import {
  applyChanges,
  parseOrRefuse,
  pathsMeet,
  pourDocSchema,
  pourFaults,
  refuseNewFaults,
  type ChangedPour,
  type FieldChange,
  type PourDoc,
  type Refusal,
  type RefusedChange,
} from '@zero-pour/contracts';
import type { Database, Queryable } from '../db/database';
import { findPour, keepPourDoc } from '../db/pourStore';
import { asRefusal } from '../routes/asRefusal';
import { snapshotUsed } from './usedItems';

type Judged = { kept: PourDoc } | { refusal: Refusal };

/** Tries changes together, in a step of the transaction that is taken back when they are refused. */
async function tryChanges(
  tx: Queryable,
  id: string,
  doc: PourDoc,
  changes: readonly FieldChange[],
): Promise<Judged> {
  await tx.exec('SAVEPOINT changes');
  try {
    const changed = parseOrRefuse(pourDocSchema, applyChanges(doc, changes));
    refuseNewFaults(pourFaults(doc), pourFaults(changed));
    const { used: before } = await findPour(tx, id);
    const poured = changed.pour.pouredAt !== undefined;
    const used = poured ? (before ?? (await snapshotUsed(tx, changed))) : undefined;
    await keepPourDoc(tx, id, changed, used);
    await tx.exec('RELEASE SAVEPOINT changes');
    return { kept: changed };
  } catch (error) {
    await tx.exec('ROLLBACK TO SAVEPOINT changes');
    const refusal = asRefusal(error);
    if (refusal === null || refusal.status >= 500) throw error;
    return { refusal };
  }
}

/**
 * Judges changes one by one, and again as long as that gets further: one may only make sense after another. A refused
 * one is not tried over a later one that was kept and meets its path.
 */
async function judgeEach(
  tx: Queryable,
  id: string,
  given: PourDoc,
  changes: readonly FieldChange[],
): Promise<RefusedChange[]> {
  let doc = given;
  let left: RefusedChange[] = changes.map((change) => ({ change, code: '', sentence: '' }));
  for (let before = Infinity; left.length > 0 && left.length < before; ) {
    before = left.length;
    const still: RefusedChange[] = [];
    const kept: FieldChange[] = [];
    for (const { change, code, sentence } of left) {
      const overtaken = code !== '' && kept.some(({ path }) => pathsMeet(path, change.path));
      const judged = overtaken ? null : await tryChanges(tx, id, doc, [change]);
      if (judged && 'kept' in judged) {
        doc = judged.kept;
        kept.push(change);
      } else if (judged) still.push({ change, code: judged.refusal.code, sentence: judged.refusal.message });
      else still.push({ change, code, sentence });
    }
    left = still;
  }
  return left;
}

/**
 * Makes field changes to a pour and keeps them; other fields that somebody else changed meanwhile stay. A change that
 * is refused is told with its sentence, and takes no other with it. When the moment of the pour is recorded, what it was
 * made with is kept beside it; when that moment is taken back, so is the copy.
 */
export async function changePour(
  db: Database,
  id: string,
  changes: readonly FieldChange[],
): Promise<ChangedPour> {
  return db.transaction(async (tx) => {
    const { doc } = await findPour(tx, id, true);
    const together = await tryChanges(tx, id, doc, changes);
    const refused = 'kept' in together ? [] : await judgeEach(tx, id, doc, changes);
    return { pour: await findPour(tx, id), refused };
  });
}
