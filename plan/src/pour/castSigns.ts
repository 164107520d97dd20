import {
  judgeFreezing,
  judgeQuench,
  ordersWhenSlow,
  quantity,
  say,
  sign,
  vacuumOverTime,
  type ClassRange,
  type Evidence,
  type VacuumRead,
} from '@zero-pour/core';
import { ranOf, readingValue, type PourFlask, type Reading } from '@zero-pour/contracts';
import { valueOf } from '../planned';
import { worstOf } from '../result/judgedSigns';
import type { FlawedPieces } from '../result/flawedPieces';
import type { Sight } from '../stage';
import { solidAfter } from './solidAfter';

/** A vacuum under this does not help thin metal in; one that falls by so much in a minute leaks. kPa */
const VACUUM_LEAST_KPA = 60;
const VACUUM_FALLS_KPA = 5;

/** A temperature that was read, guessed or felt, against its range: nothing of what nobody took. */
function heatSigns(what: 'flask' | 'metal', reading: Reading | undefined, range: ClassRange): Evidence {
  if (reading?.state === 'felt') {
    const says = say`The ${what} felt ${reading.felt}.`;
    return { [`${what} hot`]: sign(reading.felt === 'hot', says), [`${what} cool`]: sign(reading.felt === 'cold', says) }; // prettier-ignore
  }
  const value = readingValue(reading);
  if (value === undefined) return {};
  const how = reading?.state === 'guessed' ? 'guessed' : 'read';
  const says = say`${what === 'flask' ? 'Flask' : 'Metal'} ${how} at ${quantity(value, 'degC')}; ${quantity(range.lowC, 'degC')} to ${quantity(range.highC, 'degC')} is its range.`;
  return { [`${what} hot`]: sign(value > range.highC, says), [`${what} cool`]: sign(value < range.lowC, says) }; // prettier-ignore
}

/** Two readings a minute apart, as one reading over time. */
function vacuumReads({ vacuumKpa, vacuumLaterKpa, vacuumReads: told }: PourFlask['pour']): VacuumRead[] {
  if (told && told.length > 0) return told;
  return [vacuumKpa, vacuumLaterKpa].flatMap((reading, n) => {
    const kPa = readingValue(reading);
    return kPa === undefined ? [] : [{ afterS: 60 * n, kPa }];
  });
}

function vacuumSigns(pour: PourFlask['pour']): Evidence {
  const read = vacuumOverTime(vacuumReads(pour));
  if (!read) return {};
  const { pulledKpa, fallsKpaPerMin } = read;
  return {
    'vacuum low': sign(pulledKpa < VACUUM_LEAST_KPA, say`${quantity(pulledKpa, 'kPa', 0)} pulled; ${quantity(VACUUM_LEAST_KPA, 'kPa', 0)} is the least that helps.`), // prettier-ignore
    ...(fallsKpaPerMin === undefined
      ? {}
      : { 'vacuum not held': sign(fallsKpaPerMin > VACUUM_FALLS_KPA, say`${quantity(pulledKpa, 'kPa', 0)} at best; ${quantity(fallsKpaPerMin, 'kPa', 0)} lost in a minute after that.`) }), // prettier-ignore
  };
}

function runSigns(pour: PourFlask['pour']): Evidence {
  const ran = ranOf(pour);
  return {
    ...(ran
      ? {
          'poured hard': sign(ran === 'fell hard', say`The metal ran: ${ran}.`),
          spilled: sign(ran === 'spilled' || ran === 'in two goes', say`The metal ran: ${ran}.`),
        }
      : {}),
    ...(pour.flux
      ? { 'no flux': sign(pour.flux === 'none', pour.flux === 'none' ? say`Molten without flux.` : say`Flux was used.`) } // prettier-ignore
      : {}),
  };
}

/** How it froze and was quenched. */
function coolingSigns(sight: Sight, at: number): Evidence {
  const { alloy, flasks } = sight.context;
  const { pour } = flasks[at]!.decided;
  if (!alloy) return {};
  const [froze] = judgeFreezing(readingValue(pour.solidAfterMin), solidAfter(sight, at)?.min);
  const [quenched] = judgeQuench(readingValue(pour.quenchAfterMin), alloy.quenchWaitMin, false);
  const orders = ordersWhenSlow(alloy.composition);
  const waited = quenched?.why;
  return {
    ...(froze
      ? {
          'froze late': sign(froze.lead === 'It froze late.', froze.why),
          'froze early': sign(froze.lead === 'It froze early.', froze.why),
        }
      : {}),
    ...(quenched && waited
      ? {
          'quenched soon': sign(quenched.lead === 'Quenched soon.', waited),
          ...(orders === undefined
            ? {}
            : { 'quenched late': sign(orders && quenched.lead === 'Quenched late.', orders ? waited : [...waited, ...say` ${alloy.name} does not order as it cools.`]) }), // prettier-ignore
        }
      : {}),
  };
}

/** What the pour says of castings of these flasks: of what was read, felt or told there. */
export const pourCastSigns = (sight: Sight, { flasks }: FlawedPieces): Evidence =>
  worstOf(
    flasks.map((at) => {
      const { pour } = sight.context.flasks[at]!.decided;
      const plan = valueOf(sight.of('pour')[at]!);
      return {
        ...(plan ? heatSigns('flask', pour.flaskRead, plan.flask) : {}),
        ...(plan ? heatSigns('metal', pour.metalRead, plan.metal) : {}),
        ...vacuumSigns(pour),
        ...runSigns(pour),
        ...coolingSigns(sight, at),
      };
    }),
  );
