import { InputError } from '../numeric';
import type { Composition, Element } from './density';
import { PRECIOUS } from './lots';

/** Metal that may go into an alloy, with the most that there is of it. */
export interface AlloySource {
  composition: Composition;
  mostG: number;
}

export type Alloying =
  | { status: 'short'; shortG: number }
  | {
      /** 'exact': to the precision of a balance; 'nearest': these sources cannot make it. */
      status: 'exact' | 'nearest';
      /** Grams of each source. */
      grams: number[];
      composition: Composition;
      /** How far an element is off, in parts of a thousand of the whole: those that are off at all. */
      off: { element: Element; permille: number }[];
    };

/** More sources are not weighed against each other: every choice of those at their bounds is tried. */
export const SOURCES_MOST = 8;
/** A precious metal's share counts so many times as much as another's: it is what is sold. */
const PRECIOUS_WEIGHT = 20;
/** Off by less than this is right. */
const EXACT_PERMILLE = 0.1;
/** Rounding below this is no metal, g. */
const LEAST_G = 1e-9;

/**
 * Grams of each source that come nearest to a wanted alloy (least squares in its shares, precious ones weighed more), none below
 * 0 or above what there is, together `massG`. Exact: each set of sources at their bounds is solved by itself. O(3ⁿ n³).
 * Throws InputError for more than SOURCES_MOST sources, or no mass.
 */
export function alloyTo(target: Composition, massG: number, sources: readonly AlloySource[]): Alloying {
  if (!(massG > 0)) throw new InputError('massG', 'more than 0', massG);
  if (sources.length === 0 || sources.length > SOURCES_MOST)
    throw new InputError('sources', `1 to ${SOURCES_MOST}`, sources.length);
  const shortG = massG - sources.reduce((sum, { mostG }) => sum + mostG, 0);
  if (shortG > LEAST_G) return { status: 'short', shortG };
  const elements = [
    ...new Set([target, ...sources.map((s) => s.composition)].flatMap((c) => Object.keys(c))),
  ] as Element[];
  const weight = (element: Element): number => (PRECIOUS.includes(element) ? PRECIOUS_WEIGHT : 1);
  const rows = elements.map((element) =>
    sources.map(({ composition }) => weight(element) * (composition[element] ?? 0)),
  );
  const wanted = elements.map((element) => weight(element) * massG * (target[element] ?? 0));
  let best: { grams: number[]; miss: number } | undefined;
  for (let choice = 0; choice < 3 ** sources.length; choice++) {
    const grams = solveAt(choice, sources, rows, wanted, massG);
    if (!grams) continue;
    const miss = rows.reduce(
      (sum, row, e) => sum + (row.reduce((s, a, n) => s + a * grams[n]!, 0) - wanted[e]!) ** 2,
      0,
    );
    if (!best || miss < best.miss - 1e-12) best = { grams, miss };
  }
  return told(best!.grams, target, massG, sources, elements);
}

function told(
  grams: number[],
  target: Composition,
  massG: number,
  sources: readonly AlloySource[],
  elements: readonly Element[],
): Alloying {
  const composition: Composition = {};
  for (const element of elements) {
    const share = sources.reduce((sum, s, n) => sum + (s.composition[element] ?? 0) * grams[n]!, 0) / massG;
    if (share > 0) composition[element] = share;
  }
  const off = elements
    .map((element) => ({ element, permille: 1000 * ((composition[element] ?? 0) - (target[element] ?? 0)) }))
    .filter(({ permille }) => Math.abs(permille) > EXACT_PERMILLE);
  return { status: off.length === 0 ? 'exact' : 'nearest', grams, composition, off };
}

/** Sources at nought, at their most, or free by the digits of `choice` to base 3: the best of the free; undefined beyond bounds. */
function solveAt(
  choice: number,
  sources: readonly AlloySource[],
  rows: readonly (readonly number[])[],
  wanted: readonly number[],
  massG: number,
): number[] | undefined {
  const grams = sources.map(({ mostG }, n) => (Math.floor(choice / 3 ** n) % 3 === 1 ? mostG : 0));
  const free = sources.map((_, n) => n).filter((n) => Math.floor(choice / 3 ** n) % 3 === 2);
  const left = massG - grams.reduce((sum, g) => sum + g, 0);
  if (free.length === 0) return Math.abs(left) < 1e-6 ? grams : undefined;
  const rest = wanted.map((w, e) => w - rows[e]!.reduce((sum, a, n) => sum + a * grams[n]!, 0));
  // Normal equations with the mass as a side condition.
  const size = free.length + 1;
  const system = Array.from({ length: size }, () => new Array<number>(size + 1).fill(0));
  free.forEach((n, i) => {
    free.forEach((m, j) => {
      system[i]![j] = rows.reduce((sum, row) => sum + row[n]! * row[m]!, 0) + (i === j ? RIDGE : 0);
    });
    system[i]![free.length] = system[free.length]![i] = 1;
    system[i]![size] = rows.reduce((sum, row, e) => sum + row[n]! * rest[e]!, 0);
  });
  system[free.length]![size] = left;
  const solved = eliminate(system);
  if (!solved) return undefined;
  for (const [i, n] of free.entries()) {
    const g = solved[i]!;
    if (g < -1e-6 || g > sources[n]!.mostG + 1e-6) return undefined;
    grams[n] = Math.min(sources[n]!.mostG, Math.max(0, g));
  }
  return grams;
}
/** Alike sources share evenly; too small to move what a balance shows. */
const RIDGE = 1e-9;

/** Gaussian elimination with row exchange of an n × (n + 1) system, in place; undefined where it is singular. */
function eliminate(rows: number[][]): number[] | undefined {
  const n = rows.length;
  for (let k = 0; k < n; k++) {
    const pivot = rows.reduce(
      (best, row, i) => (i >= k && Math.abs(row[k]!) > Math.abs(rows[best]![k]!) ? i : best),
      k,
    );
    [rows[k], rows[pivot]] = [rows[pivot]!, rows[k]!];
    if (Math.abs(rows[k]![k]!) < 1e-14) return undefined;
    for (let i = 0; i < n; i++) {
      if (i === k) continue;
      const share = rows[i]![k]! / rows[k]![k]!;
      for (let j = k; j <= n; j++) rows[i]![j]! -= share * rows[k]![j]!;
    }
  }
  return rows.map((row, k) => row[n]! / row[k]!);
}
