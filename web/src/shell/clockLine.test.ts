// @vitest-environment happy-dom
import { flushPromises } from '@vue/test-utils';
import { expect, it } from 'vitest';
import { mountInApp } from '../testing/mountInApp';
import { learnClock } from '../time/clockOff';
import ClockLine from './ClockLine.vue';

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
