import { InputError, requirePositive } from '../numeric';

/** Share of features lost in handling however well they are exposed (*shop default*). */
const LAPSE = 0.02;

/** What is believed of an edge before the first coupon (handbook 02, "Tuning by trials"). */
const PRIOR = { lowerShare: 0.8, upperShare: 1.6, sdLn: 0.45, slope: 0.12, slopeSdLn: 0.5 } as const;

/** The lower edge is where struts begin to stand, the upper one where slots begin to shut. */
export type EdgeSide = 'lower' | 'upper';

/** `good` of `of` features came out at an exposure; both may be fractions (an estimate weighs less). */
export interface EdgeCount {
  exposureS: number;
  good: number;
  of: number;
}

/**
 * Belief about one edge: point i says that half of the features pass at exp(mu[i]) seconds, with the logistic's
 * width sigma[i] on ln t, and has weight[i]; weights sum to 1.
 */
export interface EdgePosterior {
  side: EdgeSide;
  mu: Float64Array;
  sigma: Float64Array;
  weight: Float64Array;
}

const MU_POINTS = 81;
const SIGMA_POINTS = 41;
/** The prior's reach on the first pass, in its standard deviations. */
const REACH_SD = 4;
/** The first pass only finds where the mass lies; it does so on every second point. */
const COARSE_SHARE = 2;
/** Points whose weight is below e^−17 of the best have no part in the second pass. */
const LOG_DROP = 17;

/** Chance that one feature passes, handling included; lnS is ln of the exposure in seconds. */
export function passChance(side: EdgeSide, lnS: number, mu: number, sigma: number): number {
  const z = side === 'lower' ? (lnS - mu) / sigma : (mu - lnS) / sigma;
  return (1 - LAPSE) / (1 + Math.exp(-z));
}

export interface Grid {
  muFrom: number;
  muTo: number;
  lnSigmaFrom: number;
  lnSigmaTo: number;
  muPoints: number;
  sigmaPoints: number;
}

const at = (from: number, to: number, i: number, points: number): number =>
  from + ((to - from) * i) / (points - 1);

/** Greatest of a list; -Infinity when it is empty. */
export function greatest(values: Float64Array): number {
  let most = -Infinity;
  for (let i = 0; i < values.length; i++) if (values[i]! > most) most = values[i]!;
  return most;
}

/** Adds the log likelihood of one count to every point of a grid: [mu][ln sigma]. */
function addLikelihood(
  log: Float64Array,
  side: EdgeSide,
  { exposureS, good, of }: EdgeCount,
  grid: Grid,
): void {
  const lnS = Math.log(exposureS);
  const bad = of - good;
  const { muPoints, sigmaPoints } = grid;
  for (let s = 0; s < sigmaPoints; s++) {
    const sigma = Math.exp(at(grid.lnSigmaFrom, grid.lnSigmaTo, s, sigmaPoints));
    for (let m = 0; m < muPoints; m++) {
      const chance = passChance(side, lnS, at(grid.muFrom, grid.muTo, m, muPoints), sigma);
      // A chance can underflow far from the edge: the point then only gets a very small weight.
      log[m * sigmaPoints + s]! +=
        (good > 0 ? good * Math.log(Math.max(chance, Number.MIN_VALUE)) : 0) +
        (bad > 0 ? bad * Math.log(1 - chance) : 0);
    }
  }
}

/** Log posterior, up to a constant, at every point of a grid: [mu][ln sigma]. */
function logPosterior(
  side: EdgeSide,
  startS: number,
  counts: readonly EdgeCount[],
  grid: Grid,
): Float64Array {
  const priorMu = priorMuOf(side, startS);
  const priorLnSigma = Math.log(PRIOR.slope);
  const { muPoints, sigmaPoints } = grid;
  const log = new Float64Array(muPoints * sigmaPoints);
  for (let m = 0; m < muPoints; m++) {
    const zMu = (at(grid.muFrom, grid.muTo, m, muPoints) - priorMu) / PRIOR.sdLn;
    for (let s = 0; s < sigmaPoints; s++) {
      const zSigma = (at(grid.lnSigmaFrom, grid.lnSigmaTo, s, sigmaPoints) - priorLnSigma) / PRIOR.slopeSdLn;
      log[m * sigmaPoints + s] = -0.5 * (zMu * zMu + zSigma * zSigma);
    }
  }
  for (const count of counts) addLikelihood(log, side, count, grid);
  return log;
}

const priorMuOf = (side: EdgeSide, startS: number): number =>
  Math.log((side === 'lower' ? PRIOR.lowerShare : PRIOR.upperShare) * startS);

/** Where the belief at a grid's end in mu is within e^−6 of its best, mass lies beyond it. */
const LOG_TOUCHES = 6;
/** The prior's reach is doubled at most so often: six times four sd is a factor of 10⁴ in seconds. */
const WIDENED_MAX = 3;

