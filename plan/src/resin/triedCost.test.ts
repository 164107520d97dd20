import { createDemoShop } from '@zero-pour/demo';
import { layCoupon } from '@zero-pour/core';
import { beforeAll, describe, expect, it } from 'vitest';
import type { ShopFile } from '@zero-pour/contracts';
import { triedCost } from './triedCost';

let file: ShopFile;
beforeAll(async () => {
  ({ file } = await createDemoShop(new Date('2026-11-20T10:00:00Z')));
});
const NONE = { trial: [], testSetRun: [] };

describe('what finding out about a resin took', () => {
  it('is not known of a resin that nobody tried', () => {
    expect(triedCost(file.lists.resin[0]!, NONE, file.lists)).toBeUndefined();
  });
  it('is the coupons’ volume and time at their prices', () => {
    const trial = file.records.trial[0]!;
    const resin = file.lists.resin.find(({ id }) => id === trial.resinId)!;
    const printer = file.lists.printer.map((one) => ({ ...one, costPerH: 2 }));
    const cost = triedCost(resin, { trial: [trial], testSetRun: [] }, { printer })!;
    const { volumeMm3 } = layCoupon(trial.coupon);
    expect(cost).toMatchObject({ coupons: 1, runs: 0, handsH: undefined });
    expect(cost.ml).toBeCloseTo(volumeMm3 / 1000, 9);
    expect(cost.printerH).toBeGreaterThan(0);
    const resinMoney = (cost.ml * resin.densityGPerMl * resin.pricePerKg) / 1000;
    expect(cost.money).toBeCloseTo(resinMoney + 2 * cost.printerH, 9);
    const two = triedCost(resin, { trial: [trial, trial], testSetRun: [] }, { printer })!;
    expect(two.money).toBeCloseTo(2 * cost.money, 9);
  });
  it('has what was noted of test plates, and nothing of what was not', () => {
    const run = file.records.testSetRun[0]!;
    const resin = file.lists.resin.find(({ id }) => id === run.resinId)!;
    const of = (fields: object) => triedCost(resin, { trial: [], testSetRun: [{ ...run, ...fields }] }, file.lists)!; // prettier-ignore
    expect(of({ resinG: 22, handsH: 2, spent: 30 })).toMatchObject({ runs: 1, handsH: 2, printerH: 0 });
    expect(of({ resinG: 22, handsH: 2, spent: 30 }).ml).toBeCloseTo(22 / resin.densityGPerMl, 9);
    expect(of({ resinG: null, handsH: null, spent: null })).toMatchObject({ ml: 0, handsH: undefined, money: 0 }); // prettier-ignore
  });
});
