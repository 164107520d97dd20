import { fahrenheitToCelsius, formatHours, quantity, say, type Phrase } from '../numeric';
import type { KilnPace } from './kilnLimits';
import { programmeCurve, type Segment } from './programme';

/** What a typed programme leaves open, and what then stands. */
export interface ProgrammeDefaults {
  /** °C/h of a climb without one. */
  rampCPerH: number;
  kiln: KilnPace;
  castingC: number;
  startC?: number;
  /** Of numbers whose unit nobody wrote. */
  unit: 'C' | 'F';
}
export type ReadProgramme =
  | {
      status: 'read';
      segments: Segment[];
      /** What was taken where nothing was written. */
      taken: Phrase[];
    }
  | { status: 'unreadable'; why: string };

/** Segments hold no longer, and go no hotter. */
const LONGEST_HOLD_H = 72;
const HOTTEST_C = 1100;
const COLDEST_C = 30;
/** No burnout takes longer in all. */
const LONGEST_H = 120;

const NUMBER = String.raw`(\d+(?:[.,]\d+)?)`;
const TOTAL = new RegExp(`^\\s*${NUMBER}\\s*h(?:rs?|ours?)?\\s*:`, 'i');
const RATE = new RegExp(`${NUMBER}\\s*°?\\s*([cf])?\\s*(?:/|per|an)\\s*(h(?:rs?|our)?|min(?:ute)?)\\b`, 'i');
const FULL = /\bfull(?:\s+power)?\b|\bas fast as (?:it|the kiln) can\b/i;
const HOLD = new RegExp(`${NUMBER}\\s*(h(?:rs?|ours?)?|min(?:utes?)?)\\b`, 'i');
const TEMPERATURE = new RegExp(`${NUMBER}\\s*°?\\s*([cf])?\\b`, 'i');
const CASTING = /\bcast(?:ing)?(?:\s+temperature)?\b/i;
/** Words that say nothing more than is written beside them. */
const FILLING = /\b(?:to|at|up|down|hold|held|for|soak|go|ramp|climb|cool|heat|and|the|kiln|on)\b|[.:()]/gi;

const number = (text: string): number => Number(text.replace(',', '.'));
const hoursOf = (value: number, unit: string): number => (/^m/i.test(unit) ? value / 60 : value);

interface Stage {
  targetC: number | null;
  /** Undefined: not written. */
  rampCPerH: number | null | undefined;
  holdH: number | undefined;
}
class Unreadable extends Error {}

/**
 * A programme as people say it: "100/h to 150 for 2 h, then 730 for 4 h, casting 2 h", "8 h: 1350 °F, then 1000". A unit that is written
 * once holds for what has none. A climb without a rate takes the one that is given; hours in all before a colon are filled up by the
 * hottest hold that is not written. What cannot be placed is named.
 */
export function readProgramme(text: string, defaults: ProgrammeDefaults): ReadProgramme {
  try {
    const total = TOTAL.exec(text);
    const rest = total ? text.slice(total[0].length) : text;
    const unit = /\d\s*°?\s*f\b/i.test(rest) ? 'F' : /\d\s*°?\s*c\b/i.test(rest) ? 'C' : defaults.unit;
    const said = rest
      .split(/;|→|\n|\bthen\b|,(?=\s)/i)
      .map((part) => part.trim())
      .filter((part) => part !== '');
    if (said.length === 0)
      throw new Unreadable('Type its stages, like “100/h to 150 for 2 h, then 730 for 4 h”.');
    const stages = said.reduce<Stage[]>((before, part) => withStage(before, part, unit), []);
    return asProgramme(stages, total ? number(total[1]!) : undefined, defaults);
  } catch (error) {
    if (error instanceof Unreadable) return { status: 'unreadable', why: error.message };
    throw error;
  }
}

/** Takes what matches out of a text. */
function take(text: { left: string }, what: RegExp): RegExpExecArray | null {
  const found = what.exec(text.left);
  if (found) text.left = text.left.replace(found[0], ' ');
  return found;
}

/** The stages with one more; "to 150, hold 2 h" is one stage in two parts. */
function withStage(before: readonly Stage[], part: string, unit: 'C' | 'F'): Stage[] {
  const { targetC, ...stage } = readStage(part, unit);
  if (targetC !== undefined) return [...before, { ...stage, targetC }];
  const last = before.at(-1);
  const onlyHolds = stage.holdH !== undefined && stage.rampCPerH === undefined;
  if (!last || !onlyHolds || last.holdH !== undefined) throw new Unreadable(`“${part}” has no temperature.`);
  return [...before.slice(0, -1), { ...last, holdH: stage.holdH }];
}

