import { readingValue, type StepRecord } from '@zero-pour/contracts';
import { cleanRun, judgeProtocol, type CleanStep, type Judgement, type RunStep } from '@zero-pour/core';
import type { PourContext } from '../context';

/** A step of this pour's cleaning with what was kept of it. */
export interface CleaningStep extends RunStep {
  record: StepRecord | undefined;
}

/** The protocol that this pour is cleaned by: as it stood when cleaning began, else the resin's. */
export const protocolOf = ({ doc, resin }: Pick<PourContext, 'doc' | 'resin'>): readonly CleanStep[] =>
  doc.clean.begun?.protocol ?? resin?.protocol ?? [];

/** Every step in the order it comes, with what looks sent back. */
export function cleaningOf(context: Pick<PourContext, 'doc' | 'resin'>): CleaningStep[] {
  const { steps } = context.doc.clean;
  return cleanRun(protocolOf(context), steps).map((step) => ({ ...step, record: steps[step.key] }));
}

export const isOver = (record: StepRecord | undefined): boolean =>
  record?.doneAt !== undefined || record?.skipped === true;

/** Minutes that a step took, once it is done. */
export const minutesOf = (record: StepRecord | undefined): number | undefined =>
  record?.startedAt && record.doneAt
    ? (Date.parse(record.doneAt) - Date.parse(record.startedAt)) / 60_000
    : undefined;

/** When the last step of a kind was begun or over. */
export const lastOf = (
  steps: readonly CleaningStep[],
  kind: CleanStep['kind'],
  end: 'startedAt' | 'doneAt',
): string | undefined =>
  steps.findLast(({ step, record }) => step.kind === kind && record?.[end])?.record?.[end];

/** What the protocol should mind of its resin, in the room as it was read at the print. */
export const judgeCleaning = (context: PourContext): Judgement[] =>
  context.resin && context.doc.clean.cameClean === undefined
    ? judgeProtocol(context.resin, protocolOf(context), readingValue(context.doc.print.roomC))
    : [];
