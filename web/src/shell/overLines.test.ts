// @vitest-environment happy-dom
import { flushPromises } from '@vue/test-utils';
import { errorSentence } from '@zero-pour/contracts';
import { expect, it } from 'vitest';
import { heardOfKeeping } from '../api/keepsNothing';
import { mountInApp } from '../testing/mountInApp';
import { learnClock } from '../time/clockOff';
import ClockLine from './ClockLine.vue';
import KeepsNothingLine from './KeepsNothingLine.vue';

const MINUTE = 60_000;
const lineWhen = async (ahead: number): Promise<string> => {
  const now = Date.now();
  learnClock(new Date(now - ahead).toUTCString(), now, now);
  const view = mountInApp(ClockLine, {});
  await flushPromises();
  return view.text();
};

it.each([
  [12 * MINUTE, '12 minutes ahead of'],
  [-45 * MINUTE, '45 minutes behind'],
  [-26 * 60 * MINUTE, '26 hours behind'],
  [90 * 24 * 60 * MINUTE, '90 days ahead of'],
])('a clock that is off says by how much, and which way', async (ahead, said) => {
  expect(await lineWhen(ahead)).toContain(`This screen’s clock is ${said} the shop’s machine.`);
});

it('a machine that keeps nothing is told with its own reason, and as an alarm', async () => {
  heardOfKeeping({ code: 'DISK_FULL', message: errorSentence('DISK_FULL') });
  const line = mountInApp(KeepsNothingLine, {}).find('[role="alert"]');
  expect(line.text().replace(/\s+/g, ' ')).toBe(
    'Nothing is kept on the shop’s machine just now. The disk that keeps the shop is full. Make room on it; what you typed stays in this browser and is kept then.',
  );
  heardOfKeeping();
});
