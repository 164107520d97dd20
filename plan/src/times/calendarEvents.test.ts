import type { Pour, PourDoc } from '@zero-pour/contracts';
import { HOUR_MS, METRIC } from '@zero-pour/core';
import { describe, expect, it } from 'vitest';
import { boardRows, calendarEvents, nextHandsOn } from '../index';
import { fullDoc, id, planShop } from '../testing/planShop';

const ZERO = new Date(2026, 10, 26, 9, 15);
function pourOf(number: number, zero = ZERO, change: (doc: PourDoc) => void = () => {}): Pour {
  const at = zero.toISOString();
  return { id: id(200 + number), number, createdAt: at, changedAt: at, discarded: false, doc: fullDoc(zero, change) } as Pour; // prettier-ignore
}
const eventsOf = (pours: Pour[], pourId?: string) => calendarEvents(boardRows(pours, planShop()), [], METRIC, { pourId }); // prettier-ignore

describe('a calendar of the board', () => {
  const two = [pourOf(1), pourOf(2, new Date(ZERO.getTime() + 48 * HOUR_MS))];
  it('has every moment that needs hands once, each by a name of its own, in order', () => {
    const events = eventsOf(two);
    expect(events).toHaveLength(nextHandsOn(boardRows(two, planShop())).length);
    expect(new Set(events.map(({ uid }) => uid)).size).toBe(events.length);
    expect(events.map(({ at }) => at)).toEqual(events.map(({ at }) => at).sort((a, b) => a - b));
    expect(events.find(({ title }) => title === 'Pour 1: Zero: pour' || title.startsWith('Pour 1: Zero'))).toMatchObject({ at: ZERO.getTime(), alarmMin: 30 }); // prettier-ignore
  });
  it('keeps the names when zero moves, and when an amount changes', () => {
    const names = (pours: Pour[]): string[] =>
      eventsOf(pours)
        .map(({ uid }) => uid)
        .sort();
    const before = names([pourOf(1)]);
    expect(names([pourOf(1, new Date(ZERO.getTime() + 5 * HOUR_MS))])).toEqual(before);
    expect(names([pourOf(1, ZERO, (doc) => void (doc.invest.ratio = 0.42))])).toEqual(before);
  });
  it('is of one pour where one is asked for, and leaves out what is done', () => {
    expect(eventsOf(two, two[1]!.id).every(({ title }) => title.startsWith('Pour 2:'))).toBe(true);
    const begun = pourOf(1, ZERO, (doc) => void (doc.burnout.startedAt = new Date(ZERO.getTime() - 19 * HOUR_MS).toISOString())); // prettier-ignore
    const left = eventsOf([begun]).map(({ title }) => title);
    expect(left.some((title) => title.includes('Kiln in'))).toBe(false);
    expect(eventsOf([begun]).length).toBeLessThan(eventsOf([pourOf(1)]).length);
  });
  it('is empty of pours that have no time', () => {
    expect(eventsOf([pourOf(1, ZERO, (doc) => void delete doc.brief.zeroAt)])).toEqual([]);
  });
});
