<script setup lang="ts">
import type { TestSetRun } from '@zero-pour/contracts';
import { said } from '../../components/said';
import { CAST_GRADES, PRINT_FAULTS, PRINT_GRADES, type PrintFaultKey } from '@zero-pour/core';
import { computed } from 'vue';
import ChoiceRow from '../../components/ChoiceRow.vue';
import PhotoRow from '../../components/PhotoRow.vue';
import QuantityField from '../../components/QuantityField.vue';
import type { Piece } from './gradeSummary';

/** Every piece graded after printing and after casting. */
const props = defineProps<{ run: TestSetRun }>();
const emit = defineEmits<{ change: [pieces: Piece[]] }>();
const set = (key: string, fields: Partial<Piece>): void =>
  emit(
    'change',
    props.run.pieces.map((piece) => (piece.key === key ? { ...piece, ...fields } : piece)),
  );
/** Pieces of one part that nobody has graded yet, for one press. */
const ungraded = computed(() =>
  [...new Set(props.run.pieces.map((piece) => piece.name))]
    .map((name) => ({
      name,
      keys: props.run.pieces.filter((p) => p.name === name && p.print === null).map((p) => p.key),
    }))
    .filter(({ keys }) => keys.length > 1),
);
const gradeAll = (keys: readonly string[], print: NonNullable<Piece['print']>): void =>
  emit(
    'change',
    props.run.pieces.map((piece) => (keys.includes(piece.key) ? { ...piece, print } : piece)),
  );
function toggleFault(piece: Piece, fault: PrintFaultKey): void {
  const faults = piece.faults ?? [];
  set(piece.key, { faults: faults.includes(fault) ? faults.filter((f) => f !== fault) : [...faults, fault] });
}
/** Without a whole print there is nothing to cast. */
function grade(piece: Piece, print: Piece['print']): void {
  const next = piece.print === print ? null : print;
  set(piece.key, { print: next, cast: next === null || next === 'missing' ? null : piece.cast });
}
</script>

<template>
  <section class="stage-block">
    <h2>Pieces</h2>
    <div v-for="part in ungraded" :key="part.name" class="piece all">
      <span class="name">The {{ part.keys.length }} of {{ part.name }} not graded yet</span>
      <ChoiceRow
        :label="`All of ${part.name} printed`"
        :options="PRINT_GRADES"
        :model-value="undefined"
        @choose="(print) => gradeAll(part.keys, print)"
      />
    </div>
    <div
      v-for="(piece, i) in run.pieces"
      :key="piece.key"
      class="piece"
      role="group"
      :aria-label="`Piece ${i + 1}, ${piece.name}`"
    >
      <span class="name"
        ><span class="num">{{ i + 1 }}</span> {{ piece.name }}
        <span class="mute">{{ piece.castClass }}</span></span
      >
      <ChoiceRow
        :label="`Piece ${i + 1} printed`"
        :options="PRINT_GRADES"
        :model-value="piece.print ?? undefined"
        @choose="(print) => grade(piece, print)"
      />
      <ChoiceRow
        v-if="piece.print !== null && piece.print !== 'missing'"
        :label="`Piece ${i + 1} cast`"
        :options="CAST_GRADES"
        :model-value="piece.cast ?? undefined"
        @choose="(cast) => set(piece.key, { cast: piece.cast === cast ? null : cast })"
      />
      <div
        v-if="piece.print !== null && piece.print !== 'whole'"
        class="faults"
        role="group"
        :aria-label="`What went wrong with piece ${i + 1}`"
      >
        <button
          v-for="fault in PRINT_FAULTS"
          :key="fault.key"
          type="button"
          :aria-pressed="piece.faults?.includes(fault.key) ?? false"
          @click="toggleFault(piece, fault.key)"
        >
          {{ fault.name }}
        </button>
      </div>
      <details>
        <summary>{{ piece.photos.length > 0 ? `${piece.photos.length} photos` : 'photo, thinnest' }}</summary>
        <QuantityField
          v-bind="said('testSetRun', 'pieces', '0', 'thinnestMm')"
          :model-value="piece.thinnestMm ?? undefined"
          @update:model-value="(mm) => set(piece.key, { thinnestMm: mm ?? null })"
        />
        <PhotoRow :of="piece.name" :photos="piece.photos" @change="(photos) => set(piece.key, { photos })" />
      </details>
    </div>
  </section>
</template>

<style scoped>
.piece {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 14px;
  align-items: center;
  padding: 5px 0;
  border-bottom: 1px solid var(--line);
}
.all {
  background: var(--sheet);
}
.faults {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  flex-basis: 100%;
}
.faults button {
  min-height: 36px;
  padding: 0 10px;
  border: 1px solid var(--line2);
  background: var(--paper);
  font: inherit;
  font-size: 13.5px;
  color: var(--ink);
  cursor: pointer;
}
.faults button[aria-pressed='true'] {
  background: var(--amber-text);
  color: var(--paper);
}
.name {
  width: 230px;
}
.name .mute {
  display: block;
  font-size: 13px;
}
summary {
  cursor: pointer;
  color: var(--wax);
  font-size: 14px;
  min-height: 30px;
}
</style>
