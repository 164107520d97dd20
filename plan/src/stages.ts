import { STAGES, type StageKey, type UnitChoice } from '@zero-pour/core';
import { brief } from './brief/stage';
import { burnout } from './burnout/stage';
import { clean } from './clean/stage';
import type { PourContext } from './context';
import { invest } from './invest/stage';
import { pattern } from './pattern/stage';
import { pour } from './pour/stage';
import { print } from './print/stage';
import { resin } from './resin/stage';
import { result } from './result/stage';
import { scale } from './scale/stage';
import { sprue } from './sprue/stage';
import type { PlannedStage, Sight, Stage, StagePlans } from './stage';
import { wayUp } from './wayUp/stage';

/** The rules of every stage. */
const RULES: { [K in StageKey]: Stage<K> } = {
  brief,
  pattern,
  resin,
  wayUp,
  scale,
  print,
  clean,
  sprue,
  invest,
  burnout,
  pour,
  result,
};

const PLANNERS: { [K in PlannedStage]: { plan(sight: Sight): StagePlans[K] } } = RULES;
/** … in the order of the work. */
export const STAGE_RULES: readonly Stage<StageKey>[] = STAGES.map(({ key }) => RULES[key]);

/** What the stages of a pour see of each other: each is worked out when it is first asked for, and once. */
export function sightOf(context: PourContext): Sight {
  const plans: Partial<StagePlans> = {};
  const asked = new Set<PlannedStage>();
  const of = <K extends PlannedStage>(stage: K): StagePlans[K] => {
    const before = plans[stage];
    if (before !== undefined) return before as StagePlans[K];
    if (asked.has(stage)) throw new Error(`${stage} asks for what is worked out of it`);
    asked.add(stage);
    const plan = PLANNERS[stage].plan(sight);
    plans[stage] = plan;
    return plan;
  };
  const sight: Sight = { context, of };
  return sight;
}

export type StageState = 'done' | 'current' | 'open' | 'left';

/** State of every stage; the first one with work left is current, none when all is done. */
export function stageStates(context: PourContext): Record<StageKey, StageState> {
  const states = {} as Record<StageKey, StageState>;
  let currentTaken = false;
  for (const { key, isDone } of STAGE_RULES) {
    if (isDone(context)) states[key] = 'done';
    else if (context.doc.left.includes(key)) states[key] = 'left';
    else if (currentTaken) states[key] = 'open';
    else {
      states[key] = 'current';
      currentTaken = true;
    }
  }
  return states;
}

/** The stage in work; Result when all is done. */
export const currentStage = (states: Record<StageKey, StageState>): StageKey =>
  STAGES.find(({ key }) => states[key] === 'current')?.key ?? 'result';

/** One result of a stage, short enough to stand under its name on the stepper. */
export const stageLine = (
  stage: StageKey,
  plan: Sight & { states: Record<StageKey, StageState> },
  choice: UnitChoice,
): string => (plan.states[stage] === 'left' ? 'left unknown' : RULES[stage].line(plan, choice));
