<script setup lang="ts">
import type { Trial } from '@zero-pour/contracts';
import { BASE_RESULTS, TUNED_CLASSES } from '@zero-pour/core';
import { computed, onMounted, reactive, useTemplateRef } from 'vue';
import ChoiceRow from '../../components/ChoiceRow.vue';
import MomentField from '../../components/MomentField.vue';
import QuantityField from '../../components/QuantityField.vue';
import ReadingField from '../../components/ReadingField.vue';
import { said } from '../../components/said';
import { useShop } from '../../state/shopStore';
import { partTrials, readSeconds } from './partTrials';
import type { OpenParts } from './usePartEntry';

/** Parts that failed or stood, as most have them: "3 of 15 stood", "the same ring fell at 10, 15 and 20 s". */
const props = defineProps<OpenParts>();
const emit = defineEmits<{ keep: [trials: Trial[]]; discard: [trial: Trial]; close: [] }>();
const shop = useShop();
const root = useTemplateRef<HTMLElement>('root');

const seen = reactive({ ...props.seen });
const parts = computed(() => shop.patterns.map(({ id, name }) => ({ title: name, value: id })));
/** A pattern of the shop, or any name: by what is typed, before the field is left. */
function takePart(picked: { title: string; value: string } | string | null): void {
  if (picked && typeof picked === 'object')
    Object.assign(seen, { patternId: picked.value, name: picked.title });
  else if ((picked ?? '') !== seen.name) {
    const known = parts.value.find((part) => part.title === picked);
    Object.assign(seen, { patternId: known?.value ?? null, name: picked ?? '' });
  }
}
const seconds = computed(() => readSeconds(seen.seconds));
/** What is still missing, as one sentence. */
const wants = computed(() => {
  if (seen.name.trim() === '') return 'Which part?';
  if (seconds.value.status === 'unreadable') return seconds.value.reason;
  if (seen.of === undefined || seen.of < 1) return 'Of how many?';
  if (seen.good === undefined) return 'How many stood?';
  return seen.good > seen.of ? `${seen.good} cannot stand of ${seen.of}.` : '';
});
const count = computed(() => (seconds.value.status === 'read' ? seconds.value.seconds.length : 0));
function keep(): void {
  if (!wants.value) emit('keep', partTrials(props.from, seen));
}
onMounted(() => {
  root.value?.scrollIntoView({ block: 'nearest' });
  root.value?.querySelector<HTMLInputElement>('input')?.focus();
});
</script>

<template>
  <section ref="root" class="entry sheet" aria-label="Parts as a trial" @keydown.esc.stop="emit('close')">
    <h2>Parts that failed, or stood</h2>
    <div class="form-grid roomy">
      <v-combobox
        label="Part"
        :items="parts"
        :model-value="seen.name"
        hint="one of your patterns, or a name"
        persistent-hint
        @update:model-value="takePart"
        @update:search="takePart"
      />
      <v-select v-model="seen.castClass" label="Class" :items="[...TUNED_CLASSES]" />
      <v-text-field
        v-model="seen.seconds"
        label="Seconds"
        hint="one, or several: 10, 15, 20"
        persistent-hint
      />
      <QuantityField v-bind="said('trial', 'part', 'good')" v-model="seen.good" />
      <QuantityField v-bind="said('trial', 'part', 'of')" v-model="seen.of" />
      <QuantityField
        v-bind="said('trial', 'part', 'thinnestMm')"
        :model-value="seen.thinnestMm ?? undefined"
        hint="empty: as its class"
        @update:model-value="(mm) => (seen.thinnestMm = mm ?? null)"
      />
      <ReadingField
        v-bind="said('trial', 'vatC')"
        :model-value="seen.vatC"
        @update:model-value="(vatC) => (seen.vatC = vatC ?? { state: 'not measured' })"
      />
      <MomentField
        past
        label="Printed"
        :model-value="seen.printedAt"
        @update:model-value="(at) => at && (seen.printedAt = at)"
      />
    </div>
    <ChoiceRow
      label="How the base came out"
      :options="BASE_RESULTS"
      :model-value="seen.base ?? undefined"
      @choose="(base) => (seen.base = seen.base === base ? null : base)"
    />
    <div class="actions">
      <v-btn variant="flat" size="large" :disabled="wants !== ''" @click="keep">{{
        count > 1 ? `Keep as ${count} trials` : 'Keep as a trial'
      }}</v-btn>
      <v-btn @click="emit('close')">Close</v-btn>
      <button v-if="kept" type="button" class="text-button" @click="emit('discard', from)">
        Take these parts away
      </button>
      <span v-if="wants" class="mute">{{ wants }}</span>
    </div>
  </section>
</template>

<style scoped>
.entry {
  display: grid;
  gap: 12px;
  padding: 14px 16px;
  margin-top: 14px;
  border-left: 4px solid var(--wax);
}
.actions {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 14px;
  align-items: center;
}
</style>
