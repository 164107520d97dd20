import { weighedCount } from './couponSpread';
import { passChance, reweighted, thinned, type EdgePosterior } from './edgePosterior';
import type { CouponCounts } from './nextCoupon';
import type { EdgePair } from './recommend';
import { spacedS, type Settable } from './settable';
import { sampleEdge, verdictKind, weighSamples, type SampledEdge, type VerdictKind } from './verdict';

/** Counts from one number to another, both included. */
export interface CountRange {
  from: number;
  to: number;
}

/** What would be concluded if the next coupon came out like this. */
export interface CouponOutcome {
  kind: VerdictKind;
  /** Chance of this conclusion, by what is known now. */
  chance: number;
  /** The likeliest counts that lead to it: every pair within the two ranges does. */
  struts: CountRange;
  slots: CountRange;
  /** Exposures that it would recommend. */
  exposureS: [number, number];
}

/** Counts looked at on each side, and the samples and exposures each is judged by: enough to foresee with. */
const LEVELS = 9;
const POINTS = 300;
const SAMPLES = 80;
const EXPOSURES = 28;
const PAIRING = [67];
/** Conclusions less likely than this are not worth a line. */
const CHANCE_LEAST = 0.02;

/** One possible count on one side, its chance, and the curve that would then be believed. */
interface Level {
  range: CountRange;
  chance: number;
  sampled: SampledEdge;
  /** Expected share at each exposure. */
  expected: Float64Array;
}

/** Chance of each count 0 … n at an exposure, by what is believed. */
export function countChances(edge: EdgePosterior, exposureS: number, n: number): Float64Array {
  const lnS = Math.log(exposureS);
  const out = new Float64Array(n + 1);
  for (let i = 0; i < edge.mu.length; i++) {
    const p = passChance(edge.side, lnS, edge.mu[i]!, edge.sigma[i]!);
    let term = edge.weight[i]! * (1 - p) ** n;
    for (let k = 0; k <= n; k++) {
      out[k] = out[k]! + term;
      term *= ((p / (1 - p)) * (n - k)) / (k + 1);
    }
  }
  return out;
}

function levelsOf(
  edge: EdgePosterior,
  exposureS: number,
  n: number,
  exposures: readonly number[],
  rho: number,
): Level[] {
  const chances = countChances(edge, exposureS, n);
  const count = Math.min(LEVELS, n + 1);
  return Array.from({ length: count }, (_, l) => {
    const range = {
      from: Math.round((l * (n + 1)) / count),
      to: Math.round(((l + 1) * (n + 1)) / count) - 1,
    };
    const chance = chances.slice(range.from, range.to + 1).reduce((a, b) => a + b, 0);
    const good = (range.from + range.to) / 2;
    const sampled = sampleEdge(
      reweighted(edge, { exposureS, ...weighedCount({ good, of: n }, rho) }),
      exposures,
      SAMPLES,
    );
    return { range, chance, sampled, expected: meanOf(sampled) };
  });
}

function meanOf({ chances, samples, exposures }: SampledEdge): Float64Array {
  const mean = new Float64Array(exposures);
  for (let k = 0; k < samples; k++) {
    for (let t = 0; t < exposures; t++) mean[t] = mean[t]! + chances[k * exposures + t]! / samples;
  }
  return mean;
}

interface Cell {
  kind: VerdictKind;
  chance: number;
  exposureS: number;
}

/** The conclusion of every pair of counts: [struts][slots]. */
function cellsOf(
  struts: readonly Level[],
  slots: readonly Level[],
  exposures: readonly number[],
  coupons: number,
): Cell[][] {
  return struts.map((a) =>
    slots.map((b) => {
      const products = a.expected.map((share, t) => share * b.expected[t]!);
      const here = products.indexOf(products.reduce((x, y) => Math.max(x, y), 0));
      const weighed = weighSamples(a.sampled, b.sampled, here, PAIRING);
      return {
        kind: verdictKind(weighed, coupons),
        chance: a.chance * b.chance,
        exposureS: exposures[here]!,
      };
    }),
  );
}

