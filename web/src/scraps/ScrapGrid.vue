<script setup lang="ts">
import { useVirtualList } from '@vueuse/core';
import { computed, nextTick, shallowRef, useTemplateRef, watch } from 'vue';
import type { Cell, GridModel } from './gridModel';
import { gridKeys } from './gridKeys';
import { cellsOfText } from './readTableFile';

/** A grid that is typed in as in a spreadsheet: arrows, paste, fill down, undo. Only the rows in sight are drawn. */
const props = defineProps<{
  grid: GridModel;
  headings: readonly string[];
  /** What each row becomes, or why it does not; beside it. */
  says: (row: number) => { text: string; wrong: boolean };
}>();
const ROW_PX = 34;

const { grid } = props;
const editing = shallowRef(false);
const typed = shallowRef('');
const lines = computed(() => Array.from({ length: grid.rows.value.length + 1 }, (_, row) => row));
const { list, containerProps, wrapperProps, scrollTo } = useVirtualList(lines, {
  itemHeight: ROW_PX,
  overscan: 12,
});
const field = useTemplateRef<HTMLInputElement[]>('field');

watch(grid.cursor, ({ row }) => {
  const box = containerProps.ref.value;
  if (!box) return;
  const top = row * ROW_PX;
  if (top < box.scrollTop || top + ROW_PX > box.scrollTop + box.clientHeight) scrollTo(Math.max(0, row - 4));
});

async function edit(text: string): Promise<void> {
  typed.value = text;
  editing.value = true;
  await nextTick();
  const input = field.value?.[0];
  input?.focus();
  input?.setSelectionRange(text.length, text.length);
}
function leave(keep: boolean): void {
  if (!editing.value) return;
  editing.value = false;
  if (keep) grid.set(grid.cursor.value, typed.value);
  containerProps.ref.value?.focus();
}
const keys = gridKeys(grid, { edit, leave, isEditing: () => editing.value });
function paste(event: ClipboardEvent): void {
  if (editing.value) return;
  event.preventDefault();
  grid.paste(cellsOfText(event.clipboardData?.getData('text/plain') ?? ''));
}
function copy(event: ClipboardEvent): void {
  if (editing.value) return;
  event.preventDefault();
  event.clipboardData?.setData('text/plain', grid.copied());
}
function press(place: Cell, event: MouseEvent): void {
  leave(true);
  grid.moveTo(place, event.shiftKey);
}
const isCursor = ({ row, column }: Cell): boolean =>
  grid.cursor.value.row === row && grid.cursor.value.column === column;
const idOf = ({ row, column }: Cell): string => `cell-${row}-${column}`;
</script>

<template>
  <div class="grid" :style="{ '--columns': headings.length }">
    <div class="row head" role="presentation">
      <span class="line" />
      <b class="heading">becomes</b>
      <div v-for="(heading, column) in headings" :key="column" class="heading">
        <b :title="heading">{{ heading }}</b>
        <slot name="column" :column="column" />
      </div>
    </div>
    <div
      v-bind="containerProps"
      class="box"
      tabindex="0"
      role="grid"
      aria-label="Old records"
      :aria-rowcount="lines.length"
      :aria-activedescendant="idOf(grid.cursor.value)"
      @keydown="keys"
      @paste="paste"
      @copy="copy"
    >
      <div v-bind="wrapperProps">
        <div v-for="{ data: row } in list" :key="row" class="row" role="row" :aria-rowindex="row + 1">
          <span class="line num">{{ row < grid.rows.value.length ? row + 1 : '+' }}</span>
          <span :class="['says', { wrong: says(row).wrong }]" :title="says(row).text">{{
            says(row).text
          }}</span>
          <div
            v-for="(_, column) in headings"
            :id="idOf({ row, column })"
            :key="column"
            role="gridcell"
            :class="['cell', { on: isCursor({ row, column }), in: grid.isSelected({ row, column }) }]"
            :aria-selected="grid.isSelected({ row, column })"
            @mousedown="press({ row, column }, $event)"
            @dblclick="edit(grid.at({ row, column }))"
          >
            <input
              v-if="editing && isCursor({ row, column })"
              ref="field"
              v-model="typed"
              :aria-label="`${headings[column]}, row ${row + 1}`"
              @blur="leave(true)"
            />
            <template v-else>{{ grid.at({ row, column }) }}</template>
          </div>
        </div>
      </div>
    </div>
  </div>
  <p class="now" role="status">
    <b>Row {{ grid.cursor.value.row + 1 }}</b>
    <span :class="{ wrong: says(grid.cursor.value.row).wrong }">{{
      says(grid.cursor.value.row).text || 'is empty'
    }}</span>
  </p>
</template>

<style scoped>
.grid {
  border: 1px solid var(--line2);
  background: var(--paper);
  overflow-x: auto;
}
.row {
  display: grid;
  grid-template-columns: 44px 270px repeat(var(--columns), minmax(98px, 1fr));
  min-width: calc(44px + var(--columns) * 98px + 270px);
}
.box {
  height: 420px;
  min-width: calc(44px + var(--columns) * 98px + 270px);
  outline: none;
}
.box:focus-visible {
  box-shadow: inset 0 0 0 2px var(--wax);
}
.box .row {
  height: 34px;
}
.head {
  background: var(--sand);
  align-items: end;
}
.heading {
  padding: 6px 8px;
  font-size: 13px;
  overflow: hidden;
  display: grid;
  gap: 4px;
}
.heading b {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.line {
  color: var(--mute);
  font-size: 12.5px;
  padding: 8px 6px;
  text-align: right;
  border-right: 1px solid var(--line);
}
.cell,
.says {
  padding: 7px 8px;
  border-right: 1px solid var(--line);
  border-bottom: 1px solid var(--line);
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
  font-size: 14px;
  cursor: cell;
}
.cell.in {
  background: var(--wax2);
}
.cell.on {
  box-shadow: inset 0 0 0 2px var(--wax);
}
.cell input {
  width: 100%;
  font: inherit;
  border: none;
  background: none;
  outline: none;
}
.says {
  color: var(--mute);
  background: var(--sheet);
  cursor: default;
}
.now {
  padding: 7px 2px;
  font-size: 14px;
  min-height: 34px;
  display: flex;
  gap: 10px;
}
.says.wrong,
.now .wrong {
  color: var(--amber-text);
}
</style>
