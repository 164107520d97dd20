// Runs the server's tests on a real PostgreSQL. Exits with the tests' code; 0 with a plain word where there is none.
import { root, run } from './prepare.mjs';
import { onPostgres } from './withPostgres.mjs';

/** What is tried on it: everything over HTTP. Folders, locks and power cuts are the embedded database's. */
const TESTS = [
  'analysis',
  'api',
  'archive/archive',
  'backup/moveShop',
  'border',
  'casts',
  'db/newestTold',
  'db/recordSearch',
  'db/readStored',
  'devices/devices',
  'db/serverDatabase',
  'prints',
  'records',
  'services/changePour',
  'find',
  'kilnRuns',
  'network/network',
  'patterns',
  'scraps',
  'share',
  'sizes',
  'together',
];

const code = await onPostgres(
  (url) =>
    run('npx', ['--no-install', 'vitest', 'run', ...process.argv.slice(2), ...TESTS.map((name) => `server/src/${name}.test.ts`)], {
      cwd: root,
      env: { ...process.env, ZP_TEST_DATABASE_URL: url },
    }), // prettier-ignore
  { fsync: false },
);
if (code === undefined) console.log('No PostgreSQL server here (Debian: postgresql): its tests are skipped.');
process.exit(code ?? 0);
