import {
  boricAcidG,
  flaskVolumeMl,
  investSteps,
  MIX_WASTE_PERCENT,
  mixSlurry,
  POWDER_DENSITY,
  quantity,
  say,
  slurryDensity,
  WORKING_REFERENCE_C,
  workingMinutes,
  type InvestStep,
  type Judgement,
} from '@zero-pour/core';
import { readingValue, type Flask, type Powder } from '@zero-pour/contracts';
import type { FlaskContext, PourContext } from './context';
import { figure, formula, fromFigure, type Figure, type Given } from './figure';
import { impossible, known, lacking, missing, whenKnown, type Planned } from './planned';
import type { TreePlan } from './treePlan';

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
  const value = flaskVolumeMl(flask.innerDiameterMm, flask.heightMm);
  const source = `flask ${flask.name}`;
  const diameter: Given = {
    symbol: 'D',
    name: 'Inner diameter',
    value: flask.innerDiameterMm,
    unit: 'mm',
    digits: 1,
    source,
    stage: 'sprue',
  };
  const height: Given = {
    symbol: 'H',
    name: 'Height',
    value: flask.heightMm,
    unit: 'mm',
    digits: 1,
    source,
    stage: 'sprue',
  };
  return figure(
    { name: 'Flask, inside', value, unit: 'ml', digits: 1 },
    formula`π/4 × ${diameter}² × ${height} / 1000`,
  );
}

/** One figure, or the sum of several. */
function sumOf(name: string, symbol: string, figures: readonly Figure[]): Given {
  const [only] = figures;
  if (only && figures.length === 1) return fromFigure(symbol, only, 'sprue');
  const value = figures.reduce((total, { value: one }) => total + one, 0);
  const parts = figures.flatMap((of, i) => {
    const given = fromFigure(`${symbol}${i + 1}`, of, 'sprue');
    return i === 0 ? [given] : [' + ', given];
  });
  return fromFigure(
    symbol,
    figure({ name, value, unit: figures[0]?.unit ?? 'ml', digits: 1 }, parts),
    'sprue',
  );
}

/** A flask of the bowl with its tree. */
interface Filled {
  flask: Flask;
  tree: TreePlan;
}

function powderFigure(filled: readonly Filled[], ratio: Given): Figure {
  const given = sumOf(
    'All flasks, inside',
    'F',
    filled.map(({ flask }) => flaskFigure(flask)),
  );
  const trees = sumOf(
    'All trees',
    'T',
    filled.map(({ tree }) => tree.tree),
  );
  const mix = mixSlurry(given.value, trees.value, ratio.value);
  const density: Given = {
    ...fromFigure('ρ', figure(
      { name: 'Density of the slurry', value: slurryDensity(ratio.value), unit: 'gPerCm3' },
      formula`(1 + ${ratio}) / (1/${{ symbol: 'ρp', name: 'Dry powder', value: POWDER_DENSITY, unit: 'gPerCm3', digits: 2, source: 'book' }} + ${ratio})`,
    )),
  }; // prettier-ignore
  const waste: Given = {
    symbol: 'w',
    name: 'Left in the bowl',
    value: MIX_WASTE_PERCENT,
    unit: 'percent',
    digits: 0,
    source: 'shop default',
  };
  return figure(
    { name: 'Powder', value: mix.powderG, unit: 'g', digits: 0 },
    formula`${density} × (${given} − ${trees}) × (1 + ${waste}/100) / (1 + ${ratio})`,
  );
}

function boricFigure({ doc }: PourContext, powder: Figure, water: Figure): Figure | undefined {
  const { school, percent } = doc.invest.boric;
  if (school === 'none') return undefined;
  const value = boricAcidG(school, percent, { powderG: powder.value, waterG: water.value, slurryGPerMl: 0 });
  const base = fromFigure(school === 'powder' ? 'p' : 'w', school === 'powder' ? powder : water);
  const share: Given = {
    symbol: 'b',
    name: `Boric acid, of the ${school}`,
    value: percent,
    unit: 'percent',
    digits: 1,
    source: 'typed at Invest',
    stage: 'invest',
  };
  return figure({ name: 'Boric acid', value, unit: 'g' }, formula`${base} × ${share}/100`);
}

