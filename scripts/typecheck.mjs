// Checks the types of every package, the page with its templates; as many at a time as there are processors.
import { spawn } from 'node:child_process';
import { availableParallelism } from 'node:os';

/** The longest first, so that none of them is left alone at the end. */
const checks = [
  ['vue-tsc', '--noEmit', '-p', 'web/tsconfig.json'],
  ['tsc', '-p', 'e2e/tsconfig.json'],
  ['tsc', '-p', 'server/tsconfig.json'],
  ['tsc', '-p', 'plan/tsconfig.json'],
  ['tsc', '-p', 'demo/tsconfig.json'],
  ['tsc', '-p', 'jobs/tsconfig.json'],
  ['tsc', '-p', 'core/tsconfig.test.json'],
  ['tsc', '-p', 'core/tsconfig.json'],
  ['tsc', '-p', 'contracts/tsconfig.json'],
  ['tsc', '--noEmit', '-p', 'web/offline/tsconfig.json'],
];

const check = ([command, ...args]) =>
  new Promise((resolve) => {
    const child = spawn('npx', ['--no-install', command, ...args], {
      stdio: 'inherit',
      shell: process.platform === 'win32',
    });
    child.once('exit', (code) => resolve(code === 0));
  });

let failed = 0;
async function worker() {
  for (let next = checks.shift(); next; next = checks.shift()) if (!(await check(next))) failed++;
}
await Promise.all(Array.from({ length: Math.max(1, availableParallelism()) }, worker));
process.exit(failed === 0 ? 0 : 1);
