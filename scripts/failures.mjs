// What failed, in a few lines each, from the JSON reports of the unit tests and of the journeys.
import { existsSync, readFileSync } from 'node:fs';

const FIRST_LINES = 12;
const CONTROL = new RegExp(String.raw`\u001b\[[0-9;]*m`, 'g');
const firstLines = (text) => text.replaceAll(CONTROL, '').split('\n').slice(0, FIRST_LINES).join('\n  ');

/** @param {object} json Vitest's report. @returns {string[]} a failed test or file each */
export function unitFailures({ testResults = [] }) {
  return testResults.flatMap(({ name, status, message, assertionResults }) => {
    const failed = assertionResults.filter((one) => one.status === 'failed');
    if (failed.length === 0) return status === 'failed' ? [`${name}\n  ${firstLines(message ?? '')}`] : [];
    return failed.map(
      ({ fullName, failureMessages }) => `${name}: ${fullName}\n  ${firstLines(failureMessages.join('\n'))}`,
    );
  });
}

/** What the page showed when a journey stopped: Playwright keeps it beside the trace. */
const shown = (attachments) =>
  attachments
    .filter(({ name, path }) => name === 'error-context' && path && existsSync(path))
    .map(({ path }) => `\n  The page then:\n${readFileSync(path, 'utf8')}`)
    .join('');

/** @param {object} json Playwright's report. @returns {string[]} a journey each that failed or needed a second try, with what the page showed */
export function journeyFailures({ suites = [] }) {
  return suites.flatMap((suite) => [
    ...journeyFailures(suite),
    ...(suite.specs ?? []).flatMap(({ title, tests }) =>
      tests.flatMap(({ status, results }) => {
        const bad = results.findLast((result) => result.error);
        if (!bad) return status === 'unexpected' ? [title] : [];
        const word = status === 'flaky' ? ' (passed at the second try)' : '';
        return [`${title}${word}\n  ${firstLines(bad.error.message ?? bad.status)}${shown(bad.attachments)}`];
      }),
    ),
  ]);
}
