import { scrapBatchSchema, type ScrapBatch, type TakeSheet } from '@zero-pour/contracts';
import {
  findTable,
  guessSheetColumns,
  readSheet,
  SHEET_FIELDS,
  type ScrapTable,
  type SheetColumn,
  type SheetKind,
} from '@zero-pour/core';
import { sha256 } from '@zero-pour/jobs';
import { recordsOfSheet } from '@zero-pour/plan';
import { computed, shallowRef, watch } from 'vue';
import { z } from 'zod';
import { request } from '../api/request';
import { useRecords } from '../state/recordStore';
import { useShop } from '../state/shopStore';
import { noonOf } from '../time/scrapDay';
import { gridModel } from './gridModel';

const ownHeadings = (kind: SheetKind): string[] =>
  Object.values(SHEET_FIELDS[kind]).map(({ label }) => label);

/** A table of coupons, sizes or resin sheets on its way into the shop. */
export function useSheet(kind: () => SheetKind) {
  const [shop, records] = [useShop(), useRecords()];
  const name = shallowRef('Typed here');
  const headings = shallowRef<string[]>([]);
  const lines = shallowRef<number[]>([]);
  const columns = shallowRef<SheetColumn[]>([]);
  const grid = gridModel(() => headings.value.length);

  function open(cells: readonly (readonly string[])[], called: string): void {
    const found = findTable(cells);
    name.value = called;
    headings.value = found.headings;
    lines.value = found.rows.map(({ line }) => line);
    columns.value = guessSheetColumns(kind(), found.headings);
    grid.load(found.rows.map((row) => row.cells));
  }
  const begin = (): void => open([ownHeadings(kind())], 'Typed here');
  watch(kind, begin, { immediate: true });
  /** A field stands once; the column that had it before is left out. */
  function setColumn(at: number, column: SheetColumn): void {
    columns.value = columns.value.map((other, i) => (i === at ? column : other === column ? 'nothing' : other)); // prettier-ignore
  }

  const filled = computed(() =>
    grid.rows.value
      .map((cells, i) => ({ line: lines.value[i] ?? i + 1, cells: [...cells] }))
      .filter(({ cells }) => cells.some((cell) => cell.trim() !== '')),
  );
  const table = computed<ScrapTable>(() => ({ headings: headings.value, rows: filled.value }));
  const rows = computed(() => readSheet(kind(), table.value, columns.value));
  const taken = computed(() =>
    recordsOfSheet(kind(), rows.value, {
      resins: shop.lists.resin,
      printers: shop.lists.printer,
      alloys: shop.lists.alloy,
      noonOf,
      newId: () => crypto.randomUUID(),
    }),
  );

  /** Takes in what is whole: all of that, or nothing. */
  async function take(): Promise<ScrapBatch> {
    const id = crypto.randomUUID();
    const { trials, series, figures } = taken.value;
    const text = JSON.stringify([kind(), columns.value, filled.value.map(({ cells }) => cells)]);
    const hash = await sha256(new TextEncoder().encode(text).buffer);
    const batch = { id, name: name.value, takenAt: new Date().toISOString(), hash, pours: 0, made: [], sheet: kind() }; // prettier-ignore
    const given: TakeSheet = { batch, trials, series, figures };
    const kept = await request(scrapBatchSchema.safeExtend({ id: z.uuid() }), 'POST', '/scraps/sheet', given);
    await Promise.all([shop.loadAgain(), records.loadAgain()]);
    begin();
    return kept as ScrapBatch;
  }
  return { headings, columns, grid, rows, taken, filled, open, begin, setColumn, take };
}
