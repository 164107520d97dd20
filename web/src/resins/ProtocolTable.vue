<script setup lang="ts">
import type { Resin } from '@zero-pour/contracts';
import { CLEAN_KINDS, type CleanKind } from '@zero-pour/core';
import NoteField from '../components/NoteField.vue';
import QuantityField from '../components/QuantityField.vue';

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
const add = (): void =>
  emit('change', [
    ...props.steps,
    {
      key: crypto.randomUUID().slice(0, 8),
      kind: 'rinse',
      name: 'New step',
      minMinutes: 1,
      maxMinutes: 2,
      note: '',
    },
  ]);
</script>

<template>
  <div class="scroll-x">
    <table class="plain">
      <thead>
        <tr>
          <th>Step</th>
          <th>Kind</th>
          <th>Least</th>
          <th>Most</th>
          <th>Note</th>
          <th><span class="visually-hidden">Change</span></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="(step, i) in steps" :key="step.key">
          <td class="name">
            <NoteField
              label="Name"
              :max="120"
              :model-value="step.name"
              @update:model-value="(name) => name && change(i, { name })"
            />
          </td>
          <td class="kind">
            <v-select
              label="Kind"
              :items="[...CLEAN_KINDS]"
              :model-value="step.kind"
              @update:model-value="(kind: CleanKind) => change(i, { kind })"
            />
          </td>
          <td class="min">
            <QuantityField
              label="Least"
              unit="min"
              :digits="1"
              required
              :model-value="step.minMinutes"
              :max="1440"
              @update:model-value="(m) => m !== undefined && change(i, { minMinutes: m })"
            />
          </td>
          <td class="min">
            <QuantityField
              label="Most"
              unit="min"
              :digits="1"
              required
              :model-value="step.maxMinutes"
              :max="2880"
              hint="0: until done"
              @update:model-value="(m) => m !== undefined && change(i, { maxMinutes: m })"
            />
          </td>
          <td>
            <NoteField
              label="Note"
              :max="200"
              :model-value="step.note"
              @update:model-value="(note) => change(i, { note: note ?? '' })"
            />
          </td>
          <td class="acts">
            <button
              type="button"
              class="text-button"
              :disabled="i === 0"
              :aria-label="`${step.name} earlier`"
              @click="move(i, -1)"
            >
              up
            </button>
            <button
              type="button"
              class="text-button"
              :aria-label="`Take ${step.name} out`"
              @click="remove(i)"
            >
              out
            </button>
          </td>
        </tr>
      </tbody>
    </table>
  </div>
  <v-btn size="small" class="mt-2" @click="add">Add a step</v-btn>
</template>

<style scoped>
td {
  vertical-align: top !important;
}
.name {
  min-width: 180px;
}
.kind {
  width: 130px;
  min-width: 120px;
}
.min {
  width: 112px;
  min-width: 100px;
}
.acts {
  white-space: nowrap;
  padding-top: 14px;
}
.acts button {
  margin-right: 8px;
}
.acts button:disabled {
  visibility: hidden;
}
</style>
