import {
  BORIC_ACID,
  flaskVolumeMl,
  investSteps,
  judgeBond,
  judgeBoric,
  judgeGlossOff,
  judgeGrade,
  judgeRatio,
  judgeWater,
  judgeWeighed,
  knownWaterC,
  MIX_WASTE_PERCENT,
  POWDER,
  pourTemperatures,
  POWDER_DENSITY,
  ROUND_ML,
  SLURRY_DENSITY,
  WATER,
  workingMinutes,
  type InvestStep,
  type Judgement,
} from '@zero-pour/core';
import { readingValue, type Flask } from '@zero-pour/contracts';
import type { FlaskContext, PourContext } from '../context';
import { figure, fromFigure, sumOf, type Figure, type Input } from '../figure';
import { burntResin } from '../givens';
import { glossMin, ordinaryMix } from './ofPowder';
import { impossible, known, lacking, missing, whenKnown, type Planned } from '../planned';
import type { TreePlan } from '../sprue/treePlan';

export interface MixPlan {
  ratio: number;
  powder: Figure;
  water: Figure;
  boric: Figure | undefined;
  workingMin: number;
  /** The water's temperature was read or guessed, not taken as 22 °C. */
  waterKnown: boolean;
  steps: InvestStep[];
  judgements: Judgement[];
}

function flaskFigure(flask: Flask): Figure {
  const from = { unit: 'mm', digits: 1, source: `flask ${flask.name}`, stage: 'sprue' } as const;
  return figure({ name: 'Flask, inside', unit: 'ml', digits: 1 }, ROUND_ML, {
    D: { name: 'Inner diameter', value: flask.innerDiameterMm, ...from },
    H: { name: 'Height', value: flask.heightMm, ...from },
  });
}

/** One figure, or the sum of several. */
function allOf(name: string, symbol: string, figures: readonly [Figure, ...Figure[]]): Input {
  const [only] = figures;
  if (figures.length === 1) return fromFigure(only, 'sprue');
  const terms = figures.map((of, i) => ({ ...fromFigure(of, 'sprue'), symbol: `${symbol}${i + 1}` }));
  return fromFigure(sumOf({ name, unit: only.unit, digits: 1 }, terms), 'sprue');
}

/** A flask of the bowl with its tree. */
interface Filled {
  flask: Flask;
  tree: TreePlan;
}

function powderFigure(filled: readonly [Filled, ...Filled[]], ratio: Input): Figure {
  const each = (of: (one: Filled) => Figure) => filled.map(of) as [Figure, ...Figure[]];
  const density = figure({ name: 'Density of the slurry', unit: 'gPerCm3' }, SLURRY_DENSITY, {
    r: ratio,
    ρp: { name: 'Dry powder', value: POWDER_DENSITY, unit: 'gPerCm3', digits: 2, source: 'book' },
  });
  return figure({ name: 'Powder', unit: 'g', digits: 0 }, POWDER, {
    ρ: fromFigure(density),
    F: allOf(
      'All flasks, inside',
      'F',
      each(({ flask }) => flaskFigure(flask)),
    ),
    T: allOf(
      'All trees',
      'T',
      each(({ tree }) => tree.tree),
    ),
    w: {
      name: 'Left in the bowl',
      value: MIX_WASTE_PERCENT,
      unit: 'percent',
      digits: 0,
      source: 'shop default',
    },
    r: ratio,
  });
}

function boricFigure({ doc }: PourContext, powder: Figure, water: Figure): Figure | undefined {
  const { school, percent } = doc.invest.boric;
  if (school === 'none') return undefined;
  return figure({ name: 'Boric acid', unit: 'g' }, BORIC_ACID, {
    p: fromFigure(school === 'powder' ? powder : water),
    b: {
      name: `Boric acid, of the ${school}`,
      value: percent,
      unit: 'percent',
      digits: 1,
      source: 'typed at Invest',
      stage: 'invest',
    },
  });
}

/** Every flask with its tree, once all are known; nothing hangs in a flask whose tree is larger than it. */
function fillAll(
  hung: readonly { context: FlaskContext; tree: Planned<TreePlan> }[],
): Planned<[Filled, ...Filled[]]> {
  const filled: Filled[] = [];
  for (const { context, tree } of hung) {
    if (tree.status !== 'known') return tree;
    const { flask } = context;
    if (!flask) return missing(lacking([flask, 'a flask', 'sprue']));
    if (tree.value.tree.value >= flaskVolumeMl(flask.innerDiameterMm, flask.heightMm))
      return impossible('The tree is larger than the flask. Choose a larger flask at Sprue.', 'sprue');
    filled.push({ flask, tree: tree.value });
  }
  const [first, ...others] = filled;
  return first ? known([first, ...others]) : missing(lacking([undefined, 'a flask', 'sprue']));
}

/** Powder, water, boric acid and the working-time clock of the bowl that all flasks are filled from (handbook 07, "Mix"). */
export function planMix(
  context: PourContext,
  hung: readonly { context: FlaskContext; tree: Planned<TreePlan> }[],
): Planned<MixPlan> {
  const { powder, alloy, doc } = context;
  const planned = fillAll(hung);
  const flask = hung.find((one) => !one.context.flask) ? undefined : hung;
  if (!powder || !flask) {
    const waiting = planned.status === 'missing' ? planned.needs.filter((n) => n.what !== 'a flask') : [];
    return missing([...lacking([powder, 'a powder', 'invest'], [flask, 'a flask', 'sprue']), ...waiting]);
  }
  return whenKnown(planned, (filled) => {
    const own = doc.invest.ratio;
    const ratio: Input = {
      name: 'Water ÷ powder',
      value: own ?? powder.ratioUsual,
      unit: 'ratio',
      source: own === undefined ? `powder record ${powder.name}` : 'typed at Invest',
      stage: 'invest',
    };
    const powderG = powderFigure(filled, ratio);
    const water = figure({ name: 'Water', unit: 'g', digits: 0 }, WATER, {
      r: ratio,
      p: fromFigure(powderG),
    });
    const waterTempC = readingValue(doc.invest.waterTempC);
    const workingMin = workingMinutes(powder.workingMinAt22C, knownWaterC(waterTempC));
    const boric = boricFigure(context, powderG, water);
    return known({
      ratio: ratio.value,
      powder: powderG,
      water,
      boric,
      workingMin,
      waterKnown: waterTempC !== undefined,
      steps: investSteps(workingMin),
      judgements: [
        ...(alloy
          ? judgeBond(
              { name: alloy.name, lowC: pourTemperatures(alloy, doc.brief.castClass).metal.lowC },
              powder,
            )
          : []),
        ...judgeRatio(powder, ratio.value),
        ...(burntResin(context) ? judgeGrade(powder.grade, ordinaryMix(context, powder)) : []),
        ...judgeBoric(doc.invest.boric.school, boric?.value, water.value),
        ...judgeWater(waterTempC),
        ...judgeWeighed(ratio.value, doc.invest.weighedPowderG, doc.invest.weighedWaterG),
        ...judgeGlossOff(glossMin(context), workingMin, waterTempC !== undefined),
      ],
    });
  });
}
