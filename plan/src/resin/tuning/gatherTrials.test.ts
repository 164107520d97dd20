import type { RecordLists, ShopLists, Trial } from '@zero-pour/contracts';
import { formatPhrase, learnSpread, METRIC, tuneExposure, type TuningTrial } from '@zero-pour/core';
import { beforeAll, describe, expect, it } from 'vitest';
import { curveOf, gatherTrials, settableOf, shopTunings } from '../../index';
import { demoTuning, type DemoTuning } from '../../testing/demoTuning';

const NOW = new Date(2026, 10, 25, 12, 0);
let lists: ShopLists;
let records: RecordLists;
let things: DemoTuning['things'];
beforeAll(async () => {
  ({ lists, records, things } = await demoTuning(NOW));
}, 60_000);

const wax = () => things('Skerry Wax 55', 'Printer A', 0.05);
const words = (phrase: Parameters<typeof formatPhrase>[0]): string => formatPhrase(phrase, METRIC);

/** The records with one trial changed. */
const withTrial = (change: Partial<Trial>): RecordLists => ({
  ...records,
  trial: records.trial.map((trial, i) => (i === 3 ? { ...trial, ...change } : trial)),
});

describe('gathering trials', () => {
  it('takes those of the resin on the printer at the layer height, numbered as printed', () => {
    const { used, leftOut, vatC } = gatherTrials(lists, records, wax(), 'filigree', false);
    expect(used.map((u) => [u.number, u.exposureS, u.struts.good, u.slots.good])).toEqual([
      [1, 2.4, 5, 24],
      [2, 3, 15, 24],
      [3, 3.6, 22, 23],
      [4, 4.5, 24, 15],
    ]);
    expect(leftOut).toEqual([]);
    expect(vatC).toBe(28);
  });
  it('takes parts that failed as a trial with its own number, or says why not', () => {
    const part = { patternId: null, name: 'Lace ring', castClass: 'filigree', thinnestMm: null, good: 3, of: 15 } as const; // prettier-ignore
    const told = (change: Partial<NonNullable<Trial['part']>>) => {
      const trial = { ...records.trial.find((t) => t.resinId === wax().resin.id)!, id: 'p', exposureS: 2, coupon: { ...records.trial[0]!.coupon, classes: [] }, counts: {}, part: { ...part, ...change } }; // prettier-ignore
      const more = { ...records, trial: [trial, ...records.trial] };
      const { used, leftOut } = gatherTrials(lists, more, wax(), 'filigree', false);
      const own = used.find((u) => u.trial.id === 'p');
      const out = leftOut.find((l) => l.trial.id === 'p');
      return { own, says: out ? words(out.why) : '', coupons: used.filter((u) => u.number > 0).length };
    };
    expect(told({})).toMatchObject({
      own: { number: 0, exposureS: 2, struts: { good: 3, of: 15 }, slots: { of: 0 } },
      says: '',
      coupons: 4,
    });
    // Features here are 0.25 mm: a stouter part that stood says nothing, one that fell does; a finer one the other way.
    expect(told({ thinnestMm: 0.6, good: 14 }).says).toMatch(/It stood, but is 0\.60 mm/);
    expect(told({ thinnestMm: 0.6 }).own).toBeDefined();
    expect(told({ thinnestMm: 0.15 }).says).toMatch(/It fell, but is 0\.15 mm/);
    expect(told({ thinnestMm: 0.15, good: 14 }).own).toBeDefined();
    expect(told({ castClass: 'heavy' })).toMatchObject({ own: undefined, says: '' });
    expect(told({ of: 0, good: 0 }).own).toBeUndefined();
  });
  it('of the whole shop tell how much coupons scatter, each tuning by itself', () => {
    const tunings = shopTunings(records);
    const own = tunings.find((t) => t.length === 4 && t[0]!.exposureS === 2.4)!;
    expect(own.map((t) => t.struts.good)).toEqual([5, 15, 22, 24]);
    expect(tunings.every((t) => t.length > 1)).toBe(true);
    const coupons = (of: TuningTrial[][]): number => of.reduce((sum, t) => sum + t.length, 0);
    const counted = gatherTrials(lists, records, wax(), 'filigree', false).used.at(-1)!.trial;
    expect(coupons(shopTunings(records, counted.id))).toBeLessThan(coupons(tunings));
    expect(learnSpread(tunings).rho).toBeGreaterThan(0);
    expect(shopTunings({ ...records, trial: [] })).toEqual([]);
    // Coupons at another warmth are another tuning: their difference is no scatter.
    const cold = records.trial.map((t) => (t.id === counted.id ? { ...t, vatC: { state: 'measured' as const, value: 18 } } : t)); // prettier-ignore
    expect(coupons(shopTunings({ ...records, trial: cold }))).toBe(coupons(shopTunings(records, counted.id)));
    const inWords = records.trial.map((t) => ({ ...t, counts: { filigree: { struts: { word: 'all' as const }, slots: { word: 'half' as const } } } })); // prettier-ignore
    expect(learnSpread(shopTunings({ ...records, trial: inWords })).coupons).toBe(0);
  });
  it('leads to the verdict of the handbook’s pictures', () => {
    const { used } = gatherTrials(lists, records, wax(), 'filigree', false);
    const { recommended, verdict } = tuneExposure({
      startS: 3,
      trials: used,
      settable: settableOf(wax().printer),
      coupon: { struts: 24, slots: 24 },
    });
    expect(recommended.exposureS).toBe(3.7);
    expect(verdict.kind).toBe('prints');
    const brine = gatherTrials(
      lists,
      records,
      things('Brine Clear-Out', 'Printer A', 0.05),
      'filigree',
      false,
    );
    const no = tuneExposure({
      startS: 2.8,
      trials: [...brine.used, ...brine.pieces],
      settable: settableOf(wax().printer),
      coupon: { struts: 24, slots: 24 },
    });
    expect(no.verdict.kind).toBe('not this resin');
  });
  it('says when a trial changed two things', () => {
    const { changedMore } = gatherTrials(lists, records, wax(), 'filigree', false);
    expect([...changedMore.values()]).toEqual([
      ['exposure', 'base seconds'],
      ['exposure', 'base seconds'],
    ]);
  });
  it('leaves out counts of other feature sizes than the newest coupon’s', () => {
    const { coupon } = records.trial[3]!;
    const classes = coupon.classes.map((c) => (c.castClass === 'filigree' ? { ...c, featureMm: 0.3 } : c));
    const changed = withTrial({ coupon: { ...coupon, classes } });
    const filigree = gatherTrials(lists, changed, wax(), 'filigree', false);
    expect(filigree.used.map((u) => u.number)).toEqual([4]);
    expect(filigree.featureMm).toBe(0.3);
    expect(words(filigree.leftOut[0]!.why)).toBe('Its features were 0.25 mm, not 0.30 mm.');
    expect(gatherTrials(lists, changed, wax(), 'heavy', false).used).toHaveLength(4);
  });
  it('leaves out another temperature, always', () => {
    const { used, leftOut } = gatherTrials(
      lists,
      withTrial({ vatC: { state: 'measured', value: 21 } }),
      wax(),
      'filigree',
      true,
    );
    // The newest temperature is what the others are told by.
    expect(used.map((u) => u.number)).toEqual([4]);
    expect(words(leftOut[0]!.why)).toContain('21 °C');
  });
  it('counts other settings in only when asked, by their law', () => {
    const thinner = withTrial({ layerMm: 0.035 });
    const without = gatherTrials(lists, thinner, wax(), 'filigree', true);
    expect(words(without.leftOut[0]!.why)).toContain('working curve');
    const curved: RecordLists = {
      ...thinner,
      cureTest: records.cureTest.map((test) => ({ ...test, resinId: wax().resin.id })),
    };
    expect(gatherTrials(lists, curved, wax(), 'filigree', false).used).toHaveLength(3);
    const pooled = gatherTrials(lists, curved, wax(), 'filigree', true).used.find((u) => u.laws.length > 0)!;
    const dp = curveOf(curved, wax().resin.id, 405)!.dpMm;
    expect(pooled.exposureS).toBeCloseTo(4.5 * Math.exp(0.015 / dp), 9);
    expect(pooled.number).toBe(0);
  });
  it('counts whole and missing pieces of a test set as one strut, and no others', () => {
    const { pieces } = gatherTrials(lists, records, wax(), 'filigree', false);
    expect(pieces.map((p) => [p.struts.good, p.struts.of, p.slots.of])).toEqual(Array(4).fill([1, 1, 0]));
    const brine = gatherTrials(
      lists,
      records,
      things('Brine Clear-Out', 'Printer A', 0.05),
      'filigree',
      false,
    );
    expect(brine.pieces.map((p) => p.struts.good)).toEqual([0, 0]);
  });
  it('has the base layers as a problem of their own', () => {
    const { used } = gatherTrials(lists, records, wax(), 'base', false);
    expect(used.map((u) => [u.exposureS, u.struts.good, u.slots.good])).toEqual([
      [25, 1, 1],
      [32, 1, 0],
      [25, 1, 1],
      [25, 1, 1],
    ]);
  });
  it('says nothing of a class that no coupon carried', () => {
    expect(
      gatherTrials(lists, records, things('Skerry Low-Ash', 'Printer B', 0.035), 'heavy', false).used,
    ).toEqual([]);
  });
});
