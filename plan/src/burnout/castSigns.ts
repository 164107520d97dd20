import {
  quantity,
  say,
  sign,
  steepestClimb,
  SWELL_RANGE_C,
  type Evidence,
  type Judgement,
  type Sign,
} from '@zero-pour/core';
import { valueOf } from '../planned';
import type { PourPlan } from '../planPour';
import type { Burnt } from './burnt';

/** Rules of a judgement that speak for or against a cause of a casting's flaws, by the sign that they are. */
const OF_BURNT = {
  'core clean-out': 'core clean-out short',
  steam: 'steam against a hot rim',
  'core at pour': 'core off its casting temperature',
  ceiling: 'hotter than the powder bears',
} as const;
const OF_MIX = {
  weighed: 'water ÷ powder off',
  'gloss-off': 'gloss-off out of its time',
  ratio: 'ratio outside the powder’s',
} as const;

const toSign = ({ weight, lead, why }: Judgement): Sign => sign(weight !== 'ok', [`${lead} `, ...why]);
const signsOf = (rules: Readonly<Record<string, string>>, judgements: readonly Judgement[]): Evidence =>
  Object.fromEntries(
    judgements.flatMap((one) => {
      const name = rules[one.rule];
      return name === undefined ? [] : [[name, toSign(one)]];
    }),
  );

/** How steeply the kiln really climbed while the resin swelled; nothing by a log that does not show it. */
function swellSign({ readings }: Burnt, rampMaxCPerH: number): Evidence {
  const steep = steepestClimb(readings, SWELL_RANGE_C);
  if (steep === undefined) return {};
  const says = say`${quantity(steep, 'degCPerH')} at the steepest from ${quantity(SWELL_RANGE_C[0], 'degC')} to ${quantity(SWELL_RANGE_C[1], 'degC')}; ${quantity(rampMaxCPerH, 'degCPerH')} is the limit.`;
  return { 'swell too fast': sign(steep > rampMaxCPerH, says) };
}

/** Whether it fell away from what it was set to: by a log that is whole and has set points, else nothing can be told of it. */
function fellSign({ readings, events, judgements }: Burnt): Evidence {
  const times = events.length;
  if (times > 0)
    return { 'kiln fell': sign(true, say`The kiln fell away from its set point ${times} time${times === 1 ? '' : 's'}.`) }; // prettier-ignore
  const isWhole = readings.hasSet && !judgements.some(({ rule }) => rule === 'log');
  return isWhole ? { 'kiln fell': sign(false, say`The kiln held what it was set to.`) } : {};
}

/**
 * What mix, kiln and the way to the metal say of what came out, as signs for the causes of its flaws: of what was measured alone. What was only planned is
 * no sign; what nobody measured is missing, and stays so.
 */
export function castSigns(plan: PourPlan): Evidence {
  const burnout = valueOf(plan.burnout);
  const mix = valueOf(plan.mix);
  const burnt = burnout?.burnt;
  return {
    ...(mix ? signsOf(OF_MIX, mix.judgements) : {}),
    ...(burnt && burnout
      ? {
          ...signsOf(OF_BURNT, burnt.judgements),
          ...swellSign(burnt, burnout.limits.rampMaxCPerH),
          ...fellSign(burnt),
        }
      : {}),
    ...(burnout ? signsOf({ 'set time': 'not set long enough, or too long' }, burnout.judgements) : {}),
    ...(burnout
      ? signsOf({ 'out of the kiln': 'cold at the patterns' }, [...burnout.wayOut.values()].flat())
      : {}),
  };
}
