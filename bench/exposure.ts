import {
  edgeCurve,
  foreseeOutcomes,
  learnSpread,
  tuneExposure,
  USUAL_SPREAD,
  type Settable,
  type TuningTrial,
} from '@zero-pour/core';
import {
  drawShop,
  FEATURES,
  GOOD,
  POPULATIONS,
  seeded,
  type Population,
  type SimulatedShop,
} from './simulatedShop';
import { median, table } from './table';

const SHOPS = 600;
const SEED = 20;
/** Refreshes that are timed. */
const REFRESHES = 300;
const SETTABLE: Settable = { leastS: 0.3, mostS: 40, stepS: 0.1 };
/** A habit that has not ended by then is given up. */
const HABIT_COUPONS_MAX = 12;
const ENOUGH_STAND = 0.9;
/** A shop whose best exposure gives this share prints beyond doubt: calling it borderline costs it something. */
const CLEARLY = 0.75;

/** How a shop's search ended. */
interface Ending {
  coupons: number;
  exposureS: number;
  says: 'prints' | 'no' | 'borderline' | 'undecided';
}

/** Times of whole refreshes as the page asks for them: tuning, both curves, what each outcome would mean; ms. */
const refreshMs: number[] = [];

function timeRefresh(startS: number, trials: readonly TuningTrial[]): void {
  const coupon = { struts: FEATURES, slots: FEATURES };
  const began = performance.now();
  const { edges, next } = tuneExposure({ startS, trials, settable: SETTABLE, coupon });
  for (const edge of [edges.lower, edges.upper]) edgeCurve(edge, startS / 2, startS * 2);
  foreseeOutcomes(edges, next.exposureS, SETTABLE, coupon, trials.length);
  refreshMs.push(performance.now() - began);
}

/** Tunings that a shop has behind it when its own scatter is known. */
const TUNINGS_BEFORE = 12;

/** The engine with a spread of coupons that is believed. */
const engine =
  (rho: number) =>
  (shop: SimulatedShop): Ending =>
    tuneByEngine(shop, rho);

/** The spread that a shop of a population has learnt by its first tunings. */
function learntRho(population: Population): number {
  const random = seeded(SEED + 1);
  const before = Array.from({ length: TUNINGS_BEFORE }, () => {
    const trials: TuningTrial[] = [];
    tuneByEngine(drawShop(random, population), USUAL_SPREAD.rho, trials);
    return trials;
  });
  return learnSpread(before).rho;
}

function tuneByEngine(shop: SimulatedShop, rho: number, trials: TuningTrial[] = []): Ending {
  const coupon = { struts: FEATURES, slots: FEATURES };
  for (;;) {
    const { recommended, next, verdict } = tuneExposure({
      startS: shop.startS,
      trials,
      settable: SETTABLE,
      coupon,
      rho,
    });
    if (refreshMs.length < REFRESHES) timeRefresh(shop.startS, trials);
    const ended = { coupons: trials.length, exposureS: recommended.exposureS };
    if (verdict.kind === 'prints') return { ...ended, says: 'prints' };
    if (verdict.kind === 'not this resin') return { ...ended, says: 'no' };
    if (verdict.kind === 'as good as it gets') return { ...ended, says: 'borderline' };
    if (verdict.kind === 'not settled') return { ...ended, says: 'undecided' };
    const { struts, slots } = shop.print(next.exposureS);
    trials.push({
      exposureS: next.exposureS,
      struts: { good: struts, of: FEATURES },
      slots: { good: slots, of: FEATURES },
    });
  }
}

/** Raise by a tenth until nine tenths stand, and print with that. */
function raiseByTenths(shop: SimulatedShop): Ending {
  let exposureS = shop.startS;
  for (let coupons = 1; coupons <= HABIT_COUPONS_MAX; coupons++) {
    if (shop.print(exposureS).struts >= ENOUGH_STAND * FEATURES)
      return { coupons, exposureS, says: 'prints' };
    exposureS *= 1.1;
  }
  return { coupons: HABIT_COUPONS_MAX, exposureS, says: 'no' };
}

/** Halve between half and twice the starting figure on what stands alone, five coupons long. */
function bisectOnSurvivors(shop: SimulatedShop): Ending {
  let [low, high] = [shop.startS / 2, shop.startS * 2];
  for (let coupons = 1; coupons <= 5; coupons++) {
    const middle = Math.sqrt(low * high);
    if (shop.print(middle).struts >= ENOUGH_STAND * FEATURES) high = middle;
    else low = middle;
  }
  return { coupons: 5, exposureS: high, says: high < shop.startS * 1.99 ? 'prints' : 'no' };
}

const percent = (count: number, of: number): string => `${((100 * count) / of).toFixed(1)} %`;

function row(population: Population, name: string, tune: (shop: SimulatedShop) => Ending) {
  const random = seeded(SEED);
  const ends = Array.from({ length: SHOPS }, () => {
    const shop = drawShop(random, population);
    return { shop, ...tune(shop) };
  });
  const coupons = ends.map((end) => end.coupons).sort((a, b) => a - b);
  const promised = ends.filter((end) => end.says === 'prints');
  const wrong = promised.filter((end) => end.shop.product(end.exposureS) < GOOD).length;
  const givenUp = ends.filter((end) => end.says === 'no' && end.shop.best >= GOOD).length;
  const borderline = ends.filter((end) => end.says === 'borderline');
  const errors = promised.map((end) => Math.abs(Math.log(end.exposureS / end.shop.bestS)));
  return {
    population: population.name,
    way: name,
    coupons: (coupons.reduce((a, b) => a + b, 0) / SHOPS).toFixed(2),
    p90: coupons[Math.floor(0.9 * SHOPS)]!,
    'off the best exposure, median': `${(100 * median(errors)).toFixed(1)} %`,
    'wrong promises': percent(wrong, SHOPS),
    'wrong give-ups': percent(givenUp, SHOPS),
    borderline: percent(borderline.length, SHOPS),
    'of these, best ≥ 0.75': percent(borderline.filter((end) => end.shop.best >= CLEARLY).length, SHOPS),
    undecided: percent(ends.filter((end) => end.says === 'undecided').length, SHOPS),
  };
}

/** Simulated shops tuned by the engine and by two habits of the trade. */
export function measureExposure(): string {
  const rows = POPULATIONS.flatMap((population) => [
    row(population, 'Zero Pour, a new shop', engine(USUAL_SPREAD.rho)),
    row(population, `Zero Pour, after ${TUNINGS_BEFORE} tunings`, engine(learntRho(population))),
    row(population, 'raise by a tenth until nine tenths stand', raiseByTenths),
    row(population, 'bisect on what stands', bisectOnSurvivors),
  ]);
  const times = [...refreshMs].sort((a, b) => a - b);
  return [
    `## Exposure: ${SHOPS} simulated shops a row, coupons of ${FEATURES} struts and ${FEATURES} slots`,
    '',
    table(rows),
    '',
    `One refresh: median ${median(times).toFixed(0)} ms, p95 ${times[Math.floor(0.95 * times.length)]!.toFixed(0)} ms (limit 50).`,
  ].join('\n');
}
