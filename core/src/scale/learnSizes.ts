import { invertSymmetric, requirePositive, tQuantile } from '../numeric';
import { BOOK_NOISE, MANY_DOF, type Estimate } from './calibrate';
import { noiseFrom } from './readingNoise';
import { NO_SHIFTS, sizeAfter, slopesOf, type Shifts, type SizePath } from './sizePath';

/** A size that was printed as `printMm` in the file and measured after `path`. */
export interface SizeEvidence {
  path: SizePath;
  printMm: number;
  measuredMm: number;
  /** Readings that spread alike: those of one stage. */
  group: string;
  /** Of a size read several times: squares about their mean, mm², and how many readings more than one. */
  repeats?: { sse: number; dof: number };
}

/** What measured sizes say of the steps. */
export interface LearntSizes {
  shifts: Shifts;
  /** Standard deviation left of a step; `sd` of the book when nothing touched it. */
  sdOf: (key: string, sd: number) => number;
  /** Readings that went through a step. */
  countOf: (key: string) => number;
  /** Spread of single readings of a group about what the steps say. mm. */
  noiseOf: (group: string) => number;
  /** The size after the path; with a group, of one piece measured there rather than of their mean. */
  sizeAfter: (path: SizePath, printMm: number, group?: string) => Estimate;
  /** Covariance of two steps' shifts, in their own units. */
  covariance: (a: string, sdA: number, b: string, sdB: number) => number;
}

interface Group {
  n: number;
  variance: number;
  dof: number;
}

/** Gauss–Newton steps with the noise found anew each time; the changes are so small that a few do. */
const ITERATIONS = 60;
/** Share of a step's own spread under which nothing moves any more. */
const SETTLED = 1e-8;
const WIGGLE = 1e-4;

/** Sum of g·gᵀ/σ² over the evidence plus the prior's precisions, with the noise of each group times its factor. */
function precisionOf(
  rows: readonly Row[],
  groups: Map<string, Group>,
  priors: Float64Array,
  wiggled?: string,
) {
  const n = priors.length;
  const matrix = new Float64Array(n * n);
  priors.forEach((sd, i) => (matrix[i * n + i] = 1 / sd ** 2));
  for (const { slopes, group } of rows) {
    const variance = groups.get(group)!.variance * (group === wiggled ? 1 + WIGGLE : 1);
    for (const [i, a] of slopes) for (const [j, b] of slopes) matrix[i * n + j]! += (a * b) / variance;
  }
  return matrix;
}

interface Row {
  /** Index of the unknown and how much the size moves with it. */
  slopes: [number, number][];
  group: string;
  /** Measured less what the steps say now. */
  residual: number;
  repeats: { sse: number; dof: number };
}

/** Unknowns of all the evidence, numbered, with the spread that the book gives them. */
function numberUnknowns(evidence: readonly SizeEvidence[]) {
  const index = new Map<string, number>();
  const sds: number[] = [];
  const counts: number[] = [];
  for (const { path, printMm } of evidence) {
    for (const { key, sd, slope } of slopesOf(path, printMm)) {
      if (!(sd > 0) || slope === 0) continue;
      const known = index.get(key);
      if (known === undefined) {
        index.set(key, sds.length);
        sds.push(sd);
        counts.push(1);
      } else counts[known]!++;
    }
  }
  return { index, sds: Float64Array.from(sds), counts };
}

const ONCE = { sse: 0, dof: 0 };

function rowsAt(evidence: readonly SizeEvidence[], index: Map<string, number>, shifts: Shifts): Row[] {
  return evidence.map(({ path, printMm, measuredMm, group, repeats = ONCE }) => {
    const slopes = new Map<number, number>();
    for (const { key, slope } of slopesOf(path, printMm, shifts)) {
      const i = index.get(key);
      if (i !== undefined) slopes.set(i, (slopes.get(i) ?? 0) + slope);
    }
    return { slopes: [...slopes], group, repeats, residual: measuredMm - sizeAfter(path, printMm, shifts) };
  });
}

/** Spread of the readings of each group: those of n sizes about the steps, and of repeated ones about their means. */
function spreadOf(rows: readonly Row[]): Map<string, Group> {
  const groups = new Map<string, { n: number; sse: number; repeated: number }>();
  for (const { group, residual, repeats } of rows) {
    const found = groups.get(group) ?? { n: 0, sse: 0, repeated: 0 };
    groups.set(group, {
      n: found.n + 1,
      sse: found.sse + residual ** 2 + repeats.sse,
      repeated: found.repeated + repeats.dof,
    });
  }
  return new Map(
    [...groups].map(([group, { n, sse, repeated }]) => [
      group,
      { n, ...noiseFrom(sse, Math.max(0, n - 2) + repeated, BOOK_NOISE) },
    ]),
  );
}

/**
 * What all measured sizes of the shop say of all steps at once, with the book as prior at any number of readings:
 * the handbook's rule of one slope and one offset (`calibrate`), with the slope split into the steps that make it, so
 * that a step measured in one metal or at one stage also speaks where it comes again. Gauss–Newton; intervals by
 * Student's t on the degrees of freedom behind each variance, as in `calibrate`. O(readings·steps² + unknowns³).
 */
