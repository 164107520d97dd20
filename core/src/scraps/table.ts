import { readOutcome } from './counts';
import { readDay } from './dates';

/** A table of old records: one heading a column, and its rows as they stand, each with its line in the file. */
export interface ScrapTable {
  headings: string[];
  rows: { line: number; cells: string[] }[];
}

/** No table of this trade has more rows of headings. */
const HEADING_ROWS_MOST = 3;

const isBlank = (cells: readonly string[]): boolean => cells.every((cell) => cell.trim() === '');
/** Whether a cell holds a value rather than a name of one: a number, a day, a count. */
const isValue = (cell: string): boolean =>
  /^[<>~≈]?\s*[-−]?\d/.test(cell.trim()) ||
  readOutcome(cell, undefined) !== undefined ||
  readDay(cell, 'day first') !== undefined;

/** Rows of headings at the head of the rows: until one holds values. A row that is all words is one only where values follow. */
function headingRows(rows: readonly (readonly string[])[]): number {
  for (let n = 0; n < Math.min(rows.length, HEADING_ROWS_MOST + 1); n++)
    if (rows[n]!.filter((cell) => cell.trim() !== '' && isValue(cell)).length > 0) return n;
  return rows.length > 0 ? 1 : 0;
}

/** A heading that spans columns stands in the first of them: the others take it over. */
function spanned(cells: readonly string[], width: number): string[] {
  const full: string[] = [];
  for (let at = 0; at < width; at++) {
    const own = cells[at]?.trim() ?? '';
    full.push(own !== '' ? own : (full[at - 1] ?? ''));
  }
  return full;
}

/**
 * Finds the headings of a table: one row or several above each other ("Print" over "made" and "ok"), with a title above them, or
 * none at all. Empty lines are passed over. Rows keep their line of the file, from 1.
 */
export function findTable(cells: readonly (readonly string[])[]): ScrapTable {
  const lines = cells
    .map((row, i) => ({ line: i + 1, cells: row.map((cell) => cell.trim()) }))
    .filter((row) => !isBlank(row.cells));
  const width = Math.max(0, ...lines.map((row) => row.cells.length));
  const count = headingRows(lines.map((row) => row.cells));
  const heads = lines.slice(0, count).map((row) => row.cells);
  // A lone cell above the headings is the table's title.
  while (heads.length > 1 && heads[0]!.filter((cell) => cell !== '').length === 1 && width > 2) heads.shift();
  const above = heads.slice(0, -1).map((row) => spanned(row, width));
  const last = heads.at(-1) ?? [];
  const headings = Array.from({ length: width }, (_, at) => {
    const parts = [...above.map((row) => row[at]!), last[at] ?? ''].filter((part) => part !== '');
    return parts.length > 0 ? [...new Set(parts)].join(' ') : `Column ${at + 1}`;
  });
  const rows = lines
    .slice(count)
    .map((row) => ({ ...row, cells: Array.from({ length: width }, (_, at) => row.cells[at] ?? '') }));
  return { headings, rows };
}
