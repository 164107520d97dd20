import type { Profile, RecordLists, ShopLists } from '@zero-pour/contracts';
import { formatPhrase, METRIC, startingFigures } from '@zero-pour/core';
import { beforeAll, describe, expect, it } from 'vitest';
import { rankResins, sizesNear, yieldsOf } from '../ranking';
import {
  COMMON_FIGURES,
  curveOf,
  doubtfulSince,
  firstProfile,
  fitTest,
  judgeProfileAge,
  nextVersion,
  reportsOf,
  standingProfile,
  toldBase,
  wantedSetting,
} from '../../index';
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

describe('figures to begin with', () => {
  it('come from the maker, from other printers by light, and from the working curve', () => {
    const target = things('Skerry Low-Ash', 'Printer A', 0.05);
    const { figures } = startingFigures(
      wantedSetting(target, null),
      reportsOf(lists, target),
      curveOf(records, target.resin.id, 405),
    );
    expect(figures.map((f) => f.way)).toContain('maker for this printer');
    expect(figures.map((f) => f.way)).toContain('like printer');
    expect(figures.at(-1)!.way).toBe('working curve');
  });
  it('flow into a first profile with the base that was told, and say whose they are', () => {
    const target = things('Skerry Low-Ash', 'Printer A', 0.05);
    const told = target.resin.reported.find((r) => r.printerId === target.printer.id && r.from === 'maker')!;
    const made = firstProfile(lists, records, target, 'heavy');
    expect(made).toMatchObject({
      exposureS: told.exposureS,
      baseExposureS: told.baseExposureS,
      provenance: expect.stringContaining('maker’s figure'),
      tested: false,
    });
    const silent = { ...target, resin: { ...target.resin, id: 'x', reported: [] } };
    const alone = { ...lists, profile: [] };
    expect(firstProfile(alone, { ...records, cureTest: [] }, silent, 'heavy')).toMatchObject({
      ...COMMON_FIGURES,
      provenance: 'common figures, to be overwritten',
    });
    expect(toldBase(silent)).toBeUndefined();
    // A base told for any printer of this light comes after one for this printer.
    const any = { ...told, key: 'any', printerId: null, baseExposureS: 99 };
    expect(toldBase({ ...silent, resin: { ...silent.resin, reported: [any] } })?.baseExposureS).toBe(99);
    expect(toldBase({ ...silent, resin: { ...silent.resin, reported: [any, told] } })?.baseExposureS).toBe(
      told.baseExposureS,
    );
  });
  it('do not cross wavelengths', () => {
    const target = things('Brine Clear-Out', 'Printer C', 0.05);
    const { refused } = startingFigures(wantedSetting(target, null), reportsOf(lists, target), null);
    expect(refused.some((r) => words(r.why).includes('405 nm'))).toBe(true);
  });
  it('fit a test or say what it lacks', () => {
    expect(fitTest(records.cureTest[0]!)).toMatchObject({ curve: { n: 6 } });
    expect(fitTest({ ...records.cureTest[0]!, discs: [] })).toMatchObject({
      problem: expect.stringContaining('three discs'),
    });
  });
});

