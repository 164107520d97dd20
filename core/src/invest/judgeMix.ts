import type { Judgement } from '../judge';
import { quantity, say } from '../numeric';
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

/** The powder's grade under a resin print (handbook 07). */
export function judgeGrade(grade: string): Judgement[] {
  if (grade !== 'standard') return [];
  return [
    {
      rule: 'grade',
      weight: 'watch',
      lead: 'Ordinary powder under resin.',
      why: say`Resin swells before it burns. Take resin-grade powder, or boric acid, a thicker mix and a slower climb to ${quantity(400, 'degC')}.`,
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

export function judgeBoric(school: BoricSchool): Judgement[] {
  if (school === 'none') return [];
  return [
    {
      rule: 'boric hard',
      weight: 'watch',
      lead: 'Hard to divest.',
      why: say`Boric acid holds sharp recesses and makes the plaster much harder to take off.`,
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
