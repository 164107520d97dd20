import { becameOf, pourDocSchema, pourFaults, pouredAt, tellPour, type PourDoc } from '@zero-pour/contracts';
import { findTable, guessColumns, readScraps, type ScrapPour } from '@zero-pour/core';
import { readFileSync } from 'node:fs';
import Papa from 'papaparse';
import { describe, expect, it } from 'vitest';
import { nameKey, pourOfScrap, type ScrapChoices } from './pourOfScrap';

const BATCH = '5f1c2a30-8a0e-4c55-9d3b-1a2b3c4d5e6f';
const STERLING = '11111111-8a0e-4c55-9d3b-1a2b3c4d5e6f';
const RESIN = '22222222-8a0e-4c55-9d3b-1a2b3c4d5e6f';
const PATTERN = '33333333-8a0e-4c55-9d3b-1a2b3c4d5e6f';
const CHOICES: ScrapChoices = {
  batchId: BATCH,
  names: {
    metal: new Map([['ag 925', STERLING], ['unobtainium', null]]),
    resin: new Map([['skerry low-ash', RESIN]]),
    what: new Map([['limpet cufflink', PATTERN]]),
  },
  castClass: 'standard',
  noonOf: (day) => `${day}T12:00:00.000Z`,
  now: '2026-11-24T16:54:00.000Z',
}; // prettier-ignore

const readFile = (name: string): ScrapPour[] => {
  const text = readFileSync(new URL(`../../../demo/scraps/${name}`, import.meta.url), 'utf8');
  const table = findTable(Papa.parse<string[]>(text, { skipEmptyLines: false }).data);
  return readScraps(table, guessColumns(table));
};
const countOf = (docs: readonly PourDoc[]) => {
  const became = docs.flatMap(({ result }) => Object.values(result.castings).map(becameOf));
  return {
    pours: docs.length,
    castings: became.length,
    sellable: became.filter((one) => one === 'sellable').length,
  };
};
const pourOf = (row: Partial<ScrapPour>): PourDoc =>
  pourOfScrap({ line: 2, flaws: [], notes: [], unread: [], ...row }, CHOICES);

describe('two drawers of old records', () => {
  it('hold as many pours and castings as they hold', () => {
    const [first, second] = ['pours-2025.csv', 'spring-book.tsv'].map(readFile);
    expect(countOf(first!.map((row) => pourOfScrap(row, CHOICES)))).toEqual({
      pours: 40,
      castings: 186,
      sellable: 152,
    });
    const docs = second!.map((row) => pourOfScrap(row, CHOICES));
    expect(countOf(docs)).toEqual({ pours: 18, castings: 82, sellable: 69 });
    expect(docs.flatMap(({ print }) => Object.values(print.pieces))).toHaveLength(100);
    for (const rows of [first!, second!]) expect(rows.flatMap(({ unread }) => unread)).toEqual([]);
  });
  it('become pours that are kept without a fault, each day within the days that were written', () => {
    for (const row of [...readFile('pours-2025.csv'), ...readFile('spring-book.tsv')]) {
      const doc = pourOfScrap(row, CHOICES);
      expect(pourDocSchema.parse(doc)).toEqual(doc);
      expect(pourFaults(doc)).toEqual([]);
      const day = pouredAt(doc)!.slice(0, 10);
      expect(day >= row.day!.from && day <= row.day!.to).toBe(true);
    }
  });
});

