import {
  chooseChange,
  confirmCause,
  PRINT_CHANGES,
  PRINT_FAULTS,
  rankCauses,
  ruleOutCause,
  startingCounts,
  type ChosenChange,
  type Fault,
  type RankedCause,
} from '@zero-pour/core';
import type { PourContext } from '../context';
import { printEvidence, type CutFigures } from './printEvidence';

/** One fault of a plate with its causes, likeliest first, and the one change to try. */
export interface ExplainedFault {
  fault: Fault;
  /** Numbers of the pieces that have it. */
  pieces: string[];
  ranked: RankedCause[];
  change: ChosenChange | undefined;
  confirmed: string | undefined;
}

/** Why the pieces of a plate are as they are: each fault once, with what this pour's record says for and against. */
export function explainPrint(context: PourContext, cut?: CutFigures): ExplainedFault[] {
  const evidence = printEvidence(context, cut);
  const { pieces, why } = context.doc.print;
  return PRINT_FAULTS.flatMap((fault): ExplainedFault[] => {
    const numbers = Object.keys(pieces).filter((number) => pieces[number]!.fault === fault.key);
    if (numbers.length === 0) return [];
    const said = why?.[fault.key];
    let counts = startingCounts(fault);
    let ranked = rankCauses(fault, counts, evidence);
    for (const key of said?.ruledOut ?? []) counts = { ...ruleOutCause(counts, ranked, key), [key]: 0 };
    if (said?.confirmed) counts = confirmCause(counts, said.confirmed);
    ranked = rankCauses(fault, counts, evidence);
    return [
      {
        fault,
        pieces: numbers,
        ranked,
        change: chooseChange(ranked, PRINT_CHANGES),
        confirmed: said?.confirmed,
      },
    ];
  });
}
