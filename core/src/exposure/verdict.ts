import { passChance, systematicPoints, type EdgePosterior } from './edgePosterior';
import type { EdgePair } from './recommend';
import { spacedS, type Settable } from './settable';

/** A coupon's share, struts times slots, from which a class counts as printing. */
export const GOOD_SHARE = 0.7;
const SURE = 0.9;
const HOPELESS = 0.1;
/** What a better exposure could still bring, below which looking on is not worth a coupon. */
const REGRET_MAX = 0.01;
const COUPONS_MIN = 2;
const COUPONS_MAX = 8;

export type VerdictKind = 'prints' | 'not this resin' | 'as good as it gets' | 'next coupon' | 'not settled';

export interface Verdict {
  kind: VerdictKind;
  /** Chance that the recommended exposure reaches the good share. */
  chanceHere: number;
  /** Chance that any exposure does. */
  chanceAnywhere: number;
  /** E[best share] − E[share at the recommended exposure]. */
  regret: number;
}

const SAMPLES = 500;
/** Steps that have no factor in common with the samples: each pairs the two edges in another fixed order. */
const PAIRINGS = [309, 191, 437, 73];
const EXPOSURES = 72;

/** Chances of passing, [sample][exposure], of points sampled from an edge's posterior. */
export interface SampledEdge {
  chances: Float64Array;
  samples: number;
  exposures: number;
}

/** Samples of an edge's curve at these exposures. */
export function sampleEdge(
  edge: EdgePosterior,
  exposuresS: readonly number[],
  samples = SAMPLES,
): SampledEdge {
  const { mu, sigma } = systematicPoints(edge, samples);
  const lnS = exposuresS.map(Math.log);
  const exposures = lnS.length;
  const chances = new Float64Array(samples * exposures);
  for (let k = 0; k < samples; k++) {
    for (let t = 0; t < exposures; t++) {
      chances[k * exposures + t] = passChance(edge.side, lnS[t]!, mu[k]!, sigma[k]!);
    }
  }
  return { chances, samples, exposures };
}

/** Greatest product over the exposures for one pair of samples. */
function bestProduct(lower: SampledEdge, upper: SampledEdge, a: number, b: number): number {
  const { exposures } = lower;
  let best = 0;
  for (let t = 0; t < exposures; t++) {
    const product = lower.chances[a * exposures + t]! * upper.chances[b * exposures + t]!;
    if (product > best) best = product;
  }
  return best;
}

/** The three numbers that a verdict stands on, from samples of both edges; `here` is the exposure's index. */
export function weighSamples(
  lower: SampledEdge,
  upper: SampledEdge,
  here: number,
  pairings: readonly number[] = PAIRINGS,
): Omit<Verdict, 'kind'> {
  const { samples, exposures } = lower;
  let [good, goodAnywhere, bestSum, hereSum] = [0, 0, 0, 0];
  for (const step of pairings) {
    for (let a = 0; a < samples; a++) {
      const b = (a * step + 7) % samples;
      const product = lower.chances[a * exposures + here]! * upper.chances[b * exposures + here]!;
      const best = bestProduct(lower, upper, a, b);
      hereSum += product;
      bestSum += best;
      if (product >= GOOD_SHARE) good++;
      if (best >= GOOD_SHARE) goodAnywhere++;
    }
  }
  const pairs = samples * pairings.length;
  return {
    chanceHere: good / pairs,
    chanceAnywhere: goodAnywhere / pairs,
    regret: (bestSum - hereSum) / pairs,
  };
}

/** The rule of handbook 02: two coupons at least, eight at most. */
export function verdictKind(
  { chanceHere, chanceAnywhere, regret }: Omit<Verdict, 'kind'>,
  coupons: number,
): VerdictKind {
  if (coupons < COUPONS_MIN) return 'next coupon';
  if (chanceHere >= SURE) return 'prints';
  if (chanceAnywhere <= HOPELESS) return 'not this resin';
  if (regret <= REGRET_MAX) return 'as good as it gets';
  return coupons < COUPONS_MAX ? 'next coupon' : 'not settled';
}

/** Whether this exposure, any exposure, or another coupon (handbook 02, "verdict"). */
export function judgeExposure(
  { lower, upper }: EdgePair,
  exposureS: number,
  settable: Settable,
  coupons: number,
): Verdict {
  const exposures = [exposureS, ...spacedS(settable, EXPOSURES)];
  const weighed = weighSamples(sampleEdge(lower, exposures), sampleEdge(upper, exposures), 0);
  return { kind: verdictKind(weighed, coupons), ...weighed };
}
