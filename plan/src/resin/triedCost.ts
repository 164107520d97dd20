import type { RecordLists, Resin, ShopLists } from '@zero-pour/contracts';
import { layCoupon } from '@zero-pour/core';

/** What finding out about a resin took, of what is on record; undefined: nothing of it is known. */
export interface TriedCost {
  coupons: number;
  /** Test plates. */
  runs: number;
  ml: number;
  printerH: number;
  handsH: number | undefined;
  /** Resin and printers at their prices, and what was spent beside; 0: nothing has a price. */
  money: number;
}

const SECONDS_H = 3600;

/** Coupons by their volume and layers, test plates by what was noted of them (handbook 09: they count in the verdict on a resin). */
export function triedCost(
  resin: Pick<Resin, 'id' | 'densityGPerMl' | 'pricePerKg'>,
  { trial, testSetRun }: Pick<RecordLists, 'trial' | 'testSetRun'>,
  { printer }: Pick<ShopLists, 'printer'>,
): TriedCost | undefined {
  const trials = trial.filter(({ resinId }) => resinId === resin.id);
  const runs = testSetRun.filter(({ resinId }) => resinId === resin.id);
  if (trials.length + runs.length === 0) return undefined;
  let [ml, printerH, money] = [0, 0, 0];
  for (const { coupon, layerMm, exposureS, baseExposureS, baseLayers, printerId } of trials) {
    const { volumeMm3, sizeMm } = layCoupon(coupon);
    const by = printer.find(({ id }) => id === printerId);
    const layers = Math.ceil(sizeMm[2] / layerMm);
    const lit = baseLayers * baseExposureS + Math.max(0, layers - baseLayers) * exposureS;
    const hours = (lit + layers * (by?.motionS ?? 0)) / SECONDS_H;
    ml += volumeMm3 / 1000;
    printerH += hours;
    money += hours * (by?.costPerH ?? 0);
  }
  const runsMl = runs.reduce((sum, { resinG }) => sum + (resinG ?? 0) / resin.densityGPerMl, 0);
  const handsH = runs.flatMap((run) => run.handsH ?? []);
  const allMl = ml + runsMl;
  return {
    coupons: trials.length,
    runs: runs.length,
    ml: allMl,
    printerH,
    handsH: handsH.length > 0 ? handsH.reduce((a, b) => a + b, 0) : undefined,
    money: money + (allMl * resin.densityGPerMl * resin.pricePerKg) / 1000 + runs.reduce((sum, { spent }) => sum + (spent ?? 0), 0), // prettier-ignore
  };
}
