import { emptyMold, type Mold, type MoldTest, type PourYield, type RouteTimes } from '@zero-pour/contracts';
import { formatPhrase, METRIC, ROUTES } from '@zero-pour/core';
import { describe, expect, it } from 'vitest';
import { judgeWarp, planMold, planPour, planRoutes, waxCm3, whyNewest } from '../index';
import { blockPattern, fullDoc, planShop } from '../testing/planShop';

const ID = '00000000-0000-4000-8000-000000000001';
const mold = (over: Partial<Mold> = {}): Mold => ({ ...emptyMold(3), id: ID, resinId: ID, ...over });
const NOTHING = { pattern: undefined, resin: undefined, tests: [], thinnestMm: undefined };
const shot = (waxes: number, good: number, over: Partial<Mold['shots'][number]> = {}) => ({
  key: `s${waxes}${good}`,
  at: '2026-11-01T08:00:00.000Z',
  waxes,
  good,
  flaws: [],
  ...over,
});

describe('a mold', () => {
  it('of which nothing is known has nothing good said of its master', () => {
    const { master, good, waxes, left } = planMold(mold(), NOTHING);
    expect(master.map(({ weight }) => weight)).toEqual(Array(6).fill('watch'));
    expect([waxes, good.n, left]).toEqual([0, 0, 500]);
    expect(planMold(mold({ kind: 'flexible resin' }), NOTHING).master).toEqual([]);
  });
  it('is judged by the newest test of its material, and by the sprue that its file holds', () => {
    const test = (result: MoldTest['result'], at: string, kind: MoldTest['kind'] = 'rubber'): MoldTest => ({ id: ID, resinId: ID, kind, product: '', coat: '', result, at, note: '' }); // prettier-ignore
    const tests = [
      test('clean', '2026-10-02T08:00:00.000Z'),
      test('sticky', '2026-10-01T08:00:00.000Z'),
      test('marked', '2026-10-05T08:00:00.000Z', 'silicone'),
    ];
    const rules = (over: object) =>
      planMold(mold({ master: { sanded: true, cured: true } }), { ...NOTHING, ...over } as never).master.map(
        ({ rule, weight }) => `${rule} ${weight}`,
      );
    expect(rules({ tests })).toContain('master tested ok');
    const sprued = {
      ...blockPattern(),
      sprues: { marks: [], sections: [], pieceHash: 'a', piece: blockPattern().measure },
    };
    expect(rules({ tests, pattern: sprued as never })).not.toContain('master sprue watch');
    // The wall grows with the cavity.
    expect(planMold(mold({ scalePercent: 104 }), { ...NOTHING, thinnestMm: 0.97 }).master.map(({ rule }) => rule)).not.toContain('master wall'); // prettier-ignore
    expect(rules({ thinnestMm: 0.97 } as never)).toContain('master wall fix');
  });
  it('has its steps with their minutes and what is weighed, each kind its own', () => {
    const steps = planMold(mold({ steps: { clean: { doneAt: '2026-11-01T08:00:00.000Z' } } }), NOTHING).steps;
    expect(steps.map(({ key }) => key)).toEqual(['clean', 'pack', 'press', 'cool', 'cut', 'check', 'first', 'measure']); // prettier-ignore
    expect(steps.find(({ key }) => key === 'press')!.minutes).toBeCloseTo(60, 9);
    expect(steps[0]!.record?.doneAt).toBeDefined();
    expect(steps.find(({ key }) => key === 'cut')!.caution).toBe('knife');
    const poured = planMold(mold({ kind: 'silicone', mixParts: [1, 1] }), NOTHING).steps;
    const mix = formatPhrase(poured.find(({ key }) => key === 'mix')!.how, METRIC);
    // 73 × 48 × 25.6 mm and 5 % at 1.15 g/ml, in two equal parts.
    expect(mix).toBe('108 g: 54.2 g and 54.2 g.');
    expect(planMold(mold({ kind: 'hard resin' }), NOTHING).steps[0]!.key).toBe('print');
  });
  it('counts its waxes, and knows the wax of its cavity', () => {
    const { waxes, good, left } = planMold(mold({ shots: [shot(4, 3), shot(6, 6)] }), NOTHING);
    expect([waxes, good.good, good.n, left]).toEqual([10, 9, 10, 490]);
    const pattern = blockPattern();
    expect(waxCm3(mold({ scalePercent: 110 }), pattern)).toBeCloseTo(
      (pattern.measure.volumeMm3 / 1000) * 1.331,
      9,
    );
    expect(waxCm3(mold(), undefined)).toBeUndefined();
  });
  it('asks why of the newest shot that had a flaw', () => {
    expect(whyNewest(mold({ shots: [shot(4, 4)] }))).toBeUndefined();
    const wax = { usualC: 68, usualKpa: 55 };
    const flawed = mold({ wax, shots: [shot(4, 2, { flaws: ['short'], waxC: 62 }), shot(5, 5)] });
    expect(whyNewest(flawed)).toMatchObject({ fault: 'short' });
    expect(whyNewest(flawed)!.causes[0]!.key).toBe('cold');
  });
  it('that warps is clamped, or does not close', () => {
    expect(judgeWarp(undefined)).toEqual([]);
    expect([0.05, 0.3, 0.6].map((mm) => judgeWarp(mm)[0]!.weight)).toEqual(['ok', 'watch', 'fix']);
  });
});

