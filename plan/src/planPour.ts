import { anyPoured } from '@zero-pour/contracts';
import type { StageKey } from '@zero-pour/core';
import type { BurnoutPlan } from './burnout/burnoutPlan';
import { attempt } from './attempt';
import { resolvePour, type FlaskContext, type PlannedFor, type PourContext, type Shop } from './context';
import { planCost, type CostPlan } from './cost/costPlan';
import type { MixPlan } from './invest/mixPlan';
import type { Moment } from './moment';
import { classByThickness } from './pattern/partClasses';
import { valueOf, type Planned } from './planned';
import type { TemperaturePlan } from './pour/temperaturePlan';
import { standingOf } from './print/plateLoad';
import type { PrintPlan } from './print/printPlan';
import type { WantedReading } from './readings';
import type { ScalePlan } from './scale/planScale';
import type { HungPlan, Sight } from './stage';
import { currentStage, sightOf, STAGE_RULES, stageStates, type StageState } from './stages';
import { momentsOf, planTimes, type TimePlan } from './times/timePlan';
import type { PartGates } from './wayUp/gatePlan';

/** What is worked out of one flask of a pour. */
export interface FlaskPlan extends HungPlan {
  context: FlaskContext;
  temperatures: Planned<TemperaturePlan>;
}

/** Everything that can be worked out of a pour as it stands: what each stage says, and what follows from all of them. */
export interface PourPlan extends Sight {
  states: Record<StageKey, StageState>;
  current: StageKey;
  scale: Planned<ScalePlan>;
  gates: PartGates[];
  print: Planned<PrintPlan>;
  /** Never empty. */
  flasks: FlaskPlan[];
  mix: Planned<MixPlan>;
  burnout: Planned<BurnoutPlan>;
  times: Planned<TimePlan>;
  /** What hands must do; without a pour time, of what runs already. */
  moments: Moment[];
  cost: CostPlan;
  /** Readings that it would use and that nobody has made. */
  wants: WantedReading[];
}

/**
 * Works out a pour; what waits for a decision says for which. Pure, and quick enough (some milliseconds) to run on every
 * keystroke.
 */
export function planPour(pour: PlannedFor, shop: Shop): PourPlan {
  const context = resolvePour(pour, shop);
  const sight = sightOf(context);
  const { of } = sight;
  const states = stageStates(context);
  const times = attempt(() => planTimes(sight));
  const [hung, temperatures] = [of('sprue'), of('pour')];
  return {
    ...sight,
    states,
    current: currentStage(states),
    scale: of('scale'),
    gates: of('wayUp'),
    print: of('print'),
    flasks: context.flasks.map((flask, i) => ({
      context: flask,
      ...hung[i]!,
      temperatures: temperatures[i]!,
    })),
    mix: of('invest'),
    burnout: of('burnout'),
    times,
    moments: valueOf(times)?.moments ?? momentsOf(sight, undefined),
    cost: planCost(context, {
      print: valueOf(of('print')),
      mix: valueOf(of('invest')),
      burnout: valueOf(of('burnout')),
      charges: hung.flatMap(({ charge }) => valueOf(charge) ?? []),
      handsMin: handsMinOf(sight),
    }),
    wants: wantsOf(context),
  };
}

/** Minutes of hands of every step that it takes, done or ahead. */
const handsMinOf = (sight: Sight): number =>
  STAGE_RULES.filter(({ key }) => !sight.context.doc.left.includes(key))
    .flatMap(({ work }) => work(sight))
    .reduce((sum, { handsMin }) => sum + handsMin, 0);

/**
 * What its sizes ask of the files; and what the layers of its parts say, until it is poured: for its load, and for the
 * causes of what goes wrong.
 */
function wantsOf(context: PourContext): WantedReading[] {
  if (!anyPoured(context.doc)) {
    classByThickness(context);
    if (!context.doc.left.includes('print')) for (const part of context.parts) standingOf(context, part);
  }
  return context.readings.wanted();
}
