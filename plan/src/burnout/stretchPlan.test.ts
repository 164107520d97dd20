import type { PourDoc } from '@zero-pour/contracts';
import { HOUR_MS } from '@zero-pour/core';
import { describe, expect, it } from 'vitest';
import { planPour, planStretch, valueOf, type HoldStretch } from '../index';
import { fullDoc, planShop } from '../testing/planShop';

const day = { open: true, fromMin: 8 * 60, toMin: 18 * 60 };
const planOf = (zero: Date, change: (doc: PourDoc) => void = () => {}) => {
  const shop = planShop();
  const settings = { ...shop.settings, timeZone: 'UTC', benchHours: Array.from({ length: 7 }, () => day) };
  return planPour({ doc: fullDoc(zero, change) }, { ...shop, settings });
};
const LONG_AGO = Date.UTC(2026, 9, 1);
function stretch(zero: Date, now = LONG_AGO, change?: (doc: PourDoc) => void): HoldStretch | undefined {
  const plan = planOf(zero, change);
  return planStretch(plan.context, valueOf(plan.burnout)!, valueOf(plan.times)!, now);
}
const closed = (zero: Date, change?: (doc: PourDoc) => void): string[] =>
  valueOf(planOf(zero, change).times)!.conflicts.map(({ what }) => what);
/** A zero for which the kiln is loaded, or turned, while the bench is closed: the first of the day that has one. */
const zeros = Array.from({ length: 20 }, (_, n) => new Date(Date.UTC(2026, 10, 26, 8, 30 * n)));
const wanted = (zero: Date): boolean => closed(zero).some((what) => what !== 'The pour');

describe('holds that are stretched until somebody is there', () => {
  it('are offered where hands are wanted at night, and then nobody is', () => {
    const hard = zeros.filter(wanted);
    expect(hard.length).toBeGreaterThan(0);
    const found = hard.flatMap((zero) => {
      const offer = stretch(zero);
      return offer ? [{ zero, offer }] : [];
    });
    expect(found.length).toBeGreaterThan(0);
    for (const { zero, offer } of found) {
      const kept = offer.segments.map((one) => ({ ...one, hands: [...one.hands] }));
      expect(closed(zero, (doc) => void (doc.burnout.segments = kept))).toEqual([]);
      expect(offer.longer.length).toBeGreaterThan(0);
      const more = offer.longer.reduce((sum, { moreH }) => sum + moreH, 0);
      expect(offer.kilnIn).toBeCloseTo(valueOf(planOf(zero).times)!.kilnIn - more * HOUR_MS, -3);
    }
  });
  it('are not offered where nobody is wanted then, where it is too late, or once the flask is in', () => {
    const easy = zeros.find((zero) => closed(zero).length === 0);
    if (easy) expect(stretch(easy)).toBeUndefined();
    const hard = zeros.find((zero) => wanted(zero) && stretch(zero))!;
    const { kilnIn } = stretch(hard)!;
    expect(stretch(hard, kilnIn + 60_000)).toBeUndefined();
    expect(stretch(hard, kilnIn - 60_000)).toBeDefined();
    expect(stretch(hard, LONG_AGO, (doc) => void (doc.burnout.startedAt = new Date(kilnIn).toISOString()))).toBeUndefined(); // prettier-ignore
  });
});
