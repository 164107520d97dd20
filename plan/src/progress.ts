import { STAGES, type StageKey } from '@zero-pour/core';
import { cleaningOf, isOver } from './clean/cleaning';
import { pouredAt } from '@zero-pour/contracts';
import type { PourContext } from './context';
import { castPieces } from './pieces';

export type StageState = 'done' | 'current' | 'open' | 'left';

/** Clean steps that are over or left out. */
function cleanDone(context: PourContext): boolean {
  const steps = cleaningOf(context);
  return steps.length > 0 && steps.every(({ record }) => isOver(record));
}

function resultDone(context: PourContext): boolean {
  const { doc, parts } = context;
  if (doc.result.doneAt !== undefined) return true;
  const pieces = castPieces(context);
  return (
    parts.length > 0 &&
    pieces.length > 0 &&
    pieces.every(({ key }) => doc.result.castings[key]?.outcome !== undefined)
  );
}

/** Whether a stage has what the work needs from it. */
function isDone(stage: StageKey, context: PourContext): boolean {
  const { doc, parts } = context;
  switch (stage) {
    case 'brief':
      return parts.length > 0 && context.alloy !== undefined;
    case 'pattern':
      return parts.length > 0;
    case 'resin':
      return context.resin !== undefined && context.profile !== undefined;
    case 'wayUp':
      return parts.length > 0 && parts.every((p) => doc.wayUp.lines[p.key]?.gates !== undefined);
    case 'scale':
      return doc.scale.way === 'percent'
        ? doc.scale.percent !== undefined
        : context.resin !== undefined && context.alloy !== undefined;
    case 'print':
      return doc.print.finishedAt !== undefined;
    case 'clean':
      return cleanDone(context);
    case 'sprue':
      return doc.flasks.every(({ sprue }) => sprue.doneAt !== undefined);
    case 'invest':
      return doc.invest.doneAt !== undefined;
    case 'burnout':
    case 'pour':
      return pouredAt(doc) !== undefined;
    case 'result':
      return resultDone(context);
  }
}

/** State of every stage; the first one with work left is current, none when all is done. */
export function stageStates(context: PourContext): Record<StageKey, StageState> {
  const states = {} as Record<StageKey, StageState>;
  let currentTaken = false;
  for (const { key } of STAGES) {
    if (isDone(key, context)) states[key] = 'done';
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
