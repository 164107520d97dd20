import {
  CASTING_RANGE_C,
  castsWax,
  CLEAN_OUT_H,
  GYPSUM_CEILING_C,
  judgeBurnable,
  judgeFlaskSize,
  judgePeak,
  judgeProgramme,
  programmeCurve,
  SWELL_RAMP_MAX_C_PER_H,
  type Judgement,
  type ProgrammeCurve,
  type Segment,
} from '@zero-pour/core';
import type { PourContext } from '../context';
import { impossible, known, lacking, missing, type Planned } from '../planned';
import type { TemperaturePlan } from '../pour/temperaturePlan';

export interface BurnoutPlan {
  curve: ProgrammeCurve;
  segments: readonly Segment[];
  /** The pour's own edit of the programme. */
  edited: boolean;
  judgements: Judgement[];
}

function judgeFit({ doc, flasks, programme, resin, kiln }: PourContext, peakC: number): Judgement[] {
  const widestMm = Math.max(0, ...flasks.map(({ flask }) => flask?.innerDiameterMm ?? 0));
  return [
    ...(resin ? judgeBurnable(resin, doc.brief.route) : []),
    ...(programme ? judgeFlaskSize(widestMm, programme.flaskMaxMm) : []),
    ...(kiln ? judgePeak(peakC, kiln) : []),
  ];
}

/** The kiln's curve for this pour and what it means for resin and powder (handbook 07). */
export function planBurnout(
  context: PourContext,
  temperatures: TemperaturePlan | undefined,
): Planned<BurnoutPlan> {
  const { doc, programme, kiln, resin, powder } = context;
  const segments = doc.burnout.segments ?? programme?.segments;
  if (!segments || !kiln || !temperatures) {
    return missing(
      lacking(
        [segments, 'a programme', 'burnout'],
        [kiln, 'a kiln', 'burnout'],
        [temperatures, 'the metal', 'brief'],
      ),
    );
  }
  const castingC = temperatures.flaskC;
  if (castingC < CASTING_RANGE_C[0] || castingC > CASTING_RANGE_C[1])
    return impossible(
      `A flask is cast at ${CASTING_RANGE_C[0]} to ${CASTING_RANGE_C[1]} °C; this one is to be at ${Math.round(castingC)} °C. Look at its temperature, or at the metal’s range.`,
      'pour',
    );
  const curve = programmeCurve(segments, castingC, kiln, doc.burnout.loadedAtC);
  const peakC = Math.max(...curve.points.map((p) => p.tempC));
  // Wax runs out before it swells and leaves little to burn: the resin's own limits are the master's, not the flask's.
  const burnt = castsWax(doc.brief.route) ? undefined : resin;
  const limits = {
    ceilingC: powder?.ceilingC ?? GYPSUM_CEILING_C,
    rampMaxCPerH: burnt?.rampMaxCPerH ?? SWELL_RAMP_MAX_C_PER_H,
    cleanOutH: burnt?.cleanOutH ?? CLEAN_OUT_H,
    fastAllowed: burnt?.fastAllowed ?? false,
  };
  return known({
    curve,
    segments,
    edited: doc.burnout.segments !== undefined,
    judgements: [...judgeFit(context, peakC), ...judgeProgramme(curve, limits)],
  });
}
