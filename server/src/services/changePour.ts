import {
  applyChanges,
  clashesOf,
  parseOrRefuse,
  pouredAt,
  pathsMeet,
  pourDocSchema,
  pourFaults,
  refuseNewFaults,
  upgradeChanges,
  type ChangedPour,
  type FieldChange,
  type PourDoc,
  Refusal,
  type RefusedChange,
  type ShopItem,
} from '@zero-pour/contracts';
import type { Database, Queryable } from '../db/database';
import { findPour, keepPourDoc } from '../db/pourStore';
import { findItem } from '../db/shopStore';
import { asRefusal } from './asRefusal';
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
    const pour = await findPour(tx, id);
    const poured = pouredAt(changed) !== undefined;
    const used = poured ? (pour.used ?? (await snapshotUsed(tx, changed))) : undefined;
    await keepPourDoc(tx, pour, changed, used);
    await tx.exec('RELEASE SAVEPOINT changes');
    return { kept: changed };
  } catch (error) {
    await tx.exec('ROLLBACK TO SAVEPOINT changes');
    const refusal = asRefusal(error);
    if (refusal === null || refusal.status >= 500) throw error;
    return { refusal };
  }
}

/** What is kept so far, and what was refused, in the order in which it was made. */
interface Judgement {
  doc: PourDoc;
  kept: FieldChange[];
  refused: RefusedChange[];
}

/** Keeps what can be kept of the changes, in their order: all together, or else either half by itself. */
async function judge(tx: Queryable, id: string, doc: PourDoc, changes: FieldChange[]): Promise<Judgement> {
  const judged = await tryChanges(tx, id, doc, changes);
  if ('kept' in judged) return { doc: judged.kept, kept: changes, refused: [] };
  const { code, message } = judged.refusal;
  if (changes.length === 1)
    return { doc, kept: [], refused: [{ change: changes[0]!, code, sentence: message }] };
  const half = changes.length >> 1;
  const first = await judge(tx, id, doc, changes.slice(0, half));
  const second = await judge(tx, id, first.doc, changes.slice(half));
  return {
    doc: second.doc,
    kept: [...first.kept, ...second.kept],
    refused: [...first.refused, ...second.refused],
  };
}

/**
 * Judges until it gets no further: a change may only make sense after another. A refused one is not tried again over one
 * that was kept and meets its path, since that is the newer.
 */
async function judgeAll(
  tx: Queryable,
  id: string,
  doc: PourDoc,
  changes: FieldChange[],
): Promise<RefusedChange[]> {
  let judged = await judge(tx, id, doc, changes);
  const { kept } = judged;
  const overtaken: RefusedChange[] = [];
  for (;;) {
    const isOvertaken = ({ change }: RefusedChange): boolean =>
      kept.some(({ path }) => pathsMeet(path, change.path));
    overtaken.push(...judged.refused.filter(isOvertaken));
    const again = judged.refused.flatMap((refused) => (isOvertaken(refused) ? [] : refused.change));
    if (again.length === 0) return overtaken;
    judged = await judge(tx, id, judged.doc, again);
    if (judged.kept.length === 0) return [...overtaken, ...judged.refused];
    kept.push(...judged.kept);
  }
}

/** The programme that a pour names, if it does. */
async function programmeOf(tx: Queryable, { burnout }: PourDoc): Promise<ShopItem<'programme'> | undefined> {
  return burnout.programmeId === undefined ? undefined : findItem(tx, 'programme', burnout.programmeId);
}

function toldClash([change, stored]: [FieldChange, unknown]): RefusedChange {
  const { code, message } = new Refusal('FIELD_CHANGED');
  return { change, code, sentence: message, stored: stored as FieldChange['value'] };
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
    const { doc, used } = await findPour(tx, id, true);
    const segments = used?.programme?.segments ?? (await programmeOf(tx, doc))?.segments;
    const clashes = clashesOf(doc, changes);
    const free = changes.filter((change) => !clashes.has(change));
    const refused = await judgeAll(tx, id, doc, upgradeChanges(free, doc, { segments }));
    return { pour: await findPour(tx, id), refused: [...[...clashes].map(toldClash), ...refused] };
  });
}
