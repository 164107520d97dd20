import { beforeEach, expect, it } from 'vitest';
import { clockOffMs, learnClock } from './clockOff';

const AT = Date.UTC(2026, 10, 30, 8, 0, 0);
const said = new Date(AT).toUTCString();
const MINUTE = 60_000;

beforeEach(() => learnClock(said, AT, AT + 100));

it.each([
  ['is right', 0, 0],
  ['is off by what an answer may take', 80_000, 0],
  ['is twelve minutes behind', -12 * MINUTE, -12],
  ['is a day ahead', 1440 * MINUTE, 1440],
])('a screen’s clock that %s', (_, by, minutes) => {
  learnClock(said, AT + by, AT + by + 200);
  expect(Math.round(clockOffMs.value / MINUTE)).toBe(minutes);
});
it('that was set right is right with the next answer', () => {
  learnClock(said, AT + 20 * MINUTE, AT + 20 * MINUTE);
  expect(clockOffMs.value).not.toBe(0);
  learnClock(said, AT, AT + 300);
  expect(clockOffMs.value).toBe(0);
});
it.each([
  ['no moment', null, AT + 20 * MINUTE, AT + 20 * MINUTE],
  ['no readable one', 'soon', AT + 20 * MINUTE, AT + 20 * MINUTE],
  ['one that came too late to tell', said, AT + 20 * MINUTE, AT + 21 * MINUTE],
  ['one from before it was asked, since the clock was set meanwhile', said, AT + 20 * MINUTE, AT],
])('an answer with %s says nothing of it', (_, date, asked, answered) => {
  learnClock(date, asked, answered);
  expect(clockOffMs.value).toBe(0);
});
