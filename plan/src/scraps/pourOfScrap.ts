import { emptyPourDoc, pieceKey, type PourDoc, type Reading } from '@zero-pour/contracts';
import { middleDay, STAGES, type CastClass, type ScrapPour, type ScrapTemperature } from '@zero-pour/core';

/** What the shop says of names on scraps, by the name in small letters; absent or null: nobody knows what it is. */
export interface ScrapNames {
  metal: ReadonlyMap<string, string | null>;
  resin: ReadonlyMap<string, string | null>;
  what: ReadonlyMap<string, string | null>;
}
export interface ScrapChoices {
  batchId: string;
  names: ScrapNames;
  /** Of all of them: a scrap does not say it. */
  castClass: CastClass;
  /** A moment of a day, by the shop's clock. */
  noonOf: (day: string) => string;
  /** When they are taken in: of those whose day nobody wrote. */
  now: string;
  /** Kept pictures, by the name that a row gives them. */
  photos?: ReadonlyMap<string, { hash: string; name: string }>;
}

export const nameKey = (said: string): string => said.trim().toLowerCase().replace(/\s+/g, ' ');
const idOf = (names: ReadonlyMap<string, string | null>, said: string | undefined): string | undefined =>
  said === undefined ? undefined : (names.get(nameKey(said)) ?? undefined);

const LINE = 'l1';
/** What a scrap tells something of; the rest is left unknown. */
const TOLD = new Set(['brief', 'resin', 'pour', 'result']);
const readingOf = (read: ScrapTemperature): Reading =>
  'felt' in read ? { state: 'felt', felt: read.felt } : { state: 'measured', value: read.tempC };
const measured = (value: number): Reading => ({ state: 'measured', value });

/**
 * What became of its castings, where both how many and how many good are told: which of them had a flaw is not, so that those
 * that did not come out have it; when all came out, one of them. Of good ones alone nothing is told: they would look like all.
 */
function castingsOf({ cast = 0, good, flaws }: ScrapPour): PourDoc['result']['castings'] {
  const flawed = flaws.map((kind) => ({ kind, place: '' }));
  const castings: PourDoc['result']['castings'] = {};
  for (let i = 0; i < cast; i++) {
    const isGood = good !== undefined && i < good;
    const hasFlaw = good === undefined || good === cast ? i === 0 : !isGood;
    if (good === undefined && !(hasFlaw && flawed.length > 0)) continue;
    castings[pieceKey(LINE, i + 1)] = {
      ...(good === undefined ? {} : { outcome: isGood ? 'sellable' : 'scrap' }),
      flaws: hasFlaw ? flawed : [],
      photos: [],
    };
  }
  return castings;
}

function printedOf({ printed, printedGood }: ScrapPour): PourDoc['print']['pieces'] {
  if (printed === undefined || printedGood === undefined) return {};
  return Object.fromEntries(
    Array.from({ length: printed }, (_, i) => [
      pieceKey(LINE, i + 1),
      { outcome: i < printedGood ? ('good' as const) : ('lost' as const), note: '' },
    ]),
  );
}

/** Its picture is of all its castings: it stands with the first. */
function withPhoto(
  castings: PourDoc['result']['castings'],
  photo: { hash: string; name: string } | undefined,
): PourDoc['result']['castings'] {
  if (!photo) return castings;
  const first = pieceKey(LINE, 1);
  return { ...castings, [first]: { flaws: [], ...castings[first], photos: [photo] } };
}

/** One row of old records as a recorded pour. What the row does not say stays unknown. */
export function pourOfScrap(row: ScrapPour, choices: ScrapChoices): PourDoc {
  const { batchId, names, castClass, noonOf, now } = choices;
  const doc = emptyPourDoc();
  const [alloyId, resinId, patternId] = [
    idOf(names.metal, row.metal),
    idOf(names.resin, row.resin),
    idOf(names.what, row.what),
  ];
  const at = row.day && noonOf(middleDay(row.day));
  const flask = doc.flasks[0]!;
  const saidOf = [
    ...row.notes,
    ...(row.metal && !alloyId ? [`metal: ${row.metal}`] : []),
    ...(row.resin && !resinId ? [`resin: ${row.resin}`] : []),
    ...row.unread.map(({ heading, text }) => `${heading}: ${text}`),
  ];
  return {
    ...doc,
    left: STAGES.flatMap(({ key }) => (TOLD.has(key) ? [] : key)),
    brief: {
      ...doc.brief,
      castClass,
      ...(alloyId ? { alloyId } : {}),
      ...(patternId && row.cast ? { lines: [{ key: LINE, patternId, count: row.cast }] } : {}),
      ...(saidOf.length > 0 ? { note: saidOf.join('\n').slice(0, 4000) } : {}),
    },
    resin: resinId ? { resinId } : {},
    print: { ...doc.print, pieces: printedOf(row) },
    flasks: [
      {
        ...flask,
        pour: {
          ...(at ? { pouredAt: at } : {}),
          ...(row.flask ? { flaskRead: readingOf(row.flask) } : {}),
          ...(row.melt ? { metalRead: readingOf(row.melt) } : {}),
          ...(row.chargeG ? { chargeRead: measured(row.chargeG) } : {}),
        },
      },
    ],
    result: {
      castings: withPhoto(
        castingsOf(row),
        row.photo === undefined ? undefined : choices.photos?.get(row.photo),
      ),
      doneAt: at ?? now,
    },
    scrap: {
      batchId,
      line: row.line,
      ...(row.number ? { number: row.number.slice(0, 60) } : {}),
      ...(row.day ? { days: row.day } : {}),
      ...(row.what ? { what: row.what.slice(0, 200) } : {}),
      unread: row.unread.slice(0, 40).map(({ heading, text }) => ({ heading: heading.slice(0, 120), text: text.slice(0, 300) })), // prettier-ignore
    },
  };
}
