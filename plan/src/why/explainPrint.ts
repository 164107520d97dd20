import {
  chooseChange,
  confirmCause,
  PRINT_CHANGES,
  PRINT_FAULTS,
  rankCauses,
  ruleOutCauses,
  say,
  sign,
  startingCounts,
  type ChosenChange,
  type Evidence,
  type Fault,
  type PrintFaultKey,
  type RankedCause,
} from '@zero-pour/core';
import type { PourContext } from '../context';
import type { PourDoc, PouredPrint } from '@zero-pour/contracts';
import { faultsOf, printedPieces, type PlannedPiece } from '../pieces';
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

/**
 * Whether every copy of a pattern has the fault: the file, or what all copies share, speaks rather than chance. Known where
 * two copies or more were told of.
 */
function alikeSign(
  all: readonly PlannedPiece[],
  pieces: PourDoc['print']['pieces'],
  fault: PrintFaultKey,
): Evidence {
  const told = all.filter(({ key }) => pieces[key] !== undefined);
  const lines = [...new Set(told.map(({ line }) => line))]
    .map((line) => told.filter((piece) => piece.line === line))
    .filter((copies) => copies.length > 1)
    .map((copies) => ({
      of: copies.length,
      bad: copies.filter(({ key }) => faultsOf(pieces[key]).includes(fault)).length,
    }))
    .filter(({ bad }) => bad > 0);
  const alike = lines.find(({ bad, of }) => bad === of) ?? lines[0];
  if (!alike) return {};
  const says = say`${alike.bad} of ${alike.of} copies have it.`;
  return { 'all copies alike': sign(alike.bad === alike.of, says) };
}

/** Why the pieces of a plate are as they are: each fault once, with what this pour's record says for and against. */
export function explainPrint(context: PourContext): ExplainedFault[] {
  const whole = evidenceOf(context);
  const { pieces, why } = context.doc.print;
  const all = printedPieces(context);
  return PRINT_FAULTS.flatMap((fault): ExplainedFault[] => {
    const faulty = all.filter(({ key }) => faultsOf(pieces[key]).includes(fault.key));
    if (faulty.length === 0) return [];
    const evidence = { ...whole, ...alikeSign(all, pieces, fault.key) };
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
