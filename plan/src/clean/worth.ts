import type { PouredPrint } from '@zero-pour/contracts';
import {
  judgeStepTime,
  LOOK_WORDS,
  worthCasting,
  type Expectation,
  goesIntoFlask,
  type PieceVerdict,
  type WorthCasting,
} from '@zero-pour/core';
import type { PourContext } from '../context';
import { faultsOf, printedPieces, type PlannedPiece } from '../pieces';
import { cleaningOf, lastOf, minutesOf, protocolOf } from './cleaning';

const DAY_MS = 86_400_000;

/** A printed piece with what is proposed for it, and what the shop decided. */
export interface PieceWorth {
  piece: PlannedPiece;
  proposed: WorthCasting;
  decided: { verdict: PieceVerdict; expect: Expectation } | undefined;
}

/** Days past a life between two moments; 0 within it, or where something is not known. */
function staleDays(from: string | undefined, to: string | undefined, lifeDays: number | null): number {
  if (!from || !to || lifeDays === null) return 0;
  return Math.max(0, Math.ceil((Date.parse(to) - Date.parse(from)) / DAY_MS - lifeDays));
}

/** What the whole plate went through alike. */
function plateEvidence(context: PourContext, nowIso: string) {
  const { doc, resin } = context;
  const steps = cleaningOf(context);
  const names = (wrong: (at: (typeof steps)[number]) => boolean): string[] => [
    ...new Set(steps.filter(wrong).map(({ step }) => step.name)),
  ];
  const timed = (verdict: 'short' | 'long') =>
    names(({ step, record }) => {
      const minutes = minutesOf(record);
      const matters = verdict === 'short' || step.kind === 'cure';
      return matters && minutes !== undefined && judgeStepTime(step, minutes) === verdict;
    });
  const saw = steps.findLast(({ record }) => record?.saw !== undefined)?.record?.saw;
  const cured = lastOf(steps, 'cure', 'doneAt');
  const invested = doc.invest.powderInAt ?? nowIso;
  return {
    skipped: names(({ step, record }) => record?.skipped === true && step.kind !== 'finish'),
    short: timed('short'),
    long: timed('long'),
    skin: saw && saw !== 'fine' ? LOOK_WORDS[saw] : '',
    staleDays: Math.max(
      staleDays(doc.print.finishedAt, lastOf(steps, 'cure', 'startedAt'), resin?.uncuredLifeDays ?? null),
      staleDays(cured, cured && invested, resin?.curedLifeDays ?? null),
    ),
  };
}

/**
 * Every piece with what is proposed for it; good ones beyond what is wanted of a line are spares. `nowIso`: until
 * when a cured print has lain, unless it was invested.
 */
export function piecesWorth(context: PourContext, nowIso: string): PieceWorth[] {
  const { doc, parts } = context;
  if (protocolOf(context).length === 0 && Object.keys(doc.print.pieces).length === 0) return [];
  const plate = plateEvidence(context, nowIso);
  const wanted = new Map(parts.map(({ key, prints }) => [key, prints]));
  return printedPieces(context).map((piece) => {
    const printed = doc.print.pieces[piece.key];
    const proposed = worthCasting({ ...plate, outcome: printed?.outcome, faults: faultsOf(printed) });
    const goes = proposed.verdict === 'cast' || proposed.verdict === 'test';
    const left = wanted.get(piece.line) ?? 0;
    if (goes) wanted.set(piece.line, left - 1);
    return {
      piece,
      proposed: goes && left <= 0 ? { ...proposed, verdict: 'spare' } : proposed,
      decided: doc.clean.pieces?.[piece.key],
    };
  });
}

/** Whether a piece goes into the flask: as decided, else as proposed. */
export const goesOn = ({ decided, proposed }: PieceWorth): boolean =>
  goesIntoFlask((decided ?? proposed).verdict);

/** What is wanted of each line and does not go into the flask. */
export function missingPieces(
  { parts }: Pick<PourContext, 'parts'>,
  pieces: readonly PieceWorth[],
): { line: string; count: number }[] {
  return parts.flatMap(({ key, prints }) => {
    const going = pieces.filter((worth) => worth.piece.line === key && goesOn(worth)).length;
    return going < prints ? [{ line: key, count: prints - going }] : [];
  });
}

/** How often what was expected of a casting came true. */
export type ExpectedTally = Record<Expectation, { of: number; sellable: number }>;

/** What was expected of castings, against how they came out, over all pours. */
export function tallyExpected(prints: readonly PouredPrint[]): ExpectedTally {
  const tally: ExpectedTally = {
    'likely good': { of: 0, sellable: 0 },
    doubtful: { of: 0, sellable: 0 },
    poor: { of: 0, sellable: 0 },
  };
  for (const print of prints)
    for (const [piece, outcome] of Object.entries(print.outcomes)) {
      const expected = print.verdicts?.[piece]?.expect;
      if (!expected) continue;
      tally[expected].of++;
      if (outcome === 'sellable') tally[expected].sellable++;
    }
  return tally;
}
