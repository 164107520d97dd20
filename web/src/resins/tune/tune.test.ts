// @vitest-environment happy-dom
import {
  SHOP_ITEM_SCHEMAS,
  usualProfile,
  type Profile,
  type ShopItem,
  type ShopKind,
  type Trial,
} from '@zero-pour/contracts';
import type { TuningAnswer } from '@zero-pour/jobs';
import {
  edgeCurve,
  foreseeOutcomes,
  tuneExposure,
  usualCoupon,
  type CouponOutcome,
  type TuningTrial,
  type VerdictKind,
  USUAL_SPREAD,
  type CouponSpread,
} from '@zero-pour/core';
import type { VueWrapper } from '@vue/test-utils';
import { afterEach, describe, expect, it } from 'vitest';
import { mountInApp } from '../../testing/mountInApp';
import { NOW, PRINTER, RESIN, THINGS, uuid } from '../../testing/resinThings';
import { acceptBase, acceptFigure } from './acceptFigure';
import {
  changedMoreJudgements,
  contradictionJudgements,
  knownRows,
  oneSidedJudgements,
  solidWidths,
} from './known';
import { newTrial, type TrialPlan } from './newTrial';
import PrintNext from './PrintNext.vue';
import { chartSpan, couponCounts, tuningJob } from './tuningJob';
import { shownSpan } from './shownSpan';
import { outcomeSentence, rangeWords, verdictJudgement } from './words';

const PLAN: TrialPlan = {
  of: 'filigree',
  nextS: 3.7,
  before: undefined,
  coupon: undefined,
  exposureS: 3,
  baseExposureS: 25,
  baseLayers: 6,
};

let mounted: VueWrapper | undefined;
afterEach(() => mounted?.unmount());

const counted = (exposureS: number, struts: number, slots: number): TuningTrial => ({
  exposureS,
  struts: { good: struts, of: 24 },
  slots: { good: slots, of: 24 },
});
const COUPON = { struts: 24, slots: 24 };
const SETTABLE = { leastS: 0.5, mostS: 30, stepS: 0.1 };

/** What the worker would answer. */
function answerTo(trials: readonly TuningTrial[]): TuningAnswer {
  const { edges, ...tuning } = tuneExposure({ startS: 3, trials, settable: SETTABLE, coupon: COUPON });
  return {
    ...tuning,
    struts: edgeCurve(edges.lower, 1.5, 7),
    slots: edgeCurve(edges.upper, 1.5, 7),
    outcomes: foreseeOutcomes(edges, tuning.next.exposureS, SETTABLE, COUPON, trials.length),
  };
}
const PRINTS = answerTo([
  counted(2.4, 5, 24),
  counted(3, 15, 24),
  counted(3.6, 22, 23),
  counted(4.5, 24, 15),
]);
const NEVER = answerTo([counted(2, 0, 24), counted(3, 2, 17), counted(4, 9, 8), counted(5.5, 15, 1)]);
const FIRST = answerTo([]);

describe('words about counts', () => {
  it.each([
    [{ from: 22, to: 24 }, '22 or more'],
    [{ from: 0, to: 5 }, '5 or fewer'],
    [{ from: 6, to: 9 }, '6 to 9'],
    [{ from: 24, to: 24 }, 'all 24'],
    [{ from: 0, to: 0 }, 'none'],
    [{ from: 0, to: 24 }, ''],
    [{ from: 7, to: 7 }, '7'],
  ] as const)('%o', (range, words) => {
    expect(rangeWords(range, 24)).toBe(words);
  });
  it('make a whole sentence of each outcome', () => {
    const outcome = (kind: VerdictKind): CouponOutcome => ({
      kind,
      chance: 0.5,
      struts: { from: 22, to: 24 },
      slots: { from: 20, to: 24 },
      exposureS: [3.6, 3.8],
    });
    expect(outcomeSentence(outcome('prints'), 'filigree', COUPON)).toBe(
      'If 22 or more struts stand and 20 or more slots stay open, this is settled: print at 3.6 to 3.8 s.',
    );
    for (const kind of ['not this resin', 'as good as it gets', 'next coupon', 'not settled'] as const)
      expect(outcomeSentence(outcome(kind), 'heavy', COUPON)).toMatch(/^If .*\.$/);
    const any = { ...outcome('next coupon'), struts: { from: 0, to: 24 }, slots: { from: 0, to: 24 } };
    expect(outcomeSentence(any, 'heavy', COUPON)).toMatch(/^Whatever comes out/);
    const base = { ...outcome('prints'), struts: { from: 1, to: 1 }, slots: { from: 0, to: 0 } };
    expect(outcomeSentence(base, 'base', { struts: 1, slots: 1 })).toContain('it holds');
  });
  it('say the verdict with its numbers and ways out', () => {
    expect(verdictJudgement(PRINTS, 'filigree', 0.25, 0.05)).toMatchObject({
      weight: 'ok',
      lead: 'Prints at 3.7 s.',
    });
    const no = verdictJudgement(NEVER, 'filigree', 0.25, 0.05)!;
    expect(no).toMatchObject({ weight: 'stop', lead: 'Not for filigree.' });
    expect(JSON.stringify(no.why)).toContain('thicker layers');
    expect(verdictJudgement(FIRST, 'filigree', 0.25, 0.05)).toBeUndefined();
    for (const kind of ['as good as it gets', 'not settled'] as const) {
      const answer = { ...PRINTS, verdict: { ...PRINTS.verdict, kind } };
      expect(verdictJudgement(answer, 'heavy', 0.6, 0.05)!.weight).toBe('watch');
    }
    expect(verdictJudgement(NEVER, 'base', 0.4, 0.05)!.lead).toBe('No base exposure suits.');
  });
});

