<script setup lang="ts">
import { HOUSE_TAKES, type House } from '@zero-pour/contracts';
import NoteField from '../components/NoteField.vue';
import QuantityField from '../components/QuantityField.vue';
import { said } from '../components/said';

/** Casting houses that burn out and pour for the shop. */
const props = defineProps<{ houses: readonly House[] | undefined }>();
const emit = defineEmits<{ change: [houses: House[]] }>();
const WORDS = { prints: 'prints', trees: 'sprued trees' } as const;
const DAYS = ['daysThere', 'daysWithIt', 'daysBack'] as const;
const all = (): House[] => [...(props.houses ?? [])];
const put = (house: House): void => emit('change', all().map((one) => (one.key === house.key ? house : one))); // prettier-ignore
function setDays(house: House, field: (typeof DAYS)[number], days: number | undefined): void {
  if (field !== 'daysWithIt') {
    if (days !== undefined) put({ ...house, [field]: days });
    return;
  }
  const { daysWithIt: _before, ...rest } = house;
  put(days === undefined ? rest : { ...rest, daysWithIt: days });
}
const add = (): void =>
  emit('change', [
    ...all(),
    { key: crypto.randomUUID().slice(0, 8), name: 'Casting house', daysThere: 1, daysBack: 1, takes: 'prints', accepts: '' },
  ]); // prettier-ignore
const remove = (key: string): void => emit('change', all().filter((one) => one.key !== key)); // prettier-ignore
</script>

<template>
  <section class="stage-block" aria-label="Casting houses">
    <h2>Casting houses</h2>
    <p class="mute mb-3">
      A pour can go to one at its burnout. What their kiln does is not known here: only the days are counted.
    </p>
    <div v-for="house in houses ?? []" :key="house.key" class="house" role="group" :aria-label="house.name">
      <NoteField
        label="Called"
        :max="120"
        :model-value="house.name"
        @update:model-value="(name) => name && put({ ...house, name })"
      />
      <v-select
        label="Takes"
        :items="HOUSE_TAKES.map((value) => ({ title: WORDS[value], value }))"
        :model-value="house.takes"
        @update:model-value="(takes) => put({ ...house, takes })"
      />
      <QuantityField
        v-for="field in DAYS"
        :key="field"
        v-bind="said('settings', 'houses', 'each', field)"
        :hint="field === 'daysWithIt' ? 'empty: not known' : undefined"
        :required="field !== 'daysWithIt'"
        :model-value="house[field]"
        @update:model-value="(days) => setDays(house, field, days)"
      />
      <NoteField
        label="Accepts, as it says"
        :max="300"
        :model-value="house.accepts"
        @update:model-value="(accepts) => put({ ...house, accepts: accepts ?? '' })"
      />
      <v-btn size="small" :aria-label="`Take ${house.name} off`" @click="remove(house.key)">Take off</v-btn>
    </div>
    <v-btn size="small" @click="add()">Add a casting house</v-btn>
  </section>
</template>

<style scoped>
.house {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(140px, 1fr));
  gap: 8px 14px;
  align-items: center;
  margin-bottom: 12px;
}
</style>