describe('profiles', () => {
  const accepted = {
    exposureS: 3.8,
    tested: true,
    provenance: '5 coupons, 25 Nov, 28 °C',
    foundAt: NOW.toISOString(),
  };
  it('stand in their newest version', () => {
    expect(standingProfile(lists.profile, wax(), 'filigree')).toMatchObject({ version: 2, exposureS: 3.7 });
    expect(
      standingProfile(lists.profile, things('Skerry Wax 55', 'Printer B', 0.05), 'filigree'),
    ).toBeUndefined();
  });
  it('follow on a former one and keep what was not found anew', () => {
    const former = standingProfile(lists.profile, wax(), 'filigree')!;
    const next = nextVersion(wax(), 'filigree', former, accepted);
    expect(next).toMatchObject({
      ...accepted,
      version: 3,
      formerId: former.id,
      baseLayers: former.baseLayers,
      replaced: false,
    });
    expect(next.name).toMatch(/v3$/);
    expect(next).not.toHaveProperty('id');
  });
  it('begin at version 1', () => {
    expect(nextVersion(wax(), 'mixed', undefined, accepted)).toMatchObject({
      version: 1,
      formerId: null,
      castClass: 'mixed',
    });
  });
  it('are doubtful after the printer was changed, not after its light was measured', () => {
    const profile = standingProfile(lists.profile, wax(), 'filigree')!;
    const { printer } = wax();
    expect(doubtfulSince(profile, printer)).toMatchObject({ what: 'film changed' });
    const measured = {
      ...printer,
      events: printer.events.map((e) => ({ ...e, what: 'light measured' as const })),
    };
    expect(doubtfulSince(profile, measured)).toBeUndefined();
    expect(doubtfulSince({ ...profile, foundAt: null }, printer)).toBeUndefined();
  });
  it('tell a pour of a newer version and of doubt', () => {
    const first = lists.profile.find((p) => p.replaced)!;
    const rules = (profile: Profile): string[] =>
      judgeProfileAge(profile, wax().printer, lists.profile, (iso) => iso.slice(0, 10)).map((j) => j.rule);
    expect(rules(first)).toEqual(['check again', 'newer version']);
    expect(rules({ ...lists.profile[1]!, foundAt: NOW.toISOString() })).toEqual([]);
  });
});

describe('ranking', () => {
  const pours = () => [
    {
      resinId: wax().resin.id,
      castClass: 'filigree' as const,
      printedGood: 10,
      printedOf: 12,
      castGood: 9,
      castOf: 10,
    },
  ];
  it('adds test sets and pours, prints and casts apart', () => {
    expect(yieldsOf(wax().resin.id, 'filigree', records, pours())).toEqual({
      prints: { good: 14, of: 17 },
      casts: { good: 13, of: 14 },
    });
    expect(yieldsOf(wax().resin.id, 'filigree', records, [])).toEqual({
      prints: { good: 4, of: 5 },
      casts: { good: 4, of: 4 },
    });
  });
  it('has a row for every resin in use, and claims nothing without record', () => {
    const rows = rankResins(lists, records, pours(), 'filigree');
    expect(rows).toHaveLength(lists.resin.length);
    const flex = rows.find((row) => row.resin.name === 'Selkie Flex')!;
    expect(flex).toMatchObject({
      finest: undefined,
      hours: undefined,
      profile: undefined,
      verdict: undefined,
    });
    expect(flex.prints).toMatchObject({ n: 0, few: true });
    const first = rows.find((row) => row.resin.name === 'Skerry Wax 55')!;
    expect(first.prints.few).toBe(false);
    expect(first.hours).toBeGreaterThan(0.5);
    expect(first.verdict?.casts.says).toBe('keep');
    const retired = { ...lists, resin: lists.resin.map((r) => ({ ...r, retired: true })) };
    expect(rankResins(retired, records, [], 'filigree')).toEqual([]);
  });
  it('tells the finest that casts from test sets alone', () => {
    const row = (name: string) =>
      rankResins(lists, records, [], 'filigree').find((r) => r.resin.name === name)!;
    expect(row('Skerry Wax 55').finestCast!.features).toBe(4);
    expect(row('Skerry Wax 55').finestCast!.q50Mm).toBeLessThan(row('Brine Clear-Out').finestCast!.q50Mm);
    expect(row('Skerry Wax 40').finestCast).toBeUndefined();
  });
  it('tells the finest feature from coupons near the accepted exposure only', () => {
    const profile = standingProfile(lists.profile, wax(), 'filigree')!;
    const sizes = sizesNear(profile, records);
    // Of the coupons only the one at 3.6 s is near 3.7 s; the test set adds its whole pieces.
    expect(sizes.filter((s) => s.of > 1).map((s) => s.good)).toEqual([22, 24, 24]);
    expect(
      rankResins(lists, records, [], 'filigree').find((r) => r.resin.name === 'Skerry Wax 55')!.finest!.q50Mm,
    ).toBeLessThan(0.4);
  });
});
