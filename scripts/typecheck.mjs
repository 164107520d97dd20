// Checks the types of every package; the page with its templates.
import { spawnSync } from 'node:child_process';

const checks = [
  ['tsc', '-p', 'core/tsconfig.json'],
  ['tsc', '-p', 'core/tsconfig.test.json'],
  ['tsc', '-p', 'contracts/tsconfig.json'],
  ['tsc', '-p', 'plan/tsconfig.json'],
  ['tsc', '-p', 'jobs/tsconfig.json'],
  ['tsc', '-p', 'demo/tsconfig.json'],
  ['tsc', '-p', 'server/tsconfig.json'],
  ['tsc', '-p', 'e2e/tsconfig.json'],
  ['tsc', '--noEmit', '-p', 'web/offline/tsconfig.json'],
  ['vue-tsc', '--noEmit', '-p', 'web/tsconfig.json'],
];
let failed = 0;
for (const [command, ...args] of checks) {
  const { status } = spawnSync('npx', ['--no-install', command, ...args], {
    stdio: 'inherit',
    shell: process.platform === 'win32',
  });
  if (status !== 0) failed++;
}
process.exit(failed === 0 ? 0 : 1);
