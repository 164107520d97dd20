import type { PourDoc } from './pourDoc';
import type { PouredPrint } from './pouredPrints';
import type { PouredSizes } from './pouredSizes';

/** A pour as far as it tells anything to others. */
export interface TellingPour {
  id: string;
  number: number;
  doc: PourDoc;
}

/** What a pour tells other pours: of its print, once it was started, and of sizes, once any is known. */
export interface PourTells {
  print: PouredPrint | null;
  sizes: PouredSizes | null;
}

/** Rises whenever what is told changes its shape or its meaning: what is kept is then told anew. */
export const TELLS_VERSION = 1;

/** When the last bath of the protocol as it began was over, whatever was repeated ("bath2~2"). */
function washedAt({ begun, steps }: PourDoc['clean']): string | null {
  const baths = new Set((begun?.protocol ?? []).filter(({ kind }) => kind === 'wash').map(({ key }) => key));
  const ends = Object.entries(steps).flatMap(([key, { doneAt }]) =>
    doneAt !== undefined && baths.has(key.split('~')[0] ?? '') ? doneAt : [],
  );
  return ends.sort().at(-1) ?? null;
}

const defined = <T extends object>(fields: T): T => JSON.parse(JSON.stringify(fields)) as T;

/** What a pour tells of its print; null until it was started. */
export function tellPrint({ id, number, doc }: TellingPour): PouredPrint | null {
  const { brief, resin, print, clean, result } = doc;
  if (print.startedAt === undefined) return null;
  const { plate, finishedAt, hoursTyped, resinMlTyped, resinUsedMl, pausesMm, pieces, why } = print;
  const outcomes = Object.entries(result.castings).flatMap(([key, { outcome }]) =>
    outcome ? [[key, outcome] as const] : [],
  );
  return defined({
    pourId: id,
    number,
    startedAt: print.startedAt,
    resinId: resin.resinId ?? null,
    castClass: brief.castClass,
    route: brief.route,
    print: { plate, finishedAt, hoursTyped, resinMlTyped, resinUsedMl, pausesMm, pieces, why },
    washedAt: washedAt(clean),
    verdicts: clean.pieces,
    patterns: brief.patterns,
    spares: print.spares,
    outcomes: Object.fromEntries(outcomes),
  });
}

/** What a pour tells of sizes; null unless its printed scale is known, sizes were wanted, and one was measured. */
export function tellSizes({ id, number, doc }: TellingPour): PouredSizes | null {
  const { brief, resin, scale, wayUp, result, invest, pour } = doc;
  const castings = Object.entries(result.castings).flatMap(([key, { sizes }]) =>
    sizes ? [[key, sizes] as const] : [],
  );
  if (!scale.printedAs || brief.sizes.length === 0 || (castings.length === 0 && !scale.measured)) return null;
  return {
    pourId: id,
    number,
    at: pour.pouredAt ?? scale.printedAs.at,
    resinId: resin.resinId ?? null,
    printerId: resin.printerId ?? null,
    profileId: resin.profileId ?? null,
    powderId: invest.powderId ?? null,
    alloyId: brief.alloyId ?? null,
    route: brief.route,
    finish: brief.finish,
    patterns: brief.patterns,
    rotations: wayUp.rotations,
    sizes: brief.sizes,
    scale,
    castings: Object.fromEntries(castings),
  };
}

export const tellPour = (pour: TellingPour): PourTells => ({
  print: tellPrint(pour),
  sizes: tellSizes(pour),
});
