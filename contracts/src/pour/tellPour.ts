import type { CastClass } from '@zero-pour/core';
import type { z } from 'zod';
import { becameOf, type castingSchema } from './outcome';
import { anyPoured, pouredAt, ranOf, type PourFlask } from './pourFlask';
import type { PourDoc } from './pourDoc';
import { readPieceKey } from './pieces';
import { tellFacts, type RecordFacts } from './recordFacts';
import type { PouredCast } from './pouredCasts';
import type { PouredPrint } from './pouredPrints';
import type { PouredSizes } from './pouredSizes';

/** A pour as far as it tells anything to others. */
export interface TellingPour {
  id: string;
  number: number;
  doc: PourDoc;
}

/** What became of one piece: told once its outcome is known. */
export interface ToldCasting {
  piece: string;
  patternId: string;
  outcome: NonNullable<z.infer<typeof castingSchema>['outcome']>;
  flaws: string[];
}

/** Pieces that were looked at, and how many of them were good. */
export interface ToldYield {
  resinId: string;
  castClass: CastClass;
  printedGood: number;
  printedOf: number;
  castGood: number;
  castOf: number;
}

/**
 * What a pour tells other pours: of its print, once it was started; of sizes, once any is known; of its castings; and how
 * many came out, with which resin.
 */
export interface PourTells {
  print: PouredPrint | null;
  sizes: PouredSizes | null;
  cast: PouredCast | null;
  castings: ToldCasting[];
  yields: ToldYield | null;
  /** What the record finds it by. */
  facts: RecordFacts;
}

/** Rises whenever what is told changes its shape or its meaning: what is kept is then told anew. */
export const TELLS_VERSION = 6;

/** When the last bath of the protocol as it began was over, whatever was repeated ("bath2~2"). */
function washedAt({ begun, steps }: PourDoc['clean']): string | null {
  const baths = new Set((begun?.protocol ?? []).filter(({ kind }) => kind === 'wash').map(({ key }) => key));
  const ends = Object.entries(steps).flatMap(([key, { doneAt }]) =>
    doneAt !== undefined && baths.has(key.split('~')[0] ?? '') ? doneAt : [],
  );
  return ends.sort().at(-1) ?? null;
}

const defined = <T extends object>(fields: T): T => JSON.parse(JSON.stringify(fields)) as T;

const linesOf = ({ brief }: PourDoc): PouredPrint['lines'] =>
  brief.lines.map(({ key, patternId, count }) => ({ key, patternId, count }));

/** Gates that had a place; undefined where none had. */
function placedOf({ wayUp }: PourDoc): PouredPrint['gates'] {
  const placed = Object.entries(wayUp.lines).flatMap(([key, { gates }]) =>
    gates?.placed?.length ? [[key, gates.placed] as const] : [],
  );
  return placed.length > 0 ? Object.fromEntries(placed) : undefined;
}

/** What a pour tells of its print; null until it was started. */
export function tellPrint({ id, number, doc }: TellingPour): PouredPrint | null {
  const { brief, resin, print, clean, result } = doc;
  if (print.startedAt === undefined) return null;
  const { plate, finishedAt, hoursRight, hoursTyped, resinMlTyped, resinUsedMl, pausesMm, pieces, why } =
    print;
  const outcomes = Object.entries(result.castings).flatMap(([key, casting]) => {
    const became = becameOf(casting);
    return became ? [[key, became] as const] : [];
  });
  return defined({
    pourId: id,
    number,
    startedAt: print.startedAt,
    resinId: resin.resinId ?? null,
    castClass: brief.castClass,
    route: brief.route,
    print: { plate, finishedAt, hoursRight, hoursTyped, resinMlTyped, resinUsedMl, pausesMm, pieces, why },
    washedAt: washedAt(clean),
    verdicts: clean.pieces,
    lines: linesOf(doc),
    gates: placedOf(doc),
    spares: print.spares,
    outcomes: Object.fromEntries(outcomes),
  });
}

