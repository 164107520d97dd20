import { printsNegative, type PlacedStep, type StageKey } from '@zero-pour/core';
import { anyPoured, pouredAt, type House, type Mold } from '@zero-pour/contracts';
import { houseOf } from '../burnout/houseOf';
import { isOver } from '../clean/cleaning';
import type { PourContext } from '../context';
import { waxesLeft, waxesWanted } from '../mold/moldOfPour';
import { isMoldWork, moldBlock, moldWork, stepsAhead, waxWork, workKeyOf } from '../mold/moldWork';
import type { Sight } from '../stage';
import { STAGE_RULES, stageStates } from '../stages';
import type { Block, WorkKey } from './block';
import { stepNames, type StageWork } from './stageWork';

/** What a stage's work is, as if nothing of it were done. */
const workOf = (stage: StageKey, sight: Sight): StageWork[] =>
  STAGE_RULES.find(({ key }) => key === stage)!.work(sight);

/** How long work of a stage takes by its key, h; undefined: not known, or there is none. */
export const hoursOf = (stage: StageKey, key: string, sight: Sight): number | undefined =>
  workOf(stage, sight).find((work) => work.key === key)?.hours;

/** Work before the kiln, in its order. */
const MAKING = ['print', 'clean', 'mold', 'wax', 'sprue', 'invest'] as const;
type MakingKey = (typeof MAKING)[number];
type Stands = 'open' | 'begun' | 'done' | 'left';
const SERVES = new Set<Mold['state']>(['planned', 'being made', 'good']);

/** A mold with a zero of its own is counted back there; without one the pour contains it. */
function moldStands(context: PourContext): Stands {
  const { mold } = context;
  // One that does not serve has not done this pour's work, whatever was done of it.
  if (!mold || !SERVES.has(mold.mold.state) || waxesWanted(context) === 0) return 'left';
  const ahead = stepsAhead(mold.mold, mold);
  if (ahead.length === 0) return 'done';
  if (mold.mold.zeroAt !== undefined) return 'left';
  return Object.values(mold.mold.steps).some(isOver) ? 'begun' : 'open';
}

function waxStands(context: PourContext): Stands {
  if (!context.mold || waxesWanted(context) === 0) return 'left';
  return waxesLeft(context) > 0 ? 'open' : 'done';
}

function standing(context: PourContext): Record<MakingKey, Stands> {
  const states = stageStates(context);
  const of = (key: StageKey): Stands =>
    states[key] === 'done' || states[key] === 'left' ? states[key] : 'open';
  // What prints is the mold itself: its own steps hold that.
  const printed = printsNegative(context.doc.brief.route);
  return {
    print: printed ? 'left' : of('print'),
    clean: printed ? 'left' : of('clean'),
    mold: moldStands(context),
    wax: waxStands(context),
    sprue: of('sprue'),
    invest: of('invest'),
  };
}

/** What is still ahead: all after the last that is done or begun, unless left unknown. */
function pending(context: PourContext): MakingKey[] {
  if (context.doc.burnout.startedAt !== undefined || anyPoured(context.doc)) return [];
  const stands = standing(context);
  const from = MAKING.reduce((first, key, i) => {
    if (stands[key] === 'done') return i + 1;
    return stands[key] === 'begun' ? i : first;
  }, 0);
  return MAKING.filter((key, i) => i >= from && stands[key] !== 'left');
}

function stepsOf(key: MakingKey, sight: Sight): StageWork[] {
  const { mold, doc, settings } = sight.context;
  if (key === 'mold') return mold ? moldWork(stepsAhead(mold.mold, mold), settings.planning?.presses) : [];
  if (key === 'wax') return mold ? waxWork(mold.mold, waxesLeft(sight.context)) : [];
  return key === 'print' && doc.print.startedAt !== undefined ? [] : workOf(key, sight);
}

/** When a plan that was taken has a step begin; nothing of one that was made for another pour time. */
function plannedOf({ doc }: PourContext, key: string): { planned: number } | object {
  const { plannedWeek: plan, brief } = doc;
  const step = plan !== undefined && plan.zeroAt === brief.zeroAt ? plan.steps[key] : undefined;
  return step ? { planned: Date.parse(step.at) } : {};
}

/** What a casting house does itself, by what it takes. */
const AT_THE_HOUSE: Record<House['takes'], readonly MakingKey[]> = {
  prints: ['sprue', 'invest'],
  trees: ['invest'],
};

const withPlanned = (steps: readonly StageWork[], context: PourContext): StageWork[] => {
  const names = stepNames(steps);
  return steps.map((step, n) => ({ ...step, ...plannedOf(context, names[n]!) }));
};

/** Everything before the kiln that is still to be done, in its order. */
export function workAhead(sight: Sight): StageWork[] {
  const { context } = sight;
  const { doc } = context;
  const house = houseOf(context);
  const here = pending(context).filter((key) => !house || !AT_THE_HOUSE[house.takes].includes(key));
  const steps = here.flatMap((key) => stepsOf(key, sight));
  if (house) return withPlanned(steps, context);
  // What was invested sets on.
  const sets = doc.burnout.startedAt === undefined && !anyPoured(doc) && !doc.left.includes('invest');
  if (sets && !steps.some(({ key }) => key === 'set'))
    steps.push(...workOf('invest', sight).filter(({ key }) => key === 'set'));
  return withPlanned(steps, context);
}

/** What is to be done after the pour; nothing once a result is written down. */
export const workAfter = (sight: Sight): StageWork[] =>
  sight.context.doc.result.doneAt !== undefined ||
  pouredAt(sight.context.doc) !== undefined ||
  houseOf(sight.context) !== undefined
    ? []
    : withPlanned(
        (['pour', 'result'] as const).flatMap((stage) => workOf(stage, sight)),
        sight.context,
      );

const moldStepOf = (key: string, { mold }: PourContext) =>
  mold && isMoldWork(key) ? stepsAhead(mold.mold, mold).find((step) => workKeyOf(step) === key) : undefined;

/** A step on the clock as the board shows it. */
export function plannedBlock({ key, from, to }: PlacedStep, work: StageWork, context: PourContext): Block {
  const step = moldStepOf(key, context);
  if (step) return moldBlock(step, from, to);
  const own = STAGE_RULES.some((stage) => stage.key === key) || key === 'wax';
  return { work: key as WorkKey, from, to, state: 'planned', ...(own ? {} : { name: work.name, attended: work.attendance === 'whole' }) }; // prettier-ignore
}
