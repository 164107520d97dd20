import { expectedAllPass, expectedPass, thinned, type EdgePosterior } from './edgePosterior';
import { edgeQuantilesS } from './edgeQuantiles';
import { everyStepS, spacedS, type Settable } from './settable';

/** Median and 90 % credible band of an edge, s. */
export interface EdgeBand {
  q05S: number;
  q50S: number;
  q95S: number;
}

export interface Recommendation {
  /** Exposure with the greatest expected share of struts times slots. */
  exposureS: number;
  expectedStrut: number;
  expectedSlot: number;
  product: number;
  /** Exposures whose product is at least 0.9 of the best. */
  bandS: [number, number];
  /** Chance that every strut of a coupon stands at that exposure. */
  allStrutsStand: number;
  /** Struts hold from here. */
  lowerEdge: EdgeBand;
  /** Slots stay open up to here. */
  upperEdge: EdgeBand;
}

export interface EdgePair {
  lower: EdgePosterior;
  upper: EdgePosterior;
}

/** Exposures looked at, on few points of the posterior, before the steps round the best one are. */
const COARSE = 40;
const COARSE_POINTS = 300;
/** Points that the ends of the good band are found on: they lie on a slope, where a step is many of their errors. */
const BAND_POINTS = 900;
const BAND_SHARE = 0.9;

const bandOf = (edge: EdgePosterior): EdgeBand => {
  const [q05S, q50S, q95S] = edgeQuantilesS(edge, [0.05, 0.5, 0.95]);
  return { q05S: q05S!, q50S: q50S!, q95S: q95S! };
};

/** The best of some exposures, by the expected product of both edges. */
function bestOf(
  { lower, upper }: EdgePair,
  exposuresS: readonly number[],
): { exposureS: number; at: number } {
  const products = exposuresS.map((s) => expectedPass(lower, s) * expectedPass(upper, s));
  const at = products.indexOf(Math.max(...products));
  return { exposureS: exposuresS[at]!, at };
}

/** The last of a list that passes, where all before it do; its first when none does. */
function lastThat(list: readonly number[], passes: (s: number) => boolean): number {
  let [good, bad] = [0, list.length];
  while (bad - good > 1) {
    const middle = (good + bad) >> 1;
    if (passes(list[middle]!)) good = middle;
    else bad = middle;
  }
  return list[good]!;
}

/** The best exposure for both edges, and how good it is expected to be (handbook 02). */
export function recommendExposure(edges: EdgePair, settable: Settable, struts: number): Recommendation {
  const { lower, upper } = edges;
  const few = { lower: thinned(lower, COARSE_POINTS), upper: thinned(upper, COARSE_POINTS) };
  const coarse = spacedS(settable, COARSE);
  const { at } = bestOf(few, coarse);
  const between = everyStepS(
    settable,
    coarse[Math.max(at - 1, 0)]!,
    coarse[Math.min(at + 1, coarse.length - 1)]!,
  );
  const { exposureS } = bestOf(edges, between);
  const productOf = (pair: EdgePair, s: number): number =>
    expectedPass(pair.lower, s) * expectedPass(pair.upper, s);
  const some = { lower: thinned(lower, BAND_POINTS), upper: thinned(upper, BAND_POINTS) };
  const wanted = BAND_SHARE * productOf(some, exposureS);
  const enough = (s: number): boolean => productOf(some, s) >= wanted;
  return {
    exposureS,
    expectedStrut: expectedPass(lower, exposureS),
    expectedSlot: expectedPass(upper, exposureS),
    product: productOf(edges, exposureS),
    bandS: [
      lastThat(everyStepS(settable, settable.leastS, exposureS).reverse(), enough),
      lastThat(everyStepS(settable, exposureS, settable.mostS), enough),
    ],
    allStrutsStand: expectedAllPass(lower, exposureS, struts),
    lowerEdge: bandOf(lower),
    upperEdge: bandOf(upper),
  };
}
