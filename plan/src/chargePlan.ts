import { chargeByVolume, quantity, say, splitCharge, type Judgement } from '@zero-pour/core';
import type { PourContext } from './context';
import { figure, formula, fromFigure, type Figure, type Given } from './figure';
import { known, lacking, missing, whenKnown, type Planned } from './planned';
import type { TreePlan } from './treePlan';

export interface ChargePlan {
  total: Figure;
  /** Charge by the other way (weighed or by volume), when both are known. */
  otherWayG: number | undefined;
  patternsG: number;
  spruesG: number;
  buttonG: number;
  newPercent: number;
  newG: number;
  reusedG: number;
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
  if (newPercent >= 50) return [];
  const lead = newPercent === 0 ? 'All reused metal.' : 'Mostly reused metal.';
  return [
    {
      rule: 'reused',
      weight: 'watch',
      lead,
      why: say`${newPercent} % new; half is usual. What helps new metal flow is used up with each melt.`,
    },
  ];
}

/** Metal to weigh out (handbook 05, "Metal"). */
export function planCharge(context: PourContext, planned: Planned<TreePlan>): Planned<ChargePlan> {
  const { alloy, doc, settings } = context;
  if (!alloy)
    return missing([
      ...lacking([alloy, 'the metal', 'brief']),
      ...(planned.status === 'missing' ? planned.needs : []),
    ]);
  return whenKnown(planned, (tree) => {
    const volumes = {
      patternsCm3: tree.patterns.value,
      spruesCm3: tree.sprues.value,
      buttonCm3: tree.button.value,
    };
    const charge = chargeByVolume(volumes, alloy.densityGPerCm3, alloy.lossPercent);
    const source = `alloy record ${alloy.name}`;
    const density: Given = {
      symbol: 'ρ',
      name: `Density of ${alloy.name}`,
      value: alloy.densityGPerCm3,
      unit: 'gPerCm3',
      source,
      stage: 'brief',
    };
    const loss: Given = {
      symbol: 'l',
      name: 'Melt loss',
      value: alloy.lossPercent,
      unit: 'percent',
      digits: 1,
      source,
      stage: 'brief',
    };
    const total = figure(
      { name: 'Metal', value: charge.totalG, unit: 'g' },
      formula`${density} × (${fromFigure('P', tree.patterns)} + ${fromFigure('S', tree.sprues)} + ${fromFigure('K', tree.button)}) × (1 + ${loss}/100)`,
    );
    const other = tree.patternsOtherWay;
    const otherWayG =
      other &&
      chargeByVolume({ ...volumes, patternsCm3: other.value }, alloy.densityGPerCm3, alloy.lossPercent)
        .totalG;
    const newPercent = doc.sprue.newPercent ?? settings.newMetalPercent;
    return known({
      total,
      otherWayG,
      patternsG: charge.patternsG,
      spruesG: charge.spruesG,
      buttonG: charge.buttonG,
      newPercent,
      ...splitCharge(charge.totalG, newPercent),
      lostG: charge.totalG - charge.totalG / (1 + alloy.lossPercent / 100),
      judgements: [
        ...judgeWays(charge.totalG, otherWayG, doc.sprue.weighBy === 'weight'),
        ...judgeReuse(newPercent),
      ],
    });
  });
}
