import { pieceKey, type PourDoc } from '@zero-pour/contracts';
import { describe, expect, it } from 'vitest';
import { planPour, valueOf, type Planned } from '../index';
import { fullDoc, LINE, ofOneFlask, planShop } from '../testing/planShop';

const ZERO = new Date(2026, 10, 26, 9, 15);
const planOf = (change: (doc: PourDoc) => void = () => {}) =>
  ofOneFlask(planPour({ doc: fullDoc(ZERO, change) }, planShop()));
const known = <T>(planned: Planned<T>): T => {
  const value = valueOf(planned);
  if (value === undefined) throw new Error(JSON.stringify(planned));
  return value;
};

describe('cost', () => {
  it('adds up what is planned, and leaves metal held out', () => {
    const { cost, charge, burnout, print, mix } = planOf();
    const amounts = {
      Resin: (known(print).resinG.value / 1000) * 200,
      Powder: (known(mix).powder.value / 1000) * 3,
      Printer: known(print).hours.value * 0.5,
      Kiln: known(burnout).curve.totalH * 0.4,
      'Metal lost': known(charge).lost.value,
    };
    for (const line of cost.lines)
      expect(line.value).toBeCloseTo(amounts[line.name as keyof typeof amounts], 9);
    expect(cost.lines.map(({ value }) => value)).toEqual(
      cost.lines.map(({ value }) => value).sort((a, b) => b - a),
    );
    expect(cost.total.value).toBeCloseTo(
      cost.lines.reduce((sum, { value }) => sum + value, 0),
      9,
    );
    expect(cost.metalHeld?.value).toBeCloseTo(known(charge).total.value, 9);
    expect(planOf((doc) => void (doc.brief.alloyId = undefined)).cost.metalHeld).toBeUndefined();
  });

  it('is shared over the good ones: those that are wanted until all are looked at, then those that are sellable', () => {
    const planned = planOf().cost;
    expect(planned.good).toEqual({ count: 2, counted: false });
    expect(planned.perGood!.value).toBeCloseTo(planned.total.value / 2, 9);
    const looked = (...became: ('sellable' | 'scrap')[]) =>
      planOf((doc) => became.forEach((outcome, n) => (doc.result.castings[pieceKey(LINE, n + 1)] = { outcome, flaws: [], photos: [] }))).cost; // prettier-ignore
    expect(looked('sellable').good).toEqual({ count: 2, counted: false });
    expect(looked('sellable', 'scrap').perGood!.value).toBeCloseTo(planned.total.value, 9);
    // None is good: nothing is shared over nothing.
    expect(looked('scrap', 'scrap')).toMatchObject({ good: { count: 0, counted: true }, perGood: undefined });
  });

  it('has hands only where the shop says what an hour of them costs, with finishing as it was noted', () => {
    expect(planOf().cost.lines.map(({ name }) => name)).not.toContain('Hands');
    const shop = planShop();
    const settings = { ...shop.settings, routeTimes: { ...shop.settings.routeTimes, perHandsHour: 60 } } as typeof shop.settings; // prettier-ignore
    const handsOf = (change: (doc: PourDoc) => void = () => {}) =>
      planPour({ doc: fullDoc(ZERO, change) }, { ...shop, settings }).cost.lines.find(({ name }) => name === 'Hands')!.value; // prettier-ignore
    const plain = handsOf();
    expect(plain).toBeGreaterThan(0);
    const finished = handsOf((doc) => {
      doc.result.castings[pieceKey(LINE, 1)] = { flaws: [], photos: [], finishing: [{ key: 's1', kind: 'polish', minutes: 30 }] }; // prettier-ignore
    });
    expect(finished - plain).toBeCloseTo(30, 9);
  });

  it('counts energy, wear and what is used up only where the shop says what it costs', () => {
    const shop = planShop();
    const costsOf = (costs: object, change: (doc: PourDoc) => void = () => {}, lists: object = {}) =>
      planPour(
        { doc: fullDoc(ZERO, change) },
        { ...shop, lists: { ...shop.lists, ...lists }, settings: { ...shop.settings, costs } },
      ).cost.lines;
    const before = costsOf({}).map(({ name }) => name);
    for (const name of ['Kiln, energy', 'Film', 'Screen or lamp', 'Boric acid', 'Washing'])
      expect(before).not.toContain(name);
    const of = (lines: ReturnType<typeof costsOf>, name: string) =>
      lines.find((line) => line.name === name)?.value;
    const layers = known(planOf().print).layers;
    // A film that is good for ten times the layers costs a tenth of itself; half a price is none.
    expect(of(costsOf({ film: 20, filmLayers: 10 * layers }), 'Film')).toBeCloseTo(2, 9);
    expect(of(costsOf({ film: 20 }), 'Film')).toBeUndefined();
    expect(of(costsOf({ perKwh: 0.3, furnaceKw: 2 }), 'Furnace, energy')).toBeGreaterThan(0);
    const kiln = shop.lists.kiln.map((one) => ({ ...one, powerKw: 3 }));
    const energy = (perKwh: number) =>
      of(
        costsOf({ perKwh }, () => {}, { kiln }),
        'Kiln, energy',
      )!;
    expect(energy(0.3)).toBeGreaterThan(0);
    expect(energy(0.6)).toBeCloseTo(2 * energy(0.3), 9);
    // Of a kiln whose power nobody said there is no energy.
    expect(of(costsOf({ perKwh: 0.3 }, () => {}, { kiln: kiln.map((one) => ({ ...one, powerKw: null })) }), 'Kiln, energy')).toBeUndefined(); // prettier-ignore
    expect(of(costsOf({ eachPour: 1.5 }), 'Flux, gaskets and the like')).toBe(1.5);
    const printer = shop.lists.printer.map((one) => ({ ...one, lightPrice: 100, lightRatedH: 1000 }));
    expect(of(costsOf({}, () => {}, { printer }), 'Screen or lamp')).toBeCloseTo(known(planOf().print).lightH / 10, 9); // prettier-ignore
  });

  it('counts metal that finishing took and that is in no filings, of what was weighed on both sides', () => {
    const weighed = (value: number) => ({ state: 'measured' as const, value });
    const lossOf = (back?: number, after?: number) =>
      planOf((doc) => {
        doc.result.castings[pieceKey(LINE, 1)] = { flaws: [], photos: [], cutWeightG: weighed(5), finishing: [{ key: 's1', kind: 'file', ...(after === undefined ? {} : { weightG: weighed(after) }) }] }; // prettier-ignore
        if (back !== undefined) doc.result.filingsBackG = weighed(back);
      }).cost.lines.find(({ name }) => name === 'Metal lost in finishing')?.value;
    expect(lossOf()).toBeUndefined();
    expect(lossOf(undefined, 4.6)).toBeCloseTo(0.4, 9);
    expect(lossOf(0.3, 4.6)).toBeCloseTo(0.1, 9);
    expect(lossOf(0.5, 4.6)).toBeUndefined();
    // Stones and solder made it heavier: nothing was lost that the weights tell of.
    expect(lossOf(undefined, 5.2)).toBeUndefined();
  });
});
