import type { WhySaid } from '@zero-pour/contracts';
import {
  chooseChange,
  confirmCause,
  rankCauses,
  ruleOutCauses,
  startingCounts,
  type ChosenChange,
  type Evidence,
  type Fault,
  type RankedCause,
  type TriedChange,
} from '@zero-pour/core';
import type { PlannedPiece } from '../pieces';

/** One fault or flaw with its causes, likeliest first, and the one change to try. */
export interface ExplainedFault {
  fault: Fault;
  pieces: PlannedPiece[];
  ranked: RankedCause[];
  /** Chances by what was found, before anything was ruled out: kept with the answer. */
  byEvidence: Record<string, number>;
  change: ChosenChange | undefined;
  confirmed: string | undefined;
  /** How often other pours found each cause behind this fault. */
  foundBefore: Readonly<Record<string, number>>;
}

/** Chances by cause. */
export const chancesOf = (ranked: readonly RankedCause[]): Record<string, number> =>
  Object.fromEntries(ranked.map(({ key, chance }) => [key, chance]));

/** Counts of a fault's causes with what pours confirmed and ruled out: once a pour, however many pieces had it. */
export function countsFrom(
  fault: Fault,
  said: readonly WhySaid[],
  begin: Readonly<Record<string, number>> = startingCounts(fault),
): Record<string, number> {
  let counts = { ...begin };
  for (const { confirmed, ruledOut, chances } of said) {
    if (confirmed) counts = confirmCause(counts, confirmed);
    // What was found then decides who shares; an answer from before that was kept goes by what was usual.
    else if (ruledOut.length > 0)
      counts = ruleOutCauses(counts, chances ?? chancesOf(rankCauses(fault, counts, {})), ruledOut);
  }
  return counts;
}

/** How often each cause was found. */
export function foundFrom(said: readonly WhySaid[]): Record<string, number> {
  const found: Record<string, number> = {};
  for (const { confirmed } of said)
    if (confirmed !== undefined) found[confirmed] = (found[confirmed] ?? 0) + 1;
  return found;
}

/** Ranks a fault's causes by what was found, and by what was said of them here and before. */
export function explain(
  fault: Fault,
  about: {
    pieces: PlannedPiece[];
    evidence: Evidence;
    before: Readonly<Record<string, number>>;
    foundBefore: Readonly<Record<string, number>>;
    said: WhySaid | undefined;
    changes: readonly TriedChange[];
  },
): ExplainedFault {
  const { pieces, evidence, before, foundBefore, said, changes } = about;
  const counts = said?.confirmed ? confirmCause(before, said.confirmed) : before;
  const ranked = rankCauses(fault, counts, evidence, said?.ruledOut);
  return {
    fault,
    pieces,
    ranked,
    byEvidence: chancesOf(rankCauses(fault, before, evidence)),
    change: chooseChange(ranked, changes),
    confirmed: said?.confirmed,
    foundBefore,
  };
}