export function learnSizes(evidence: readonly SizeEvidence[]): LearntSizes {
  for (const { printMm, measuredMm } of evidence) {
    requirePositive('printMm', printMm);
    requirePositive('measuredMm', measuredMm);
  }
  const { index, sds, counts } = numberUnknowns(evidence);
  const n = sds.length;
  let theta = new Float64Array(n);
  const shifts: Shifts = (key) => theta[index.get(key) ?? -1] ?? 0;
  let rows = rowsAt(evidence, index, NO_SHIFTS);
  // The book's spread to begin with: at the book's own values the residuals are the steps', not the readings'.
  let groups = spreadOf(rows.map((row) => ({ ...row, residual: 0 })));
  for (let i = 0; i < ITERATIONS && n > 0; i++) {
    const covariance = invertSymmetric(precisionOf(rows, groups, sds), n);
    const pull = new Float64Array(n);
    for (const { slopes, group, residual } of rows) {
      // Linearised about where we are: residual + slopes·θ is what the unknowns have to make up for.
      const wanted = residual + slopes.reduce((total, [k, slope]) => total + slope * theta[k]!, 0);
      for (const [k, slope] of slopes) pull[k]! += (slope * wanted) / groups.get(group)!.variance;
    }
    const before = theta;
    theta = theta.map((_, a) => pull.reduce((total, p, b) => total + covariance[a * n + b]! * p, 0));
    rows = rowsAt(evidence, index, shifts);
    groups = spreadOf(rows);
    if (theta.every((value, k) => Math.abs(value - before[k]!) < SETTLED * sds[k]!)) break;
  }
  return answersOf({ index, sds, counts, theta, rows, groups, shifts });
}

interface Solved {
  index: Map<string, number>;
  sds: Float64Array;
  counts: number[];
  theta: Float64Array;
  rows: Row[];
  groups: Map<string, Group>;
  shifts: Shifts;
}

function answersOf({ index, sds, counts, rows, groups, shifts }: Solved): LearntSizes {
  const n = sds.length;
  const covariance = invertSymmetric(precisionOf(rows, groups, sds), n);
  const wiggled = new Map(
    [...groups.keys()].map((group) => [group, invertSymmetric(precisionOf(rows, groups, sds, group), n)]),
  );

  /** Variance of a sum of unknowns; those that no reading touched keep the book's. */
  const varianceOf = (slopes: ReturnType<typeof slopesOf>, matrix: Float64Array): number => {
    let own = 0;
    const known: [number, number][] = [];
    for (const { key, sd, slope } of slopes) {
      const i = index.get(key);
      if (i === undefined) own += (slope * sd) ** 2;
      else known.push([i, slope]);
    }
    return known.reduce(
      (total, [i, a]) => known.reduce((t, [j, b]) => t + a * b * matrix[i * n + j]!, total),
      own,
    );
  };
  const bookNoise: Group = { n: 0, dof: BOOK_NOISE.dof, variance: BOOK_NOISE.sdMm ** 2 };

  return {
    shifts,
    sdOf: (key, sd) => {
      const i = index.get(key);
      return i === undefined ? sd : Math.sqrt(covariance[i * n + i]!);
    },
    countOf: (key) => counts[index.get(key) ?? -1] ?? 0,
    noiseOf: (group) => Math.sqrt((groups.get(group) ?? bookNoise).variance),
    covariance: (a, sdA, b, sdB) => {
      const [i, j] = [index.get(a), index.get(b)];
      if (i === undefined || j === undefined) return a === b ? sdA * sdB : 0;
      return covariance[i * n + j]!;
    },
    sizeAfter: (path, printMm, group) => {
      const slopes = slopesOf(path, printMm, shifts);
      const steps = varianceOf(slopes, covariance);
      const piece = group === undefined ? undefined : (groups.get(group) ?? bookNoise);
      const variance = steps + (piece?.variance ?? 0);
      // Var(V) by Satterthwaite: each group's σ² is known to 2σ⁴/ν, and V follows it by dV/dσ².
      let uncertain = 0;
      for (const [name, { dof }] of groups) {
        const follows = (varianceOf(slopes, wiggled.get(name)!) - steps) / WIGGLE;
        const own = name === group ? (piece?.variance ?? 0) : 0;
        uncertain += (follows + own) ** 2 / dof;
      }
      if (piece && !groups.has(group!)) uncertain += piece.variance ** 2 / piece.dof;
      const dof = uncertain > 0 ? Math.min(MANY_DOF, variance ** 2 / uncertain) : MANY_DOF;
      const value = sizeAfter(path, printMm, shifts);
      const reach = tQuantile(0.975, dof) * Math.sqrt(variance);
      return { value, se: Math.sqrt(variance), interval: [value - reach, value + reach] };
    },
  };
}

/** What the book says, before anything was measured. */
export const BOOK_SIZES: LearntSizes = learnSizes([]);