describe('an old record', () => {
  const told = (row: Partial<ScrapPour>) => tellPour({ id: BATCH, number: 1, doc: pourOf(row) });

  it('counts in yields once its resin is known, and in facts at once', () => {
    const { yields, facts } = told({
      resin: 'Skerry  Low-Ash',
      cast: 3,
      good: 2,
      flaws: ['ash pitting'],
      flask: { tempC: 450 },
    });
    expect(yields).toMatchObject({ resinId: RESIN, castGood: 2, castOf: 3, castClass: 'standard' });
    expect(facts).toMatchObject({ looked: 3, sellable: 2, flaskC: 450, flaws: ['ash pitting'] });
    expect(told({ resin: 'some other', cast: 3, good: 2 }).yields).toBeNull();
  });
  it('says its flaws of those that did not come out; of which is not known', () => {
    const { castings } = pourOf({ cast: 3, good: 1, flaws: ['misrun'] }).result;
    expect(Object.values(castings).map(({ outcome, flaws }) => [outcome, flaws.length])).toEqual([['sellable', 0], ['scrap', 1], ['scrap', 1]]); // prettier-ignore
    expect(
      Object.values(pourOf({ cast: 2, good: 2, flaws: ['misrun'] }).result.castings).map(
        ({ flaws }) => flaws.length,
      ),
    ).toEqual([1, 0]);
  });
  it('of good ones alone, or without a count, tells of no yield', () => {
    expect(told({ resin: 'skerry low-ash', good: 4 }).facts.looked).toBeUndefined();
    expect(told({ resin: 'skerry low-ash', cast: 4 }).yields).toMatchObject({ castOf: 0 });
    expect(pourOf({ cast: 4, flaws: ['misrun'] }).result.castings).toEqual({
      'l1/1': { flaws: [expect.objectContaining({ kind: 'misrun' })], photos: [] },
    });
  });
  it('names its pattern where the shop has it, and keeps the name where it has not', () => {
    expect(pourOf({ what: 'Limpet cufflink', cast: 3 }).brief.lines).toEqual([
      { key: 'l1', patternId: PATTERN, count: 3 },
    ]);
    const other = pourOf({ what: 'A ring', cast: 3 });
    expect([other.brief.lines, other.scrap?.what]).toEqual([[], 'A ring']);
  });
  it('loses nothing that could not be read: it stands in the note and beside it', () => {
    const doc = pourOf({
      metal: 'Unobtainium',
      notes: ['cold room'],
      unread: [{ heading: 'Flask', text: '9000', why: 'x' }],
    });
    expect(doc.brief.note).toBe('cold room\nmetal: Unobtainium\nFlask: 9000');
    expect(doc.scrap?.unread).toEqual([{ heading: 'Flask', text: '9000' }]);
    expect(doc.brief.alloyId).toBeUndefined();
  });
  it('without a day is recorded when it is taken in, and poured at no moment', () => {
    const doc = pourOf({ cast: 1, good: 1 });
    expect([pouredAt(doc), doc.result.doneAt, doc.scrap?.days]).toEqual([undefined, CHOICES.now, undefined]);
  });
  it('has its picture with its first casting, also where nothing else is told of it', () => {
    const photo = { hash: 'a'.repeat(64), name: 'IMG 1.jpg' };
    const pictured = (row: Partial<ScrapPour>) =>
      pourOfScrap(
        { line: 2, flaws: [], notes: [], unread: [], photo: 'IMG 1', ...row },
        { ...CHOICES, photos: new Map([['IMG 1', photo]]) },
      );
    expect(pictured({ cast: 2, good: 1 }).result.castings['l1/1']).toEqual({
      outcome: 'sellable',
      flaws: [],
      photos: [photo],
    });
    expect(pictured({}).result.castings).toEqual({ 'l1/1': { flaws: [], photos: [photo] } });
    expect(pictured({ photo: 'IMG 2' }).result.castings).toEqual({});
  });
  it('holds a felt temperature as felt', () => {
    expect(pourOf({ flask: { felt: 'hot' }, melt: { tempC: 960 } }).flasks[0]!.pour).toEqual({
      flaskRead: { state: 'felt', felt: 'hot' },
      metalRead: { state: 'measured', value: 960 },
    });
  });
});

it('names are the same whatever their spaces and letters', () => {
  expect(nameKey('  Ag   925 ')).toBe('ag 925');
});
