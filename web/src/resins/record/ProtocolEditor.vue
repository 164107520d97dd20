<script setup lang="ts">
import type { Resin } from '@zero-pour/contracts';
import { CLEAN_SCHOOLS, judgeProtocol, protocolHours } from '@zero-pour/core';
import { formatQuantity } from '@zero-pour/core';
import { computed, shallowRef, watch } from 'vue';
import JudgementList from '../../components/JudgementList.vue';
import NoteField from '../../components/NoteField.vue';
import { changeWords } from '../../shop';
import { useShop } from '../../state/shopStore';
import { useUnits } from '../../state/unitStore';
import ProtocolTable from '../ProtocolTable.vue';

/** How this resin is cleaned: begun from a school or another resin's, changed here, each sitting's changes a new version. */
const props = defineProps<{ resin: Resin }>();
const emit = defineEmits<{ change: [fields: Partial<Resin>] }>();
const units = useUnits();
const shop = useShop();

/** The version that stood when this page was opened: pours may have begun by it. */
const opened = shallowRef(props.resin.protocolVersion);
watch(
  () => props.resin.id,
  () => (opened.value = props.resin.protocolVersion),
);
const change = (fields: Partial<Resin>): void =>
  emit('change', { ...fields, protocolVersion: opened.value + 1 });
interface Source {
  key: string;
  name: string;
  why: string;
  steps: Resin['protocol'];
}
/** What a protocol is begun from: a school, or how another resin of the shop is cleaned. */
const sources = computed((): Source[] => [
  ...CLEAN_SCHOOLS.map(({ key, name, why, steps }) => ({ key, name, why, steps: steps as Resin['protocol'] })),
  ...shop.lists.resin
    .filter(({ id, protocol }) => id !== props.resin.id && protocol.length > 0)
    .map(({ id, name, protocol, protocolName, protocolVersion }) => ({ key: id, name: `${protocolName}, as for ${name}`.slice(0, 120), why: `its version ${protocolVersion}`, steps: protocol })),
]); // prettier-ignore
function begin(key: string | null): void {
  const source = sources.value.find((one) => one.key === key);
  if (source) change({ protocol: source.steps.map((step) => ({ ...step })), protocolName: source.name });
}
/** What is otherwise than in what it was begun from, which its name still says. */
const otherwise = computed(() => {
  const source = sources.value.find(({ name }) => name === props.resin.protocolName);
  return source && changeWords('resin', { protocol: source.steps }, { protocol: props.resin.protocol }, units.choice); // prettier-ignore
});
const hours = computed(() => protocolHours(props.resin.protocol));
const choices = computed(() =>
  sources.value.map(({ key, name, why }) => ({ title: name, value: key, props: { subtitle: why } })),
);
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
      <v-select label="Begin anew from" :items="choices" :model-value="null" @update:model-value="begin" />
      <p class="mute">
        Version {{ resin.protocolVersion }}, at least
        {{ formatQuantity({ value: hours, unit: 'h' }, units.choice) }}. Pours that were begun keep theirs.
      </p>
    </div>
    <p v-if="otherwise" class="mb-2" role="status">
      <template v-if="otherwise.length > 0"
        ><b>Otherwise than {{ resin.protocolName }}:</b> {{ otherwise.join('; ') }}.</template
      >
      <template v-else>As {{ resin.protocolName }} in everything.</template>
    </p>
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
