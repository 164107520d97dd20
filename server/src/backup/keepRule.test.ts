import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { backupMoment, backupName, backupsToDrop } from './keepRule';

const NOW = new Date(2026, 10, 30, 18, 30);
const daysAgo = (days: number, hour = 18): Date => new Date(2026, 10, 30 - days, hour, 30);
const namesOf = (...moments: Date[]): string[] => moments.map(backupName);

describe('the name of a backup', () => {
  it('says when it was begun, and is read again', () => {
    expect(backupName(NOW)).toBe('zero-pour backup 2026-11-30 1830.zip');
    expect(backupMoment(backupName(NOW))).toEqual(NOW);
  });
  it.each(['zero-pour 2026-11-30.zip', 'zero-pour backup 2026-02-31 1200.zip', 'notes.txt', '.zero-pour backup 2026-11-30 1830.zip.part'])('%s is none', (name) => {
    expect(backupMoment(name)).toBeUndefined();
  }); // prettier-ignore
});

describe('which backups stay', () => {
  it('are all of today’s, and of each earlier day the newest', () => {
    const today = namesOf(daysAgo(0, 8), daysAgo(0, 12), daysAgo(0));
    const before = namesOf(daysAgo(1, 9), daysAgo(1));
    expect(backupsToDrop([...today, ...before], NOW)).toEqual(namesOf(daysAgo(1, 9)));
  });
  it('go back days, then weeks, then months', () => {
    const daily = Array.from({ length: 500 }, (_, day) => daysAgo(day));
    const dropped = new Set(backupsToDrop(namesOf(...daily), NOW));
    const kept = daily.filter((at) => !dropped.has(backupName(at)));
    expect(kept.slice(0, 7)).toEqual(daily.slice(0, 7));
    // Of twelve months the last day each, of five weeks the Sunday each.
    expect(new Set(kept.map((at) => at.getMonth() + 12 * at.getFullYear())).size).toBe(12);
    expect(kept.length).toBeLessThanOrEqual(7 + 5 + 12);
  });
  it('never names what is no backup, and never the newest; asked again, nothing more goes', () => {
    const day = fc.integer({ min: 0, max: 900 });
    fc.assert(
      fc.property(fc.uniqueArray(day, { maxLength: 80 }), (days) => {
        const names = [...namesOf(...days.map((n) => daysAgo(n))), 'notes.txt', 'other.zip'];
        const dropped = backupsToDrop(names, NOW);
        expect(dropped.some((name) => backupMoment(name) === undefined)).toBe(false);
        const newest = namesOf(...days.map((n) => daysAgo(n))).sort().at(-1); // prettier-ignore
        if (newest !== undefined) expect(dropped).not.toContain(newest);
        const left = names.filter((name) => !dropped.includes(name));
        expect(backupsToDrop(left, NOW)).toEqual([]);
      }),
    );
  });
});
