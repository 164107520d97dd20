import type { Judgement } from '../judge';
import { quantity, say, type Phrase } from '../numeric';
import type { BoricSchool } from './mix';
import { WORKING_REFERENCE_C } from './workingTime';

interface PowderRatio {
  name: string;
  ratioLeast: number;
  ratioMost: number;
}

/** Water ÷ powder against what the powder takes. */
export function judgeRatio(powder: PowderRatio, ratio: number): Judgement[] {
  if (ratio >= powder.ratioLeast && ratio <= powder.ratioMost) return [];
  return [
    {
      rule: 'ratio',
      weight: 'fix',
      lead: 'Outside the powder’s ratio.',
      why: say`${quantity(ratio, 'ratio')}; ${powder.name} takes ${quantity(powder.ratioLeast, 'ratio')} to ${quantity(powder.ratioMost, 'ratio')}. More water is weaker, less traps bubbles.`,
    },
  ];
}

/** Metal poured hotter than this reacts with gypsum, °C (handbook 05). */
const GYPSUM_METAL_C = 1200;
/** A powder that stands more than this is not bonded by gypsum, °C. */
const GYPSUM_POWDER_C = 900;

/** Metal too hot for a gypsum-bonded powder, by the least temperature that it is poured at: by its heat, not its name. */
export function judgeBond(
  metal: { name: string; lowC: number },
  powder: { name: string; ceilingC: number },
): Judgement[] {
  if (metal.lowC <= GYPSUM_METAL_C || powder.ceilingC > GYPSUM_POWDER_C) return [];
  return [
    {
      rule: 'bond',
      weight: 'stop',
      lead: 'Not in this powder.',
      why: say`${metal.name} is poured at ${quantity(metal.lowC, 'degC')} or more; above about ${quantity(GYPSUM_METAL_C, 'degC')} metal reacts with gypsum-bonded powder such as ${powder.name}, which breaks down and fumes. Take a phosphate-bonded one.`,
    },
  ];
}

/** Of boric acid in 100 ml of water, as much as dissolves at 20 °C; more needs it warm. g (handbook 07) */
const BORIC_DISSOLVES_G = 4.7;
const BACK_TO_C = 22;

/** Boric acid in the mix: what it does to the plaster, and whether so much of it dissolves. g */
export function judgeBoric(school: BoricSchool, boricG = 0, waterG = 0): Judgement[] {
  if (school === 'none') return [];
  const hard: Judgement = {
    rule: 'boric hard',
    weight: 'watch',
    lead: 'Hard to divest.',
    why: say`Boric acid holds sharp recesses and makes the plaster much harder to take off.`,
  };
  const per100 = waterG > 0 ? (100 * boricG) / waterG : 0;
  if (per100 <= BORIC_DISSOLVES_G) return [hard];
  return [
    {
      rule: 'boric dissolves',
      weight: 'watch',
      lead: 'Dissolve it warm.',
      why: say`${quantity(per100, 'g', 1)} in 100 ml of water; about ${quantity(BORIC_DISSOLVES_G, 'g', 1)} dissolve at ${quantity(20, 'degC')}. Warm the water for it, and let it cool to ${quantity(BACK_TO_C, 'degC')} before the powder.`,
    },
    hard,
  ];
}

/** What a resin's maker asks for in the mix; its percent is of the powder or of the water. */
export interface BoricAsk {
  by: string;
  school: BoricSchool;
  percent: number | undefined;
}
/** Grams that lie within this share of what is asked are as asked. */
const BORIC_OFF = 0.1;

/** The mix's boric acid against what the resin's maker asks, in grams: the two schools' percents do not compare. */
export function judgeBoricAsked(
  asked: BoricAsk | undefined,
  { powderG, waterG, boricG = 0 }: { powderG: number; waterG: number; boricG?: number | undefined },
): Judgement[] {
  if (!asked || asked.school === 'none') return [];
  const judged = (weight: Judgement['weight'], lead: string, why: Phrase): Judgement[] => [
    { rule: 'boric asked', weight, lead, why },
  ];
  if (asked.percent === undefined)
    return judged(
      'watch',
      'The resin asks for boric acid.',
      say`How much is not in the record of ${asked.by}.`,
    );
  const wantedG = ((asked.school === 'powder' ? powderG : waterG) * asked.percent) / 100;
  const why = say`${asked.by} asks for ${quantity(asked.percent, 'percent', 1)} of the ${asked.school}: ${quantity(wantedG, 'g', 1)}; ${quantity(boricG, 'g', 1)} is planned.`;
  if (boricG <= 0 && wantedG > 0) return judged('watch', 'The resin asks for boric acid.', why);
  return Math.abs(boricG - wantedG) <= BORIC_OFF * wantedG
    ? judged('ok', 'Boric acid as the resin asks.', why)
    : judged('watch', boricG > wantedG ? 'More boric acid than asked.' : 'Less boric acid than asked.', why);
}

/** What was weighed against what is planned may be off by so much of the ratio. */
const RATIO_OFF = 0.005;

/** Water and powder as they were weighed: the ratio that is really in the bowl. g */
export function judgeWeighed(
  planned: number,
  powderG: number | undefined,
  waterG: number | undefined,
): Judgement[] {
  if (powderG === undefined || waterG === undefined || powderG <= 0) return [];
  const real = waterG / powderG;
  const off = Math.abs(real - planned);
  const why = say`${quantity(waterG, 'g', 0)} into ${quantity(powderG, 'g', 0)} is ${quantity(real, 'ratio')}; ${quantity(planned, 'ratio')} is planned.`;
  return off <= RATIO_OFF
    ? [{ rule: 'weighed', weight: 'ok', lead: 'Weighed as planned.', why }]
    : [
        {
          rule: 'weighed',
          weight: 'watch',
          lead: real > planned ? 'Thinner than planned.' : 'Thicker than planned.',
          why,
        },
      ];
}

/** Water as the working time's rule knows it, °C: that of its reference where nothing was read, or the nearest it knows. */
export const knownWaterC = (tempC = WORKING_REFERENCE_C): number => Math.min(45, Math.max(5, tempC));

/** Usual water, and where it is hot, °C (handbook 07). */
const USUAL_WATER_C = [20, 24] as const;
const HOT_WATER_C = 40;

/** The water's temperature as it was read; nothing to say of one that was not. */
export function judgeWater(tempC: number | undefined): Judgement[] {
  const [low, high] = USUAL_WATER_C;
  if (tempC === undefined || (tempC >= low && tempC <= high)) return [];
  const warm = tempC > high;
  return [
    {
      rule: 'water',
      weight: tempC > HOT_WATER_C ? 'fix' : 'watch',
      lead: warm ? 'Warm water.' : 'Cold water.',
      why: say`${quantity(tempC, 'degC')}; ${quantity(low, 'degC')} to ${quantity(high, 'degC')} is usual. ${warm ? 'It sets sooner: be quick.' : 'It sets later.'}`,
    },
  ];
}
