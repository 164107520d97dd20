import { quantity, say } from '../numeric';
import type { Judgement } from '../judge';
import { hoursAbove, type ProgrammeCurve } from './programme';

/** Gypsum breaks down above this, °C (handbook 07). */
export const GYPSUM_CEILING_C = 750;
/** Resin swells and gasifies here; steeper ramps crack the mold (*shop default*, handbook 07). */
export const SWELL_RANGE_C = [150, 400] as const;
export const SWELL_RAMP_MAX_C_PER_H = 120;
/** Hours above 650 °C when no resin says otherwise (*shop default*). */
export const CLEAN_OUT_H = 3;
/** Carbon burns away above this. */
export const CARBON_C = 650;

export interface BurnoutLimits {
  ceilingC: number;
  /** The resin's advice, or the shop default. */
  rampMaxCPerH: number;
  /** Hours above 650 °C that the resin asks for, at the core. */
  cleanOutH: number;
  fastAllowed: boolean;
}

/** Steepest climb inside the swelling range, °C/h: of the curve itself, since a kiln may climb the faster the colder it is. */
function steepestInSwell({ points }: ProgrammeCurve): number {
  return points.reduce((steepest, b, n) => {
    const a = points[n - 1];
    if (!a || b.h <= a.h) return steepest;
    const overlap = Math.min(b.tempC, SWELL_RANGE_C[1]) - Math.max(a.tempC, SWELL_RANGE_C[0]);
    return overlap > 0 ? Math.max(steepest, (b.tempC - a.tempC) / (b.h - a.h)) : steepest;
  }, 0);
}

/** What can be said of a programme from the kiln's curve alone; the flask's core needs the heat model. */
export function judgeProgramme(curve: ProgrammeCurve, limits: BurnoutLimits): Judgement[] {
  const out: Judgement[] = [];
  const peak = Math.max(...curve.points.map((p) => p.tempC));
  const ceiling = quantity(limits.ceilingC, 'degC');
  if (peak > limits.ceilingC) {
    out.push({
      rule: 'ceiling',
      weight: 'stop',
      lead: 'Above the powder’s ceiling.',
      why: say`${quantity(peak, 'degC')} breaks the plaster down (limit ${ceiling}) and fumes. Lower the peak.`,
    });
  }
  out.push(...judgeHotKiln(curve.points[0]?.tempC ?? 0, limits.fastAllowed));
  const steep = steepestInSwell(curve);
  if (steep > limits.rampMaxCPerH + 0.5) {
    out.push({
      rule: 'swell ramp',
      weight: limits.fastAllowed ? 'watch' : 'fix',
      lead: 'Steep while the resin swells.',
      why: say`${quantity(steep, 'degCPerH')} between ${quantity(SWELL_RANGE_C[0], 'degC')} and ${quantity(SWELL_RANGE_C[1], 'degC')}; ${quantity(limits.rampMaxCPerH, 'degCPerH')} is the limit. Slow it, or the mold cracks.`,
    });
  } else if (steep > 0) {
    out.push({
      rule: 'swell ramp',
      weight: 'ok',
      lead: 'Slow enough while the resin swells.',
      why: say`${quantity(steep, 'degCPerH')}; ${quantity(limits.rampMaxCPerH, 'degCPerH')} is the limit.`,
    });
  }
  out.push(...judgeCleanOut(hoursAbove(curve, CARBON_C), limits.cleanOutH));
  return out;
}

/** A kiln hotter than this at loading is a fast cycle: the whole swelling range in minutes. */
const HOT_KILN_C = 300;

function judgeHotKiln(startC: number, fastAllowed: boolean): Judgement[] {
  if (startC < HOT_KILN_C) return [];
  const why = say`The kiln is at ${quantity(startC, 'degC')} when the flask goes in.`;
  return [
    fastAllowed
      ? {
          rule: 'hot kiln',
          weight: 'watch',
          lead: 'Fast cycle.',
          why: [...why, ' This resin stands it; does the powder?'],
        }
      : {
          rule: 'hot kiln',
          weight: 'fix',
          lead: 'Cold flask into a hot kiln.',
          why: [...why, ' This resin is not made for it: start cold, or take one that is.'],
        },
  ];
}

/** The core is never hotter than the kiln for longer: what the kiln lacks, it lacks too. Whether it has enough, only its own heat says. */
function judgeCleanOut(kilnH: number, wantedH: number): Judgement[] {
  if (kilnH >= wantedH) return [];
  return [
    {
      rule: 'clean-out',
      weight: 'fix',
      lead: 'Ash would stay.',
      why: say`The kiln is above ${quantity(CARBON_C, 'degC')} for ${quantity(kilnH, 'h')}; this resin asks for ${quantity(wantedH, 'h')} at the core, which follows later than the kiln. Hold longer.`,
    },
  ];
}
