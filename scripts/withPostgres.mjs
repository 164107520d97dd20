// A PostgreSQL for a while: Debian's, started in a folder of its own as an ordinary user, and gone again afterwards.
//   node scripts/withPostgres.mjs npm run bench -- years
// runs a command with its address in ZP_TEST_DATABASE_URL, keeping what is written as a shop's server would.
import { spawnSync } from 'node:child_process';
import { chmodSync, chownSync, existsSync, mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { fileURLToPath } from 'node:url';
import { root, run } from './prepare.mjs';

const VERSIONS = '/usr/lib/postgresql';

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

/**
 * Does the work with the address of a server: that of ZP_TEST_DATABASE_URL, else one that is started for it. Answers what the work
 * answers; undefined where there is no PostgreSQL. `fsync`: whether what is written is to survive a power cut.
 */
export async function onPostgres(work, { fsync }) {
  if (process.env.ZP_TEST_DATABASE_URL) return work(process.env.ZP_TEST_DATABASE_URL);
  const bin = programs();
  if (bin === undefined) return undefined;
  const folder = mkdtempSync(path.join(tmpdir(), 'zero-pour-postgres-'));
  if (isRoot) chownSync(folder, idOf('-u'), idOf('-g'));
  chmodSync(folder, 0o700);
  const data = path.join(folder, 'data');
  const port = await freePort();
  try {
    asUser(bin, 'initdb', '-D', data, '-U', 'zero', '-A', 'trust', '--encoding=UTF8', '--locale=C.UTF-8');
    const options = `-p ${port} -c listen_addresses=127.0.0.1 -c unix_socket_directories=${folder} -c fsync=${fsync ? 'on' : 'off'}`;
    asUser(bin, 'pg_ctl', '-D', data, '-w', '-l', path.join(folder, 'log'), '-o', options, 'start');
    try {
      return work(`postgres://zero@127.0.0.1:${port}/postgres`);
    } finally {
      asUser(bin, 'pg_ctl', '-D', data, '-m', 'immediate', 'stop');
    }
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}

const [command, ...rest] = process.argv.slice(2);
if (process.argv[1] === fileURLToPath(import.meta.url) && command) {
  const code = await onPostgres((url) => run(command, rest, { cwd: root, env: { ...process.env, ZP_TEST_DATABASE_URL: url } }), { fsync: true }); // prettier-ignore
  if (code === undefined) console.error('No PostgreSQL server here (Debian: postgresql).');
  process.exit(code ?? 1);
}
