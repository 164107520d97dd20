// What the commands share: installing what is missing, and building the page when it is stale.
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
  console.log('Installing packages …');
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

/** Builds the page when any source of it has changed since the last build. */
export function buildPage() {
  const sources = ['web', 'core', 'contracts', 'plan', 'jobs'].flatMap((folder) => [
    ...filesBelow(path.join(root, folder)),
  ]);
  const stamp = sources.sort().map((file) => `${file} ${statSync(file).size} ${statSync(file).mtimeMs}`);
  const wanted = hashOf(stamp.join('\n'));
  if (existsSync(path.join(root, 'web/dist/index.html')) && marked('built.txt') === wanted) return;
  console.log('Building the page …');
  if (run('npm', ['run', '-s', 'build']) !== 0) process.exit(1);
  mark('built.txt', wanted);
}
