import { describe, expect, it } from 'vitest';
import { backupStanding, isBackupDue, type BackupFacts } from './whenDue';

const NOW = new Date(2026, 10, 30, 18, 30);
const ago = (hours: number): Date => new Date(NOW.getTime() - hours * 3_600_000);
const FACTS: BackupFacts = { isOn: true, since: ago(5), changedAt: ago(1), last: ago(20), failed: null, atOnce: false }; // prettier-ignore
const due = (change: Partial<BackupFacts>): boolean => isBackupDue({ ...FACTS, ...change }, NOW);

describe('a backup by itself', () => {
  it.each([
    ['when work has rested half an hour', {}, true],
    ['not while somebody works', { changedAt: ago(0.2) }, false],
    ['not when nothing was kept since the last one', { since: null }, false],
    ['not when they are turned off', { isOn: false }, false],
    ['not soon after the one before', { last: ago(3) }, false],
    ['at the latest after half a day, work or no work', { changedAt: ago(0), since: ago(12.1) }, true],
    ['at the start, of what yesterday left', { changedAt: null, since: ago(14) }, true],
    ['soon, where there is none yet', { last: null, since: ago(0.1), changedAt: ago(0.05) }, true],
    [
      'at once, where no journal tells what was taken in',
      { atOnce: true, changedAt: ago(0), last: ago(0.1) },
      true,
    ],
    ['not at once again after one that failed', { failed: ago(0.5) }, false],
    ['again an hour after one that failed', { failed: ago(1.1) }, true],
  ])('comes %s', (_, change, expected) => {
    expect(due(change)).toBe(expected);
  });
});

describe('how it stands', () => {
  const stands = (change: Partial<BackupFacts>): string => backupStanding({ ...FACTS, ...change }, NOW);
  it('tells five things apart, and is overdue after a day and a night', () => {
    expect(stands({ since: null })).toBe('current');
    expect(stands({})).toBe('behind');
    expect(stands({ last: null })).toBe('none');
    expect(stands({ last: null, since: ago(31) })).toBe('overdue');
    expect(stands({ since: ago(31) })).toBe('overdue');
    expect(stands({ failed: ago(1) })).toBe('failed');
    expect(stands({ failed: ago(30) })).toBe('behind');
    expect(stands({ isOn: false, failed: ago(1) })).toBe('off');
  });
  it('takes a clock that was set back for no reason to worry', () => {
    expect(stands({ since: ago(-40), last: ago(-41) })).toBe('behind');
    expect(due({ since: ago(-40), last: ago(-41), changedAt: ago(-40) })).toBe(false);
  });
});
