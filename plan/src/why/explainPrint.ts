import {
  chooseChange,
  confirmCause,
  PRINT_CHANGES,
  PRINT_FAULTS,
  rankCauses,
  ruleOutCauses,
  startingCounts,
  type ChosenChange,
  type Evidence,
  type Fault,
  type RankedCause,
} from '@zero-pour/core';
import type { PourContext } from '../context';
import type { PouredPrint } from '@zero-pour/contracts';
import { printedPieces, type PlannedPiece } from '../pieces';
import { STAGE_RULES } from '../stages';

/** One fault of a plate with its causes, likeliest first, and the one change to try. */
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

/** Counts of a fault's causes with what other pours confirmed and ruled out: once a pour, however many pieces had it. */
export function countsSoFar(
  fault: Fault,
  prints: readonly PouredPrint[],
  exceptPourId?: string,
): Record<string, number> {
  let counts = startingCounts(fault);
  for (const { pourId, print } of prints) {
    const said = print.why?.[fault.key as keyof NonNullable<typeof print.why>];
    if (!said || pourId === exceptPourId) continue;
    // What was found then decides who shares; an answer from before that was kept goes by what was usual.
    const chances = said.chances ?? chancesOf(rankCauses(fault, counts, {}));
    if (said.confirmed) counts = confirmCause(counts, said.confirmed);
    else if (said.ruledOut.length > 0) counts = ruleOutCauses(counts, chances, said.ruledOut);
  }
  return counts;
}

/** Chances by cause. */
export const chancesOf = (ranked: readonly RankedCause[]): Record<string, number> =>
  Object.fromEntries(ranked.map(({ key, chance }) => [key, chance]));

function foundBefore(fault: Fault, { prints, pourId }: PourContext): Record<string, number> {
  const found: Record<string, number> = {};
  for (const other of prints.prints) {
    const key = other.print.why?.[fault.key as keyof NonNullable<typeof other.print.why>]?.confirmed;
    if (key !== undefined && other.pourId !== pourId) found[key] = (found[key] ?? 0) + 1;
  }
  return found;
}

/** Every sign that this pour's own record gives, stage by stage. */
export const evidenceOf = (context: PourContext): Evidence =>
  Object.assign({}, ...STAGE_RULES.map(({ evidence }) => evidence(context))) as Evidence;

/** Why the pieces of a plate are as they are: each fault once, with what this pour's record says for and against. */
export function explainPrint(context: PourContext): ExplainedFault[] {
  const evidence = evidenceOf(context);
  const { pieces, why } = context.doc.print;
  return PRINT_FAULTS.flatMap((fault): ExplainedFault[] => {
    const faulty = printedPieces(context).filter(({ key }) => pieces[key]?.fault === fault.key);
    if (faulty.length === 0) return [];
    const said = why?.[fault.key];
    const before = countsSoFar(fault, context.prints.prints, context.pourId);
    const counts = said?.confirmed ? confirmCause(before, said.confirmed) : before;
    const ranked = rankCauses(fault, counts, evidence, said?.ruledOut);
    return [
      {
        fault,
        pieces: faulty,
        ranked,
        byEvidence: chancesOf(rankCauses(fault, before, evidence)),
        change: chooseChange(ranked, PRINT_CHANGES),
        confirmed: said?.confirmed,
        foundBefore: foundBefore(fault, context),
      },
    ];
  });
}
