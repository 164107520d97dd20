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
});
