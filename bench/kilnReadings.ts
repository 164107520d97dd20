import { randomUUID } from 'node:crypto';
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import path from 'node:path';
import type { Database } from '../server/src/db/database';
import { appendReadings, beginDeviceRun, endDeviceRun } from '../server/src/db/deviceRunStore';
import { listKilnRuns, readKilnCurve } from '../server/src/db/kilnRunStore';
import { openDatabase } from '../server/src/db/openDatabase';
import { readShopState } from '../server/src/services/readShopState';
import { median, ms, table } from './table';

/** A night of 18 h, one reading in ten seconds; 250 nights are a year of work. */
const NIGHT_S = 18 * 3600;
const EVERY_S = 10;
const NIGHTS = [25, 250, 1000] as const;
const TIMES = 9;
const CHART_ROWS = 2000;

async function timed(work: (n: number) => Promise<unknown>): Promise<number> {
  const took: number[] = [];
  for (let n = 0; n < TIMES; n++) {
    const began = performance.now();
    await work(n);
    took.push(performance.now() - began);
  }
  return median(took);
}

/** Nights that are over: their readings by a statement, as if each had been written down. */
export async function addNights(db: Database, kilnId: string, from: number, to: number): Promise<void> {
  for (let n = from; n < to; n++) {
    const id = randomUUID();
    await db.query(
      `INSERT INTO kiln_run (id, kiln_id, source, name, started_at, last_s, rows)
       VALUES ($1, $2, 'device', $3, now() - make_interval(days => $4), $5, $6)`,
      [id, kilnId, `Night ${n}`, n, NIGHT_S, NIGHT_S / EVERY_S + 1],
    );
    await db.query(
      `INSERT INTO kiln_reading (run_id, at_s, temp_c, set_c)
       SELECT $1, s, 400 + 300 * sin(s / 9000.0), 400 FROM generate_series(0, $2::int, $3::int) AS s`,
      [id, NIGHT_S, EVERY_S],
    );
  }
}

/** Years of a kiln's readings: what they cost the record, a reading that comes, and a night that is looked at. */
export async function measureKilnReadings(): Promise<string> {
  const folder = await mkdtemp(path.join(tmpdir(), 'zero-pour-bench-'));
  const { db } = await openDatabase({ folder: path.join(folder, 'database') });
  const kilnId = randomUUID();
  await db.query(
    `INSERT INTO kiln (id, name, litres, max_c, max_ramp_c_per_h, cool_tau_h, cost_per_h, note) VALUES ($1, 'Kiln', 7, 1000, 400, 4, 0, '')`,
    [kilnId],
  );
  const rows: Record<string, string | number>[] = [];
  let made = 0;
  for (const nights of NIGHTS) {
    await addNights(db, kilnId, made, nights);
    made = nights;
    const runId = randomUUID();
    const device = { deviceId: randomUUID(), lastN: 0 };
    await beginDeviceRun(db, kilnId, device, { id: runId, pourId: null, name: 'Tonight', segments: [] });
    const start = Date.now();
    const append = await timed((n) =>
      appendReadings(db, runId, [
        { n: n + 1, at: new Date(start + n * 10_000).toISOString(), value: 300, set: 300, runId, segment: 0, steady: true }, // prettier-ignore
      ]),
    );
    await endDeviceRun(db, runId);
    const { rows: some } = await db.query<{ id: string }>(
      'SELECT id FROM kiln_run WHERE rows > 1000 ORDER BY started_at LIMIT 1',
    );
    const { rows: size } = await db.query<{ mb: number; rows: number }>(
      `SELECT pg_total_relation_size('kiln_reading') / 1e6 AS mb, (SELECT sum(rows) FROM kiln_run)::float8 AS rows`,
    );
    rows.push({
      nights,
      readings: size[0]!.rows,
      'on disk': `${Number(size[0]!.mb).toFixed(0)} MB`,
      'one reading kept': ms(append),
      'a night for a chart': ms(await timed(() => readKilnCurve(db, some[0]!.id, CHART_ROWS))),
      'all runs listed': ms(await timed(() => listKilnRuns(db))),
      'the shop read': ms(await timed(() => readShopState(db))),
    });
  }
  await db.close();
  await rm(folder, { recursive: true, force: true });
  return table(rows);
}
