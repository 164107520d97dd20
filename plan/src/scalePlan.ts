import {
  FINISH_SKIN_MM,
  InputError,
  investmentExpansionPercent,
  ringSizesNear,
  scaleOfSteps,
  sizeToPrint,
  type RingSizeName,
} from '@zero-pour/core';
import type { PourContext } from './context';
import { figure, formula, type Figure, type Given } from './figure';
import { impossible, known, lacking, missing, type Planned } from './planned';
import type { TemperaturePlan } from './temperaturePlan';

export interface ScalePlan {
  percent: Figure;
  /** The size that must hold, as it must be printed; only with the chain and a size in the brief. */
  printMm?: Figure;
  /** Steps of the chain with their sources, in order. */
  steps: Given[];
  /** The held bore in every ring-size system. */
  ringSizes: RingSizeName[];
}

/** The shares of the chain; the shop's own number wins over the book's. */
function chainSteps(context: PourContext, flaskC: number): Given[] {
  const { doc, resin, alloy } = context;
  const step = (
    symbol: string,
    name: string,
    own: number | undefined,
    book: number,
    from: string,
  ): Given => ({
    symbol,
    name,
    value: own ?? book,
    unit: 'percent',
    digits: 2,
    source: own === undefined ? from : 'typed here',
    stage: 'scale',
  });
  const { resinPercent, investmentPercent, metalPercent } = doc.scale;
  return [
    step('e₁', 'Resin after cure', resinPercent, resin?.curePercent ?? 0, `resin record ${resin?.name}`),
    step(
      'e₂',
      'Investment',
      investmentPercent,
      investmentExpansionPercent(flaskC),
      'book, at the flask’s temperature',
    ),
    step(
      'e₃',
      'Metal, freezing to room',
      metalPercent,
      alloy?.shrinkPercent ?? 0,
      `alloy record ${alloy?.name}`,
    ),
  ];
}

function skinMm({ doc }: PourContext): Given {
  const own = doc.scale.skinMm;
  const finished = doc.brief.finish === 'full' || doc.brief.finish === 'one face';
  return {
    symbol: 'a',
    name: 'Skin removed by finishing, each surface',
    value: own ?? (finished ? FINISH_SKIN_MM.plain : FINISH_SKIN_MM.none),
    unit: 'mm',
    digits: 2,
    source: own === undefined ? `book, finish “${doc.brief.finish}”` : 'typed here',
    stage: 'scale',
  };
}

/** Typed here, else what the profile's coupons measured, else nothing. */
function printAdds({ doc, profile }: PourContext): Given {
  const typed = doc.scale.printAddsMm;
  const measured = profile?.printAddsMm ?? undefined;
  const source = measured === undefined ? 'book' : `widths measured for ${profile?.name}`;
  return {
    symbol: 'b',
    name: 'What printing adds',
    value: typed ?? measured ?? 0,
    unit: 'mm',
    digits: 3,
    source: typed === undefined ? source : 'typed here',
    stage: typed === undefined && measured !== undefined ? 'resin' : 'scale',
  };
}

const productOf = ([resin, investment, metal]: Given[]) =>
  resin && investment && metal ? formula`(1 + ${resin}/100)(1 + ${investment}/100)(1 + ${metal}/100)` : [];

function planChain(context: PourContext, temperatures: TemperaturePlan): ScalePlan {
  const steps = chainSteps(context, temperatures.flaskC);
  const percents = steps.map((s) => s.value);
  const hold = context.doc.brief.holdSize;
  const spec = { name: 'Scale', unit: 'percent', digits: 2 } as const;
  if (!hold) {
    const value = scaleOfSteps(percents);
    const note = 'No size is to be held, so the skin that finishing takes is not counted in.';
    return {
      percent: figure({ ...spec, value, note }, ['100 / (', ...productOf(steps), ')']),
      steps,
      ringSizes: [],
    };
  }
  const skin = skinMm(context);
  const adds = printAdds(context);
  const finished: Given = {
    symbol: 'F',
    name: hold.surface === 'inner' ? 'Finished bore' : 'Finished size',
    value: hold.mm,
    unit: 'mm',
    digits: 2,
    source: hold.ring ? `brief, ${hold.ring.system} ${hold.ring.size}` : 'brief',
    stage: 'brief',
  };
  const result = sizeToPrint({
    finishedMm: hold.mm,
    surface: hold.surface,
    stepPercents: percents,
    skinMm: skin.value,
    printAddsMm: adds.value,
  });
  const [first, last] = hold.surface === 'outer' ? [' + 2 × ', ' − '] : [' − 2 × ', ' + '];
  const printMm = figure({ name: 'Size to print', value: result.printMm, unit: 'mm', digits: 3 }, [
    '(', finished, first, skin, ') / (', ...productOf(steps), ')', last, adds,
  ]); // prettier-ignore
  const size: Given = {
    symbol: 'P',
    name: 'Size to print',
    value: result.printMm,
    unit: 'mm',
    digits: 3,
    source: 'worked out',
    figure: printMm,
  };
  return {
    percent: figure({ ...spec, value: result.scalePercent }, formula`100 × ${size} / ${finished}`),
    printMm,
    steps,
    ringSizes: hold.surface === 'inner' ? ringSizesNear(hold.mm) : [],
  };
}

/** Percent to print at, and the held size as printed (handbook 03). */
export function planScale(
  context: PourContext,
  temperatures: TemperaturePlan | undefined,
): Planned<ScalePlan> {
  const { doc, resin, alloy } = context;
  const hold = doc.brief.holdSize;
  const ringSizes = hold?.surface === 'inner' ? ringSizesNear(hold.mm) : [];
  if (doc.scale.way === 'percent') {
    const value = doc.scale.percent;
    if (value === undefined) return missing(lacking([value, 'the percent to print at', 'scale']));
    const given: Given = {
      symbol: 's',
      name: 'Percent',
      value,
      unit: 'percent',
      digits: 2,
      source: 'typed here',
      stage: 'scale',
    };
    return known({
      percent: figure({ name: 'Scale', value, unit: 'percent', digits: 2 }, [given]),
      steps: [],
      ringSizes,
    });
  }
  if (!resin || !alloy || !temperatures) {
    return missing(lacking([resin, 'a resin', 'resin'], [alloy, 'the metal', 'brief']));
  }
  try {
    return known(planChain(context, temperatures));
  } catch (error) {
    if (error instanceof InputError)
      return impossible('The size to hold is smaller than what finishing takes off.', 'scale');
    throw error;
  }
}
