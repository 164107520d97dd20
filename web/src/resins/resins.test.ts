// @vitest-environment happy-dom
import {
  BENCH_RECORD_SCHEMAS,
  SHOP_ITEM_SCHEMAS,
  usualPrinter,
  usualProfile,
  usualResin,
  type Printer,
  type Profile,
  type Resin,
  type ShopItem,
  type ShopKind,
  type Trial,
  type TuningAnswer,
} from '@zero-pour/contracts';
import {
  edgeCurve,
  foreseeOutcomes,
  standing,
  tuneExposure,
  usualCoupon,
  type CouponOutcome,
  type TuningTrial,
  type VerdictKind,
} from '@zero-pour/core';
import type { TuningThings } from '@zero-pour/plan';
import type { VueWrapper } from '@vue/test-utils';
import { afterEach, describe, expect, it } from 'vitest';
import { lastEmitted, mountInApp } from '../testing/mountInApp';
import { burnoutHours, comparable, plateChoice } from './compare/choices';
import { readDiscs } from './curve/readDiscs';
import { rankingColumns } from './ranking/rankingColumns';
import { sideBySide, summarise } from './testset/gradeSummary';
import { newPiece, newRun } from './testset/newRun';
import { acceptBase, acceptFigure } from './tune/acceptFigure';
import CountEntry from './tune/CountEntry.vue';
import CountField from './tune/CountField.vue';
import { changedMoreJudgements, knownRows, solidWidths } from './tune/known';
import { newTrial, saysSomething, type TrialPlan } from './tune/newTrial';
import PrintNext from './tune/PrintNext.vue';
import { readSeen, seenText } from './tune/readSeen';
import { chartSpan, couponCounts, tuningJob } from './tune/tuningJob';
import { outcomeSentence, rangeWords, verdictJudgement } from './tune/words';

const uuid = (n: number): string => `00000000-0000-4000-8000-${String(n).padStart(12, '0')}`;
const RESIN: Resin = { ...usualResin('wax-rich'), id: uuid(1), name: 'Skerry Wax 55', primingCoats: 2 };
const PRINTER: Printer = { ...usualPrinter(), id: uuid(2), name: 'Printer A' };
const THINGS: TuningThings = { resin: RESIN, printer: PRINTER, layerMm: 0.05 };
const NOW = new Date('2026-11-25T10:00:00Z');
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

describe('a count as it is typed', () => {
  it.each([
    ['22', { good: 22 }],
    ['22/24', { good: 22 }],
    ['22 of 24', { good: 22 }],
    ['0', { good: 0 }],
    ['all', { word: 'all' }],
    ['M', { word: 'most' }],
    ['n', { word: 'none' }],
    ['', null],
    ['-', null],
  ] as const)('“%s”', (text, seen) => {
    expect(readSeen(text, 24)).toEqual({ status: 'read', seen });
  });
  it.each(['25', '-1', '3.5', '12/20', 'many'])('is refused in a sentence: “%s”', (text) => {
    const read = readSeen(text, 24);
    expect(read.status === 'unreadable' && read.reason).toMatch(/24/);
  });
  it('reads back as it was written', () => {
    for (const text of ['7', 'half']) {
      const read = readSeen(text, 24);
      expect(read.status === 'read' && seenText(read.seen)).toBe(text);
    }
    expect(seenText(undefined)).toBe('');
  });
});

describe('count field', () => {
  it('hands up the count and goes on with Enter, unless it cannot be', async () => {
    mounted = mountInApp(CountField, { label: '0.25 mm struts standing', of: 24, modelValue: null });
    const input = mounted.find('input');
    await input.setValue('22');
    expect(lastEmitted(mounted, 'update:modelValue')).toEqual({ good: 22 });
    await input.trigger('keydown', { key: 'Enter' });
    expect(mounted.emitted('next')).toHaveLength(1);
    await input.setValue('30');
    await input.trigger('keydown', { key: 'Enter' });
    expect(mounted.emitted('next')).toHaveLength(1);
    expect(mounted.find('[role=alert]').text()).toContain('24');
    expect(lastEmitted(mounted, 'update:modelValue')).toEqual({ good: 22 });
  });
  it('takes a word by button', async () => {
    mounted = mountInApp(CountField, { label: 'slots', of: 24, modelValue: null });
    await mounted
      .findAll('button')
      .find((b) => b.text() === 'few')!
      .trigger('click');
    expect(lastEmitted(mounted, 'update:modelValue')).toEqual({ word: 'few' });
    expect((mounted.find('input').element as HTMLInputElement).value).toBe('few');
  });
});