function readStage(
  part: string,
  unit: 'C' | 'F',
): Omit<Stage, 'targetC'> & { targetC: number | null | undefined } {
  const text = { left: part };
  const rate = take(text, RATE);
  const full = rate ? null : take(text, FULL);
  const hold = take(text, HOLD);
  const casting = take(text, CASTING);
  const temperature = casting ? null : take(text, TEMPERATURE);
  const over = text.left.replace(FILLING, ' ').replace(/\s+/g, ' ').trim();
  if (over !== '') throw new Unreadable(`“${over}” in “${part}” cannot be placed.`);
  const isF = (letter: string | undefined): boolean => (letter ?? unit).toUpperCase() === 'F';
  return {
    targetC: temperature ? inRange(number(temperature[1]!), isF(temperature[2])) : casting ? null : undefined,
    rampCPerH: rate ? rateOf(rate, isF(rate[2])) : full ? null : undefined,
    holdH: hold ? holdOf(hoursOf(number(hold[1]!), hold[2]!)) : undefined,
  };
}

function inRange(value: number, isF: boolean): number {
  const tempC = isF ? fahrenheitToCelsius(value) : value;
  if (tempC > HOTTEST_C && !isF) throw new Unreadable(`${value} °C is hotter than a burnout goes. Is °F meant? Write ${value} F.`); // prettier-ignore
  if (tempC > HOTTEST_C || tempC < COLDEST_C) throw new Unreadable(`${value} °${isF ? 'F' : 'C'} is no temperature of a burnout.`); // prettier-ignore
  return Math.round(tempC * 10) / 10;
}
function rateOf([, value, , per]: RegExpExecArray, isF: boolean): number {
  const perH = number(value!) * (/^m/i.test(per!) ? 60 : 1) * (isF ? 5 / 9 : 1);
  if (!(perH >= 1 && perH <= 5000)) throw new Unreadable(`A climb of ${Math.round(perH)} °C/h cannot be.`);
  return Math.round(perH * 10) / 10;
}
function holdOf(hours: number): number {
  if (hours > LONGEST_HOLD_H) throw new Unreadable(`A hold of ${formatHours(hours)} is longer than ${LONGEST_HOLD_H} h.`); // prettier-ignore
  return hours;
}

const nameOf = (targetC: number | null, falls: boolean): string => {
  if (targetC === null || falls) return 'To casting temperature';
  if (targetC <= 200) return 'Steam and drain';
  return targetC < 600 ? 'Resin swells, gasifies' : 'Carbon burns';
};

function asProgramme(
  stages: readonly Stage[],
  totalH: number | undefined,
  defaults: ProgrammeDefaults,
): ReadProgramme {
  const { rampCPerH: usual, kiln, castingC, startC } = defaults;
  const taken: Phrase[] = [];
  let fromC = startC ?? 20;
  const segments = stages.map(({ targetC, rampCPerH, holdH }): Segment => {
    const to = targetC ?? castingC;
    const falls = to < fromC;
    fromC = to;
    if (rampCPerH === undefined && !falls)
      taken.push(say`${quantity(usual, 'degCPerH')} to ${quantity(to, 'degC')}`);
    return {
      name: nameOf(targetC, falls),
      rampCPerH: rampCPerH ?? (rampCPerH === undefined && !falls ? usual : null),
      targetC,
      holdH: holdH ?? 0,
      flaskWay: to <= 200 && !falls ? 'button down' : 'button up',
      hands: [],
      note: '',
    };
  });
  const { totalH: without } = programmeCurve(segments, castingC, kiln, startC);
  if (Math.max(without, totalH ?? 0) > LONGEST_H) throw new Unreadable(`It takes ${formatHours(Math.max(without, totalH ?? 0))}: no burnout does.`); // prettier-ignore
  if (totalH === undefined) return { status: 'read', segments, taken };
  const open = stages.flatMap(({ holdH, targetC }, n) => (holdH === undefined ? [{ n, targetC: targetC ?? castingC }] : [])); // prettier-ignore
  const hottest = open.reduce<(typeof open)[number] | undefined>((hot, one) => (hot && hot.targetC >= one.targetC ? hot : one), undefined); // prettier-ignore
  if (!hottest) throw new Unreadable(`Every hold is written: they make ${formatHours(without)}, not ${formatHours(totalH)}.`); // prettier-ignore
  const left = totalH - without;
  if (left <= 0) throw new Unreadable(`Climbs and falls alone take ${formatHours(without)} in this kiln, of ${formatHours(totalH)}.`); // prettier-ignore
  taken.push(
    say`held ${quantity(left, 'h')} at ${quantity(hottest.targetC, 'degC')}, for ${quantity(totalH, 'h')} in all`,
  );
  return {
    status: 'read',
    segments: segments.map((one, n) =>
      n === hottest.n ? { ...one, holdH: Math.round(left * 60) / 60 } : one,
    ),
    taken,
  };
}
