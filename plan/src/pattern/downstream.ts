import { pieceMeasure } from '@zero-pour/contracts';
import {
  castsWax,
  findPattern,
  say,
  scaleAnalysis,
  type Finding,
  type Judgement,
  type StageKey,
} from '@zero-pour/core';
import { patternJob, pieceOf } from '@zero-pour/jobs';
import type { PourContext } from '../context';
import { findingContext } from '../findingContext';
import type { Part } from '../part';
import { nameOfPart } from '../pieces';

/** Stages after the pattern at which a finding of its shape is acted on, by the finding's rule. */
const ACTED_ON = {
  invest: ['fragile investment', 'air pocket'],
  burnout: ['thick resin', 'sealed void'],
  pour: ['hard to divest'],
} as const satisfies Partial<Record<StageKey, readonly string[]>>;
export type ActingStage = keyof typeof ACTED_ON;

/** What resin does in the burnout, wax does not. */
const OF_RESIN: readonly string[] = ['thick resin', 'sealed void'];

/** Findings of a part at print size, of its shape alone; undefined while it is not read. */
export function findingsOf(
  context: PourContext,
  part: Part,
  percent: number | undefined,
): Finding[] | undefined {
  const { wantedBore: _, ...by } = findingContext(context);
  const reading = context.readings.of(patternJob, pieceOf(part.pattern));
  if (reading.status !== 'known' || reading.value.result.status !== 'analysed') return undefined;
  const analysis = scaleAnalysis(reading.value.result.analysis, (percent ?? 100) / 100);
  return findPattern(pieceMeasure(part.pattern), analysis, by);
}

/**
 * What the parts' shapes ask of a later stage: fragile slots of the investment, thick resin of the burnout, narrow ways of the
 * divesting. Of the part at print size, as far as it is read; a part that is not read says nothing here.
 */
export function judgeDownstream(
  context: PourContext,
  stage: ActingStage,
  percent: number | undefined,
): Judgement[] {
  const rules: readonly string[] = ACTED_ON[stage];
  const wax = castsWax(context.doc.brief.route);
  return context.parts.flatMap((part) => {
    return (findingsOf(context, part, percent) ?? [])
      .filter(({ rule }) => rules.includes(rule) && !(wax && OF_RESIN.includes(rule)))
      .map(({ rule, weight, lead, why, remedy }): Judgement => ({
        rule: `${rule} ${part.key}`,
        weight: weight === 'note' ? 'watch' : weight,
        lead,
        why: [...say`${nameOfPart(part, context.parts)}: `, ...why, ' ', ...remedy],
      }));
  });
}