interface Rectangle {
  rows: CountRange;
  columns: CountRange;
  chance: number;
}

/** Sums of a table over rectangles from its corner: [row + 1][column + 1], first row and column 0. */
function cumulated(table: readonly (readonly number[])[]): number[][] {
  const out = [Array<number>(table[0]!.length + 1).fill(0)];
  table.forEach((row, r) => {
    const sums = [0];
    row.forEach((value, c) => sums.push(sums[c]! + value + out[r]![c + 1]! - out[r]![c]!));
    out.push(sums);
  });
  return out;
}

const within = (sums: readonly (readonly number[])[], r: CountRange, c: CountRange): number =>
  sums[r.to + 1]![c.to + 1]! - sums[r.from]![c.to + 1]! - sums[r.to + 1]![c.from]! + sums[r.from]![c.from]!;

/** Ranges that touch an end of 0 … size − 1. */
const endRanges = (size: number): CountRange[] => [
  ...Array.from({ length: size }, (_, i) => ({ from: 0, to: i })),
  ...Array.from({ length: size - 1 }, (_, i) => ({ from: i + 1, to: size - 1 })),
];

/** The likeliest rectangle of counts, standing in a corner of the table, that leads to one conclusion throughout. */
function likeliestRectangle(cells: readonly Cell[][], kind: VerdictKind): Rectangle | undefined {
  const chances = cumulated(cells.map((row) => row.map((cell) => cell.chance)));
  const others = cumulated(cells.map((row) => row.map((cell) => (cell.kind === kind ? 0 : 1))));
  let best: Rectangle | undefined;
  for (const rows of endRanges(cells.length)) {
    for (const columns of endRanges(cells[0]!.length)) {
      if (within(others, rows, columns) > 0) continue;
      const chance = within(chances, rows, columns);
      if (!best || chance > best.chance) best = { rows, columns, chance };
    }
  }
  return best;
}

/**
 * What each outcome of a coupon at this exposure would mean, likeliest first. Counts are looked at in up to nine
 * groups a side; conclusions are those of the verdict rule with one coupon more, weighed as the others are (`rho`).
 */
export function foreseeOutcomes(
  { lower, upper }: EdgePair,
  exposureS: number,
  settable: Settable,
  coupon: CouponCounts,
  couponsSoFar: number,
  rho = 0,
): CouponOutcome[] {
  const exposures = spacedS(settable, EXPOSURES);
  const struts = levelsOf(thinned(lower, POINTS), exposureS, coupon.struts, exposures, rho);
  const slots = levelsOf(thinned(upper, POINTS), exposureS, coupon.slots, exposures, rho);
  const cells = cellsOf(struts, slots, exposures, couponsSoFar + 1);
  const all = cells.flat();
  const outcomes = [...new Set(all.map((cell) => cell.kind))].flatMap((kind): CouponOutcome[] => {
    const same = all.filter((cell) => cell.kind === kind);
    const chance = same.reduce((sum, cell) => sum + cell.chance, 0);
    const rectangle = likeliestRectangle(cells, kind);
    if (!rectangle || chance < CHANCE_LEAST) return [];
    const { rows, columns } = rectangle;
    const inside = cells
      .slice(rows.from, rows.to + 1)
      .flatMap((row) => row.slice(columns.from, columns.to + 1));
    const seconds = inside.map((cell) => cell.exposureS);
    return [
      {
        kind,
        chance,
        struts: { from: struts[rows.from]!.range.from, to: struts[rows.to]!.range.to },
        slots: { from: slots[columns.from]!.range.from, to: slots[columns.to]!.range.to },
        exposureS: [Math.min(...seconds), Math.max(...seconds)],
      },
    ];
  });
  return outcomes.sort((a, b) => b.chance - a.chance);
}
