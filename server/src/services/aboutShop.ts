import type { AboutShop, Safety } from '@zero-pour/contracts';
import { statfs } from 'node:fs/promises';
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
export async function safetyOf({ backups, look }: Pick<Services, 'backups' | 'look'>): Promise<Safety> {
  const { standing, failed, last, since } = await backups.tell();
  const { wrongCount = 0, wrong = [] } = look.found ?? {};
  return {
    standing,
    why: failed?.why ?? null,
    since,
    lastAt: last?.at ?? null,
    wrongCount,
    wrong: wrong[0] ?? null,
  };
}
