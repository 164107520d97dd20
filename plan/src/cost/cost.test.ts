import type { PourDoc } from '@zero-pour/contracts';
import { describe, expect, it } from 'vitest';
import { planPour, valueOf, type Planned } from '../index';
import { fullDoc, ofOneFlask, planShop } from '../testing/planShop';

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
});
