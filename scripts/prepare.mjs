// What the commands share: installing what is missing, and building the page and the server when they are stale.
import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { fileURLToPath } from 'node:url';

export const root = fileURLToPath(new URL('..', import.meta.url));
const CACHE = path.join(root, 'node_modules/.cache/zero-pour');

/** Runs a command in the project; returns its exit code. */
export function run(command, args, options = {}) {
  const { status } = spawnSync(command, args, {
    cwd: root,
    stdio: 'inherit',
    shell: process.platform === 'win32',
    ...options,
  });
  return status ?? 1;
}

function mark(name, value) {
  mkdirSync(CACHE, { recursive: true });
  writeFileSync(path.join(CACHE, name), value);
}
function marked(name) {
  const file = path.join(CACHE, name);
  return existsSync(file) ? readFileSync(file, 'utf8') : '';
}
const hashOf = (...parts) =>
  parts.reduce((sum, part) => sum.update(part), createHash('sha256')).digest('hex');

/** Installs the packages of the lockfile when they are absent or the lockfile has changed. */
export function installPackages() {
  const wanted = hashOf(readFileSync(path.join(root, 'package-lock.json')));
  if (existsSync(path.join(root, 'node_modules')) && marked('installed.txt') === wanted) return;
  console.error('Installing packages …');
  if (run('npm', ['ci', '--no-audit', '--no-fund']) !== 0) {
    console.error('The packages could not be installed. Is the npm registry reachable?');
    process.exit(1);
  }
  mark('installed.txt', wanted);
}

function* filesBelow(folder) {
  for (const entry of readdirSync(folder, { withFileTypes: true })) {
    const full = path.join(folder, entry.name);
    if (entry.isDirectory()) {
      if (entry.name !== 'node_modules' && entry.name !== 'dist') yield* filesBelow(full);
    } else yield full;
  }
}

/** Builds a room when any source of it, or of the rooms that it is made from, has changed since it was last built. */
function buildWhenStale(room, { called, from, made }) {
  const sources = from.flatMap((folder) => [...filesBelow(path.join(root, folder))]);
  const stamp = sources.sort().map((file) => `${file} ${statSync(file).size} ${statSync(file).mtimeMs}`);
  const wanted = hashOf(stamp.join('\n'));
  if (existsSync(path.join(root, made)) && marked(`built-${room}.txt`) === wanted) return;
  // Not where a command's own answer goes.
  console.error(`Building ${called} …`);
  if (run('npm', ['run', '-s', 'build', '-w', room]) !== 0) process.exit(1);
  mark(`built-${room}.txt`, wanted);
}

const ROOMS = ['core', 'contracts', 'plan', 'jobs'];
export const buildPage = () =>
  buildWhenStale('web', { called: 'the page', from: ['web', ...ROOMS], made: 'web/dist/index.html' });

/** Where the built server is: what starts it starts these files, and not its sources. */
export const BUILT = 'server/dist';
export const buildServer = () =>
  buildWhenStale('server', {
    called: 'the server',
    from: ['server', 'demo', ...ROOMS],
    made: `${BUILT}/main.mjs`,
  });
