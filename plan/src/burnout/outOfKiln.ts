import {
  judgeOut,
  pourTemperatures,
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
    const wish: HeatInput = {
      innerDiameterMm: flask.innerDiameterMm,
      heightMm: flask.heightMm,
      shellMm: SHELL_MM,
      ratio: doc.invest.ratio ?? powder.ratioUsual,
      patternsMm: (PATTERNS_AT * flask.innerDiameterMm) / 2,
      kiln: curve.points.map(({ h, tempC }) => [h, tempC]),
      airMin: Math.min(60, Math.max(0, outMin)),
    };
    const reading = readings.of(heatJob, wish);
    const { lowC } = pourTemperatures(alloy, doc.brief.castClass).flask;
    const last = reading.status === 'known' ? reading.value.rows.at(-1) : undefined;
    return [[decided.key, [last ? judgeOut(last, { outMin: wish.airMin!, lowC }) : NOT_YET]]];
  });
  return new Map(told);
}

const NOT_YET: Judgement = {
  rule: 'out of the kiln',
  weight: 'watch',
  lead: 'What the metal meets is not reckoned yet.',
  why: say`Until it is, nothing is said of how the flask cools on its way.`,
};