/** What a pour tells of sizes; null unless its printed scale is known, sizes were wanted, and one was measured. */
export function tellSizes({ id, number, doc }: TellingPour): PouredSizes | null {
  const { brief, resin, scale, wayUp, result, invest } = doc;
  const castings = Object.entries(result.castings).flatMap(([key, { sizes }]) =>
    sizes ? [[key, sizes] as const] : [],
  );
  if (!scale.printedAs || brief.sizes.length === 0 || (castings.length === 0 && !scale.measured)) return null;
  const rotations = Object.entries(wayUp.lines).flatMap(([key, { rotation }]) =>
    rotation ? [[key, rotation] as const] : [],
  );
  return {
    pourId: id,
    number,
    at: pouredAt(doc) ?? scale.printedAs.at,
    resinId: resin.resinId ?? null,
    printerId: resin.printerId ?? null,
    profileId: resin.profileId ?? null,
    powderId: invest.powderId ?? null,
    alloyId: brief.alloyId ?? null,
    route: brief.route,
    finish: brief.finish,
    lines: linesOf(doc),
    rotations: Object.fromEntries(rotations),
    sizes: brief.sizes,
    scale,
    castings: Object.fromEntries(castings),
  };
}

/** What became of its castings, each with its pattern; pieces of a line that is gone tell nothing. */
function tellCastings({ brief, result }: PourDoc): ToldCasting[] {
  const patternOf = new Map(brief.lines.map(({ key, patternId }) => [key, patternId]));
  return Object.entries(result.castings).flatMap(([piece, { flaws, ...casting }]) => {
    const patternId = patternOf.get(readPieceKey(piece)?.line ?? '');
    const outcome = becameOf(casting);
    return patternId && outcome ? [{ piece, patternId, outcome, flaws: flaws.map(({ kind }) => kind) }] : [];
  });
}

/** How many pieces came out, by print and by casting; null until resin and result are known. */
function tellYields({ brief, resin, print, result }: PourDoc): ToldYield | null {
  if (resin.resinId === undefined || result.doneAt === undefined) return null;
  const printed = Object.values(print.pieces);
  const cast = Object.values(result.castings).flatMap((casting) => becameOf(casting) ?? []);
  return {
    resinId: resin.resinId,
    castClass: brief.castClass,
    printedGood: printed.filter(({ outcome }) => outcome === 'good').length,
    printedOf: printed.length,
    castGood: cast.filter((became) => became === 'sellable').length,
    castOf: cast.length,
  };
}

/** What a pour tells of its castings; null until it was poured, or something came out. */
export function tellCast({ id, number, doc }: TellingPour): PouredCast | null {
  const { brief, resin, invest, burnout, flasks, result } = doc;
  const castings: PouredCast['castings'] = {};
  for (const [key, casting] of Object.entries(result.castings)) {
    const became = becameOf(casting);
    if (became) castings[key] = { became, flaws: [...new Set(casting.flaws.map(({ kind }) => kind))] };
  }
  if (!anyPoured(doc) && Object.keys(castings).length === 0) return null;
  return defined({
    pourId: id,
    number,
    pouredAt: pouredAt(doc) ?? null,
    alloyId: brief.alloyId ?? null,
    resinId: resin.resinId ?? null,
    profileId: resin.profileId ?? null,
    powderId: invest.powderId ?? null,
    programmeId: burnout.programmeId ?? null,
    castClass: brief.castClass,
    route: brief.route,
    lines: linesOf(doc),
    invest: { ratio: invest.ratio, boric: invest.boric },
    flasks: flasks.map(({ key, pieces, pour }) => ({ key, pieces, pour: toldPour(pour) })),
    castings,
    why: result.why,
    trying: brief.trying,
  });
}

function toldPour(pour: PourFlask['pour']): PouredCast['flasks'][number]['pour'] {
  const { way, flaskRead, metalRead, flaskOffsetC, outMin, vacuumKpa, quenchAfterMin, opened } = pour;
  return {
    way,
    flaskRead,
    metalRead,
    flaskOffsetC,
    outMin,
    vacuumKpa,
    quenchAfterMin,
    ran: ranOf(pour),
    opened,
  };
}

export const tellPour = (pour: TellingPour): PourTells => ({
  print: tellPrint(pour),
  sizes: tellSizes(pour),
  cast: tellCast(pour),
  castings: tellCastings(pour.doc),
  yields: tellYields(pour.doc),
  facts: tellFacts(pour.doc),
});
