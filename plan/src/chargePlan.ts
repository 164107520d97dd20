import { chargeByVolume, quantity, say, splitCharge, type Judgement } from '@zero-pour/core';
import type { Alloy } from '@zero-pour/contracts';
import type { FlaskContext, PourContext } from './context';
import { figure, formula, fromFigure, type Figure, type Given } from './figure';
import { known, lacking, missing, whenKnown, type Planned } from './planned';
import type { TreePlan } from './treePlan';

export interface ChargePlan {
  total: Figure;
  /** Charge by the other way (weighed or by volume), when both are known. */
  otherWay: Figure | undefined;
  patterns: Figure;
  sprues: Figure;
  button: Figure;
  newMetal: Figure;
  reused: Figure;
  /** Metal that the melt loses. */
  lostG: number;
  judgements: Judgement[];
}

/** The two ways of knowing the patterns differ by more than this: one of them is wrong. */
const WAYS_DIFFER_PERCENT = 5;

function judgeWays(total: number, other: number | undefined, byWeight: boolean): Judgement[] {
  if (other === undefined) return [];
  const differ = (100 * (total - other)) / other;
  const [here, there] = byWeight ? ['by weight', 'by volume'] : ['by volume', 'by weight'];
  const why = say`${quantity(total, 'g')} ${here} against ${quantity(other, 'g')} ${there}: ${quantity(differ, 'percent', 1)}.`;
  if (Math.abs(differ) <= WAYS_DIFFER_PERCENT)
    return [{ rule: 'ways agree', weight: 'ok', lead: 'Both ways agree.', why }];
  return [
    {
      rule: 'ways differ',
      weight: 'watch',
      lead: 'The two ways differ.',
      why: [...why, ' Look for overlapping bodies in the file, a hollow print, or supports still on.'],
    },
  ];
}

function judgeReuse(newPercent: number): Judgement[] {
  if (newPercent >= 49.99) return [];
  const lead = newPercent === 0 ? 'All reused metal.' : 'Mostly reused metal.';
  return [
    {
      rule: 'reused',
      weight: 'watch',
      lead,
      why: say`${Math.round(newPercent)} % new; half is usual. What helps new metal flow is used up with each melt.`,
    },
  ];
}

/** Metal of one part of the tree: ρ × V × (1 + loss). */
function partFigure(name: string, symbol: string, volume: Figure, { density, loss }: MetalGivens): Figure {
  const value = density.value * volume.value * (1 + loss.value / 100);
  return figure(
    { name, value, unit: 'g' },
    formula`${density} × ${fromFigure(symbol, volume)} × (1 + ${loss}/100)`,
  );
}

interface MetalGivens {
  density: Given;
  loss: Given;
}

function metalGivens(alloy: Alloy): MetalGivens {
  const from = { source: `alloy record ${alloy.name}`, stage: 'brief' } as const;
  return {
    density: {
      symbol: 'ρ',
      name: `Density of ${alloy.name}`,
      value: alloy.densityGPerCm3,
      unit: 'gPerCm3',
      ...from,
    },
    loss: { symbol: 'l', name: 'Melt loss', value: alloy.lossPercent, unit: 'percent', digits: 1, ...from },
  };
}

/** The whole charge, with the patterns' volume known one way or the other. */
function totalFigure(name: string, patterns: Figure, tree: TreePlan, metal: MetalGivens): Figure {
  const volumes = {
    patternsCm3: patterns.value,
    spruesCm3: tree.sprues.value,
    buttonCm3: tree.button.value,
  };
  return figure(
    { name, value: chargeByVolume(volumes, metal.density.value, metal.loss.value).totalG, unit: 'g' },
    formula`${metal.density} × (${fromFigure('P', patterns)} + ${fromFigure('S', tree.sprues)} + ${fromFigure('K', tree.button)}) × (1 + ${metal.loss}/100)`,
  );
}

/** New and reused metal, by the shop's usual share or the pour's own. */
function splitFigures(
  total: Figure,
  { settings }: PourContext,
  { decided }: FlaskContext,
): { newMetal: Figure; reused: Figure } {
  const own = decided.sprue.newPercent;
  const percent = own ?? settings.newMetalPercent;
  const share: Given = {
    symbol: 'n',
    name: 'New metal',
    value: percent,
    unit: 'percent',
    digits: 0,
    source: own === undefined ? 'as the shop does' : 'typed at Sprue',
    stage: 'sprue',
  };
  const { newG, reusedG } = splitCharge(total.value, percent);
  const all = fromFigure('M', total);
  return {
    newMetal: figure({ name: 'New metal', value: newG, unit: 'g' }, formula`${all} × ${share}/100`),
    reused: figure({ name: 'Reused metal', value: reusedG, unit: 'g' }, formula`${all} × (1 − ${share}/100)`),
  };
}

/** Metal to weigh out for one flask (handbook 05, "Metal"). */
export function planCharge(
  context: PourContext,
  hung: FlaskContext,
  planned: Planned<TreePlan>,
): Planned<ChargePlan> {
  const { alloy } = context;
  if (!alloy) {
    const waiting = planned.status === 'missing' ? planned.needs : [];
    return missing([...lacking([alloy, 'the metal', 'brief']), ...waiting]);
  }
  return whenKnown(planned, (tree) => {
    const metal = metalGivens(alloy);
    const total = totalFigure('Metal', tree.patterns, tree, metal);
    const other = tree.patternsOtherWay;
    const otherWay = other && totalFigure('Metal, the other way', other, tree, metal);
    const { newMetal, reused } = splitFigures(total, context, hung);
    return known({
      total,
      otherWay,
      patterns: partFigure('Metal in the patterns', 'P', tree.patterns, metal),
      sprues: partFigure('Metal in gates and sprue', 'S', tree.sprues, metal),
      button: partFigure('Metal in the button', 'K', tree.button, metal),
      newMetal,
      reused,
      lostG: total.value - total.value / (1 + alloy.lossPercent / 100),
      judgements: [
        ...judgeWays(total.value, otherWay?.value, hung.decided.sprue.weighBy === 'weight'),
        ...judgeReuse((100 * newMetal.value) / total.value),
      ],
    });
  });
}
