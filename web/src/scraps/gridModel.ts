import { computed, shallowRef } from 'vue';

/** A place in the grid, from 0. */
export interface Cell {
  row: number;
  column: number;
}
type Rows = readonly (readonly string[])[];

/** Steps that can be taken back. */
const UNDO_MOST = 200;

const between = (n: number, least: number, most: number): number => Math.min(Math.max(n, least), most);

/** The cells themselves, with a way back. */
function gridCells(width: () => number) {
  const rows = shallowRef<Rows>([]);
  const before: Rows[] = [];
  const undoCount = shallowRef(0);

  const empty = (): string[] => Array.from({ length: width() }, () => '');
  function change(next: Rows): void {
    before.push(rows.value);
    if (before.length > UNDO_MOST) before.shift();
    undoCount.value = before.length;
    rows.value = next;
  }
  /** All cells anew, as when a file is opened: nothing of before can be taken back. */
  function load(cells: Rows): void {
    rows.value = cells;
    before.length = 0;
    undoCount.value = 0;
  }
  function undo(): void {
    const last = before.pop();
    if (last) rows.value = last;
    undoCount.value = before.length;
  }
  const at = ({ row, column }: Cell): string => rows.value[row]?.[column] ?? '';
  /** Sets cells from a place on; rows that are not there yet are added, columns beyond the last are left out. */
  function place(from: Cell, cells: Rows): void {
    const next = [...rows.value];
    cells.forEach((line, r) => {
      const row = [...(next[from.row + r] ?? empty())];
      line.forEach((text, c) => {
        if (from.column + c < width()) row[from.column + c] = text.trim();
      });
      while (next.length < from.row + r) next.push(empty());
      next[from.row + r] = row;
    });
    change(next);
  }
  return { rows, undoCount, change, load, undo, at, place };
}

/** Cells that are typed, pasted and filled, with a cursor and a selection. Knows nothing of what they mean. */
export function gridModel(width: () => number) {
  const { rows, undoCount, change, load: loadCells, undo, at, place } = gridCells(width);
  const cursor = shallowRef<Cell>({ row: 0, column: 0 });
  /** Where a selection began; the cursor is its other corner. */
  const anchor = shallowRef<Cell>({ row: 0, column: 0 });
  function load(cells: Rows): void {
    loadCells(cells);
    cursor.value = anchor.value = { row: 0, column: 0 };
  }
  const set = (where: Cell, text: string): void => {
    if (at(where) !== text.trim()) place(where, [[text]]);
  };
  const paste = (cells: Rows): void => place(selection.value.from, cells);

  const selection = computed(() => ({
    from: {
      row: Math.min(anchor.value.row, cursor.value.row),
      column: Math.min(anchor.value.column, cursor.value.column),
    },
    to: {
      row: Math.max(anchor.value.row, cursor.value.row),
      column: Math.max(anchor.value.column, cursor.value.column),
    },
  }));
  const isSelected = ({ row, column }: Cell): boolean => {
    const { from, to } = selection.value;
    return row >= from.row && row <= to.row && column >= from.column && column <= to.column;
  };
  /** The selected cells, each from a function of its place. */
  function fill(textAt: (where: Cell) => string): void {
    const { from, to } = selection.value;
    const cells = Array.from({ length: to.row - from.row + 1 }, (_, r) =>
      Array.from({ length: to.column - from.column + 1 }, (_, c) =>
        textAt({ row: from.row + r, column: from.column + c }),
      ),
    );
    place(from, cells);
  }
  const clear = (): void => fill(() => '');
  /** The first selected row goes into the others; of one row alone, the row above it. */
  function fillDown(): void {
    const { from, to } = selection.value;
    const source = from.row === to.row ? from.row - 1 : from.row;
    if (source >= 0) fill(({ column }) => at({ row: source, column }));
  }
  const copied = (): string => {
    const { from, to } = selection.value;
    return rows.value
      .slice(from.row, to.row + 1)
      .map((row) => row.slice(from.column, to.column + 1).join('\t'))
      .join('\n');
  };
  const remove = (): void => {
    const { from, to } = selection.value;
    change(rows.value.filter((_, i) => i < from.row || i > to.row));
    moveTo({ row: Math.min(from.row, Math.max(0, rows.value.length - 1)), column: from.column });
  };

  /** Moves the cursor; one row past the last is where the next is typed. */
  function moveTo(where: Cell, extend = false): void {
    cursor.value = {
      row: between(where.row, 0, rows.value.length),
      column: between(where.column, 0, Math.max(0, width() - 1)),
    };
    if (!extend) anchor.value = cursor.value;
  }
  const moveBy = (row: number, column: number, extend = false): void =>
    moveTo({ row: cursor.value.row + row, column: cursor.value.column + column }, extend);
  /** To the next cell, at a row's end to the next row. */
  function step(by: 1 | -1): void {
    const { row, column } = cursor.value;
    const next = row * width() + column + by;
    if (next >= 0) moveTo({ row: Math.floor(next / width()), column: next % width() });
  }

  return {
    rows, cursor, undoCount, selection, isSelected, load, at, set, paste, clear, fillDown, copied, remove, undo, moveTo, moveBy, step,
  }; // prettier-ignore
}
export type GridModel = ReturnType<typeof gridModel>;