function judgeMix(context: PourContext, powder: Powder, ratio: number): Judgement[] {
  const out: Judgement[] = [];
  if (ratio < powder.ratioLeast || ratio > powder.ratioMost) {
    out.push({
      rule: 'ratio',
      weight: 'fix',
      lead: 'Outside the powder’s ratio.',
      why: say`${quantity(ratio, 'ratio')}; ${powder.name} takes ${quantity(powder.ratioLeast, 'ratio')} to ${quantity(powder.ratioMost, 'ratio')}. More water is weaker, less traps bubbles.`,
    });
  }
  if (powder.grade === 'standard' && context.resin) {
    out.push({
      rule: 'grade',
      weight: 'watch',
      lead: 'Ordinary powder under resin.',
      why: say`Resin swells before it burns. Take resin-grade powder, or boric acid, a thicker mix and a slower climb to ${quantity(400, 'degC')}.`,
    });
  }
  if (context.doc.invest.boric.school !== 'none') {
    out.push({
      rule: 'boric hard',
      weight: 'watch',
      lead: 'Hard to divest.',
      why: say`Boric acid holds sharp recesses and makes the plaster much harder to take off.`,
    });
  }
  return out;
}

/** Every flask with its tree, once all are known; nothing hangs in a flask whose tree is larger than it. */
function fillAll(hung: readonly { context: FlaskContext; tree: Planned<TreePlan> }[]): Planned<Filled[]> {
  const filled: Filled[] = [];
  for (const { context, tree } of hung) {
    if (tree.status !== 'known') return tree;
    const { flask } = context;
    if (!flask) return missing(lacking([flask, 'a flask', 'sprue']));
    if (tree.value.tree.value >= flaskVolumeMl(flask.innerDiameterMm, flask.heightMm))
      return impossible('The tree is larger than the flask. Choose a larger flask at Sprue.', 'sprue');
    filled.push({ flask, tree: tree.value });
  }
  return known(filled);
}

/** Powder, water, boric acid and the working-time clock of the bowl that all flasks are filled from (handbook 07, "Mix"). */
export function planMix(
  context: PourContext,
  hung: readonly { context: FlaskContext; tree: Planned<TreePlan> }[],
): Planned<MixPlan> {
  const { powder, doc } = context;
  const planned = fillAll(hung);
  const flask = hung.find((one) => !one.context.flask) ? undefined : hung;
  if (!powder || !flask) {
    const waiting = planned.status === 'missing' ? planned.needs.filter((n) => n.what !== 'a flask') : [];
    return missing([...lacking([powder, 'a powder', 'invest'], [flask, 'a flask', 'sprue']), ...waiting]);
  }
  return whenKnown(planned, (filled) => {
    const own = doc.invest.ratio;
    const ratio: Given = {
      symbol: 'r',
      name: 'Water ÷ powder',
      value: own ?? powder.ratioUsual,
      unit: 'ratio',
      source: own === undefined ? `powder record ${powder.name}` : 'typed at Invest',
      stage: 'invest',
    };
    const powderG = powderFigure(filled, ratio);
    const water = figure(
      { name: 'Water', value: ratio.value * powderG.value, unit: 'g', digits: 0 },
      formula`${ratio} × ${fromFigure('p', powderG)}`,
    );
    const waterTempC = readingValue(doc.invest.waterTempC);
    const workingMin = workingMinutes(powder.workingMinAt22C, clampWater(waterTempC ?? WORKING_REFERENCE_C));
    return known({
      ratio: ratio.value,
      powder: powderG,
      water,
      boric: boricFigure(context, powderG, water),
      workingMin,
      waterKnown: waterTempC !== undefined,
      steps: investSteps(workingMin),
      judgements: [...judgeMix(context, powder, ratio.value), ...judgeWater(waterTempC)],
    });
  });
}

/** A water temperature outside what the rule knows counts as its bound; the judgement says so. */
const clampWater = (tempC: number): number => Math.min(45, Math.max(5, tempC));

function judgeWater(tempC: number | undefined): Judgement[] {
  if (tempC === undefined || (tempC >= 20 && tempC <= 24)) return [];
  const lead = tempC > 24 ? 'Warm water.' : 'Cold water.';
  const effect = tempC > 24 ? 'It sets sooner: be quick.' : 'It sets later.';
  return [
    {
      rule: 'water',
      weight: tempC > 40 ? 'fix' : 'watch',
      lead,
      why: say`${quantity(tempC, 'degC')}; ${quantity(20, 'degC')} to ${quantity(24, 'degC')} is usual. ${effect}`,
    },
  ];
}
