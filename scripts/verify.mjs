// npm run verify: everything that must hold, from a clean clone. Ends with "N passed, N failed".
import { spawnSync } from 'node:child_process';
import { existsSync, mkdtempSync, readFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { journeyFailures, unitFailures } from './failures.mjs';
import { buildPage, buildServer, BUILT, installPackages, root, run } from './prepare.mjs';

const CHROMIUM = ['/usr/bin/chromium', '/usr/bin/chromium-browser', '/usr/bin/google-chrome'];
let passed = 0;
let failed = 0;
/** Told again at the end, where a long log is looked at first. */
const told = [];

function step(name, work) {
  console.log(`\n== ${name}`);
  const ok = work();
  if (!ok) {
    failed++;
    told.push(`${name}: FAILED`);
    console.log(`== ${name}: FAILED`);
  }
  return ok;
}

/** A package of Debian's, where this may install it. */
function installFromDebian(name) {
  if (process.getuid?.() !== 0 || spawnSync('apt-get', ['--version']).status !== 0) return false;
  const quiet = { env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' } };
  return (
    run('apt-get', ['update', '-qq'], quiet) === 0 &&
    run('apt-get', ['install', '-y', '-qq', name], quiet) === 0
  );
}

function installChromium() {
  if (process.env.ZP_CHROMIUM || CHROMIUM.some(existsSync) || installFromDebian('chromium')) return true;
  console.log('No Chromium here. Install one, or name it in ZP_CHROMIUM.');
  return false;
}

/** A PostgreSQL server to try the server's tests on; without one they are skipped with a word. */
function installPostgres() {
  return (
    process.env.ZP_TEST_DATABASE_URL || existsSync('/usr/lib/postgresql') || installFromDebian('postgresql')
  );
}

const reports = mkdtempSync(path.join(tmpdir(), 'zero-pour-verify-'));
const npx = (...args) => run('npx', ['--no-install', ...args]) === 0;

/** Runs a test command that writes a JSON report, and adds up what it counted. */
function tests(name, command, count, failures) {
  step(name, () => {
    const report = path.join(reports, `${name.replaceAll(' ', '-')}.json`);
    const status = command(report);
    // No report and no failure: it was skipped, and said why.
    if (!existsSync(report)) return status === 0;
    const json = JSON.parse(readFileSync(report, 'utf8'));
    const [good, bad] = count(json);
    told.push(...failures(json).map((one) => `${name}: ${one}`));
    passed += good;
    failed += bad;
    console.log(`${good} passed, ${bad} failed`);
    // Bad tests are counted one by one; a run that failed without one counts as one more.
    return status === 0 || bad > 0;
  });
}

installPackages();
const chromium = step('Chromium', installChromium);
step('format', () => npx('prettier', '--check', '--log-level', 'warn', '.'));
step('lint', () => npx('eslint', '.', '--max-warnings', '0', '--concurrency', 'auto'));
step('imports', () => run('npm', ['run', '-s', 'imports']) === 0);
step('types', () => run('node', ['scripts/typecheck.mjs']) === 0);
tests(
  'unit tests',
  (report) =>
    run('npx', [
      '--no-install',
      'vitest',
      'run',
      '--reporter=default',
      '--reporter=json',
      `--outputFile.json=${report}`,
    ]),
  (json) => [json.numPassedTests, json.numFailedTests],
  unitFailures,
);
installPostgres();
tests(
  'server tests on PostgreSQL',
  (report) =>
    run('node', [
      'scripts/serverTests.mjs',
      '--reporter=default',
      '--reporter=json',
      `--outputFile.json=${report}`,
    ]),
  (json) => [json.numPassedTests, json.numFailedTests],
  unitFailures,
);
step('build', () => {
  buildPage();
  buildServer();
  return ['web/dist/index.html', `${BUILT}/main.mjs`].every((file) => existsSync(path.join(root, file)));
});
if (chromium) {
  tests(
    'browser tests',
    (report) =>
      run(
        'npx',
        ['--no-install', 'playwright', 'test', '-c', 'e2e/playwright.config.ts', '--reporter=list,json'],
        {
          env: { ...process.env, PLAYWRIGHT_JSON_OUTPUT_NAME: report },
        },
      ),
    (json) => [json.stats.expected + json.stats.flaky, json.stats.unexpected],
    journeyFailures,
  );
}
for (const one of told) console.log(`\n-- ${one}`);
// A page that was shown whole may be longer than what is kept of a log: the names once more.
if (told.length > 0) console.log(`\nIn short:\n${told.map((one) => one.split('\n')[0]).join('\n')}`);
console.log(`\n${passed} passed, ${failed} failed`);
process.exit(failed === 0 ? 0 : 1);
