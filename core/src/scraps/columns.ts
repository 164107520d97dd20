import { readCount, readOutcome } from './counts';
import { guessDateOrder, readDay, type DateOrder } from './dates';
import type { ScrapTable } from './table';

/** What a column of old pours can hold. */
export const SCRAP_ROLES = {
  number: 'their own number',
  day: 'when it was poured',
  what: 'what was cast',
  cast: 'castings poured',
  good: 'castings that came out',
  printed: 'prints made',
  printedGood: 'prints that came out',
  metal: 'metal',
  resin: 'resin',
  flask: 'flask temperature',
  melt: 'metal temperature',
  charge: 'charge, weight',
  flaw: 'what was wrong',
  photo: 'photo, by file name',
  note: 'a note',
  nothing: 'leave it out',
} as const;
export type ScrapRole = keyof typeof SCRAP_ROLES;

/** How a column is read. */
export interface ScrapColumn {
  role: ScrapRole;
  /** Of temperatures without a letter, and of days with numbers alone; as it was guessed, and whether anything told. */
  unit?: 'C' | 'F';
  order?: DateOrder;
  told: boolean;
}

/** Headings as they are written, by what they mean; tried in this order. */
const HEADINGS: readonly [words: RegExp, role: ScrapRole][] = [
  [/^(?:no\.?|nr\.?|#|number|pour|pour no\.?|id|lot)$/, 'number'],
  [/date|when|poured on|^day$/, 'day'],
  [/photo|picture|image|^img/, 'photo'],
  [/(?:print).*(?:ok|good|came|success|right)/, 'printedGood'],
  [/(?:print).*(?:made|total|count|qty|number|tried)|^prints?$/, 'printed'],
  [/why|trouble|flaw|defect|fault|problem|wrong|issue|failure/, 'flaw'],
  [/came out|result|sellable|success|yield|good|\bok\b|passed/, 'good'],
  [/qty|quantity|count|pieces|pcs|poured|castings?|how many|^n$|^of$/, 'cast'],
  [/flask|mold temp|mould temp|kiln temp/, 'flask'],
  [/(?:metal|melt|pour(?:ing)?|casting)\s*(?:temp|t\b|°|f$|c$|\(f\)|\(c\)|deg)|^melt$|temps? metal/, 'melt'],
  [/metal|alloy|material cast/, 'metal'],
  [/resin|print material/, 'resin'],
  [/gram|weight|charge|^g$|mass/, 'charge'],
  [/what|piece|part|pattern|item|model|design|job|description/, 'what'],
  [/note|remark|comment|memo/, 'note'],
];

const shareOf = (cells: readonly string[], test: (cell: string) => boolean): number => {
  const full = cells.filter((cell) => cell !== '');
  return full.length === 0 ? 0 : full.filter(test).length / full.length;
};
/** Of the filled cells that must be of a kind before the values alone say what a column is. */
const MOSTLY = 0.7;

function roleByValues(cells: readonly string[]): ScrapRole | undefined {
  if (shareOf(cells, (cell) => readDay(cell, 'day first') !== undefined && readCount(cell) === undefined) > MOSTLY) return 'day'; // prettier-ignore
  if (shareOf(cells, (cell) => /\d\s*(?:of|\/)\s*\d/i.test(cell) && readOutcome(cell, undefined) !== undefined) > MOSTLY) return 'good'; // prettier-ignore
  return undefined;
}

/** In Celsius no flask is cast hotter than this, and no metal of this trade, °C; a column with higher numbers is in Fahrenheit. */
const HOTTEST_C = { flask: 760, melt: 1250 } as const;
/** … and in Fahrenheit none is cooler than this. */
const COOLEST_F = { flask: 500, melt: 900 } as const;

/** The unit of a column of temperatures: by its heading, by letters in its cells, else by how large its numbers are. */
function guessUnit(
  role: 'flask' | 'melt',
  heading: string,
  cells: readonly string[],
): Pick<ScrapColumn, 'unit' | 'told'> {
  const letter = /(?:^|[\s(°])([cf])(?:\)|$|\b)/i.exec(heading)?.[1] ?? cells.map((cell) => /\d\s*°?\s*([cf])\b/i.exec(cell)?.[1]).find(Boolean); // prettier-ignore
  if (letter) return { unit: letter.toUpperCase() as 'C' | 'F', told: true };
  const numbers = cells
    .map((cell) => Number(cell.replace(/[\s,]/g, '')))
    .filter((n) => Number.isFinite(n) && n > 0);
  if (numbers.length === 0) return { unit: 'C', told: false };
  const [least, most] = [Math.min(...numbers), Math.max(...numbers)];
  if (most > HOTTEST_C[role] && least >= COOLEST_F[role]) return { unit: 'F', told: true };
  return { unit: 'C', told: most <= HOTTEST_C[role] && least < COOLEST_F[role] };
}

function columnOf(role: ScrapRole, heading: string, cells: readonly string[]): ScrapColumn {
  if (role === 'flask' || role === 'melt') return { role, ...guessUnit(role, heading, cells) };
  if (role !== 'day') return { role, told: true };
  const order = guessDateOrder(cells);
  return { role, order: order ?? 'day first', told: order !== null };
}

/** What each column of a table of old pours holds, by its heading and by what stands in it. Only notes come twice. */
export function guessColumns({ headings, rows }: ScrapTable): ScrapColumn[] {
  const taken = new Set<ScrapRole>();
  return headings.map((heading, at) => {
    const cells = rows.map((row) => row.cells[at] ?? '');
    const words = heading.toLowerCase();
    const role =
      HEADINGS.find(([pattern, of]) => pattern.test(words) && !taken.has(of))?.[1] ??
      [roleByValues(cells)].find((of) => of !== undefined && !taken.has(of)) ??
      (shareOf(cells, (cell) => /[a-z]{3}/i.test(cell)) > MOSTLY ? 'note' : 'nothing');
    if (role !== 'note' && role !== 'nothing') taken.add(role);
    return columnOf(role, heading, cells);
  });
}

/** The same column read as something else. */
export const asRole = (table: ScrapTable, at: number, role: ScrapRole): ScrapColumn =>
  columnOf(role, (table.headings[at] ?? '').toLowerCase(), table.rows.map((row) => row.cells[at] ?? '')); // prettier-ignore
