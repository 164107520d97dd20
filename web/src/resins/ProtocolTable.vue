<script setup lang="ts">
import type { Resin } from '@zero-pour/contracts';
import { said } from '../components/said';
import {
  CLEAN_KINDS,
  CLEAN_MEDIA,
  CLEAN_MOTIONS,
  type CleanKind,
  type CleanMedium,
  type CleanMotion,
} from '@zero-pour/core';
import { useTemplateRef } from 'vue';
import NoteField from '../components/NoteField.vue';
import QuantityField from '../components/QuantityField.vue';
import { useSorting } from './useSorting';

/** The steps of a cleaning protocol, each on two lines: what and how long, then in what and how. */
type Step = Resin['protocol'][number];
const props = defineProps<{ steps: readonly Step[] }>();
const emit = defineEmits<{ change: [steps: Step[]] }>();

const change = (index: number, fields: Partial<Step>): void =>
  emit(
    'change',
    props.steps.map((step, i) => (i === index ? { ...step, ...fields } : step)),
  );
const remove = (index: number): void =>
  emit(
    'change',
    props.steps.filter((_, i) => i !== index),
  );
function move(from: number, to: number): void {
  const steps = [...props.steps];
  const [taken] = steps.splice(from, 1);
  if (taken) emit('change', steps.toSpliced(to, 0, taken));
}
const list = useTemplateRef<HTMLElement>('list');
useSorting(list, move);
const NEW_STEP: Omit<Step, 'key'> = {
  kind: 'rinse',
  name: 'New step',
  minMinutes: 1,
  maxMinutes: 2,
  medium: null,
  tempC: null,
  motion: null,
  times: 1,
  note: '',
};
/** A new step, or a copy of one, after another. */
const insert = (after: number, step: Omit<Step, 'key'> = NEW_STEP): void =>
  emit('change', props.steps.toSpliced(after + 1, 0, { ...step, key: crypto.randomUUID().slice(0, 8) }));
const NUMBERS = ['minMinutes', 'maxMinutes', 'times'] as const;
const orNone = (words: readonly string[]) => [
  { title: 'as it comes', value: null },
  ...words.map((word) => ({ title: word, value: word })),
];
</script>

<template>
  <ol ref="list" class="steps">
    <li v-for="(step, i) in steps" :key="step.key" :aria-label="step.name">
      <span class="handle" aria-hidden="true" title="Drag it to its place">⋮⋮</span>
      <NoteField
        class="name"
        label="Step"
        :max="120"
        :model-value="step.name"
        @update:model-value="(name) => name && change(i, { name })"
      />
      <v-select
        label="Kind"
        :items="[...CLEAN_KINDS]"
        :model-value="step.kind"
        @update:model-value="(kind: CleanKind) => change(i, { kind })"
      />
      <QuantityField
        v-for="number in NUMBERS"
        :key="number"
        v-bind="said('resin', 'protocol', '0', number)"
        required
        :model-value="step[number]"
        @update:model-value="
          (n) => n !== undefined && change(i, { [number]: number === 'times' ? Math.round(n) : n })
        "
      />
      <span class="acts">
        <button
          type="button"
          class="text-button"
          :disabled="i === 0"
          :aria-label="`${step.name} earlier`"
          @click="move(i, i - 1)"
        >
          up
        </button>
        <button
          type="button"
          class="text-button"
          :aria-label="`A step after ${step.name}`"
          @click="insert(i)"
        >
          new below
        </button>
        <button type="button" class="text-button" :aria-label="`Copy ${step.name}`" @click="insert(i, step)">
          copy
        </button>
        <button type="button" class="text-button" :aria-label="`Take ${step.name} out`" @click="remove(i)">
          out
        </button>
      </span>
      <NoteField
        class="name"
        label="Note"
        :max="200"
        :model-value="step.note"
        @update:model-value="(note) => change(i, { note: note ?? '' })"
      />
      <v-select
        label="In"
        :items="orNone(CLEAN_MEDIA)"
        :model-value="step.medium"
        @update:model-value="(medium: CleanMedium | null) => change(i, { medium })"
      />
      <QuantityField
        v-bind="said('resin', 'protocol', '0', 'tempC')"
        :model-value="step.tempC ?? undefined"
        @update:model-value="(t) => change(i, { tempC: t ?? null })"
      />
      <v-select
        label="Moved"
        :items="orNone(CLEAN_MOTIONS)"
        :model-value="step.motion"
        @update:model-value="(motion: CleanMotion | null) => change(i, { motion })"
      />
      <QuantityField
        v-bind="said('resin', 'protocol', '0', 'everyMinutes')"
        :model-value="step.everyMinutes ?? undefined"
        @update:model-value="(n) => change(i, { everyMinutes: n ?? null })"
      />
    </li>
  </ol>
  <v-btn size="small" class="mt-2" @click="insert(steps.length - 1)">Add a step</v-btn>
</template>

<style scoped>
.steps {
  list-style: none;
  margin: 0;
  padding: 0;
}
li {
  display: grid;
  grid-template-columns: 24px minmax(170px, 1fr) 172px 110px 176px 152px 92px;
  gap: 8px;
  align-items: start;
  padding: 10px 0;
  border-top: 1px solid var(--line);
}
.handle {
  grid-row: span 2;
  padding-top: 14px;
  color: var(--mute);
  cursor: grab;
  touch-action: none;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 10px;
  font-size: 13.5px;
}
.acts button:disabled {
  visibility: hidden;
}
@media (max-width: 900px) {
  li {
    grid-template-columns: 1fr 1fr;
  }
  .name {
    grid-column: 1 / -1;
  }
}
</style>
