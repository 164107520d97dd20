import { describe, expect, it } from 'vitest';
import { formatPhrase, METRIC } from '../numeric';
import { coolingS, stopTimeS } from '../fill';
import { adviseOpening, freezingMin, judgeFreezing, judgeQuench, ordersWhenSlow, takesNoAcid } from './index';

const SILVER = { densityKgPerM3: 9300, latentJPerKg: 105_000, heatJPerKgK: 310, surfaceNPerM: 0.92, liquidusC: 893, metalC: 975, flaskC: 510 }; // prettier-ignore
const texts = (of: { lead: string; why: Parameters<typeof formatPhrase>[0] }[]) =>
  of.map(({ lead, why }) => `${lead} ${formatPhrase(why, METRIC)}`);

describe('opening a flask', () => {
  const of = (narrowest: Parameters<typeof adviseOpening>[0]['narrowest'], more = {}) =>
    adviseOpening({ divest: 'quench', hardened: false, narrowest, ...more });

  it('goes by the narrowest way in and how deep it is, then by what hardens, then by the metal', () => {
    expect(of({ widthMm: 0.5, depthMm: 0.5 }).tool).toBe('needle');
    expect(of({ widthMm: 0.9, depthMm: 3 }).tool).toBe('ultrasonic');
    expect(of({ widthMm: 0.9, depthMm: 2 }).tool).toBe('jet');
    expect(of({ widthMm: 1.2, depthMm: 2 }).tool).toBe('water and brush');
    expect(of(null, { hardened: true }).tool).toBe('jet');
    expect(of(null, { divest: 'break out' }).tool).toBe('by hand');
    expect(of(null).tool).toBe('water and brush');
  });

  it('does not know ways that nobody read: not read is not wide', () => {
    expect(of(undefined)).toMatchObject({ tool: 'water and brush', known: false });
    expect(of(null).known).toBe(true);
  });

  it('knows gold that may not cool slowly, and metals that acid eats; of an unknown make-up neither', () => {
    expect(ordersWhenSlow({ Au: 0.585, Cu: 0.29, Ag: 0.125 })).toBe(true);
    expect(ordersWhenSlow({ Au: 0.585, Ag: 0.29, Cu: 0.125 })).toBe(false);
    expect(ordersWhenSlow({ Au: 0.99, Cu: 0.01 })).toBe(false);
    expect(ordersWhenSlow({ Ag: 0.925, Cu: 0.075 })).toBe(false);
    expect(ordersWhenSlow({})).toBeUndefined();
    expect(takesNoAcid({ Zn: 0.96, Al: 0.04 })).toBe(true);
    expect(takesNoAcid({ Cu: 0.6, Zn: 0.4 })).toBe(false);
    expect(takesNoAcid({})).toBeUndefined();
  });

  it('judges the wait before the water, and says nothing of one that was not noted', () => {
    const wait = { least: 8, most: 15 };
    expect(judgeQuench(undefined, wait, true)).toEqual([]);
    expect(texts(judgeQuench(3, wait, false))[0]).toMatch(/^Quenched soon\. After 3 min; 8 min to 15 min is its wait\./);
    expect(judgeQuench(8, wait, false)[0]).toMatchObject({ weight: 'ok' });
    expect(judgeQuench(15, wait, false)[0]).toMatchObject({ weight: 'ok' });
    expect(texts(judgeQuench(40, wait, true))[0]).toContain('anneal and quench it');
    expect(texts(judgeQuench(40, wait, false))[0]).toContain('may not burst');
  }); // prettier-ignore
});

describe('a button that freezes', () => {
  it('takes longer the larger it is, the hotter flask and metal; by the mold’s own rule', () => {
    const min = freezingMin(2, SILVER);
    expect(min).toBeGreaterThan(0.2);
    expect(min).toBeLessThan(20);
    expect(freezingMin(4, SILVER)).toBeGreaterThan(min);
    expect(freezingMin(2, { ...SILVER, flaskC: 640 })).toBeGreaterThan(min);
    expect(freezingMin(2, { ...SILVER, metalC: 1050 })).toBeGreaterThan(min);
    expect(freezingMin(2, { ...SILVER, flaskC: 900 })).toBe(Infinity);
    // A ball of eight times the volume is twice as wide: a plate would take four times as long, a ball somewhat less.
    expect(freezingMin(16, SILVER) / min).toBeGreaterThan(3.5);
    expect(freezingMin(16, SILVER) / min).toBeLessThanOrEqual(4);
    expect(() => freezingMin(0, SILVER)).toThrow();
  });

  it('is solid after the metal stopped flowing, since all of its heat must go', () => {
    const ball = { widthMm: 12, modulusMm: 2 };
    expect(coolingS(ball, SILVER, 1)).toBeGreaterThan(stopTimeS(ball, SILVER));
    expect(coolingS(ball, SILVER, 0.4)).toBeCloseTo(stopTimeS(ball, SILVER), 12);
    expect(coolingS(ball, { ...SILVER, metalC: 800 }, 1)).toBe(0);
  });

  it('tells late and early by 1.6 times, and nothing where either is not known', () => {
    expect(judgeFreezing(undefined, 2)).toEqual([]);
    expect(judgeFreezing(3, undefined)).toEqual([]);
    expect(judgeFreezing(3, Infinity)).toEqual([]);
    expect(judgeFreezing(3.3, 2)[0]).toMatchObject({ lead: 'It froze late.', weight: 'watch' });
    expect(judgeFreezing(3.1, 2)[0]).toMatchObject({ weight: 'ok' });
    expect(judgeFreezing(1.2, 2)[0]).toMatchObject({ lead: 'It froze early.', weight: 'watch' });
  });
});