function touchesEnd(log: Float64Array, { muPoints, sigmaPoints }: Grid): boolean {
  const near = greatest(log) - LOG_TOUCHES;
  for (let s = 0; s < sigmaPoints; s++)
    if (log[s]! > near || log[(muPoints - 1) * sigmaPoints + s]! > near) return true;
  return false;
}

/** The grid twice as wide in mu, its cells as they were. */
const widened = (grid: Grid): Grid => {
  const half = (grid.muTo - grid.muFrom) / 2;
  return {
    ...grid,
    muFrom: grid.muFrom - half,
    muTo: grid.muTo + half,
    muPoints: 2 * (grid.muPoints - 1) + 1,
  };
};

/** The part of a grid that holds the mass, one cell wider on every side. */
function regionWithMass(log: Float64Array, grid: Grid): Grid {
  const { muFrom, muTo, lnSigmaFrom, lnSigmaTo, muPoints, sigmaPoints } = grid;
  const floor = greatest(log) - LOG_DROP;
  let [m0, m1, s0, s1] = [muPoints, 0, sigmaPoints, 0];
  for (let i = 0; i < log.length; i++) {
    if (log[i]! < floor) continue;
    const m = Math.floor(i / sigmaPoints);
    const s = i % sigmaPoints;
    m0 = Math.min(m0, m);
    m1 = Math.max(m1, m);
    s0 = Math.min(s0, s);
    s1 = Math.max(s1, s);
  }
  return {
    muFrom: at(muFrom, muTo, m0 - 1, muPoints),
    muTo: at(muFrom, muTo, m1 + 1, muPoints),
    lnSigmaFrom: at(lnSigmaFrom, lnSigmaTo, s0 - 1, sigmaPoints),
    lnSigmaTo: at(lnSigmaFrom, lnSigmaTo, s1 + 1, sigmaPoints),
    muPoints: MU_POINTS,
    sigmaPoints: SIGMA_POINTS,
  };
}

/**
 * Belief about one edge after the coupons: logistic in ln t with a lapse, normal priors on its place and on ln of
 * its width, on a grid of 81 × 41 in two passes (coarse over ±4 sd, and wider while mass lies at the end of that; then over
 * the part that holds the mass).
 * `startS` is the starting figure the priors stand on. Throws InputError for exposures not above zero and for
 * more that came out than were made.
 * Source: handbook 02, "Tuning by trials". About 3 ms for four coupons.
 */
export function edgePosterior(side: EdgeSide, startS: number, counts: readonly EdgeCount[]): EdgePosterior {
  requirePositive('startS', startS);
  for (const { exposureS, good, of } of counts) {
    requirePositive('exposureS', exposureS);
    if (!(good >= 0 && good <= of)) throw new InputError('good', `from 0 to the ${of} that were made`, good);
  }
  const { log, grid } = coarsePosterior(side, startS, counts);
  const fine = regionWithMass(log, grid);
  return normalised(side, logPosterior(side, startS, counts, fine), fine);
}

/** The prior's reach on the coarse grid of the first pass. */
export function priorGrid(side: EdgeSide, startS: number): Grid {
  const centre = priorMuOf(side, startS);
  return {
    muFrom: centre - REACH_SD * PRIOR.sdLn,
    muTo: centre + REACH_SD * PRIOR.sdLn,
    lnSigmaFrom: Math.log(PRIOR.slope) - REACH_SD * PRIOR.slopeSdLn,
    lnSigmaTo: Math.log(PRIOR.slope) + REACH_SD * PRIOR.slopeSdLn,
    muPoints: (MU_POINTS - 1) / COARSE_SHARE + 1,
    sigmaPoints: (SIGMA_POINTS - 1) / COARSE_SHARE + 1,
  };
}

/** Log prior plus any other log likelihood at every point of a grid; `of` is given the chance of passing at an exposure. */
export function mapGrid(
  side: EdgeSide,
  startS: number,
  grid: Grid,
  of: (chanceAt: (exposureS: number) => number) => number,
): Float64Array {
  const log = logPosterior(side, startS, [], grid);
  return log.map((prior, i) => {
    const mu = at(grid.muFrom, grid.muTo, Math.floor(i / grid.sigmaPoints), grid.muPoints);
    const sigma = Math.exp(at(grid.lnSigmaFrom, grid.lnSigmaTo, i % grid.sigmaPoints, grid.sigmaPoints));
    return prior + of((exposureS) => passChance(side, Math.log(exposureS), mu, sigma));
  });
}

