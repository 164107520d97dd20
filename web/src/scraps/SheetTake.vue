<script setup lang="ts">
import { SHEET_FIELDS, type SheetKind } from '@zero-pour/core';
import { computed, shallowRef, useTemplateRef } from 'vue';
import { sentenceOf } from '../api/request';
import { useNotices } from '../state/notices';
import RoleSelect from './RoleSelect.vue';
import ScrapGrid from './ScrapGrid.vue';
import { useSheet } from './useSheet';
import { useTableFile } from './useTableFile';

/** Old coupons, sizes, or figures off resin sheets, typed, pasted or out of a file, each row saying what it becomes. */
const props = defineProps<{ kind: SheetKind }>();
const notices = useNotices();
const sheet = useSheet(() => props.kind);
const { grid, headings, columns, taken } = sheet;
const taking = shallowRef(false);
const place = useTemplateRef<HTMLElement>('place');
const { trouble, open, isOver } = useTableFile(place, sheet.open);
const fields = computed(() => [
  ...Object.entries(SHEET_FIELDS[props.kind]).map(([value, { label }]) => ({ value, title: label })),
  { value: 'nothing', title: 'leave it out' },
]);
const setRole = sheet.setColumn;

const NAMES = {
  coupons: ['coupon', 'coupons'],
  sizes: ['size', 'sizes'],
  'resin sheets': ['figure', 'figures'],
} as const;
/** "12 sizes": rows that are taken. */
const counted = (count: number): string => `${count} ${NAMES[props.kind][count === 1 ? 0 : 1]}`;
const whole = computed(() => taken.value.lacks.filter((lacks) => lacks.length === 0).length);
/** Rows of the grid that hold something, by where they stand in it. */
const places = computed(() => {
  let at = 0;
  return grid.rows.value.map((cells) => (cells.some((cell) => cell.trim() !== '') ? at++ : -1));
});
function saysOf(row: number): { text: string; wrong: boolean } {
  const at = places.value[row] ?? -1;
  const read = sheet.rows.value[at];
  if (!read) return { text: '', wrong: false };
  const lacks = taken.value.lacks[at]!;
  const unread = read.unread.map(({ heading, text, why }) => `${heading}: “${text}” ${why}`);
  const said = lacks.length > 0 ? [`not taken in, it lacks ${lacks.join(', ')}`] : [`one ${NAMES[props.kind][0]}`]; // prettier-ignore
  return { text: [...unread, ...said].join(' · '), wrong: unread.length + lacks.length > 0 };
}

async function take(): Promise<void> {
  taking.value = true;
  trouble.value = '';
  const told = counted(whole.value);
  try {
    await sheet.take();
    notices.tell(`In the shop now: ${told}.`);
  } catch (error) {
    trouble.value = sentenceOf(error);
  } finally {
    taking.value = false;
  }
}
</script>

<template>
  <section ref="place" :class="{ over: isOver }" :aria-label="`Old ${NAMES[kind][1]}`">
    <p class="acts">
      <v-btn size="small" @click="open()">Open a table (CSV)</v-btn>
      <v-btn v-if="sheet.filled.value.length > 0" size="small" @click="sheet.begin()">Begin anew</v-btn>
    </p>
    <p v-if="trouble" class="tone stop mb-3" role="alert">{{ trouble }}</p>
    <ScrapGrid :grid="grid" :headings="headings" :says="saysOf">
      <template #column="{ column }">
        <RoleSelect
          :label="`${headings[column]} is`"
          :roles="fields"
          :role="columns[column]"
          @choose="(role) => setRole(column, role)"
        />
      </template>
    </ScrapGrid>
    <p v-if="taken.lacks.length > 0" role="status" class="mt-3">
      <b class="num">{{ whole }}</b> of {{ taken.lacks.length }} rows are whole.
      <template v-if="whole < taken.lacks.length">Those that lack something are left out.</template>
    </p>
    <v-btn v-if="whole > 0" variant="flat" size="large" class="mt-2" :loading="taking" @click="take">
      Take {{ counted(whole) }} in
    </v-btn>
  </section>
</template>

<style scoped>
.acts {
  display: flex;
  gap: 8px;
  margin-bottom: 10px;
}
.over {
  outline: 3px dashed var(--wax);
}
.tone {
  color: var(--tone);
}
</style>