describe('what to do next', () => {
  const props = { of: 'filigree', counts: COUPON, couponAt: '/', busy: false, carriedOver: 0 } as const;
  it('is the next coupon, and what each outcome would mean', () => {
    mounted = mountInApp(PrintNext, { ...props, answer: FIRST, coupons: 0 });
    expect(mounted.find('[data-testid=figure]').text()).toBe(`${FIRST.next.exposureS} s`);
    expect(mounted.findAll('li').length).toBeGreaterThan(0);
    expect(mounted.text()).not.toContain('Take it into a profile');
  });
  it('is to take the figure once it prints', async () => {
    mounted = mountInApp(PrintNext, { ...props, answer: PRINTS, coupons: 4 });
    expect(mounted.find('[data-testid=figure]').text()).toBe('3.7 s');
    await mounted
      .findAll('button')
      .find((b) => b.text().startsWith('Take it'))!
      .trigger('click');
    expect(mounted.emitted('accept')).toHaveLength(1);
  });
  it('offers no profile where nothing prints', () => {
    mounted = mountInApp(PrintNext, { ...props, answer: NEVER, coupons: 4 });
    expect(mounted.text()).toContain('Best of no good ones');
    expect(mounted.text()).not.toContain('Take it into a profile');
  });
});

describe('the question to the worker', () => {
  const used = [{ ...counted(3, 15, 24), trial: newTrial(THINGS, PLAN, NOW), number: 1, laws: [] }];
  const gathered = {
    used,
    pieces: [counted(3.2, 24, 24)],
    leftOut: [],
    changedMore: new Map(),
    vatC: 28,
    featureMm: 0.25,
  };
  it('counts coupons apart from pieces of test sets', () => {
    const job = tuningJob('filigree', PRINTER, 3.04, gathered, 0.05);
    expect(job).toMatchObject({ startS: 3, coupons: 1, coupon: COUPON, keepToBest: false });
    const carried = { ...used[0]!, number: 0, laws: [['by light']] };
    expect(tuningJob('filigree', PRINTER, 3, { ...gathered, used: [...used, carried] }, 0)).toMatchObject({
      coupons: 1,
    });
    expect(tuningJob('base', PRINTER, 25, gathered, 0.05)).toMatchObject({
      keepToBest: true,
      startS: 25,
      rho: 0,
    });
    expect(job.rho).toBe(0.05);
    expect(job.trials).toHaveLength(2);
    expect(() => structuredClone(job)).not.toThrow();
  });
  it('spans the chart over what was tried', () => {
    const [from, to] = chartSpan(3, [counted(2, 1, 1), counted(6, 1, 1)]);
    expect(from).toBeLessThan(2);
    expect(to).toBeGreaterThan(6);
  });
  it('knows what the last coupon carried', () => {
    const trial = {
      ...used[0]!.trial,
      coupon: {
        ...usualCoupon(''),
        classes: [{ castClass: 'filigree' as const, featureMm: 0.3, struts: 12, slots: 10 }],
      },
    };
    expect(couponCounts('filigree', [{ trial }])).toEqual({ struts: 12, slots: 10 });
    expect(couponCounts('heavy', [{ trial }])).toEqual(COUPON);
    expect(couponCounts('base', [{ trial }])).toEqual({ struts: 1, slots: 1 });
  });
  it('tells what is known, for classes and for the base', () => {
    expect(knownRows(PRINTS, 'filigree', 24, { rho: 0.05, coupons: 12 }).map(([name]) => name)).toContain(
      'All 24 struts of a coupon stand',
    );
    expect(knownRows(PRINTS, 'base', 1, USUAL_SPREAD)).toHaveLength(4);
    const weighs = (spread: CouponSpread) => knownRows(PRINTS, 'filigree', 24, spread).at(-1);
    expect(weighs({ rho: 0.05, coupons: 12 })).toEqual([
      'A coupon’s 24 struts weigh as',
      '11, by the scatter of your 12 coupons',
    ]);
    expect(weighs(USUAL_SPREAD)![1]).toContain('as usual; your coupons will tell');
  });
  it('says which counts contradict each other, whatever the verdict', () => {
    const of = (exposureS: number, good: number, name?: string) => ({
      ...used[0]!,
      exposureS,
      struts: { good, of: 24 },
      slots: { good: 0, of: 0 },
      ...(name ? { trial: { ...used[0]!.trial, id: name } } : {}),
    });
    const against = { ...gathered, used: [of(1.9, 20), of(20, 3)] };
    expect(contradictionJudgements(against, 'filigree')).toMatchObject([
      { weight: 'watch', why: [expect.stringMatching(/^20 of 24 stood at 1\.9 s, 3 of 24 stood at 20 s\./)] },
    ]);
    expect(contradictionJudgements(against, 'base')).toEqual([]);
    expect(contradictionJudgements({ ...gathered, used: [of(1.9, 3), of(20, 20)] }, 'filigree')).toEqual([]);
  });
  it('says which side was never counted, beside whatever verdict there is', () => {
    const with_ = (struts: number, slots: number) => ({
      ...gathered,
      used: [{ ...used[0]!, struts: { good: struts, of: struts }, slots: { good: slots, of: slots } }],
    });
    expect(oneSidedJudgements(with_(24, 0), 'filigree')).toMatchObject([{ weight: 'watch', lead: 'No slots counted.' }]);
    expect(oneSidedJudgements(with_(0, 24), 'filigree')).toMatchObject([{ lead: 'No struts counted.' }]);
    for (const [struts, slots] of [[24, 24], [0, 0]] as const) expect(oneSidedJudgements(with_(struts, slots), 'filigree')).toEqual([]);
    expect(oneSidedJudgements(with_(24, 0), 'base')).toEqual([]);
  }); // prettier-ignore
  it('names what was changed at once, and takes only widths of solid features', () => {
    const { trial } = used[0]!;
    const widths: Trial['widths'] = [
      { kind: 'strut', drawnMm: 0.4, measuredMm: 0.42 },
      { kind: 'hole', drawnMm: 0.4, measuredMm: 0.36 },
    ];
    const with2 = {
      ...gathered,
      used: [{ ...used[0]!, trial: { ...trial, widths } }],
      changedMore: new Map([[trial.id, ['exposure', 'raft']]]),
    };
    expect(changedMoreJudgements(with2)).toMatchObject([{ lead: 'Trial 1 changed two things' }]);
    expect(solidWidths(with2)).toEqual([{ kind: 'strut', drawnMm: 0.4, measuredMm: 0.42, exposureS: 3.7 }]);
  });
});

