import { readingValue, type Flask } from '@zero-pour/contracts';
import {
  CASTING_RANGE_C,
  judgeOut,
  pourTemperatures,
  programmeCurve,
  say,
  SHELL_MM,
  type Judgement,
  type ProgrammeCurve,
} from '@zero-pour/core';
import { heatJob, type HeatInput } from '@zero-pour/jobs';
import type { PourContext } from '../context';
import { PATTERNS_AT } from './heatPlan';

/** What is said of each flask on its way from the kiln to the metal, by the flask's name: nothing where nobody says how long that takes. */
export function judgeWayOut(
  context: PourContext,
  curve: Pick<ProgrammeCurve, 'points'>,
): Map<string, Judgement[]> {
  const { alloy, powder, doc, flasks, readings } = context;
  const told = flasks.flatMap(({ flask, decided }): [string, Judgement[]][] => {
    const { outMin } = decided.pour;
    if (outMin === undefined || !flask || !alloy || !powder) return [];
    const air = { outMin, roomC: readingValue(decided.pour.roomC) };
    const wish = wayOutWish(flask, doc.invest.ratio ?? powder.ratioUsual, curve.points, air);
    const reading = readings.of(heatJob, wish);
    const { lowC } = pourTemperatures(alloy, doc.brief.castClass).flask;
    const last = reading.status === 'known' ? reading.value.rows.at(-1) : undefined;
    return [[decided.key, [last ? judgeOut(last, { outMin: wish.airMin!, lowC }) : NOT_YET]]];
  });
  return new Map(told);
}

/** The patterns' plaster as the metal meets it, °C: by the programme, the flask and its minutes out; undefined while one of them is not known. */
export function metalMeets(
  context: PourContext,
  at: number,
  castingC: number,
): { tempC: number; outMin: number } | undefined {
  const { doc, programme, kiln, powder, flasks, readings } = context;
  const segments = doc.burnout.segments ?? programme?.segments;
  const { flask, decided } = flasks[at] ?? {};
  const outMin = decided?.pour.outMin;
  if (outMin === undefined || !flask || !powder || !kiln || !segments) return undefined;
  if (castingC < CASTING_RANGE_C[0] || castingC > CASTING_RANGE_C[1]) return undefined;
  const { points } = programmeCurve(segments, castingC, kiln, doc.burnout.loadedAtC);
  const reading = readings.of(
    heatJob,
    wayOutWish(flask, doc.invest.ratio ?? powder.ratioUsual, points, {
      outMin,
      roomC: readingValue(decided?.pour.roomC),
    }),
  );
  const last = reading.status === 'known' ? reading.value.rows.at(-1) : undefined;
  return last && { tempC: last.patternsC, outMin };
}

/** A flask through its kiln, and so many minutes in air. */
const wayOutWish = (
  { innerDiameterMm, heightMm }: Flask,
  ratio: number,
  points: ProgrammeCurve['points'],
  { outMin, roomC }: { outMin: number; roomC: number | undefined },
): HeatInput => ({
  innerDiameterMm,
  heightMm,
  shellMm: SHELL_MM,
  ratio,
  patternsMm: (PATTERNS_AT * innerDiameterMm) / 2,
  kiln: points.map(({ h, tempC }) => [h, tempC]),
  airMin: Math.min(60, Math.max(0, outMin)),
  ...(roomC === undefined ? {} : { airC: Math.min(80, Math.max(-60, roomC)) }),
});

const NOT_YET: Judgement = {
  rule: 'out of the kiln, not reckoned',
  weight: 'watch',
  lead: 'What the metal meets is not reckoned yet.',
  why: say`Until it is, nothing is said of how the flask cools on its way.`,
};