describe('which route', () => {
  const { context } = planPour({ doc: fullDoc(new Date(2026, 10, 26, 9, 15)) }, planShop());
  const yields = (castGood: number, castOf: number): PourYield[] => [
    { resinId: ID, castClass: context.doc.brief.castClass, printedGood: 0, printedOf: 0, castGood, castOf },
  ];
  const asked = { count: 3, most: 300 };
  it('has every route, by shop defaults where there is no record, and turns to a mold for many', () => {
    const { rows, best, crossings, decides } = planRoutes(context, { yields: [], molds: [] }, asked);
    expect(rows.map(({ route }) => route)).toEqual([...ROUTES]);
    expect(rows.every(({ fromRecord }) => fromRecord.length === 0)).toBe(true);
    expect(best).toBe('burn out the print');
    expect(crossings[0]).toEqual({ from: 1, route: 'burn out the print' });
    expect(crossings.length).toBeGreaterThan(1);
    expect(decides).toBeDefined();
  });
  it('goes by the record once it says enough', () => {
    const molds = [mold({ state: 'worn', shots: [shot(40, 30), shot(10, 10)] })];
    const { rows } = planRoutes(context, { yields: yields(9, 12), molds }, asked);
    expect(rows[0]!.costs.pieceYield).toBeCloseTo(0.75, 9);
    expect(rows[1]!.costs).toMatchObject({ life: 50, pieceYield: 0.8 });
    expect(rows[1]!.fromRecord).toEqual(['40 of 50 waxes were good', 'worn after 50 waxes']);
    expect(planRoutes(context, { yields: yields(1, 2), molds: [] }, asked).rows[0]!.fromRecord).toEqual([]);
    expect(planRoutes(context, { yields: yields(0, 8), molds: [] }, asked).rows[0]!.perGood).toBeLessThan(
      Infinity,
    );
  });
  it('takes the shop’s own minutes and its hour of hands', () => {
    const routesOf = (routeTimes: RouteTimes) =>
      planRoutes(
        { ...context, settings: { ...context.settings, routeTimes } },
        { yields: [], molds: [] },
        asked,
      );
    const before = planRoutes(context, { yields: [], molds: [] }, asked).rows[0]!;
    const slow = routesOf({ minutes: { 'burn out the print': { pieceHandsMin: 60 } } }).rows[0]!;
    expect(slow.perGood).toBeGreaterThan(before.perGood);
    expect(slow.fromRecord).toEqual(['minutes as typed']);
    expect(slow.usual.piece.handsMin).toBe(before.costs.piece.handsMin);
    const dear = routesOf({ perHandsHour: 90, minutes: {} });
    expect(dear.rates.perHandsHour).toBe(90);
    expect(dear.rows[0]!.perGood).toBeGreaterThan(before.perGood);
  });
});
