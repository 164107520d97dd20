import {
  pourFaults,
  pouredAt,
  refuseNewFaults,
  Refusal,
  type ScrapBatch,
  type Resin,
  type TakeScraps,
  type TakeSheet,
} from '@zero-pour/contracts';
import { isForeignKeyViolation, type Database, type Queryable } from '../db/database';
import { addPour } from '../db/pourStore';
import { findRecord, keepRecord, removeRecord } from '../db/recordStore';
import { findItem, keepItem, removeItem } from '../db/shopStore';
import { snapshotUsed } from './usedItems';

/** The same rows counted twice would teach twice as much. */
async function refuseTwice(tx: Queryable, { hash, id }: ScrapBatch): Promise<void> {
  const { rows } = await tx.query<{ name: string }>(
    `SELECT doc ->> 'name' AS name FROM bench_record WHERE kind = 'scrapBatch' AND doc ->> 'hash' = $1 AND id <> $2`,
    [hash, id],
  );
  if (rows[0]) throw new Refusal('SCRAPS_AGAIN', { name: rows[0].name });
}

/** Takes old records in: all of them with what was made for them, or nothing. */
export async function takeScraps(
  db: Database,
  { batch, alloys, resins, pours }: TakeScraps,
): Promise<ScrapBatch> {
  return db.transaction(async (tx) => {
    await refuseTwice(tx, batch);
    for (const alloy of alloys) await keepItem(tx, 'alloy', alloy, null);
    for (const resin of resins) await keepItem(tx, 'resin', resin, null);
    const { record } = await keepRecord(tx, 'scrapBatch', batch, null);
    for (const { id, doc } of pours) {
      if (doc.scrap?.batchId !== batch.id)
        throw new Refusal('BAD_REQUEST', { where: 'scrap › batch id', why: 'not of this taking-in' });
      refuseNewFaults([], pourFaults(doc));
      const used = pouredAt(doc) === undefined ? undefined : await snapshotUsed(tx, doc);
      await addPour(tx, { id, doc, used, at: batch.takenAt });
    }
    return record;
  });
}

/** Takes old notes in that are no pours: records of the bench, and figures that go to resins; all of them, or nothing. */
export async function takeSheet(db: Database, { batch, trials, series, figures }: TakeSheet): Promise<ScrapBatch> {
  return db.transaction(async (tx) => {
    await refuseTwice(tx, batch);
    for (const trial of trials) await keepRecord(tx, 'trial', trial, null);
    for (const one of series) await keepRecord(tx, 'sizeSeries', one, null);
    for (const { resinId, figure } of figures) {
      if (!(await changeReported(tx, resinId, (reported) => [...reported, figure])))
        throw new Refusal('NOT_FOUND', { what: 'resin' });
    }
    const told: ScrapBatch = {
      ...batch,
      records: [...trials.map(({ id }) => ({ kind: 'trial' as const, id })), ...series.map(({ id }) => ({ kind: 'sizeSeries' as const, id }))],
      figures: figures.map(({ resinId, figure }) => ({ resinId, key: figure.key })),
    };
    return (await keepRecord(tx, 'scrapBatch', told, null)).record;
  });
} // prettier-ignore

type Reported = Resin['reported'];
/** Whether there is such a resin still. */
async function changeReported(tx: Queryable, resinId: string, change: (reported: Reported) => Reported): Promise<boolean> {
  const resin = await findItem(tx, 'resin', resinId);
  if (resin) await keepItem(tx, 'resin', { ...resin, reported: change(resin.reported) }, 'any');
  return resin !== undefined;
} // prettier-ignore

/** Takes a thing out again that was made for old records, unless something else names it by now. */
async function removeMade(tx: Queryable, { kind, id }: ScrapBatch['made'][number]): Promise<void> {
  await tx.exec('SAVEPOINT made');
  try {
    await removeItem(tx, kind, id);
    await tx.exec('RELEASE SAVEPOINT made');
  } catch (error) {
    await tx.exec('ROLLBACK TO SAVEPOINT made');
    const used = error instanceof Refusal && error.code === 'STILL_USED';
    if (!used && !isForeignKeyViolation(error)) throw error;
  }
}

/** Takes a taking-in back whole: its pours, and what was made for them and nothing else names. One that is gone is no fault. */
export async function takeBackScraps(db: Database, id: string): Promise<void> {
  await db.transaction(async (tx) => {
    const batch = await findRecord(tx, 'scrapBatch', id);
    if (!batch) return;
    await tx.query('DELETE FROM pour WHERE scrap_batch = $1', [id]);
    for (const made of batch.made) await removeMade(tx, made);
    for (const { kind, id: record } of batch.records ?? []) await removeRecord(tx, kind, record);
    for (const { resinId, key } of batch.figures ?? [])
      await changeReported(tx, resinId, (reported) => reported.filter((one) => one.key !== key));
    await removeRecord(tx, 'scrapBatch', id);
  });
}
