// Runs the server's tests on a real PostgreSQL: Debian's, started in a folder of its own as an ordinary user, and gone
// again afterwards. Exits with the tests' code; 0 with a plain word where there is none.
import { spawnSync } from 'node:child_process';
import { chmodSync, chownSync, existsSync, mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { root, run } from './prepare.mjs';

const VERSIONS = '/usr/lib/postgresql';
/** What is tried on it: everything over HTTP. Folders, locks and power cuts are the embedded database's. */
const TESTS = [
  'analysis',
  'api',
  'archive/archive',
  'backup/moveShop',
  'border',
  'casts',
  'db/newestTold',
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

/** The newest PostgreSQL that Debian has installed here, or undefined. */
function programs() {
  if (!existsSync(VERSIONS)) return undefined;
  const newest = readdirSync(VERSIONS)
    .sort((a, b) => Number(a) - Number(b))
    .at(-1);
  const bin = path.join(VERSIONS, newest ?? '', 'bin');
  return existsSync(path.join(bin, 'initdb')) ? bin : undefined;
}

/** PostgreSQL refuses to run as root: root becomes the user that Debian made for it. */
const isRoot = process.getuid?.() === 0;
function asUser(bin, program, ...args) {
  const full = path.join(bin, program);
  const [command, ...rest] = isRoot ? ['runuser', '-u', 'postgres', '--', full, ...args] : [full, ...args];
  const { status, stderr } = spawnSync(command, rest, { encoding: 'utf8', cwd: '/' });
  if (status !== 0) throw new Error(`${program}: ${stderr}`);
}
const idOf = (flag) => Number(spawnSync('id', [flag, 'postgres'], { encoding: 'utf8' }).stdout);

const freePort = () =>
  new Promise((resolve) => {
    const server = createServer().listen(0, '127.0.0.1', () => {
      const { port } = server.address();
      server.close(() => resolve(port));
    });
  });

const bin = process.env.ZP_TEST_DATABASE_URL ? 'given' : programs();
if (bin === undefined) {
  console.log('No PostgreSQL server here (Debian: postgresql): its tests are skipped.');
  process.exit(0);
}
const tests = (url) =>
  run('npx', ['--no-install', 'vitest', 'run', ...process.argv.slice(2), ...TESTS.map((name) => `server/src/${name}.test.ts`)], {
    cwd: root,
    env: { ...process.env, ZP_TEST_DATABASE_URL: url },
  }); // prettier-ignore
if (bin === 'given') process.exit(tests(process.env.ZP_TEST_DATABASE_URL));

const folder = mkdtempSync(path.join(tmpdir(), 'zero-pour-postgres-'));
if (isRoot) chownSync(folder, idOf('-u'), idOf('-g'));
chmodSync(folder, 0o700);
const data = path.join(folder, 'data');
const port = await freePort();
let code = 1;
try {
  asUser(bin, 'initdb', '-D', data, '-U', 'zero', '-A', 'trust', '--encoding=UTF8', '--locale=C.UTF-8');
  const options = `-p ${port} -c listen_addresses=127.0.0.1 -c unix_socket_directories=${folder} -c fsync=off`;
  asUser(bin, 'pg_ctl', '-D', data, '-w', '-l', path.join(folder, 'log'), '-o', options, 'start');
  try {
    code = tests(`postgres://zero@127.0.0.1:${port}/postgres`);
  } finally {
    asUser(bin, 'pg_ctl', '-D', data, '-m', 'immediate', 'stop');
  }
} finally {
  rmSync(folder, { recursive: true, force: true });
}
process.exit(code);