describe('a new trial', () => {
  it('keeps all of the one before but for what is tried', () => {
    const first = newTrial(THINGS, PLAN, NOW);
    expect(BENCH_RECORD_SCHEMAS.trial.safeParse(first).error?.issues).toBeUndefined();
    expect(first).toMatchObject({ exposureS: 3.7, baseExposureS: 25, primingCoats: 2 });
    expect(first.coupon.label).toBe('3.7 S');
    const before: Trial = {
      ...first,
      vatC: { state: 'measured', value: 28 },
      raftMm: 1.2,
      baseExposureS: 30,
    };
    const next = newTrial(THINGS, { ...PLAN, before, nextS: 4.1 }, NOW);
    expect(next).toMatchObject({ exposureS: 4.1, baseExposureS: 30, vatC: before.vatC });
    expect(next.counts).toEqual({});
  });
  it('tries base seconds at the exposure as it was', () => {
    const base = newTrial(THINGS, { ...PLAN, of: 'base', nextS: 32 }, NOW);
    expect(base).toMatchObject({ exposureS: 3, baseExposureS: 32 });
  });
  it('takes the coupon that was made for it', () => {
    const made = { ...usualCoupon('x', ['heavy']), raftMm: 1.4 };
    const trial = newTrial(THINGS, { ...PLAN, coupon: made }, NOW);
    expect(trial.coupon.classes.map((c) => c.castClass)).toEqual(['heavy']);
    expect(trial.raftMm).toBe(1.4);
  });
  it('says something once anything was seen', () => {
    const trial = newTrial(THINGS, PLAN, NOW);
    expect(saysSomething(trial)).toBe(false);
    expect(saysSomething({ ...trial, counts: { filigree: { struts: null, slots: null } } })).toBe(false);
    expect(saysSomething({ ...trial, counts: { filigree: { struts: { good: 0 }, slots: null } } })).toBe(
      true,
    );
    expect(saysSomething({ ...trial, base: 'curled' })).toBe(true);
  });
});

describe('counting a coupon', () => {
  it('has a field for every row, and keeps what is typed beside what was', async () => {
    const trial = newTrial(THINGS, { ...PLAN, coupon: usualCoupon('', ['filigree', 'standard']) }, NOW);
    mounted = mountInApp(CountEntry, { trial, number: 1, unsaved: false });
    const inputs = mounted.findAll('[data-count]');
    expect(inputs.map((i) => i.attributes('aria-label'))).toEqual([
      '0.25 mm struts standing of 24',
      '0.25 mm slots open of 24',
      '0.4 mm struts standing of 24',
      '0.4 mm slots open of 24',
    ]);
    await inputs[1]!.setValue('all');
    expect(lastEmitted(mounted, 'change')).toMatchObject({
      counts: { filigree: { struts: null, slots: { word: 'all' } } },
    });
    await mounted
      .findAll('[role=radio]')
      .find((b) => b.text() === 'curled')!
      .trigger('click');
    expect(lastEmitted(mounted, 'change')).toMatchObject({ base: 'curled' });
    await mounted
      .findAll('button')
      .find((b) => b.text() === 'slots webbed')!
      .trigger('click');
    expect(lastEmitted(mounted, 'change')).toMatchObject({ flaws: ['slots webbed'] });
    await mounted.trigger('keydown', { key: 'Escape' });
    expect(mounted.emitted('close')).toHaveLength(1);
  });
});

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
  const props = { of: 'filigree', counts: COUPON, couponAt: '/', busy: false } as const;
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
  const gathered = { used, pieces: [counted(3.2, 24, 24)], leftOut: [], changedMore: new Map(), vatC: 28 };
  it('counts coupons apart from pieces of test sets', () => {
    const job = tuningJob('filigree', PRINTER, 3.04, gathered);
    expect(job).toMatchObject({ startS: 3, coupons: 1, coupon: COUPON });
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
    expect(knownRows(PRINTS, 'filigree', 24).map(([name]) => name)).toContain(
      'All 24 struts of a coupon stand',
    );
    expect(knownRows(PRINTS, 'base', 1)).toHaveLength(4);
  });
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

describe('discs as they are pasted', () => {
  it.each([
    ['10\t0.061\n15\t0.102', 'tabs'],
    ['mJ;mm\n10;0,061\n15;0,102', 'semicolons and decimal commas under a heading'],
    ['10   0.061\n\n15 0.102\n', 'blanks and empty lines'],
  ])('%j (%s)', (text) => {
    expect(readDiscs(text, null)).toEqual({
      status: 'read',
      discs: [
        { energyMjPerCm2: 10, depthMm: 0.061 },
        { energyMjPerCm2: 15, depthMm: 0.102 },
      ],
    });
  });
  it('become energy by the light of the printer', () => {
    const read = readDiscs('4 0.061', 2.5);
    expect(read.status === 'read' && read.discs[0]!.energyMjPerCm2).toBeCloseTo(10, 12);
  });
  it.each(['', '10', 'ten 0.06\nmany words', '10 0.06\n15 -0.1'])('are refused with the line: %j', (text) => {
    expect(readDiscs(text, null).status).toBe('unreadable');
  });
});

