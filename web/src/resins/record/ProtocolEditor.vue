<script setup lang="ts">
import type { Resin } from '@zero-pour/contracts';
import { CLEAN_SCHOOLS, judgeProtocol, protocolHours } from '@zero-pour/core';
import { formatQuantity } from '@zero-pour/core';
import { computed, shallowRef, watch } from 'vue';
import JudgementList from '../../components/JudgementList.vue';
import NoteField from '../../components/NoteField.vue';
import { useUnits } from '../../state/unitStore';
import ProtocolTable from '../ProtocolTable.vue';

/** How this resin is cleaned: begun from a school, changed here, each sitting's changes a new version. */
const props = defineProps<{ resin: Resin }>();
const emit = defineEmits<{ change: [fields: Partial<Resin>] }>();
const units = useUnits();

/** The version that stood when this page was opened: pours may have begun by it. */
const opened = shallowRef(props.resin.protocolVersion);
watch(
  () => props.resin.id,
  () => (opened.value = props.resin.protocolVersion),
);
const change = (fields: Partial<Resin>): void =>
  emit('change', { ...fields, protocolVersion: opened.value + 1 });
function begin(key: string | null): void {
  const school = CLEAN_SCHOOLS.find((s) => s.key === key);
  if (school) change({ protocol: school.steps.map((step) => ({ ...step })), protocolName: school.name });
}
const hours = computed(() => protocolHours(props.resin.protocol));
const schools = CLEAN_SCHOOLS.map(({ key, name, why }) => ({
  title: name,
  value: key,
  props: { subtitle: why },
}));
</script>

<template>
  <section class="stage-block">
    <h2>Cleaning protocol</h2>
    <div class="head">
      <NoteField
        label="Its name"
        :max="120"
        :model-value="resin.protocolName"
        @update:model-value="(name) => emit('change', { protocolName: name ?? '' })"
      />
      <v-select label="Begin anew from" :items="schools" :model-value="null" @update:model-value="begin" />
      <p class="mute">
        Version {{ resin.protocolVersion }}, at least
        {{ formatQuantity({ value: hours, unit: 'h' }, units.choice) }}. Pours that were begun keep theirs.
      </p>
    </div>
    <p class="mute mb-1">A most of 0 minutes: until it is done. No warmth: as it comes.</p>
    <JudgementList :judgements="judgeProtocol(resin, resin.protocol, undefined)" class="mb-2" />
    <ProtocolTable :steps="resin.protocol" @change="(protocol) => change({ protocol })" />
  </section>
</template>

<style scoped>
.head {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr) minmax(0, 1fr);
  gap: 8px 14px;
  align-items: center;
  margin-bottom: 10px;
}
@media (max-width: 800px) {
  .head {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
