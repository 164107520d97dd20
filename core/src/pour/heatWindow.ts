import {
  edgePosterior,
  edgeQuantilesS,
  expectedAllPass,
  expectedPass,
  reweighted,
  thinned,
  weighedCount,
  type EdgeCount,
  type EdgePair,
} from '../exposure';
import type { ClassRange } from '../metal';
import { InputError } from '../numeric';

/**
 * Castings temperatures are a window as exposures are (handbook 08): too cool does not fill, too hot shrinks or comes rough.
 * The two edges are those of the exposure, on an axis of °C: exp((T − from) / SCALE) stands where seconds do, so that the
 * prior of each edge has a standard deviation of 35 °C and a fall of about 9 °C (shop defaults, ours).
 */
const PRIOR_SD_C = 35;
/** Standard deviation of an edge's place on the axis of the exposure, and what lies between half and nine in ten there. */
const EDGE_SD = 0.45;
const HALF_TO_EDGE = 0.12 * Math.log(9);
const SCALE_C = PRIOR_SD_C / EDGE_SD;
/** Shares of the starting figure that the exposure's edges are expected at. */
const [LOWER_SHARE, UPPER_SHARE] = [0.8, 1.6];

/** Castings of one flask share its vacuum, its powder and its way: so much do they go together (shop default, ours). */
const TOGETHER = 0.1;
/** What was guessed weighs as so much of what was read, as a word does of a count. */
export const GUESSED_SHARE = 0.25;
/** Temperatures are proposed in such steps, so far beyond the range of the book. °C */
const STEP_C = 5;
const BEYOND_C = 80;
/** Points of a belief that the best of them is looked for by. */
const POINTS = 300;

/** One flask at a temperature: how many castings, how many of them did not fill, how many came as of too much heat. */
export interface HeatTrial {
  tempC: number;
  /** 1: read; less: guessed. */
  weight: number;
  castings: number;
  cool: number;
  hot: number;
}

/** Where nine in ten come out: its median and the ends of nine in ten of what is believed. °C */
export interface HeatEdge {
  q05C: number;
  q50C: number;
  q95C: number;
}

export interface HeatWindow {
  /** From here on it fills … */
  coolEdge: HeatEdge;
  /** … and up to here it is sound. */
  hotEdge: HeatEdge;
  /** Most are expected to come out here. */
  bestC: number;
  /** Share of castings that is expected to fill and to be sound there. */
  share: number;
  edges: EdgePair;
  range: ClassRange;
}

const axisOf = (range: ClassRange) => ({
  onAxis: (tempC: number): number => Math.exp((tempC - range.lowC) / SCALE_C),
  fromAxis: (s: number): number => range.lowC + SCALE_C * Math.log(s),
});

/** Temperatures that may be proposed, 5 °C apart. */
function steps({ lowC, highC }: ClassRange): number[] {
  const first = Math.ceil((lowC - BEYOND_C) / STEP_C) * STEP_C;
  const count = Math.floor((highC + BEYOND_C - first) / STEP_C) + 1;
  return Array.from({ length: count }, (_, i) => first + i * STEP_C);
}

function readEdges(range: ClassRange, edges: EdgePair): HeatWindow {
  const { onAxis, fromAxis } = axisOf(range);
  const edge = (of: EdgePair['lower']): HeatEdge => {
    const [q05, q50, q95] = edgeQuantilesS(of, [0.05, 0.5, 0.95]).map(fromAxis);
    return { q05C: q05!, q50C: q50!, q95C: q95! };
  };
  const middle = (range.lowC + range.highC) / 2;
  const few = { lower: thinned(edges.lower, POINTS), upper: thinned(edges.upper, POINTS) };
  const [best] = steps(range)
    .map((tempC) => ({
      tempC,
      share: expectedPass(few.lower, onAxis(tempC)) * expectedPass(few.upper, onAxis(tempC)),
    }))
    // Of temperatures alike to a thousandth the one nearest to the middle of the book's range.
    .sort(
      (a, b) =>
        Math.round(1000 * (b.share - a.share)) || Math.abs(a.tempC - middle) - Math.abs(b.tempC - middle),
    );
  return {
    coolEdge: edge(edges.lower),
    hotEdge: edge(edges.upper),
    bestC: best!.tempC,
    share: best!.share,
    edges,
    range,
  };
}

const countOf = (
  onAxis: (tempC: number) => number,
  { tempC, weight, castings }: HeatTrial,
  bad: number,
): EdgeCount => {
  const { good, of } = weighedCount({ good: castings - bad, of: castings }, TOGETHER);
  return { exposureS: onAxis(tempC), good: good * weight, of: of * weight };
};

/**
 * The window of one temperature (of the flask, or of the metal) after these flasks. Before any of them both edges are expected
 * at the ends of the book's range. Throws InputError for counts that are none and for a range upside down.
 */
export function heatWindow(range: ClassRange, trials: readonly HeatTrial[]): HeatWindow {
  if (!(range.highC >= range.lowC)) throw new InputError('highC', 'at or above lowC', range.highC);
  for (const { castings, cool, hot, weight } of trials) {
    if (!(cool >= 0 && cool <= castings && hot >= 0 && hot <= castings))
      throw new InputError('cool', `from 0 to the ${castings} that were cast`, Math.max(cool, hot));
    if (!(weight >= 0 && weight <= 1)) throw new InputError('weight', 'from 0 to 1', weight);
  }
  const { onAxis } = axisOf(range);
  // The edge proper, where nine in ten come out, is expected at the end of the range.
  const lowerStart = Math.exp(-HALF_TO_EDGE) / LOWER_SHARE;
  const upperStart = (onAxis(range.highC) * Math.exp(HALF_TO_EDGE)) / UPPER_SHARE;
  return readEdges(range, {
    lower: edgePosterior('lower', lowerStart, trials.map((trial) => countOf(onAxis, trial, trial.cool))), // prettier-ignore
    upper: edgePosterior('upper', upperStart, trials.map((trial) => countOf(onAxis, trial, trial.hot))), // prettier-ignore
  });
}

/** What the next flask may come to, how likely that is, and what would be proposed after it. */
export interface HeatOutcome {
  kind: 'all come out' | 'some do not fill' | 'some are shrunk or rough';
  chance: number;
  nextC: number;
}

/** So many of a flask stand for "some". */
const SOME = 0.25;

/**
 * What each outcome of a flask of `castings` at a temperature would mean: the chances are of no casting, and of at least one,
 * going wrong either way; both at once is left out. Throws InputError for less than one casting.
 */
export function foreseeHeat({ range, edges }: HeatWindow, tempC: number, castings: number): HeatOutcome[] {
  if (!(castings >= 1)) throw new InputError('castings', 'at least one', castings);
  const { onAxis } = axisOf(range);
  const at = onAxis(tempC);
  const some = Math.max(1, Math.round(SOME * castings));
  const after = (cool: number, hot: number): number => {
    const trial = { tempC, weight: 1, castings, cool, hot };
    return readEdges(range, {
      lower: reweighted(edges.lower, countOf(onAxis, trial, cool)),
      upper: reweighted(edges.upper, countOf(onAxis, trial, hot)),
    }).bestC;
  };
  const [fill, sound] = [
    expectedAllPass(edges.lower, at, castings),
    expectedAllPass(edges.upper, at, castings),
  ];
  return [
    { kind: 'all come out', chance: fill * sound, nextC: after(0, 0) },
    { kind: 'some do not fill', chance: (1 - fill) * sound, nextC: after(some, 0) },
    { kind: 'some are shrunk or rough', chance: fill * (1 - sound), nextC: after(0, some) },
  ];
}
