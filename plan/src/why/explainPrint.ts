import { PRINT_CHANGES, PRINT_FAULTS, say, sign, type Evidence, type PrintFaultKey } from '@zero-pour/core';
import type { PourDoc, PouredPrint, WhySaid } from '@zero-pour/contracts';
import type { PourContext } from '../context';
import { faultsOf, printedPieces, type PlannedPiece } from '../pieces';
import { STAGE_RULES } from '../stages';
import { countsFrom, explain, foundFrom, type ExplainedFault } from './explain';

/** What pours said of a fault of their prints, but for one pour. */
export const saidOfPrints = (
  fault: PrintFaultKey,
  prints: readonly PouredPrint[],
  exceptPourId?: string,
): WhySaid[] =>
  prints.flatMap(({ pourId, print }) => (pourId === exceptPourId ? [] : (print.why?.[fault] ?? [])));

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
    const saidBefore = saidOfPrints(fault.key, context.prints.prints, context.pourId);
    return [
      explain(fault, {
        pieces: faulty,
        evidence,
        before: countsFrom(fault, saidBefore),
        foundBefore: foundFrom(saidBefore),
        said: why?.[fault.key],
        changes: PRINT_CHANGES,
      }),
    ];
  });
}
