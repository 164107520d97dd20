import type { AboutShop, Safety } from '@zero-pour/contracts';
import { statfs } from 'node:fs/promises';
import type { Queryable } from '../db/database';
import type { Services } from '../routes/services';

const COUNTED = {
  pours: 'pour',
  patterns: 'pattern',
  'records of the bench': 'bench_record',
  'logs of kilns': 'kiln_run',
} as const;

/** What a person who keeps the machine wants to know of it. */
export async function aboutShop(
  { db, migration, readings, backups, look, dataFolder, isServer, startedAt }: Services,
  version: string,
): Promise<AboutShop> {
  const counts: Record<string, number> = {};
  for (const [name, table] of Object.entries(COUNTED)) {
    const { rows } = await db.query<{ n: number }>(`SELECT count(*)::integer AS n FROM ${table}`);
    counts[name] = rows[0]!.n;
  }
  const { rows } = await db.query<{
    version: string;
    bytes: unknown;
    blobs: number;
    blob_bytes: unknown;
    readings: unknown;
  }>(
    `SELECT current_setting('server_version') AS version, pg_database_size(current_database()) AS bytes,
       (SELECT count(*)::integer FROM blob) AS blobs, (SELECT coalesce(sum(bytes), 0) FROM blob) AS blob_bytes,
       (SELECT coalesce(sum(rows), 0) FROM kiln_run) AS readings`,
  );
  const [row] = rows;
  const { bavail, bsize } = await statfs(dataFolder);
  return {
    version,
    migration,
    node: process.versions.node,
    database: { kind: isServer ? 'server' : 'embedded', version: row!.version, bytes: Number(row!.bytes) },
    dataFolder,
    startedAt: startedAt.toISOString(),
    counts: { ...counts, 'readings of kilns': Number(row!.readings) },
    blobs: { count: row!.blobs, bytes: Number(row!.blob_bytes) },
    freeBytes: bavail * bsize,
    looked: look.found,
    jobs: readings.times(),
    backups: await backups.tell(),
  };
}

/** What must not wait until somebody looks there. */
export async function safetyOf({
  db,
  backups,
  look,
}: Pick<Services, 'db' | 'backups' | 'look'>): Promise<Safety> {
  const { standing, failed, last, since } = await backups.tell();
  const { wrongCount = 0, wrong = [] } = look.found ?? {};
  return {
    standing,
    why: failed?.why ?? null,
    since,
    lastAt: last?.at ?? null,
    wrongCount,
    wrong: wrong[0] ?? null,
    keptAhead: await newestAhead(db),
  };
}

/** The clocks of two machines differ by no more than this. */
const CLOCKS_APART = '3 minutes';

/** The newest moment that something was kept at, when the clock has not come to it: it was set back, or ran ahead before. */
async function newestAhead(db: Queryable): Promise<string | null> {
  const { rows } = await db.query<{ at: Date }>(
    `SELECT at FROM (SELECT greatest((SELECT max(changed_at) FROM pour), (SELECT max(at) FROM item_history)) AS at) newest
     WHERE at > now() + interval '${CLOCKS_APART}'`,
  );
  return rows[0]?.at.toISOString() ?? null;
}
