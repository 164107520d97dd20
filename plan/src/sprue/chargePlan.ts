import {
  CHARGE,
  CHARGE_PART,
  judgeReuse,
  judgeWays,
  METAL_LOST,
  NEW_METAL,
  REUSED_METAL,
  type Judgement,
  type WayClues,
} from '@zero-pour/core';
import type { Alloy } from '@zero-pour/contracts';
import type { FlaskContext, PourContext } from '../context';
import { figure, fromFigure, type Figure, type Input } from '../figure';
import { patternDensity, volumeIsEstimate } from '../givens';
import { known, lacking, missing, whenKnown, type Planned } from '../planned';
import type { TreePlan } from './treePlan';

export interface ChargePlan {
  total: Figure;
  /** Charge by the other way (weighed or by volume), when both are known. */
  otherWay: Figure | undefined;
  patterns: Figure;
  /** Of it, in sprues that the files hold already. */
  inFile: Figure | undefined;
  sprues: Figure;
  button: Figure;
  newMetal: Figure;
  reused: Figure;
  /** Metal that the melt loses. */
  lost: Figure;
  judgements: Judgement[];
}

interface MetalInputs {
  ρ: Input;
  l: Input;
}

function metalInputs(alloy: Alloy): MetalInputs {
  const from = { source: `alloy record ${alloy.name}`, stage: 'brief' } as const;
  return {
    ρ: { name: `Density of ${alloy.name}`, value: alloy.densityGPerCm3, unit: 'gPerCm3', ...from },
    l: { name: 'Melt loss', value: alloy.lossPercent, unit: 'percent', digits: 1, ...from },
  };
}

const partFigure = (name: string, volume: Figure, metal: MetalInputs): Figure =>
  figure({ name, unit: 'g' }, CHARGE_PART, { ...metal, V: fromFigure(volume) });

/** The whole charge, with the patterns' volume known one way or the other. */
const totalFigure = (name: string, patterns: Figure, tree: TreePlan, metal: MetalInputs): Figure =>
  figure({ name, unit: 'g' }, CHARGE, {
    ...metal,
    P: fromFigure(patterns),
    S: fromFigure(tree.sprues),
    K: fromFigure(tree.button),
  });

/** New metal of a charge in percent: of the lots that it is weighed out of, else as typed, as the alloy asks, or as the shop does. */
function newShare(
  { settings, lots, alloy }: PourContext,
  { decided: { sprue } }: FlaskContext,
): { value: number; source: string } {
  const chosen = (sprue.lots ?? []).flatMap(({ key, massG }) => {
    const lot = lots.find(({ id }) => id === key);
    return lot && massG > 0 ? [{ massG, melts: lot.melts }] : [];
  });
  const total = chosen.reduce((sum, { massG }) => sum + massG, 0);
  if (total > 0) {
    const fresh = chosen.reduce((sum, { massG, melts }) => sum + (melts === 0 ? massG : 0), 0);
    return { value: (100 * fresh) / total, source: 'the lots that were chosen' };
  }
  if (sprue.newPercent !== undefined) return { value: sprue.newPercent, source: 'typed at Sprue' };
  if (alloy?.newPercent != null) return { value: alloy.newPercent, source: `alloy record ${alloy.name}` };
  return { value: settings.newMetalPercent, source: 'as the shop does' };
}

/** New and reused metal of a charge. */
function splitFigures(
  total: Figure,
  context: PourContext,
  hung: FlaskContext,
): { newMetal: Figure; reused: Figure } {
  const inputs = {
    M: fromFigure(total),
    n: { name: 'New metal', unit: 'percent', digits: 0, stage: 'sprue', ...newShare(context, hung) },
  } satisfies Record<string, Input>;
  return {
    newMetal: figure({ name: 'New metal', unit: 'g' }, NEW_METAL, inputs),
    reused: figure({ name: 'Reused metal', unit: 'g' }, REUSED_METAL, inputs),
  };
}

/** What may make weight and volume differ. */
const cluesOf = (context: PourContext, { parts }: FlaskContext): WayClues => ({
  open: volumeIsEstimate(context),
  overlaps: parts.some(({ pattern }) => pattern.measure.overlapMm3 > 0),
  densityGuessed: patternDensity(context)?.guessed === true,
});

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
    const metal = metalInputs(alloy);
    const total = totalFigure('Metal', tree.patterns, tree, metal);
    const other = tree.patternsOtherWay;
    const otherWay = other && totalFigure('Metal, the other way', other, tree, metal);
    const { newMetal, reused } = splitFigures(total, context, hung);
    return known({
      total,
      otherWay,
      patterns: partFigure('Metal in the patterns', tree.patterns, metal),
      inFile: tree.inFile && partFigure('Metal in the files’ sprues', tree.inFile, metal),
      sprues: partFigure('Metal in gates and sprue', tree.sprues, metal),
      button: partFigure('Metal in the button', tree.button, metal),
      newMetal,
      reused,
      lost: figure({ name: 'Metal lost', unit: 'g' }, METAL_LOST, { M: fromFigure(total), l: metal.l }),
      judgements: [
        ...judgeWays(
          total.value,
          otherWay?.value,
          hung.decided.sprue.weighBy === 'weight',
          cluesOf(context, hung),
        ),
        ...judgeReuse((100 * newMetal.value) / total.value),
      ],
    });
  });
}
