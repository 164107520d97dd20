import {
  CARBON_C,
  handNames,
  quantity,
  say,
  sign,
  steepestClimb,
  SWELL_RANGE_C,
  type Evidence,
} from '@zero-pour/core';
import type { PourContext } from '../context';
import { judgeDownstream } from '../pattern/downstream';
import { valueOf } from '../planned';
import type { FlawedPieces } from '../result/flawedPieces';
import { judgedSigns } from '../result/judgedSigns';
import type { Sight } from '../stage';
import type { Burnt } from './burnt';

/** A core that came no further than so much above where carbon burns was low at its peak. °C */
const PEAK_OVER_C = 20;

/** Rules of a judgement that speak for or against a cause of a casting's flaws, by the sign that they are. */
const OF_BURNT = {
  'core clean-out': 'core clean-out short',
  steam: 'steam against a hot rim',
  'core at pour': 'core off its casting temperature',
  ceiling: 'hotter than the powder bears',
} as const;
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

/** Whether air came to it: the turns of the flask that its programme asks for, once any hand at the kiln was ticked. */
function airSign({ doc, programme }: PourContext): Evidence {
  const segments = doc.burnout.segments ?? programme?.segments ?? [];
  const names = handNames(segments).flat();
  const turns = names.filter((name) => /turn/i.test(name));
  const ticked = Object.keys(doc.burnout.hands).length > 0;
  if (turns.length === 0 || !ticked) return {};
  const missed = turns.filter((name) => doc.burnout.hands[name] === undefined);
  const wasTurned = missed.length === 0 || (doc.burnout.events ?? []).some(({ kind }) => kind === 'turned');
  return {
    'no air': sign(!wasTurned, wasTurned ? say`The flask was turned button up.` : say`The turn of the flask was not ticked.`), // prettier-ignore
  };
}

function knockSign({ doc }: PourContext): Evidence {
  const { events } = doc.burnout;
  if (!events || events.length === 0) return {};
  const knocked = events.some(({ kind }) => kind === 'moved');
  return { 'flask knocked': sign(knocked, knocked ? say`The flask was moved.` : say`Nothing was told of a knock.`) }; // prettier-ignore
}

/** The hottest that the core came to: below where carbon burns is low. */
function peakSign({ heat }: Burnt): Evidence {
  if (heat?.reading.status !== 'known') return {};
  const { coreMaxC } = heat.reading.value;
  return {
    'peak low': sign(coreMaxC < CARBON_C + PEAK_OVER_C, say`The core came to ${quantity(coreMaxC, 'degC')}; carbon burns above ${quantity(CARBON_C, 'degC')}.`), // prettier-ignore
  };
}

/** What kiln and the way to the metal say of castings: of what was measured alone. What was only planned is no sign; what nobody measured is missing. */
export function burnoutCastSigns({ context, of }: Sight, { flasks, lines }: FlawedPieces): Evidence {
  const burnout = valueOf(of('burnout'));
  const burnt = burnout?.burnt;
  const keys = flasks.map((at) => context.flasks[at]!.decided.key);
  const percent = valueOf(of('scale'))?.percent.value;
  const thick = judgeDownstream(context, 'burnout', percent).filter(({ rule }) => lines.some((line) => rule === `thick resin ${line}`)); // prettier-ignore
  return {
    ...(burnt && burnout
      ? {
          ...judgedSigns(OF_BURNT, burnt.judgements),
          ...swellSign(burnt, burnout.limits.rampMaxCPerH),
          ...fellSign(burnt),
          ...peakSign(burnt),
        }
      : {}),
    ...judgedSigns({ 'set time': 'not set long enough, or too long' }, burnout?.judgements ?? []),
    ...judgedSigns({ 'out of the kiln': 'cold at the patterns' }, keys.flatMap((key) => burnout?.wayOut.get(key) ?? [])), // prettier-ignore
    ...judgedSigns({ 'thick resin': 'thick resin' }, thick),
    ...airSign(context),
    ...knockSign(context),
  };
}
