import {
  INVEST_H,
  printsNegative,
  protocolHours,
  SET_H,
  SPRUE_H,
  type PlacedStep,
  type StageKey,
  type WorkStep,
} from '@zero-pour/core';
import { anyPoured, type Mold } from '@zero-pour/contracts';
import { isOver, protocolOf } from '../clean/cleaning';
import type { PourContext } from '../context';
import { waxesLeft, waxesWanted } from '../mold/moldOfPour';
import { isMoldWork, moldBlock, moldWork, stepsAhead, waxWork, workKeyOf } from '../mold/moldWork';
import type { PrintPlan } from '../print/printPlan';
import { stageStates } from '../stages';
import type { Block, WorkKey } from './block';

export interface Durations {
  print: number | undefined;
  clean: number | undefined;
  sprue: number;
  invest: number;
  set: number;
}

export function durations(context: PourContext, print: PrintPlan | undefined): Durations {
  const { powder } = context;
  const protocol = protocolOf(context);
  return {
    print: print?.hours.value,
    clean: protocol.length > 0 ? protocolHours(protocol) : undefined,
    sprue: SPRUE_H,
    invest: INVEST_H,
    set: powder?.setH ?? SET_H,
  };
}

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

function stepsOf(key: MakingKey, context: PourContext, hours: Durations): WorkStep[] {
  if (key === 'mold') return context.mold ? moldWork(stepsAhead(context.mold.mold, context.mold)) : [];
  if (key === 'wax') return context.mold ? waxWork(context.mold.mold, waxesLeft(context)) : [];
  const length = hours[key];
  if (length === undefined || (key === 'print' && context.doc.print.startedAt !== undefined)) return [];
  return [{ key, hours: length, attendance: key === 'print' ? 'start' : 'whole' }];
}

/** Everything before the kiln that is still to be done, in its order. */
export function workAhead(context: PourContext, hours: Durations): WorkStep[] {
  const { doc } = context;
  const steps = pending(context).flatMap((key) => stepsOf(key, context, hours));
  if (doc.burnout.startedAt === undefined && !anyPoured(doc) && !doc.left.includes('invest'))
    steps.push({ key: 'set', hours: hours.set, attendance: 'none' });
  return steps;
}

const moldStepOf = (key: string, { mold }: PourContext) =>
  mold && isMoldWork(key) ? stepsAhead(mold.mold, mold).find((step) => workKeyOf(step) === key) : undefined;

/** A step that was counted back as it is called. */
export const nameOfWork = (key: string, context: PourContext): string =>
  moldStepOf(key, context)?.name ?? key;

export function plannedBlock({ key, from, to }: PlacedStep, context: PourContext): Block {
  const step = moldStepOf(key, context);
  return step ? moldBlock(step, from, to) : { work: key as WorkKey, from, to, state: 'planned' };
}
