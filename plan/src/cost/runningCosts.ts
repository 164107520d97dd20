import {
  ENERGY_COST,
  kilnEnergyKwh,
  MATERIAL_COST,
  POWER_COST,
  WEAR_COST,
  type Formula,
  type StageKey,
  type Unit,
} from '@zero-pour/core';
import { workMinutesOf } from '@zero-pour/contracts';
import type { BurnoutPlan } from '../burnout/burnoutPlan';
import type { PourContext } from '../context';
import { figure, fromFigure, stated, type Figure, type Input } from '../figure';
import type { MixPlan } from '../invest/mixPlan';
import { printedPieces } from '../pieces';
import type { PrintPlan } from '../print/printPlan';

const SETTINGS = 'shop settings';
const given = (name: string, value: number, unit: Unit, source: string, stage: StageKey): Input => ({
  name,
  value,
  unit,
  source,
  stage,
});
const price = (name: string, value: number): Input => given(name, value, 'money', SETTINGS, 'brief');
const cost = <S extends string>(name: string, rule: Formula<S>, inputs: Record<S, Input>): Figure =>
  figure({ name, unit: 'money' }, rule, inputs);

/** What the machines draw: the kiln by its own pace and power, the furnace by its power while it melts. */
function energyCosts(
  { settings, kiln, flasks }: PourContext,
  burnout: BurnoutPlan | undefined,
  melts: boolean,
): Figure[] {
  const { perKwh, furnaceKw } = settings.costs ?? {};
  if (!perKwh) return [];
  const p = price('A kWh', perKwh);
  return [
    ...(burnout && kiln?.powerKw
      ? [cost('Kiln, energy', ENERGY_COST, { E: given('Energy, about', kilnEnergyKwh(burnout.curve, kiln, kiln.powerKw), 'kWh', 'programme, and the kiln’s own pace', 'burnout'), p })]
      : []),
    ...(melts && furnaceKw
      ? [cost('Furnace, energy', POWER_COST, { P: given('Power', furnaceKw, 'kW', SETTINGS, 'pour'), t: given('Melting', workMinutesOf(settings, 'melt') * flasks.length, 'min', `${SETTINGS}, a melt a flask`, 'pour'), p })]
      : []),
  ];
} // prettier-ignore

/** What a print wears: the screen by how long it is lit, the film by layers, a bath by parts. */
function wearCosts(context: PourContext, print: PrintPlan): Figure[] {
  const { settings, printer } = context;
  const { film, filmLayers, bathFill } = settings.costs ?? {};
  const bath = settings.baths[0];
  const parts = printedPieces(context).length;
  return [
    ...(printer && printer.lightPrice > 0 && printer.lightRatedH
      ? [cost('Screen or lamp', WEAR_COST, { n: given('Lit', print.lightH, 'h', 'layers and exposure', 'print'), N: given('Rated for', printer.lightRatedH, 'h', `printer record ${printer.name}`, 'resin'), p: given('A new one', printer.lightPrice, 'money', `printer record ${printer.name}`, 'resin') })]
      : []),
    ...(film && filmLayers
      ? [cost('Film', WEAR_COST, { n: given('Layers', print.layers, 'count', 'height and layer', 'print'), N: given('Good for', filmLayers, 'count', SETTINGS, 'print'), p: price('A new one', film) })]
      : []),
    ...(bathFill && bath
      ? [cost('Washing', WEAR_COST, { n: given('Parts', parts, 'count', 'pieces on the plate', 'clean'), N: given('Good for', bath.partsMost, 'count', `bath ${bath.name}`, 'clean'), p: price('A fill', bathFill) })]
      : []),
  ];
} // prettier-ignore

/** What else a pour uses up, where the shop says what it costs; what has no price is not counted. */
export function runningCosts(
  context: PourContext,
  { print, mix, burnout, melts }: { print: PrintPlan | undefined; mix: MixPlan | undefined; burnout: BurnoutPlan | undefined; melts: boolean },
): Figure[] {
  const { boricPerKg, eachPour } = context.settings.costs ?? {};
  const boric = mix?.boric;
  return [
    ...energyCosts(context, burnout, melts),
    ...(print ? wearCosts(context, print) : []),
    ...(boric && boricPerKg
      ? [cost('Boric acid', MATERIAL_COST, { m: fromFigure(boric), p: price('A kilogram', boricPerKg) })]
      : []),
    ...(melts && eachPour
      ? [stated({ name: 'Flux, gaskets and the like', unit: 'money' }, { symbol: 'p', ...price('Each pour', eachPour) })]
      : []),
  ];
} // prettier-ignore
