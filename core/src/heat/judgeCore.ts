import { CARBON_C } from '../burnout';
import type { Judgement } from '../judge';
import { quantity, say, type Phrase } from '../numeric';
import type { FlaskHeat } from './heatFlask';

/** A rim hotter than this while the core still holds water drives steam into the mold (handbook 07). */
export const STEAM_RIM_C = 500;
/** Core this far off the wanted temperature at the pour is another flask than the metal was planned for (handbook 07). */
export const CORE_OFF_C = 10;

export interface CoreLimits {
  /** Hours above 650 °C that what burns asks for, at the core. */
  cleanOutH: number;
  /** What the flask is to be cast at. */
  castingC: number;
  /** The powder is made for a fast burnout: steam is a note. */
  fastPowder: boolean;
  /** It is over: nothing can be held longer. */
  isPast?: boolean;
}
type CoreFacts = Pick<FlaskHeat, 'dryH' | 'rimOverSteamC' | 'coreCarbonH' | 'coreMaxC' | 'rows'>;

const degrees = (value: number) => quantity(value, 'degC');
const hours = (value: number) => quantity(value, 'h', 1);
const judged = (rule: string, weight: Judgement['weight'], lead: string, why: Phrase): Judgement => ({
  rule,
  weight,
  lead,
  why,
});

/** A burnout by what the flask's core goes through, not the kiln: steam, clean-out, and its heat at the pour (handbook 07). */
export function judgeCore(facts: CoreFacts, limits: CoreLimits): Judgement[] {
  return [judgeSteam(facts, limits), judgeCoreCleanOut(facts, limits), judgeCoreAtPour(facts, limits)];
}

function judgeSteam({ dryH, rimOverSteamC }: CoreFacts, { fastPowder }: CoreLimits): Judgement {
  if (dryH === null)
    return judged(
      'steam',
      'fix',
      'It never dries.',
      say`Water is left in the core when the programme ends: hold longer at ${degrees(150)}, or higher.`,
    );
  const dry = say`The core is dry after ${hours(dryH)}; until then the rim reaches ${degrees(rimOverSteamC)}`;
  if (rimOverSteamC > STEAM_RIM_C)
    return judged(
      'steam',
      fastPowder ? 'ok' : 'watch',
      fastPowder ? 'Fast through the steam.' : 'Steam against a hot rim.',
      fastPowder
        ? [...dry, '. The powder is made for that.']
        : [...dry, ...say`, over ${degrees(STEAM_RIM_C)}. Hold longer before you climb.`],
    );
  return judged('steam', 'ok', 'The steam gets out.', [...dry, '.']);
}

function judgeCoreCleanOut(
  { coreCarbonH, coreMaxC }: CoreFacts,
  { cleanOutH, isPast = false }: CoreLimits,
): Judgement {
  const asked = say`; ${hours(cleanOutH)} are asked for`;
  if (coreMaxC < CARBON_C)
    return judged(
      'core clean-out',
      'fix',
      'Ash stays.',
      say`The core reaches ${degrees(coreMaxC)}; carbon burns above ${degrees(CARBON_C)}.${isPast ? '' : ' Go hotter, or hold longer at the peak.'}`,
    );
  const has = say`The core is above ${degrees(CARBON_C)} for ${hours(coreCarbonH)}`;
  // Told to a tenth of an hour, judged to it: what shows as enough is enough.
  const short = cleanOutH - coreCarbonH;
  if (short > 0.05)
    return judged('core clean-out', 'fix', 'Ash would stay.', [
      ...has,
      ...asked,
      ...(isPast
        ? say`. Expect ash pitting.`
        : say`. Hold the peak ${hours(Math.ceil(short * 10 - 1e-9) / 10)} longer.`),
    ]);
  return judged('core clean-out', 'ok', 'Clean to the core.', [...has, ...asked, '.']);
}

function judgeCoreAtPour({ rows }: CoreFacts, { castingC, isPast = false }: CoreLimits): Judgement {
  const coreC = rows.at(-1)!.coreC;
  const off = coreC - castingC;
  const why = isPast
    ? say`When its log ends the core is at ${degrees(coreC)}; it was to be cast at ${degrees(castingC)}`
    : say`At the end of the programme the core is at ${degrees(coreC)}; it is to be cast at ${degrees(castingC)}`;
  if (Math.abs(off) <= CORE_OFF_C) return judged('core at pour', 'ok', 'Soaked through.', [...why, '.']);
  return judged('core at pour', 'watch', off > 0 ? 'The core is hotter.' : 'The core is colder.', [
    ...why,
    isPast ? '.' : '. Soak longer.',
  ]);
}