describe('taking a figure', () => {
  const kept: ShopItem<ShopKind>[] = [];
  const keep = <K extends ShopKind>(_: K, item: ShopItem<K>): Promise<ShopItem<K>> => {
    kept.push(item as ShopItem<ShopKind>);
    return Promise.resolve(item);
  };
  const former: Profile = { ...usualProfile(RESIN, PRINTER, 'filigree'), id: uuid(9) };
  afterEach(() => void kept.splice(0));

  it('makes the next version and marks the former, in that order', async () => {
    const accepted = { exposureS: 3.7, tested: true, provenance: '4 coupons', foundAt: NOW.toISOString() };
    const made = await acceptFigure(keep, [former], THINGS, 'filigree', accepted);
    expect(SHOP_ITEM_SCHEMAS.profile.safeParse(made).success).toBe(true);
    expect(kept).toEqual([made, { ...former, replaced: true }]);
    expect(made).toMatchObject({ version: 2, formerId: former.id, exposureS: 3.7 });
  });
  it('brings base seconds into every profile of the settings, the exposure as it was', async () => {
    const other: Profile = { ...usualProfile(RESIN, PRINTER, 'heavy'), id: uuid(10), exposureS: 2.5 };
    const n = await acceptBase(keep, [former, other], THINGS, {
      baseExposureS: 31,
      foundAt: NOW.toISOString(),
    });
    expect(n).toBe(2);
    const made = kept.filter((item) => (item as Profile).version === 2) as Profile[];
    expect(made.map((p) => [p.castClass, p.exposureS, p.baseExposureS])).toEqual([
      ['filigree', 3, 31],
      ['heavy', 2.5, 31],
    ]);
    expect(await acceptBase(keep, [], THINGS, { baseExposureS: 31, foundAt: NOW.toISOString() })).toBe(0);
  });
});

describe('the span of the chart', () => {
  it('is that of its curves, and holds what is to be printed wherever it lies', () => {
    expect(shownSpan([1, 2, 4], 2)).toEqual([1, 4]);
    const [from] = shownSpan([1, 2, 4], 0.6);
    expect(from).toBeLessThan(0.6);
    const [, to] = shownSpan([1, 2, 4], 7);
    expect(to).toBeGreaterThan(7);
  });
});
