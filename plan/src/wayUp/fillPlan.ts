import type { Alloy, Pouring } from '@zero-pour/contracts';
import {
  FLASK_MOST_C,
  fillUnread,
  judgeFill,
  judgeNotLiquid,
  meltOf,
  quantity,
  say,
  SUPERHEAT_MOST_C,
  type Drive,
  type FillReading,
  type Judgement,
  type Phrase,
} from '@zero-pour/core';
import { fillJob, type FillInput } from '@zero-pour/jobs';
import { metalMeets } from '../burnout/outOfKiln';
import type { PourContext } from '../context';
import type { Part } from '../part';
import { valueOf, type Planned } from '../planned';
import type { TemperaturePlan } from '../pour/temperaturePlan';

/** What is asked of the filling of a part, and what is known. */
export interface PartFill {
  /** Key of the pour's flask whose temperatures it is reckoned with. */
  flaskKey: string;
  /** None while something that it needs is missing. */
  wish: FillInput | undefined;
  reading: FillReading | undefined;
  judgements: Judgement[];
}
const NOTHING = { wish: undefined, reading: undefined, judgements: [] };

/** Metal above a part until a flask is chosen (*shop default*). mm. */
const HEAD_UNKNOWN_MM = 40;

/** Of a part that no gate has a place on. */
export const noFill = (context: PourContext, part: Part): PartFill => ({
  flaskKey: context.flasks[flaskOf(context, part)]!.decided.key,
  ...NOTHING,
});

/** The flask that a part hangs in: the first that has some of it. */
function flaskOf({ flasks }: PourContext, { key }: Part): number {
  return Math.max(
    0,
    flasks.findIndex(({ parts }) => parts.some((part) => part.key === key)),
  );
}

/**
 * Metal that stands over the gates of a part as the flask is poured, its base up: of the one that hangs nearest the button, which
 * has the least; until it is hung that of cone and main sprue.
 */
function headOf({ flasks }: PourContext, flask: number, part: Part): { headMm: number; guessed: boolean } {
  const hung = flasks[flask];
  if (!hung?.flask) return { headMm: HEAD_UNKNOWN_MM, guessed: true };
  const keys = new Set(hung.pieces.filter(({ line }) => line === part.key).map(({ key }) => key));
  const heights = (hung.decided.sprue.hung ?? []).filter(({ key }) => keys.has(key));
  if (heights.length > 0)
    return { headMm: Math.min(...heights.map(({ heightMm }) => heightMm)), guessed: false };
  return { headMm: hung.flask.coneHeightMm + hung.decided.sprue.mainSprueLengthMm, guessed: false };
}

function driveOf({ way, vacuumKpa, armMm, turnsPerMin }: Pouring, headMm: number): Drive {
  switch (way) {
    case 'gravity':
      return { way, headMm };
    case 'vacuum':
      return { way, headMm, vacuumKpa };
    case 'centrifuge':
      return { way, headMm, armMm, turnsPerMin };
  }
}

interface Known {
  alloy: Alloy;
  temperatures: TemperaturePlan;
  drive: Drive;
}

/** What it would take to say whether it fills, in words; or all of it. */
function gather(
  { alloy, settings: { pouring } }: PourContext,
  temperatures: TemperaturePlan | undefined,
  headMm: number,
): Known | Phrase {
  if (!alloy || !temperatures) return say`The metal is not chosen, and with it how hot it is poured.`;
  if (!pouring) return say`How the shop pours is not said: by gravity, under vacuum or with a centrifuge.`;
  if (Object.keys(alloy.composition).length === 0)
    return say`What ${alloy.name} is made of is not on record.`;
  return { alloy, temperatures, drive: driveOf(pouring, headMm) };
}

function heatOf({ alloy, temperatures: { metalC, wantedFlaskC: flaskC } }: Known): {
  heat: FillInput['heat'];
  estimated: boolean;
} {
  const { estimated, ...melt } = meltOf(alloy.composition, {
    latentJPerG: alloy.latentJPerG ?? undefined,
    heatJPerGK: alloy.heatJPerGK ?? undefined,
    surfaceNPerM: alloy.surfaceNPerM ?? undefined,
  });
  return {
    heat: { ...melt, liquidusC: alloy.liquidusC, metalC, flaskC },
    estimated: estimated.length > 0,
  };
}

/** Whether a part fills by gates that have a place (handbook 05, "Fill"). `grid`: what it is read on. */
export function planFill(
  context: PourContext,
  part: Part,
  of: { grid: Omit<FillInput, 'heat' | 'drive' | 'hottest'>; pours: readonly Planned<TemperaturePlan>[] },
): PartFill {
  const flask = flaskOf(context, part);
  const none = noFill(context, part);
  const planned = of.pours[flask];
  const { headMm, guessed } = headOf(context, flask, part);
  const known = gather(context, planned && valueOf(planned), headMm);
  if (!('alloy' in known)) return { ...none, judgements: [fillUnread(known)] };
  const { alloy, temperatures, drive } = known;
  if (temperatures.metalC < alloy.liquidusC)
    return { ...none, judgements: [judgeNotLiquid(temperatures.metalC, alloy.liquidusC)] };
  const { heat: inKiln, estimated } = heatOf(known);
  // It is what the metal meets that counts, once somebody says how long the way from the kiln takes.
  const meets = metalMeets(context, flask, temperatures.flaskC);
  const heat = meets ? { ...inKiln, flaskC: Math.round(meets.tempC) } : inKiln;
  const hottest = {
    flaskC: Math.min(FLASK_MOST_C, context.powder?.ceilingC ?? FLASK_MOST_C),
    metalC: alloy.liquidusC + SUPERHEAT_MOST_C,
  };
  const wish = { ...of.grid, heat, drive, hottest };
  const reading = context.readings.of(fillJob, wish);
  if (reading.status !== 'known')
    return { ...none, wish, judgements: [fillUnread(say`The metal is not followed through it yet.`)] };
  if (!reading.value)
    return {
      ...none,
      wish,
      judgements: [fillUnread(say`The grid is too coarse for it: nothing in it is wide enough to follow.`)],
    };
  const limits = {
    flaskHighC: temperatures.flask.highC,
    metalHighC: temperatures.metal.highC,
    estimated,
  };
  const judged = judgeFill(reading.value, limits);
  const assumed =
    guessed && drive.way !== 'vacuum'
      ? say` Reckoned with ${quantity(headMm, 'mm', 0)} of metal above it, until a flask is chosen.`
      : [];
  const cooled = meets
    ? say` With the patterns’ plaster at ${quantity(heat.flaskC, 'degC')}, ${quantity(meets.outMin, 'min', 1)} out of the kiln.`
    : [];
  return {
    ...none,
    wish,
    reading: reading.value,
    judgements: judged.map((one) => ({ ...one, why: [...one.why, ...assumed, ...cooled] })),
  };
}
