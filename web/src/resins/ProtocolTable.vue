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
import NoteField from '../components/NoteField.vue';
import QuantityField from '../components/QuantityField.vue';

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
function move(index: number, by: number): void {
  const steps = [...props.steps];
  const [taken] = steps.splice(index, 1);
  if (taken) emit('change', steps.toSpliced(index + by, 0, taken));
}
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
const add = (): void =>
  emit('change', [...props.steps, { ...NEW_STEP, key: crypto.randomUUID().slice(0, 8) }]);
const NUMBERS = ['minMinutes', 'maxMinutes', 'times'] as const;
const orNone = (words: readonly string[]) => [
  { title: 'as it comes', value: null },
  ...words.map((word) => ({ title: word, value: word })),
];
</script>

<template>
  <ol class="steps">
    <li v-for="(step, i) in steps" :key="step.key" :aria-label="step.name">
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
          @click="move(i, -1)"
        >
          up
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
        class="motion"
        label="Moved"
        :items="orNone(CLEAN_MOTIONS)"
        :model-value="step.motion"
        @update:model-value="(motion: CleanMotion | null) => change(i, { motion })"
      />
    </li>
  </ol>
  <v-btn size="small" class="mt-2" @click="add">Add a step</v-btn>
</template>

<style scoped>
.steps {
  list-style: none;
  margin: 0;
  padding: 0;
}
li {
  display: grid;
  grid-template-columns: minmax(200px, 1fr) 140px 104px 104px 90px 74px;
  gap: 8px;
  align-items: start;
  padding: 10px 0;
  border-top: 1px solid var(--line);
}
.motion {
  grid-column: span 2;
}
.acts {
  padding-top: 12px;
  white-space: nowrap;
}
.acts button {
  margin-right: 8px;
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
