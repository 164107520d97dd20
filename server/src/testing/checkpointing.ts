import { readMigrations } from '../db/migrations';
import { openCluster } from '../db/cluster';
import { pgliteDatabase } from '../db/pgliteDatabase';
import { checkpointWhenLong } from '../db/checkpoints';

/** A process that writes and makes checkpoints all the time, and says each number once it is kept. */
const CHECKPOINT_EVERY = 15;

const db = pgliteDatabase(await openCluster(process.argv[2]!, await readMigrations()));
await db.exec('CREATE TABLE IF NOT EXISTS counted (n integer PRIMARY KEY, text text NOT NULL)');
const { rows } = await db.query<{ n: number }>('SELECT coalesce(max(n), 0) AS n FROM counted');
for (let n = rows[0]!.n + 1; ; n++) {
  await db.query('INSERT INTO counted (n, text) VALUES ($1, repeat(md5($2), 200))', [n, String(n)]);
  process.stdout.write(`${n}\n`);
  if (n % CHECKPOINT_EVERY === 0) {
    await checkpointWhenLong(db, 0);
    process.stdout.write('checkpoint\n');
  }
}
