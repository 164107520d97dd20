import { Refusal, type DeviceReading, type SendRun } from '@zero-pour/contracts';
import { isForeignKeyViolation, isUniqueViolation, type Queryable } from './database';

/** Readings are kept so far apart, and wherever the set point comes or goes. s */
const KEPT_EVERY_S = 9.5;

/** A run that a device writes now. */
export interface GoingRun {
  id: string;
  kilnId: string;
  deviceId: string | null;
  /** Number of the last reading that was taken up. */
  deviceN: number;
  rows: number;
}

const GOING = `SELECT id, kiln_id AS "kilnId", device_id AS "deviceId", device_n AS "deviceN", rows FROM kiln_run WHERE going`;

export async function goingRun(db: Queryable, kilnId: string): Promise<GoingRun | undefined> {
  return (await db.query<GoingRun>(`${GOING} AND kiln_id = $1`, [kilnId])).rows[0];
}

export interface KilnWithDevice {
  id: string;
  name: string;
  maxC: number;
  deviceUrl: string;
}
const KILN = `SELECT id, name, max_c AS "maxC", device_url AS "deviceUrl" FROM kiln WHERE trim(device_url) <> ''`;

export const kilnsWithDevices = async (db: Queryable): Promise<KilnWithDevice[]> =>
  (await db.query<KilnWithDevice>(KILN)).rows;

/** Writes down that a run is about to begin; the same one again changes nothing. Throws a Refusal while another goes on, or without such a kiln or pour. */
export async function beginDeviceRun(
  db: Queryable,
  kilnId: string,
  { deviceId, lastN }: { deviceId: string; lastN: number },
  { id, pourId, name, segments }: SendRun,
): Promise<void> {
  await db
    .query(
      `INSERT INTO kiln_run (id, kiln_id, pour_id, source, name, started_at, going, sent, device_id, device_n)
       VALUES ($1, $2, $3, 'device', $4, now(), true, $5::jsonb, $6, $7) ON CONFLICT (id) DO NOTHING`,
      [id, kilnId, pourId, name, JSON.stringify({ name, segments }), deviceId, lastN],
    )
    .catch((error: unknown) => {
      if (isUniqueViolation(error)) throw new Refusal('DEVICE_BUSY');
      if (isForeignKeyViolation(error)) throw new Refusal('NOT_FOUND', { what: 'kiln or pour of that kind' });
      throw error;
    });
}

/** From which of its readings on a device was on this run. */
export const runBeganAfter = async (db: Queryable, id: string, n: number): Promise<void> =>
  void (await db.query('UPDATE kiln_run SET device_n = $2 WHERE id = $1 AND rows = 0', [id, n]));

interface Held {
  beganAt: Date | null;
  rows: number;
  lastS: number;
  deviceN: number;
}

/**
 * Takes up readings of a run in order: none twice, none of before the last one's time, one in ten seconds and both ends of every stretch without
 * a set point. Its times are after the first one, so that a device whose clock is wrong is written down rightly. In the caller's transaction.
 */
export async function appendReadings(
  tx: Queryable,
  runId: string,
  readings: readonly DeviceReading[],
): Promise<void> {
  const { rows: found } = await tx.query<Held>(
    `SELECT device_began_at AS "beganAt", rows, last_s AS "lastS", device_n AS "deviceN" FROM kiln_run WHERE id = $1 AND going FOR UPDATE`,
    [runId],
  );
  const held = found[0];
  if (!held) return;
  const fresh = readings.filter(({ n }) => n > held.deviceN);
  const last = fresh.at(-1);
  if (!last) return;
  const startMs = held.beganAt?.getTime() ?? Date.parse(fresh[0]!.at);
  const kept = thinned(fresh, startMs, held);
  await tx.query(
    `INSERT INTO kiln_reading (run_id, at_s, temp_c, set_c)
     SELECT $1, r."atS", r."tempC", r."setC" FROM jsonb_to_recordset($2::jsonb) AS r("atS" double precision, "tempC" real, "setC" real)
     ON CONFLICT DO NOTHING`,
    [runId, JSON.stringify(kept)],
  );
  await tx.query(
    `UPDATE kiln_run SET device_began_at = $2, last_s = $3, rows = rows + $4, device_n = $5, missing = missing + $6 WHERE id = $1`,
    [
      runId,
      new Date(startMs),
      kept.at(-1)?.atS ?? held.lastS,
      kept.length,
      last.n,
      skipped(fresh, held.deviceN),
    ],
  );
}

/** Numbers that were left out between what was had and these, and among them. */
function skipped(fresh: readonly DeviceReading[], before: number): number {
  let count = 0;
  let last = before;
  for (const { n } of fresh) {
    count += n - last - 1;
    last = n;
  }
  return count;
}

interface Row {
  atS: number;
  tempC: number;
  setC: number | null;
}

/** One of two has a set point and the other has none. */
const isOtherwise = (a: DeviceReading | undefined, b: DeviceReading): boolean =>
  a !== undefined && (a.set === null) !== (b.set === null);

function thinned(fresh: readonly DeviceReading[], startMs: number, held: Held): Row[] {
  const out: Row[] = [];
  let lastS = held.rows > 0 ? held.lastS : -Infinity;
  fresh.forEach((reading, i) => {
    const atS = (Date.parse(reading.at) - startMs) / 1000;
    if (reading.value === null || atS <= lastS || atS < 0) return;
    const turns = isOtherwise(fresh[i - 1], reading) || isOtherwise(fresh[i + 1], reading);
    if (!turns && atS - lastS < KEPT_EVERY_S) return;
    out.push({ atS, tempC: reading.value, setC: reading.set });
    lastS = atS;
  });
  return out;
}

/** A run is over. One that never had a reading leaves nothing behind. */
export async function endDeviceRun(db: Queryable, id: string): Promise<void> {
  await db.query('DELETE FROM kiln_run WHERE id = $1 AND rows = 0', [id]);
  await db.query('UPDATE kiln_run SET going = false WHERE id = $1', [id]);
}
