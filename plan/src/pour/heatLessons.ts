import { readingValue, type HeatFlask, type PouredCast, type Reading } from '@zero-pour/contracts';
import {
  GUESSED_SHARE,
  heatWindow,
  type ClassRange,
  type FlawKind,
  type HeatTrial,
  type HeatWindow,
  type PourWay,
} from '@zero-pour/core';

type Axis = 'flask' | 'metal';

/** Flaws that too little heat leaves, and too much; what pores come of is the metal's. */
const COOL: readonly FlawKind[] = ['misrun', 'cold shut'];
const HOT: Record<Axis, readonly FlawKind[]> = {
  flask: ['sand-like roughness', 'shrinkage dent or sponge'],
  metal: ['sand-like roughness', 'shrinkage dent or sponge', 'gas pores'],
};
/** What somebody may have found that speaks for an axis; anything else that was found speaks of neither. */
const CAUSES: Record<Axis, { cool: readonly string[]; hot: readonly string[] }> = {
  flask: { cool: ['flask cool', 'margin'], hot: ['flask hot'] },
  metal: { cool: ['metal cool', 'margin'], hot: ['metal hot'] },
};

/** Whether a flaw is put down to an axis: unless another cause was found for it, or this one ruled out. */
function isOf(told: PouredCast, axis: Axis, side: 'cool' | 'hot', kind: FlawKind): boolean {
  const said = told.why?.[kind];
  const causes = CAUSES[axis][side];
  if (said?.confirmed !== undefined) return causes.includes(said.confirmed);
  return !causes.every((cause) => said?.ruledOut.includes(cause));
}

function heatOf(
  told: PouredCast,
  axis: Axis,
  reading: Reading | undefined,
  offC: number,
  pieces: readonly string[],
): HeatFlask['flask'] {
  const tempC = readingValue(reading);
  if (tempC === undefined) return null;
  const count = { castings: 0, cool: 0, hot: 0 };
  for (const piece of pieces) {
    const flaws = told.castings[piece]?.flaws ?? [];
    const [cool, hot] = [flaws.filter((kind) => COOL.includes(kind)), flaws.filter((kind) => HOT[axis].includes(kind))]; // prettier-ignore
    const ofCool = cool.filter((kind) => isOf(told, axis, 'cool', kind));
    const ofHot = hot.filter((kind) => isOf(told, axis, 'hot', kind));
    // A casting whose flaw was put down to something else says neither that this temperature does, nor that it does not.
    if (ofCool.length < cool.length || ofHot.length < hot.length) continue;
    count.castings++;
    if (ofCool.length > 0) count.cool++;
    if (ofHot.length > 0) count.hot++;
  }
  return count.castings === 0
    ? null
    : { tempC: tempC - offC, guessed: reading?.state === 'guessed', ...count };
}

/** What the flasks of a pour tell of casting temperatures; those of which nothing was looked at, or read, tell nothing. */
export function tellHeats(told: PouredCast): HeatFlask[] {
  const named = new Set(told.flasks.flatMap(({ pieces }) => pieces ?? []));
  return told.flasks.flatMap(({ pieces, pour }): HeatFlask[] => {
    const looked = Object.keys(told.castings).filter((piece) => (pieces ? pieces.includes(piece) : !named.has(piece))); // prettier-ignore
    // What was set on for the way is lost on it.
    const flask = heatOf(told, 'flask', pour.flaskRead, pour.flaskOffsetC ?? 0, looked);
    const metal = heatOf(told, 'metal', pour.metalRead, 0, looked);
    return flask || metal ? [{ number: told.number, way: pour.way ?? null, flask, metal }] : [];
  });
}

/** What a shop's flasks taught of one temperature. */
export interface HeatLesson {
  window: HeatWindow;
  trials: (HeatTrial & { number: number })[];
  castings: number;
  /** Flasks that are left out: poured another way, or with the other temperature outside its own range. */
  otherWay: number;
  otherOff: number;
  /** Flasks of which nobody said how they were poured: they weigh as a guess. */
  wayNotSaid: number;
}

/** The window of one temperature by the flasks of one metal and class (handbook 08, "Casting temperatures are a window too"). */
export function learnHeat(
  axis: Axis,
  told: readonly HeatFlask[],
  ranges: Record<Axis, ClassRange>,
  way: PourWay | undefined,
): HeatLesson {
  const other = axis === 'flask' ? 'metal' : 'flask';
  const read = told.filter((one) => one[axis] !== null);
  const sameWay = read.filter((one) => one.way === null || way === undefined || one.way === way);
  const fair = sameWay.filter(
    ({ [other]: heat }) =>
      heat === null || (heat.tempC >= ranges[other].lowC && heat.tempC <= ranges[other].highC),
  );
  const trials = fair.map((one) => {
    const { tempC, guessed, castings, cool, hot } = one[axis]!;
    const weight = guessed || one.way === null ? GUESSED_SHARE : 1;
    return { number: one.number, tempC, weight, castings, cool, hot };
  });
  return {
    window: heatWindow(ranges[axis], trials),
    trials,
    castings: trials.reduce((sum, { castings }) => sum + castings, 0),
    otherWay: read.length - sameWay.length,
    otherOff: sameWay.length - fair.length,
    wayNotSaid: fair.filter((one) => one.way === null).length,
  };
}
