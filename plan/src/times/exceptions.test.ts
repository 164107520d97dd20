import type { Settings } from '@zero-pour/contracts';
import { describe, expect, it } from 'vitest';
import { planPour, valueOf } from '../index';
import { fullDoc, planShop } from '../testing/planShop';

const ZERO = new Date(Date.UTC(2026, 10, 26, 9, 15));
const timesWith = (benchExceptions: Settings['benchExceptions']) => {
  const shop = planShop();
  const settings: Settings = {
    ...shop.settings,
    timeZone: 'UTC',
    ...(benchExceptions && { benchExceptions }),
  };
  return valueOf(planPour({ doc: fullDoc(ZERO) }, { ...shop, settings }).times)!;
};
const day = (date: string) => ({ key: date, from: date, to: date, open: false, note: 'holiday' });

describe('a holiday of the shop', () => {
  it('in which somebody is wanted is named, and offers a pour that needs nobody then', () => {
    const usual = timesWith(undefined);
    const closed = timesWith([day('2026-11-26')]);
    expect(usual.conflicts.map(({ what }) => what)).not.toContain('The pour');
    expect(closed.conflicts.map(({ what }) => what)).toContain('The pour');
    const { later } = closed.civilZero;
    expect(later).toBeGreaterThan(Date.UTC(2026, 10, 27));
  });
  it('moves the work before the kiln to the days that are left', () => {
    const started = (exceptions: Settings['benchExceptions']): number => timesWith(exceptions).start;
    expect(started([day('2026-11-25'), day('2026-11-24')])).toBeLessThan(started(undefined));
  });
});
