import { InputError, quantity, requireNumber, say } from '../numeric';
import type { Judgement } from '../judge';
import type { ClassRange } from '../metal';

/** The metal at one moment, min from any beginning; °C. */
export interface MeltRead {
  min: number;
  tempC: number;
}

/** So far over liquidus a metal still runs once the power is gone (handbook 08). °C */
export const POUR_OVER_LIQUIDUS_C = 30;

/** Metal that cools in its crucible without power. */
export interface MeltFall {
  /** Between the last two readings; undefined: one only, or it does not fall. °C/min */
  fallsCPerMin: number | undefined;
  /** From the last reading until it is too cool to pour; 0: it is. Undefined: not known. min */
  leftMin: number | undefined;
  tempC: number;
  overC: number;
}

/**
 * How long a metal may still be poured, by its last two readings and a straight line: it falls ever more slowly, so that the line
 * rather promises too little. Undefined without a reading. Throws InputError for readings that are no numbers.
 */
export function meltFall(reads: readonly MeltRead[], liquidusC: number): MeltFall | undefined {
  for (const { min, tempC } of reads) {
    requireNumber('min', min, -1e9, 1e9);
    requireNumber('tempC', tempC, -50, 3000);
  }
  const ordered = [...reads].sort((a, b) => a.min - b.min);
  const last = ordered.at(-1);
  if (!last) return undefined;
  const before = ordered.findLast(({ min }) => min < last.min);
  const rate = before && (before.tempC - last.tempC) / (last.min - before.min);
  const fallsCPerMin = rate !== undefined && rate > 0 ? rate : undefined;
  const overC = last.tempC - liquidusC;
  const leftC = overC - POUR_OVER_LIQUIDUS_C;
  const leftMin = leftC <= 0 ? 0 : fallsCPerMin === undefined ? undefined : leftC / fallsCPerMin;
  return { fallsCPerMin, leftMin, tempC: last.tempC, overC };
}

/** The flask: as it was read last, if it was; and what its alloy and class take. */
export interface FlaskThen {
  tempC: number | undefined;
  range: ClassRange;
}

/** The power went while the metal melts: pour now, or not, and what then. `goneMin`: since the last reading of the metal. */
export function judgeMeltFall(fall: MeltFall, goneMin: number, { tempC, range }: FlaskThen): Judgement[] {
  if (!(goneMin >= 0)) throw new InputError('goneMin', 'at least 0', goneMin);
  const { fallsCPerMin, leftMin, overC } = fall;
  const read = say`${quantity(fall.tempC, 'degC')}, ${quantity(overC, 'degCSpan', 0)} over liquidus`;
  const left = leftMin === undefined ? undefined : Math.max(0, leftMin - goneMin);
  const rule = 'power lost, metal';
  if (left === 0)
    return [
      {
        rule,
        weight: 'stop',
        lead: 'Do not pour.',
        why: [...read, ...say` at the last reading: it would freeze on its way. Flask back into the closed kiln; melt anew, with flux, once there is power, and read both again.`], // prettier-ignore
      },
    ];
  const until =
    left === undefined
      ? say`. How fast it falls is not known: read it once more.`
      : say`. It falls by ${quantity(fallsCPerMin!, 'degCSpan', 0)} a minute: for ${quantity(left, 'min', 1)} more it may be poured.`;
  if (tempC === undefined)
    return [{ rule, weight: 'watch', lead: 'The metal may be poured now; the flask was not read.', why: [...read, ...until] }]; // prettier-ignore
  if (tempC < range.lowC || tempC > range.highC)
    return [
      {
        rule: 'power lost, flask',
        weight: 'watch',
        lead: tempC < range.lowC ? 'The flask is too cool.' : 'The flask is too hot.',
        why: say`${quantity(tempC, 'degC')}; ${quantity(range.lowC, 'degC')} to ${quantity(range.highC, 'degC')} is its range. Back into the closed kiln, and pour once both are right.`,
      },
    ];
  return [
    {
      rule,
      weight: left === undefined ? 'watch' : 'ok',
      lead: 'Pour now.',
      why: [...read, ...until, ...say` The flask read ${quantity(tempC, 'degC')}, in its range.`],
    },
  ];
}
