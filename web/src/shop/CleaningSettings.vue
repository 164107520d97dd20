<script setup lang="ts">
import type { Bath, CureSetup, Settings } from '@zero-pour/contracts';
import { said } from '../components/said';
import { CLEAN_MEDIA, CURE_VESSELS, type CleanMedium } from '@zero-pour/core';
import MomentField from '../components/MomentField.vue';
import NoteField from '../components/NoteField.vue';
import QuantityField from '../components/QuantityField.vue';

/** The lamp that prints are cured under, and the baths that they are washed in. */
const props = defineProps<{ settings: Settings }>();
const emit = defineEmits<{ change: [fields: Partial<Settings>] }>();
const setCure = (fields: Partial<CureSetup>): void =>
  emit('change', { cure: { ...props.settings.cure, ...fields } });
const setBath = (key: string, fields: Partial<Bath>): void =>
  emit('change', { baths: props.settings.baths.map((b) => (b.key === key ? { ...b, ...fields } : b)) });
const addBath = (): void => {
  const name = props.settings.baths.length === 0 ? 'Dirty bath' : 'Clean bath';
  const bath = { key: crypto.randomUUID().slice(0, 8), name, medium: 'alcohol' as const, changedAt: new Date().toISOString(), partsMost: 60 }; // prettier-ignore
  emit('change', { baths: [...props.settings.baths, bath] });
};
</script>

<template>
  <section class="stage-block">
    <h2>Curing lamp</h2>
    <div class="form-grid">
      <QuantityField
        v-bind="said('settings', 'cure', 'lampNm')"
        hint="on the lamp or its sheet"
        :model-value="settings.cure.lampNm ?? undefined"
        @update:model-value="(nm) => setCure({ lampNm: nm ?? null })"
      />
      <QuantityField
        v-bind="said('settings', 'cure', 'litSides')"
        required
        :model-value="settings.cure.litSides"
        @update:model-value="(n) => n !== undefined && setCure({ litSides: Math.round(n) })"
      />
      <v-select
        label="Vessel for curing under a liquid"
        :items="[...CURE_VESSELS]"
        :model-value="settings.cure.vessel"
        @update:model-value="(vessel: CureSetup['vessel']) => setCure({ vessel })"
      />
      <v-checkbox
        label="Turntable"
        :model-value="settings.cure.turntable"
        @update:model-value="(on) => setCure({ turntable: on === true })"
      />
      <v-checkbox
        label="Reflector"
        :model-value="settings.cure.reflector"
        @update:model-value="(on) => setCure({ reflector: on === true })"
      />
    </div>
  </section>
  <section class="stage-block">
    <h2>Baths</h2>
    <div v-for="bath in settings.baths" :key="bath.key" class="bath">
      <NoteField
        label="Name"
        :max="120"
        :model-value="bath.name"
        @update:model-value="(name) => name && setBath(bath.key, { name })"
      />
      <v-select
        label="Of"
        :items="[...CLEAN_MEDIA]"
        :model-value="bath.medium"
        @update:model-value="(medium: CleanMedium) => setBath(bath.key, { medium })"
      />
      <QuantityField
        v-bind="said('settings', 'baths', '0', 'partsMost')"
        required
        :model-value="bath.partsMost"
        @update:model-value="(n) => n !== undefined && setBath(bath.key, { partsMost: Math.round(n) })"
      />
      <MomentField
        past
        label="Filled"
        :model-value="bath.changedAt"
        hint="Filled"
        @update:model-value="(at) => at && setBath(bath.key, { changedAt: at })"
      />
      <button
        type="button"
        class="text-button"
        :aria-label="`Take ${bath.name} away`"
        @click="emit('change', { baths: settings.baths.filter((b) => b.key !== bath.key) })"
      >
        away
      </button>
    </div>
    <v-btn size="small" class="mt-2" @click="addBath">Add a bath</v-btn>
  </section>
</template>

<style scoped>
.bath {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(150px, 1fr));
  gap: 8px;
  align-items: start;
  padding: 8px 0;
  border-top: 1px solid var(--line);
}
</style>
