import { METRIC, readQuantity, type UnitChoice } from '../numeric';
import type { FlawKind } from '../result';
import type { ScrapColumn, ScrapRole } from './columns';
import { readCount, readOutcome } from './counts';
import { readDay, type DayRange } from './dates';
import { readFlaws } from './flawNames';
import type { ScrapTable } from './table';

/** A cell that could not be read as what its column holds: it is kept as a note. */
export interface UnreadCell {
  heading: string;
  text: string;
  why: string;
}

/** A temperature off a scrap: read, or as the hand said. */
export type ScrapTemperature = { tempC: number } | { felt: 'cold' | 'right' | 'hot' };

/** What one row of old records says of a pour; what it does not say is absent. */
export interface ScrapPour {
  line: number;
  number?: string;
  day?: DayRange;
  what?: string;
  /** Castings that were poured, and how many of them came out. */
  cast?: number;
  good?: number;
  printed?: number;
  printedGood?: number;
  metal?: string;
  resin?: string;
  flask?: ScrapTemperature;
  melt?: ScrapTemperature;
  chargeG?: number;
  flaws: FlawKind[];
  photo?: string;
  notes: string[];
  unread: UnreadCell[];
}

const FELT: Readonly<Record<string, 'cold' | 'right' | 'hot'>> = {
  cold: 'cold',
  cool: 'cold',
  right: 'right',
  ok: 'right',
  normal: 'right',
  hot: 'hot',
  warm: 'hot',
};
/** A temperature that no flask or metal of this trade has is a slip of the pen, °C. */
const SPAN_C = { flask: [10, 1000], melt: [100, 1300] } as const;

function readTemperature(
  role: 'flask' | 'melt',
  text: string,
  unit: 'C' | 'F',
): ScrapTemperature | undefined {
  const felt = FELT[text.toLowerCase()];
  if (felt) return { felt };
  const choice: UnitChoice = { ...METRIC, temperature: unit };
  const read = readQuantity(text, 'degC', choice);
  if (read.status !== 'read') return undefined;
  const [least, most] = SPAN_C[role];
  return read.value >= least && read.value <= most ? { tempC: read.value } : undefined;
}

/** The cells of a row by what they are; the first of a role that is filled. */
function cellsOf(columns: readonly ScrapColumn[], cells: readonly string[]) {
  const at = (role: ScrapRole): number => columns.findIndex((column) => column.role === role);
  return { at, text: (role: ScrapRole): string => cells[at(role)]?.trim() ?? '' };
}

/** Reads one row. What a column cannot make sense of is named, and nothing of it is guessed. */
function readRow(
  table: ScrapTable,
  columns: readonly ScrapColumn[],
  n: number,
  year: number | undefined,
): ScrapPour {
  const { line, cells } = table.rows[n]!;
  const { at, text } = cellsOf(columns, cells);
  const pour: ScrapPour = { line, flaws: [], notes: [], unread: [] };
  const refuse = (role: ScrapRole, why: string): void => {
    pour.unread.push({ heading: table.headings[at(role)] ?? '', text: text(role), why });
  };
  for (const role of ['number', 'what', 'metal', 'resin', 'photo'] as const)
    if (text(role) !== '') pour[role] = text(role);
  if (text('day') !== '') {
    const day = readDay(text('day'), columns[at('day')]?.order ?? 'day first', year);
    if (day) pour.day = day;
    else refuse('day', 'is no day that is understood');
  }
  readCounts(pour, text, refuse);
  for (const role of ['flask', 'melt'] as const) {
    if (text(role) === '') continue;
    const read = readTemperature(role, text(role), columns[at(role)]?.unit ?? 'C');
    if (read) pour[role] = read;
    else refuse(role, role === 'flask' ? 'is no temperature of a flask' : 'is no temperature of metal');
  }
  if (text('charge') !== '') {
    const read = readQuantity(text('charge'), 'g', METRIC);
    if (read.status === 'read' && read.value > 0 && read.value <= 1e5) pour.chargeG = read.value;
    else refuse('charge', 'is no weight');
  }
  const { flaws, unknown } = readFlaws(text('flaw'));
  pour.flaws = flaws;
  for (const word of unknown) pour.unread.push({ heading: table.headings[at('flaw')] ?? '', text: word, why: 'is no flaw that is known here' }); // prettier-ignore
  pour.notes = columns.flatMap(({ role }, i) => (role === 'note' && cells[i] ? [cells[i]] : []));
  return pour;
}

function readCounts(
  pour: ScrapPour,
  text: (role: ScrapRole) => string,
  refuse: (role: ScrapRole, why: string) => void,
): void {
  for (const role of ['cast', 'printed'] as const) {
    if (text(role) === '') continue;
    const count = readCount(text(role));
    if (count === undefined) refuse(role, 'is no count');
    else pour[role] = count;
  }
  for (const [role, all] of [['good', 'cast'], ['printedGood', 'printed']] as const) {
    if (text(role) === '') continue;
    const outcome = readOutcome(text(role), pour[all]);
    if (!outcome) refuse(role, pour[all] === undefined ? 'is no count' : `is no count of ${pour[all]}`);
    else if (outcome.of !== null && pour[all] !== undefined && outcome.of !== pour[all])
      refuse(role, `does not go with ${pour[all]} that were made`);
    else {
      pour[role] = outcome.good;
      if (outcome.of !== null) pour[all] = outcome.of;
    }
  } // prettier-ignore
}

/** Rows of old records as pours. A month without a year is of the year of the row before it. */
export function readScraps(table: ScrapTable, columns: readonly ScrapColumn[]): ScrapPour[] {
  const pours: ScrapPour[] = [];
  let year: number | undefined;
  for (let n = 0; n < table.rows.length; n++) {
    const pour = readRow(table, columns, n, year);
    if (pour.day) year = Number(pour.day.to.slice(0, 4));
    pours.push(pour);
  }
  return pours;
}
