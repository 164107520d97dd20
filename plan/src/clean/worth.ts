import type { PouredPrint } from '@zero-pour/contracts';
import {
  castsWax,
  judgeStepTime,
  LOOK_WORDS,
  worthCasting,
  type Expectation,
  type PieceVerdict,
  type WorthCasting,
} from '@zero-pour/core';
import { numberPrints, type PourContext } from '../context';
import { cleaningOf, lastOf, minutesOf, protocolOf } from './cleaning';

const DAY_MS = 86_400_000;

/** A printed piece with what is proposed for it, and what the shop decided. */
export interface PieceWorth {
  number: string;
  pattern: { id: string; name: string };
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
 * Every piece with what is proposed for it; good ones beyond what is wanted of a pattern are spares. `nowIso`: until
 * when a cured print has lain, unless it was invested.
 */
export function piecesWorth(context: PourContext, nowIso: string): PieceWorth[] {
  const { doc, parts } = context;
  if (protocolOf(context).length === 0 && Object.keys(doc.print.pieces).length === 0) return [];
  const plate = plateEvidence(context, nowIso);
  const wanted = wantedOf(parts);
  return numberPrints(parts, doc.print.spares).map(({ number, pattern }) => {
    const piece = doc.print.pieces[number];
    const proposed = worthCasting({ ...plate, outcome: piece?.outcome, fault: piece?.fault });
    const goes = proposed.verdict === 'cast' || proposed.verdict === 'test';
    const left = wanted.get(pattern.id) ?? 0;
    if (goes) wanted.set(pattern.id, left - 1);
    return {
      number,
      pattern,
      proposed: goes && left <= 0 ? { ...proposed, verdict: 'spare' } : proposed,
      decided: doc.clean.pieces?.[number],
    };
  });
}

/** Pieces wanted of each pattern, however many lines of the brief name it. */
function wantedOf(parts: PourContext['parts']): Map<string, number> {
  const wanted = new Map<string, number>();
  for (const { pattern, prints } of parts) wanted.set(pattern.id, (wanted.get(pattern.id) ?? 0) + prints);
  return wanted;
}

/** Pieces that go into the flask: cast, as a test, or mended. */
const GOES: readonly PieceVerdict[] = ['cast', 'test', 'mend'];
export const goesIntoFlask = ({ decided, proposed }: PieceWorth): boolean =>
  GOES.includes((decided ?? proposed).verdict);

/** What is wanted of each pattern and does not go into the flask. */
export function missingPieces(
  { parts }: Pick<PourContext, 'parts'>,
  pieces: readonly PieceWorth[],
): { patternId: string; count: number }[] {
  return [...wantedOf(parts)].flatMap(([patternId, wanted]) => {
    const going = pieces.filter((piece) => piece.pattern.id === patternId && goesIntoFlask(piece)).length;
    return going < wanted ? [{ patternId, count: wanted - going }] : [];
  });
}

/**
 * Which piece each casting was, by number: those that were cast fill a pattern's castings in order. By a mold route
 * the castings were waxes, not prints.
 */
export function pieceOfCastings({
  route,
  patterns,
  spares,
  verdicts,
}: Pick<PouredPrint, 'route' | 'patterns' | 'spares' | 'verdicts'>): Map<string, string> {
  const out = new Map<string, string>();
  if (castsWax(route)) return out;
  let [piece, casting] = [0, 0];
  for (const { count } of patterns) {
    const numbers = Array.from({ length: count + spares }, () => String(++piece));
    const cast = numbers.filter((n) => verdicts?.[n] && GOES.includes(verdicts[n].verdict));
    for (let i = 0; i < count; i++) {
      casting++;
      const number = cast[i];
      if (number !== undefined) out.set(String(casting), number);
    }
  }
  return out;
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
    for (const [casting, piece] of pieceOfCastings(print)) {
      const [expected, outcome] = [print.verdicts?.[piece]?.expect, print.outcomes[casting]];
      if (!expected || !outcome) continue;
      tally[expected].of++;
      if (outcome === 'sellable') tally[expected].sellable++;
    }
  return tally;
}
