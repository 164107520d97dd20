import type { Flask } from '@zero-pour/contracts';
import {
  judgeCore,
  judgeLoad,
  say,
  SHELL_MM,
  type FlaskHeat,
  type Judgement,
  type Phrase,
  type ProgrammeCurve,
} from '@zero-pour/core';
import { heatJob, type FlaskInput, type HeatInput } from '@zero-pour/jobs';
import type { PourContext } from '../context';
import { burnNeeds } from './needs';
import type { Reading } from '../readings';

/** Patterns are taken to hang this far out, of the flask's inner radius (*shop default*, ours). */
export const PATTERNS_AT = 0.6;

/** What the flask goes through: the widest of the pour, which heats the slowest. */
export interface HeatPlan {
  flask: Flask;
  wish: HeatInput;
  reading: Reading<FlaskHeat>;
}

/** One flask filled with this pour's mix. */
const filledWith = ({ innerDiameterMm, heightMm }: Flask, ratio: number): FlaskInput => {
  const patternsMm = (PATTERNS_AT * innerDiameterMm) / 2;
  return { innerDiameterMm, heightMm, shellMm: SHELL_MM, ratio, patternsMm };
};

/** The pour's widest flask as it is filled; undefined while flask or powder is not chosen. */
export function flaskToHeat({
  doc,
  powder,
  flasks,
}: PourContext): { flask: Flask; input: FlaskInput } | undefined {
  const flask = flasks
    .flatMap(({ flask: one }) => one ?? [])
    .reduce<Flask | undefined>(
      (wide, one) => (wide && wide.innerDiameterMm >= one.innerDiameterMm ? wide : one),
      undefined,
    );
  if (!flask || !powder) return undefined;
  return { flask, input: filledWith(flask, doc.invest.ratio ?? powder.ratioUsual) };
}

/** Whether the kiln carries all flasks of the pour, once each is reckoned; nothing while one of them is not, or is not chosen. */
export function judgeFlasksLoad(context: PourContext, curve: Pick<ProgrammeCurve, 'points'>): Judgement[] {
  const { doc, powder, kiln, flasks, readings } = context;
  if (!powder || !kiln) return [];
  const ratio = doc.invest.ratio ?? powder.ratioUsual;
  const points = curve.points.map(({ h, tempC }): [number, number] => [h, tempC]);
  const rows = flasks.flatMap(({ flask }) => {
    const reading = flask && readings.of(heatJob, { ...filledWith(flask, ratio), kiln: points });
    return reading?.status === 'known' ? [reading.value.rows] : [];
  });
  return rows.length === flasks.length ? judgeLoad(kiln, kiln.powerKw ?? undefined, rows) : [];
}

/** Its heat under a kiln's curve; undefined while flask or powder is not chosen. */
export function planHeat(context: PourContext, curve: Pick<ProgrammeCurve, 'points'>): HeatPlan | undefined {
  const found = flaskToHeat(context);
  if (!found) return undefined;
  const wish: HeatInput = { ...found.input, kiln: curve.points.map(({ h, tempC }) => [h, tempC]) };
  return { flask: found.flask, wish, reading: context.readings.of(heatJob, wish) };
}

const unknown = (lead: string, why: Phrase): Judgement[] => [{ rule: 'core', weight: 'watch', lead, why }];

/** What is said of the core: by its heat, or why nothing is. */
export function judgeHeat(context: PourContext, heat: HeatPlan | undefined, castingC: number): Judgement[] {
  if (!heat)
    return unknown(
      'Its core is not known.',
      say`Choose flask and powder: steam, clean-out and soak are the core’s, not the kiln’s.`,
    );
  const { reading } = heat;
  if (reading.status === 'failed')
    return unknown('Its core could not be reckoned.', say`${reading.sentence}`);
  if (reading.status !== 'known')
    return unknown(
      'Its core is not reckoned yet.',
      say`Until it is, nothing is said of steam, clean-out and soak.`,
    );
  const { cleanOutH } = burnNeeds(context);
  return judgeCore(reading.value, { cleanOutH, castingC, fastPowder: false });
}
