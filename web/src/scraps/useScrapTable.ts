import { asRole, findTable, guessColumns, readScraps, type ScrapColumn, type ScrapPour, type ScrapRole, type ScrapTable } from '@zero-pour/core'; // prettier-ignore
import { computed, shallowRef } from 'vue';
import { useUnits } from '../state/unitStore';
import { gridModel } from './gridModel';

/** Headings of a sheet that is typed from the start. */
const OWN_HEADINGS = [
  'Day',
  'What',
  'Castings',
  'Metal',
  'Resin',
  'Flask temp',
  'Metal temp',
  'Came out',
  'Trouble',
  'Notes',
];

/** A table of old records in a grid, how its columns are read, and what each row says. */
export function useScrapTable() {
  const name = shallowRef('Typed here');
  const headings = shallowRef<string[]>(OWN_HEADINGS);
  const lines = shallowRef<number[]>([]);
  const roles = shallowRef<ScrapRole[]>([]);
  /** What somebody said of how a column is read; the rest is guessed anew as cells change. */
  const own = shallowRef<ReadonlyMap<number, Partial<ScrapColumn>>>(new Map());
  const grid = gridModel(() => headings.value.length);

  const table = computed<ScrapTable>(() => ({
    headings: headings.value,
    rows: grid.rows.value.map((cells, i) => ({ line: lines.value[i] ?? i + 1, cells: [...cells] })),
  }));
  const columns = computed<ScrapColumn[]>(() =>
    roles.value.map((role, i) => ({ ...asRole(table.value, i, role), ...own.value.get(i) })),
  );
  function open(cells: readonly (readonly string[])[], called: string): void {
    const found = findTable(cells);
    name.value = called;
    headings.value = found.headings;
    lines.value = found.rows.map(({ line }) => line);
    roles.value = guessColumns(found).map(({ role }) => role);
    own.value = new Map();
    grid.load(found.rows.map((row) => row.cells));
  }
  /** An empty sheet, to be typed in the units of whoever types. */
  function begin(): void {
    open([OWN_HEADINGS], 'Typed here');
    const typed = { unit: useUnits().choice.temperature, told: true };
    own.value = new Map(
      roles.value.flatMap((role, i) => (role === 'flask' || role === 'melt' ? [[i, typed]] : [])),
    );
  }
  begin();
  function setRole(at: number, role: ScrapRole): void {
    // A role stands once; what had it before is left out.
    const isMoved = (other: ScrapRole): boolean => other === role && role !== 'note' && role !== 'nothing';
    roles.value = roles.value.map((other, i) => (i === at ? role : isMoved(other) ? 'nothing' : other));
    own.value = new Map([...own.value].filter(([i]) => i !== at));
  }
  const setColumn = (at: number, fields: Partial<ScrapColumn>): void => {
    own.value = new Map([...own.value, [at, { ...fields, told: true }]]);
  };

  const all = computed<ScrapPour[]>(() => readScraps(table.value, columns.value));
  const isFilled = (row: readonly string[]): boolean => row.some((cell) => cell.trim() !== '');
  /** Of rows that hold anything. */
  const pours = computed(() => all.value.filter((_, i) => isFilled(grid.rows.value[i]!)));
  return { name, headings, columns, grid, all, pours, open, begin, setRole, setColumn };
}
