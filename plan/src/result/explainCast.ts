import type { CastLessons } from '@zero-pour/contracts';
import { CAST_CHANGES, CAST_FAULTS, startingCounts, type Evidence } from '@zero-pour/core';
import { castPieces } from '../pieces';
import type { Sight } from '../stage';
import { STAGE_RULES } from '../stages';
import { explain, type ExplainedFault } from '../why/explain';
import { evidenceOf } from '../why/explainPrint';
import { allPieces, flawedPieces, flawsOf, type FlawedPieces } from './flawedPieces';
import { placeSigns } from './placeSigns';

/** Every sign of a pour's record for and against causes of flaws of these castings: of its print too, which may be behind them. */
export const castEvidenceOf = (sight: Sight, about: FlawedPieces = allPieces(sight.context)): Evidence =>
  Object.assign(
    { ...evidenceOf(sight.context) },
    ...STAGE_RULES.map(({ castEvidence }) => castEvidence(sight, about)),
  ) as Evidence;

/** Why castings are as they are: each flaw once, with what this pour's record says for and against. */
export function explainCast(sight: Sight, lessons: CastLessons): ExplainedFault[] {
  const { context } = sight;
  const all = castPieces(context);
  return CAST_FAULTS.flatMap((fault): ExplainedFault[] => {
    const flawed = all.filter(({ key }) => flawsOf(context, key, fault.key).length > 0);
    if (flawed.length === 0) return [];
    const about = flawedPieces(context, flawed);
    const lesson = lessons[fault.key];
    return [
      explain(fault, {
        pieces: flawed,
        evidence: { ...castEvidenceOf(sight, about), ...placeSigns(sight, about, fault.key) },
        before: lesson?.counts ?? startingCounts(fault),
        foundBefore: lesson?.found ?? {},
        said: context.doc.result.why?.[fault.key],
        changes: CAST_CHANGES,
      }),
    ];
  });
}

/** Causes that lie before the flask, with the stage whose record explains them. */
const BEFORE_THE_FLASK: Readonly<Record<string, 'print' | 'clean'>> = {
  print: 'print',
  tacky: 'clean',
  residue: 'clean',
  'stale vat': 'clean',
};

/** The stage that a flaw comes from, where its likeliest cause lies before the flask and something that was found speaks for it. */
export function comesFrom({
  ranked: [first],
}: Pick<ExplainedFault, 'ranked'>): 'print' | 'clean' | undefined {
  const isFound = first?.signs.some(({ counts, z }) => counts && z > 0) ?? false;
  return first && isFound ? BEFORE_THE_FLASK[first.key] : undefined;
}
