import type { StageKey } from '@zero-pour/core';
import { planBurnout, type BurnoutPlan } from './burnoutPlan';
import { planCharge, type ChargePlan } from './chargePlan';
import { resolvePour, type PlannedFor, type PourContext, type Shop } from './context';
import { planCost, type CostPlan } from './costPlan';
import { planGates, type PartGates } from './gatePlan';
import { planMix, type MixPlan } from './mixPlan';
import { valueOf, type Planned } from './planned';
import { planPrint, type PrintPlan } from './printPlan';
import { currentStage, stageStates, type StageState } from './progress';
import { planScale, type ScalePlan } from './scale/planScale';
import { planTemperatures, type TemperaturePlan } from './temperaturePlan';
import { planTimes, type TimePlan } from './timePlan';
import { planTree, type TreePlan } from './treePlan';

/** Everything that can be worked out of a pour as it stands. */
export interface PourPlan {
  context: PourContext;
  states: Record<StageKey, StageState>;
  current: StageKey;
  temperatures: Planned<TemperaturePlan>;
  scale: Planned<ScalePlan>;
  gates: PartGates[];
  print: Planned<PrintPlan>;
  tree: Planned<TreePlan>;
  charge: Planned<ChargePlan>;
  mix: Planned<MixPlan>;
  burnout: Planned<BurnoutPlan>;
  times: Planned<TimePlan>;
  cost: CostPlan;
}

/**
 * Works out a pour in the order of the work; what waits for a decision says for which. Pure, and quick enough
 * (under a millisecond) to run on every keystroke.
 */
export function planPour(pour: PlannedFor, shop: Shop): PourPlan {
  const context = resolvePour(pour, shop);
  const temperatures = planTemperatures(context);
  const scale = planScale(context, valueOf(temperatures));
  const gates = planGates(context);
  const print = planPrint(context, valueOf(scale));
  const tree = planTree(context, gates, valueOf(scale));
  const charge = planCharge(context, tree);
  const mix = planMix(context, tree);
  const burnout = planBurnout(context, valueOf(temperatures));
  const times = planTimes(context, valueOf(burnout), valueOf(print), valueOf(mix), gates);
  const states = stageStates(context);
  const cost = planCost(context, {
    print: valueOf(print),
    mix: valueOf(mix),
    burnout: valueOf(burnout),
    charge: valueOf(charge),
  });
  return {
    context,
    states,
    current: currentStage(states),
    temperatures,
    scale,
    gates,
    print,
    tree,
    charge,
    mix,
    burnout,
    times,
    cost,
  };
}
