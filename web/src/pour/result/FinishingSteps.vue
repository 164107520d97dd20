<script setup lang="ts">
import type { FinishingStep } from '@zero-pour/contracts';
import { FINISHING_KINDS, type FinishingKind } from '@zero-pour/core';
import { nextStep, finishingTotals } from '@zero-pour/plan';
import { computed } from 'vue';
import QuantityField from '../../components/QuantityField.vue';
import ReadingField from '../../components/ReadingField.vue';
import { said } from '../../components/said';
import { useShop } from '../../state/shopStore';

/** Finishing of one piece, step by step: minutes, who, and what it weighs after. */
const props = defineProps<{
  steps: readonly FinishingStep[];
  of: string;
  /** What it weighed before the first step, where that is known. g */
  beforeG: number | undefined;
}>();
const emit = defineEmits<{ change: [steps: FinishingStep[]] }>();
const shop = useShop();
const people = computed(() =>
  (shop.settings.people ?? []).map(({ key, name }) => ({ title: name, value: key })),
);
const totals = computed(() => finishingTotals(props.steps, props.beforeG));

function add(kind: FinishingKind | null): void {
  if (kind) emit('change', [...props.steps, nextStep(props.steps, kind, new Date().toISOString())]);
}
const set = (key: string, fields: Partial<FinishingStep>): void =>
  emit(
    'change',
    props.steps.map((step) => (step.key === key ? { ...step, ...fields } : step)),
  );
const take = (key: string): void =>
  emit(
    'change',
    props.steps.filter((step) => step.key !== key),
  );
const AT = ['pour', 'result', 'castings', '*', 'finishing', '0'] as const;
</script>

<template>
  <div class="finishing" role="group" :aria-label="`Finishing of ${of}`">
    <div v-for="step in steps" :key="step.key" class="step">
      <b>{{ step.kind }}</b>
      <QuantityField
        v-bind="said(...AT, 'minutes')"
        :model-value="step.minutes"
        @update:model-value="(minutes) => set(step.key, { minutes })"
      />
      <ReadingField
        v-bind="said(...AT, 'weightG')"
        :model-value="step.weightG"
        @update:model-value="(weightG) => set(step.key, { weightG })"
      />
      <v-select
        v-if="people.length > 0"
        label="Who"
        clearable
        :items="people"
        :model-value="step.whoKey ?? null"
        @update:model-value="(who) => set(step.key, { whoKey: who ?? undefined })"
      />
      <button
        type="button"
        class="text-button"
        :aria-label="`Take ${step.kind} of ${of} away`"
        @click="take(step.key)"
      >
        away
      </button>
    </div>
    <div class="step">
      <v-select
        label="Add a step of finishing"
        :items="[...FINISHING_KINDS]"
        :model-value="null"
        @update:model-value="add"
      />
      <span v-if="totals.minutes !== undefined" class="mute"
        >{{ Math.round(totals.minutes) }} min in all</span
      >
      <span v-if="totals.lostG !== undefined" class="mute">{{ totals.lostG.toFixed(2) }} g lost by it</span>
      <span v-else-if="steps.length > 0" class="mute"
        >what it lost is not known: weigh it before and after</span
      >
    </div>
  </div>
</template>

<style scoped>
.finishing {
  display: grid;
  gap: 8px;
}
.step {
  display: grid;
  grid-template-columns: 150px 120px minmax(220px, 1fr) 150px auto;
  gap: 8px 10px;
  align-items: center;
}
.step:last-child {
  grid-template-columns: minmax(220px, 300px) auto auto;
  justify-content: start;
}
@media (max-width: 1100px) {
  .step,
  .step:last-child {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
