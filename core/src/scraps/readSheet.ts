import { METRIC, readQuantity, type UnitChoice } from '../numeric';
import { readOutcome } from './counts';
import { guessDateOrder, readDay, type DateOrder, type DayRange } from './dates';
import type { UnreadCell } from './readScrap';
import { SHEET_FIELDS, type SheetField, type SheetKind, type SheetReads } from './sheetKinds';
import type { ScrapTable } from './table';

export type SheetValue = string | number | number[] | DayRange | { good: number; of: number };
/** What one row says, by the field's name; what it lacks of what is needed, and cells that could not be read. */
export interface SheetRow {
  line: number;
  values: Readonly<Record<string, SheetValue>>;
  lacks: string[];
  unread: UnreadCell[];
}
/** A column's field, or none. */
export type SheetColumn = string | 'nothing';

/** Which field each column holds, by its heading alone: numbers of one kind look like those of another. */
export function guessSheetColumns(kind: SheetKind, headings: readonly string[]): SheetColumn[] {
  const taken = new Set<string>();
  return headings.map((heading) => {
    const words = heading.toLowerCase();
    const found = Object.entries(SHEET_FIELDS[kind]).find(
      ([name, field]) => !taken.has(name) && field.heading.test(words),
    );
    if (!found) return 'nothing';
    taken.add(found[0]);
    return found[0];
  });
}

/** Units that a heading names for the numbers below it. */
const unitsOf = (heading: string): UnitChoice => ({
  ...METRIC,
  ...(/\(in\)|\binch(?:es)?\b|\sin\.?$|"/i.test(heading) ? { length: 'in' as const } : {}),
  ...(/°\s*f|\bf\b|fahrenheit/i.test(heading) ? { temperature: 'F' as const } : {}),
});
/** Layers are as often written in µm as in mm: "50 µm", "50 um", or 50 below such a heading. */
function readNumber(
  text: string,
  reads: Extract<SheetReads, { least: number }>,
  heading: string,
): number | undefined {
  const micron = reads.unit === 'mm' && /[µμ]m|\bum\b|micron/i.test(`${text} ${heading}`);
  const plain = micron ? text.replace(/\s*(?:[µμ]m|um|microns?)/i, '') : text;
  const read = readQuantity(plain, reads.unit, unitsOf(heading));
  if (read.status !== 'read') return undefined;
  const value = micron ? read.value / 1000 : read.value;
  if (reads.whole && !Number.isInteger(value)) return undefined;
  return value >= reads.least && value <= reads.most ? value : undefined;
}

function readCell(
  text: string,
  { reads }: SheetField,
  heading: string,
  order: DateOrder,
): SheetValue | undefined {
  if (reads.as === 'text') return text;
  if (reads.as === 'day') return readDay(text, order);
  if (reads.as === 'choice') return reads.of.find(([said]) => said.test(text))?.[1];
  if (reads.as === 'of') {
    const count = readOutcome(text, undefined);
    return count && count.of !== null ? { good: count.good, of: count.of } : undefined;
  }
  if (reads.as === 'number') return readNumber(text, reads, heading);
  // Several readings stand side by side: "9.97 9.98", "9,97; 9,98".
  const all = text.split(/[;/|]|,\s|\s+/).filter((part) => part !== '');
  const read = all.map((part) => readNumber(part, reads, heading));
  return read.length > 0 && !read.includes(undefined) ? (read as number[]) : undefined;
}

/** Reads a table of old notes. Nothing that a row does not say is put in its place. */
export function readSheet(kind: SheetKind, table: ScrapTable, columns: readonly SheetColumn[]): SheetRow[] {
  const fields = SHEET_FIELDS[kind];
  const dayAt = columns.findIndex((name) => fields[name]?.reads.as === 'day');
  const order = guessDateOrder(table.rows.map(({ cells }) => cells[dayAt] ?? '')) ?? 'day first';
  return table.rows.map(({ line, cells }) => {
    const values: Record<string, SheetValue> = {};
    const unread: UnreadCell[] = [];
    columns.forEach((name, i) => {
      const field = fields[name];
      const text = cells[i]?.trim() ?? '';
      if (!field || text === '') return;
      const heading = table.headings[i] ?? '';
      const value = readCell(text, field, heading, order);
      if (value === undefined) unread.push({ heading, text, why: `is not read as ${field.label}` });
      else values[name] = value;
    });
    const lacks = Object.entries(fields)
      .filter(([name, field]) => field.needed && values[name] === undefined)
      .map(([, field]) => field.label);
    return { line, values, lacks, unread };
  });
}
