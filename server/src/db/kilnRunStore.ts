import { Refusal, type KeptRun, type KilnCurve, type KilnRun, type NewKilnRun } from '@zero-pour/contracts';
import { isForeignKeyViolation, type Queryable } from './database';

interface RunRow extends Omit<KilnRun, 'startedAt'> {
  startedAt: Date;
}
const RUN = `SELECT id, kiln_id AS "kilnId", pour_id AS "pourId", source, name, started_at AS "startedAt",
  last_s AS "lastS", rows, going, sent, missing FROM kiln_run`;
const toRun = (row: RunRow): KilnRun => ({ ...row, startedAt: row.startedAt.toISOString() });

/** All runs without their readings, newest first. */
export async function listKilnRuns(db: Queryable): Promise<KilnRun[]> {
  const { rows } = await db.query<RunRow>(`${RUN} ORDER BY started_at DESC, id`);
  return rows.map(toRun);
}

async function findRun(db: Queryable, id: string): Promise<KilnRun> {
  const { rows } = await db.query<RunRow>(`${RUN} WHERE id = $1`, [id]);
  if (!rows[0]) throw new Refusal('NOT_FOUND', { what: 'run of a kiln' });
  return toRun(rows[0]);
}

const notThere = (error: unknown): never => {
  if (isForeignKeyViolation(error)) throw new Refusal('NOT_FOUND', { what: 'kiln or pour of that kind' });
  throw error;
};

/** Keeps a log whole, in the caller's transaction. One that is kept already is not kept again. */
export async function keepKilnRun(tx: Queryable, id: string, given: NewKilnRun): Promise<KilnRun> {
  const { kilnId, pourId, name, startedAt, atS, tempC, setC } = given;
  await tx
    .query(
      `INSERT INTO kiln_run (id, kiln_id, pour_id, source, name, started_at, last_s, rows)
       VALUES ($1, $2, $3, 'file', $4, $5, $6, $7) ON CONFLICT (id) DO NOTHING`,
      [id, kilnId, pourId, name, startedAt, atS.at(-1), atS.length],
    )
    .catch(notThere);
  await addReadings(tx, id, { atS, tempC, setC });
  const kept = await findRun(tx, id);
  const same = kept.kilnId === kilnId && kept.rows === atS.length && kept.startedAt === startedAt;
  if (!same) throw new Refusal('ID_TAKEN', { what: 'run of a kiln' });
  return kept;
}

/** Readings of a run; one that is there already stays. */
async function addReadings(
  tx: Queryable,
  id: string,
  { atS, tempC, setC }: Pick<NewKilnRun, 'atS' | 'tempC' | 'setC'>,
): Promise<void> {
  await tx.query(
    `INSERT INTO kiln_reading (run_id, at_s, temp_c, set_c)
     SELECT $1, r."atS", r."tempC", r."setC"
     FROM jsonb_to_recordset($2::jsonb) AS r("atS" double precision, "tempC" real, "setC" real)
     ON CONFLICT DO NOTHING`,
    [id, JSON.stringify(atS.map((at, n) => ({ atS: at, tempC: tempC[n], setC: setC[n] })))],
  );
}

/** Says which pour a run burnt out; null: none. */
export async function linkKilnRun(db: Queryable, id: string, pourId: string | null): Promise<KilnRun> {
  await db.query('UPDATE kiln_run SET pour_id = $2 WHERE id = $1', [id, pourId]).catch(notThere);
  return findRun(db, id);
}

/** Takes a run and its readings away; one that is gone already is no fault. */
export async function removeKilnRun(db: Queryable, id: string): Promise<void> {
  await db.query('DELETE FROM kiln_run WHERE id = $1', [id]);
}

interface ReadingRow {
  atS: number;
  tempC: number;
  setC: number | null;
}

/** The readings of a run, the first of each stretch of `everyS` seconds; 0: all of them. */
export async function readKilnCurve(db: Queryable, id: string, mostRows: number): Promise<KilnCurve> {
  const run = await findRun(db, id);
  const everyS = run.rows <= mostRows ? 0 : run.lastS / (mostRows - 1);
  const { rows } = await db.query<ReadingRow>(
    everyS === 0
      ? `SELECT at_s AS "atS", temp_c AS "tempC", set_c AS "setC" FROM kiln_reading WHERE run_id = $1 ORDER BY at_s`
      : `SELECT DISTINCT ON (floor(at_s / $2::double precision)) at_s AS "atS", temp_c AS "tempC", set_c AS "setC"
         FROM kiln_reading WHERE run_id = $1 ORDER BY floor(at_s / $2::double precision), at_s`,
    everyS === 0 ? [id] : [id, everyS],
  );
  return {
    run,
    everyS,
    atS: rows.map(({ atS }) => atS),
    tempC: rows.map(({ tempC }) => tempC),
    setC: rows.map(({ setC }) => setC),
  };
}

/** A run with all its readings, for an archive: there it goes on no more, whatever it does here. */
export async function exportRun(db: Queryable, id: string): Promise<KeptRun> {
  const { run, atS, tempC, setC } = await readKilnCurve(db, id, Infinity);
  return { run: { ...run, going: false }, atS, tempC, setC };
}
export async function restoreRun(tx: Queryable, { run, atS, tempC, setC }: KeptRun): Promise<void> {
  await tx
    .query(
      `INSERT INTO kiln_run (id, kiln_id, pour_id, source, name, started_at, last_s, rows, sent, missing)
       VALUES ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10)`,
      [
        run.id,
        run.kilnId,
        run.pourId,
        run.source,
        run.name,
        run.startedAt,
        run.lastS,
        run.rows,
        run.sent && JSON.stringify(run.sent),
        run.missing,
      ],
    )
    .catch(notThere);
  await addReadings(tx, run.id, { atS, tempC, setC });
}