describe('test set', () => {
  const patterns = [{ id: uuid(20), name: 'Whelk bead' }] as never;
  const run = newRun(
    THINGS,
    undefined,
    [
      { patternId: uuid(20), castClass: 'standard' },
      { patternId: uuid(21), castClass: 'heavy' },
    ],
    patterns,
    3,
    NOW,
  );
  it('is every part that is still there, so many times', () => {
    expect(BENCH_RECORD_SCHEMAS.testSetRun.safeParse(run).error?.issues).toBeUndefined();
    expect(run.pieces.map((p) => [p.name, p.castClass, p.print])).toEqual(
      Array(3).fill(['Whelk bead', 'standard', null]),
    );
    expect(new Set(run.pieces.map((p) => p.key)).size).toBe(3);
  });
  it('is summed by class, prints and casts apart', () => {
    const graded = {
      ...run,
      pieces: run.pieces.map((p, i) => ({
        ...p,
        print: i === 0 ? ('missing' as const) : ('whole' as const),
        cast: i === 2 ? ('good' as const) : null,
      })),
    };
    expect(summarise([graded])).toMatchObject([
      {
        castClass: 'standard',
        prints: { good: 2, of: 3 },
        casts: { good: 1, of: 1 },
        printsSay: { lead: 'Too few to say.' },
      },
    ]);
    expect(summarise([])).toEqual([]);
  });
  it('shows one part in each resin by its newest run', () => {
    const older = { ...run, id: uuid(31), printedAt: '2026-01-01T00:00:00.000Z' };
    const other = { ...run, id: uuid(32), resinId: uuid(5), printedAt: '2026-06-01T00:00:00.000Z' };
    const shown = sideBySide([run, older, other], uuid(20));
    expect(shown.map((s) => s.run.id).sort()).toEqual([run.id, other.id].sort());
    expect(shown[0]!.pieces).toHaveLength(3);
    expect(sideBySide([run], uuid(99))).toEqual([]);
  });
  it('has pieces without a pattern too', () => {
    expect(newPiece(undefined, 'heavy', 1.2)).toMatchObject({ patternId: null, thinnestMm: 1.2 });
  });
});

describe('comparing', () => {
  const profile: Profile = { ...usualProfile(RESIN, PRINTER, 'filigree'), id: uuid(9) };
  const lists = {
    resin: [RESIN],
    printer: [PRINTER],
    profile: [profile, { ...profile, id: uuid(10), replaced: true }],
  } as never;
  const none = { trial: [], cureTest: [], testSetRun: [] };
  it('takes standing profiles of castable resins, with even odds before any record', () => {
    const [only, ...rest] = comparable(lists, none, []);
    expect(rest).toEqual([]);
    const choice = plateChoice(only!, 12, 0.5);
    expect(choice).toMatchObject({ printYield: 0.5, castYield: 0.5, burnoutH: 12 });
    expect(only!.prints.few).toBe(true);
  });
  it('takes no resin that cannot be burnt out', () => {
    const master = { ...RESIN, forBurnout: false };
    expect(
      comparable({ resin: [master], printer: [PRINTER], profile: [profile] } as never, none, []),
    ).toEqual([]);
  });
  it('adds the hours that a slow resin needs hot', () => {
    const programme = {
      segments: [{ targetC: 730, rampCPerH: 200, holdH: 3, hands: [], note: '' }],
    } as never;
    const kiln = { maxRampCPerH: 400, coolTauH: 4 } as never;
    const quick = burnoutHours(programme, kiln, { ...RESIN, cleanOutH: 3 }, 3);
    expect(burnoutHours(programme, kiln, { ...RESIN, cleanOutH: 4.5 }, 3) - quick).toBeCloseTo(1.5, 9);
  });
});

describe('ranking', () => {
  const sortOf = (key: string) => {
    const column = rankingColumns.find((c) => c.key === key);
    if (!column || !('sort' in column)) throw new Error(key);
    return column.sort as (a: unknown, b: unknown) => number;
  };
  it('puts the surer yield first and what is not known last', () => {
    expect(sortOf('prints')(standing({ good: 40, of: 42 }), standing({ good: 3, of: 3 }))).toBeLessThan(0);
    expect(sortOf('hours')(undefined, 2)).toBeGreaterThan(0);
    expect(sortOf('hours')(1, 2)).toBeLessThan(0);
    expect(sortOf('finest')({ q50Mm: 0.2 }, { q50Mm: 0.4 })).toBeLessThan(0);
  });
});
