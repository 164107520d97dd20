import {
  becameOf,
  fieldWords,
  pouredAt,
  readPieceKey,
  RECORD_KINDS,
  Refusal,
  SHOP_KINDS,
  type Pour,
  type RecordKind,
} from '@zero-pour/contracts';
import { flawWords } from '@zero-pour/core';
import Papa from 'papaparse';
import type { Queryable } from '../db/database';
import { listKilnRuns } from '../db/kilnRunStore';
import { listPatterns } from '../db/patternStore';
import { listPourPage } from '../db/pourStore';
import { listRecords } from '../db/recordStore';
import { listShop } from '../db/shopStore';

type Row = Record<string, unknown>;

/** Lists of plain values stand in one cell; other lists as JSON, so that nothing is lost. */
const cellOf = (list: readonly unknown[]): string =>
  list.every((value) => typeof value !== 'object' || value === null) ? list.join('; ') : JSON.stringify(list);

/** A document as one row: fields below fields by their path. Units stand in the fields' names. */
export function flatRow(doc: object, path: readonly string[] = []): Row {
  const row: Row = {};
  for (const [field, value] of Object.entries(doc)) {
    const title = [...path, fieldWords(field)];
    if (Array.isArray(value)) row[title.join(' › ')] = cellOf(value);
    else if (typeof value === 'object' && value !== null) Object.assign(row, flatRow(value as object, title));
    else row[title.join(' › ')] = value ?? '';
  }
  return row;
}

/** Rows as CSV: every column that any row has. A text that a spreadsheet would take for a formula is made harmless. */
export function csvOf(rows: readonly Row[]): string {
  const fields = [...new Set(rows.flatMap((row) => Object.keys(row)))];
  return Papa.unparse(
    { fields, data: rows.map((row) => fields.map((field) => row[field] ?? '')) },
    { escapeFormulae: true },
  );
}

async function eachPour(db: Queryable, rowsOf: (pour: Pour) => Row[]): Promise<Row[]> {
  const rows: Row[] = [];
  for (let after: number | null = 0; after !== null;) {
    const page: Awaited<ReturnType<typeof listPourPage>> = await listPourPage(db, after);
    rows.push(...page.read.filter(({ discarded }) => !discarded).flatMap(rowsOf));
    after = page.last;
  }
  return rows;
}
async function patternNames(db: Queryable): Promise<Map<string, string>> {
  return new Map((await listPatterns(db)).read.map(({ id, name }) => [id, name]));
}
const headOf = ({ number, doc, used }: Pour): Row => ({
  pour: number,
  poured: pouredAt(doc) ?? '',
  metal: used?.alloy?.name ?? '',
  resin: used?.resin?.name ?? '',
  class: doc.brief.castClass,
});

async function castingRows(db: Queryable): Promise<Row[]> {
  const names = await patternNames(db);
  return eachPour(db, (pour) => {
    const patternOf = new Map(pour.doc.brief.lines.map(({ key, patternId }) => [key, names.get(patternId)]));
    return Object.entries(pour.doc.result.castings).map(([piece, casting]) => ({
      ...headOf(pour),
      piece,
      pattern: patternOf.get(readPieceKey(piece)?.line ?? '') ?? pour.doc.scrap?.what ?? '',
      'as cast': casting.outcome ?? '',
      'in the end': becameOf(casting) ?? '',
      flaws: casting.flaws.map(({ kind }) => flawWords(kind)).join('; '),
      'weight as cast g': casting.weightG && 'value' in casting.weightG ? casting.weightG.value : '',
      'weight after cutting g':
        casting.cutWeightG && 'value' in casting.cutWeightG ? casting.cutWeightG.value : '',
      note: casting.note ?? '',
    }));
  });
}
const flawRows = (db: Queryable): Promise<Row[]> =>
  eachPour(db, (pour) =>
    Object.entries(pour.doc.result.castings).flatMap(([piece, { flaws }]) =>
      flaws.map(({ kind, zone, severity, place, sizeMm }) => ({
        ...headOf(pour),
        piece,
        flaw: flawWords(kind),
        where: zone ?? '',
        'how bad': severity ?? '',
        place,
        'size mm': sizeMm ?? '',
      })),
    ),
  );
const printRows = (db: Queryable): Promise<Row[]> =>
  eachPour(db, (pour) =>
    Object.entries(pour.doc.print.pieces).map(([piece, { outcome, fault, note }]) => ({
      pour: pour.number,
      started: pour.doc.print.startedAt ?? '',
      piece,
      print: outcome,
      fault: fault ?? '',
      note,
    })),
  );

const OWN_NAMES: Partial<Record<RecordKind, string>> = {
  sizeSeries: 'size series',
  scrapBatch: 'old records taken in',
  slip: 'noted at the bench',
};

/** Every table that a shop has, by its file's name; pours have their own, with the record's columns. */
const TABLES: Record<string, (db: Queryable) => Promise<Row[]>> = {
  castings: castingRows,
  flaws: flawRows,
  prints: printRows,
  patterns: async (db) => (await listPatterns(db)).read.map(({ measure, sprues: _, ...pattern }) => flatRow({ ...pattern, measure: { ...measure, supportPointsMm: undefined } })), // prettier-ignore
  'kiln runs': async (db) => (await listKilnRuns(db)).map((run) => flatRow(run)),
  ...Object.fromEntries(
    SHOP_KINDS.map((kind) => [
      `${kind}s`,
      async (db: Queryable) => (await listShop(db)).lists[kind].map((item) => flatRow(item)),
    ]),
  ),
  ...Object.fromEntries(
    RECORD_KINDS.map((kind) => [
      OWN_NAMES[kind] ?? `${fieldWords(kind)}s`,
      async (db: Queryable) => (await listRecords(db)).lists[kind].map((record) => flatRow(record)),
    ]),
  ),
};
export const TABLE_NAMES = Object.keys(TABLES);

/** A table of the shop as CSV. Refuses a name that is none. */
export async function tableCsv(db: Queryable, name: string): Promise<string> {
  const rows = Object.hasOwn(TABLES, name) ? TABLES[name] : undefined;
  if (!rows) throw new Refusal('NOT_FOUND', { what: 'table' });
  return csvOf(await rows(db));
}