/** The first pass: over the prior's reach, and wider while mass lies at its end. */
function coarsePosterior(
  side: EdgeSide,
  startS: number,
  counts: readonly EdgeCount[],
): { log: Float64Array; grid: Grid } {
  let whole = priorGrid(side, startS);
  let coarse = logPosterior(side, startS, counts, whole);
  // A starting figure far off leaves the mass beyond the prior's reach: what was counted decides how far is looked.
  for (let n = 0; n < WIDENED_MAX && touchesEnd(coarse, whole); n++) {
    whole = widened(whole);
    coarse = logPosterior(side, startS, counts, whole);
  }
  return { log: coarse, grid: whole };
}

/**
 * How well a starting figure foretells what was counted of an edge: ln of the counts' probability under the priors that stand
 * on it, up to a constant that all starting figures share. On the coarse grid, as wide as it has to be.
 */
export function startEvidence(side: EdgeSide, startS: number, counts: readonly EdgeCount[]): number {
  const { log, grid } = coarsePosterior(side, startS, counts);
  const most = greatest(log);
  const cellMu = (grid.muTo - grid.muFrom) / (grid.muPoints - 1);
  return most + Math.log(log.reduce((sum, value) => sum + Math.exp(value - most), 0) * cellMu);
}

/** Weights that sum to 1; points without any to speak of are left out. */
function normalised(side: EdgeSide, log: Float64Array, grid: Grid): EdgePosterior {
  const most = greatest(log);
  const kept: number[] = [];
  let total = 0;
  for (let i = 0; i < log.length; i++) {
    if (log[i]! <= most - LOG_DROP) continue;
    kept.push(i);
    total += Math.exp(log[i]! - most);
  }
  const edge = {
    side,
    mu: new Float64Array(kept.length),
    sigma: new Float64Array(kept.length),
    weight: new Float64Array(kept.length),
  };
  kept.forEach((i, k) => {
    edge.mu[k] = at(grid.muFrom, grid.muTo, Math.floor(i / SIGMA_POINTS), MU_POINTS);
    edge.sigma[k] = Math.exp(at(grid.lnSigmaFrom, grid.lnSigmaTo, i % SIGMA_POINTS, SIGMA_POINTS));
    edge.weight[k] = Math.exp(log[i]! - most) / total;
  });
  return edge;
}

/** The same belief after one more count, on the same points: for outcomes that have not happened. */
export function reweighted(edge: EdgePosterior, { exposureS, good, of }: EdgeCount): EdgePosterior {
  const lnS = Math.log(exposureS);
  const log = edge.weight.map((weight, i) => {
    const chance = passChance(edge.side, lnS, edge.mu[i]!, edge.sigma[i]!);
    const passed = good * Math.log(Math.max(chance, Number.MIN_VALUE));
    return Math.log(weight) + passed + (of - good) * Math.log(1 - chance);
  });
  const most = greatest(log);
  const raw = log.map((value) => Math.exp(value - most));
  const total = raw.reduce((a, b) => a + b, 0);
  return { ...edge, weight: raw.map((value) => value / total) };
}

/** Expected share of features that pass at an exposure. */
export function expectedPass(edge: EdgePosterior, exposureS: number): number {
  const lnS = Math.log(exposureS);
  let sum = 0;
  for (let i = 0; i < edge.mu.length; i++) {
    sum += edge.weight[i]! * passChance(edge.side, lnS, edge.mu[i]!, edge.sigma[i]!);
  }
  return sum;
}

/** Expected chance that all of `n` features pass together. */
export function expectedAllPass(edge: EdgePosterior, exposureS: number, n: number): number {
  const lnS = Math.log(exposureS);
  let sum = 0;
  for (let i = 0; i < edge.mu.length; i++) {
    sum += edge.weight[i]! * passChance(edge.side, lnS, edge.mu[i]!, edge.sigma[i]!) ** n;
  }
  return sum;
}

const LN_9 = Math.log(9);

/** ln of the exposure at which the logistic, without lapse, is 0.90: the edge proper. */
export const lnEdge = (edge: EdgePosterior, i: number): number =>
  edge.side === 'lower' ? edge.mu[i]! + edge.sigma[i]! * LN_9 : edge.mu[i]! - edge.sigma[i]! * LN_9;

/** Points of the posterior at even steps of its cumulated weight: a sample without a random source. */
export function systematicPoints(edge: EdgePosterior, n: number): { mu: Float64Array; sigma: Float64Array } {
  const mu = new Float64Array(n);
  const sigma = new Float64Array(n);
  let i = 0;
  let before = edge.weight[0]!;
  for (let k = 0; k < n; k++) {
    while (before < (k + 0.5) / n && i < edge.weight.length - 1) before += edge.weight[++i]!;
    mu[k] = edge.mu[i]!;
    sigma[k] = edge.sigma[i]!;
  }
  return { mu, sigma };
}

/** The same belief on few, evenly weighted points. */
export const thinned = (edge: EdgePosterior, points: number): EdgePosterior => ({
  side: edge.side,
  ...systematicPoints(edge, points),
  weight: new Float64Array(points).fill(1 / points),
});
