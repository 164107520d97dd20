import {
  HOUR_MS,
  kilnEnergyKwh,
  ROOM_C,
  type FitAim,
  type FlaskHeat,
  type PlacedSegment,
  type ProgrammeCurve,
  type Quantity,
} from '@zero-pour/core';
import type { FitInput } from '@zero-pour/jobs';
import type { Kiln } from '@zero-pour/contracts';
import type { PourContext } from '../context';
import type { BurnoutPlan } from './burnoutPlan';
import { flaskToHeat } from './heatPlan';

/**
 * What a search for a programme of this flask, resin, powder and kiln stands on; undefined while one of them is not chosen. Once it burns,
 * what has befallen it and what is past are parts of that.
 */
export function fitWish(
  context: PourContext,
  burnout: BurnoutPlan,
  aim: FitAim,
  now: number,
  withinH?: number,
): FitInput | undefined {
  const found = flaskToHeat(context);
  const { kiln, doc } = context;
  if (!found || !kiln) return undefined;
  const { maxRampCPerH, coolTauH, openTauH, measured } = kiln;
  const { cleanOutH, rampMaxCPerH, ceilingC } = burnout.limits;
  return {
    ...found.input,
    segments: burnout.segments.map((segment) => ({ ...segment, hands: [...segment.hands] })),
    castingC: burnout.castingC,
    startC: doc.burnout.loadedAtC ?? ROOM_C,
    pace: { maxRampCPerH, coolTauH, openTauH, ...(measured ? { measured } : {}) },
    cleanOutH,
    rampMaxCPerH,
    ceilingC: Math.min(ceilingC, kiln.maxC),
    aim,
    ...(withinH === undefined ? {} : { withinH }),
    ...soFar(context, burnout, now),
  };
}

function soFar({ doc }: PourContext, { curve, cuts }: BurnoutPlan, now: number): Partial<FitInput> {
  if (doc.burnout.startedAt === undefined) return {};
  const nowH = (now - Date.parse(doc.burnout.startedAt)) / HOUR_MS;
  const count = (of: (segment: PlacedSegment) => number): number =>
    curve.segments.filter((segment) => of(segment) <= nowH).length;
  return { cuts: [...cuts], begun: count(({ startH }) => startH), ended: count(({ endH }) => endH) };
}

/** One of several programmes side by side: the kiln's hours, and the flask under them once that is reckoned. */
export interface ComparedBurnout {
  curve: ProgrammeCurve;
  heat: FlaskHeat | undefined;
}
interface ComparedRow {
  name: string;
  /** One for each; null: not reckoned, or never. */
  values: (Quantity | null)[];
}

/** What tells two programmes of one flask apart. */
export function compareBurnouts({
  kiln,
  compared,
}: {
  kiln: Kiln | undefined;
  compared: readonly ComparedBurnout[];
}): ComparedRow[] {
  const { costPerH = 0, powerKw = null } = kiln ?? {};
  const row = (name: string, value: (of: ComparedBurnout) => Quantity | null): ComparedRow => ({
    name,
    values: compared.map(value),
  });
  const ofCore = (
    name: string,
    unit: Quantity['unit'],
    value: (heat: FlaskHeat) => number | null,
  ): ComparedRow =>
    row(name, ({ heat }) => {
      const found = heat ? value(heat) : null;
      return found === null ? null : { value: found, unit };
    });
  return [
    row('Hours of the kiln', ({ curve }) => ({ value: curve.totalH, unit: 'h' })),
    ...(costPerH > 0
      ? [row('Cost of the kiln', ({ curve }) => ({ value: curve.totalH * costPerH, unit: 'money' }))]
      : []),
    // By the kiln's own pace, so only of one whose power is known.
    ...(kiln && powerKw !== null
      ? [
          row('Energy, about', ({ curve }) => ({
            value: kilnEnergyKwh(curve, kiln, powerKw),
            unit: 'kWh',
          })),
        ]
      : []),
    ofCore('Core dry after', 'h', ({ dryH }) => dryH),
    ofCore('Rim until then at most', 'degC', ({ rimOverSteamC }) => rimOverSteamC),
    ofCore('Core hot enough to burn carbon', 'h', ({ coreCarbonH }) => coreCarbonH),
    ofCore('Core at the end', 'degC', ({ rows }) => rows.at(-1)!.coreC),
  ];
}
