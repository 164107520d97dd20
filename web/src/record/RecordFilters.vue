<script setup lang="ts">
import { FACT_NAMES, FACT_NUMBERS, type FactName } from '@zero-pour/contracts';
import { FLAW_KINDS, FLAW_ZONES, flawWords } from '@zero-pour/core';
import { useShop } from '../state/shopStore';
import { clockTime, dayStart } from '../time/shopClock';
import QuantityField from '../components/QuantityField.vue';
import type { RecordFilter } from './recordFilter';

/** What the record is searched by: words, metal, a flaw and its place, and one number from … to. */
defineProps<{ filter: RecordFilter }>();
const emit = defineEmits<{ change: [fields: Partial<RecordFilter>] }>();
/** Absent: the page shows none. */
const columns = defineModel<FactName[]>('columns');
const shop = useShop();
const FLAWS = FLAW_KINDS.map((kind) => ({ title: flawWords(kind), value: kind }));
const NUMBERS = FACT_NAMES.map((name) => ({ title: FACT_NUMBERS[name].label, value: name }));
/** A day as its field has it; the last day that is meant is the one before the moment where it ends. */
const dayOf = (moment: string | null, on = 0): string =>
  moment === null ? '' : clockTime(Date.parse(moment) + on * 1000, 'yyyy-MM-dd');
function moment(text: string | null, on = 0): string | null {
  const at = dayStart(text ?? '', on);
  return at === undefined ? null : new Date(at).toISOString();
}
const setFact = (fact: FactName | null): void => emit('change', { fact, from: null, to: null });
</script>

<template>
  <div class="form-grid filters" role="search">
    <v-text-field
      :model-value="filter.text"
      label="Number, pattern, metal, resin, flaw, note"
      autocomplete="off"
      clearable
      class="text"
      @update:model-value="(text) => emit('change', { text: text ?? '' })"
    />
    <v-select
      label="Metal"
      clearable
      :items="shop.lists.alloy.map((a) => ({ title: a.name, value: a.id }))"
      :model-value="filter.alloyId"
      @update:model-value="(id) => emit('change', { alloyId: id ?? null })"
    />
    <v-select
      label="With this flaw"
      clearable
      :items="FLAWS"
      :model-value="filter.flaw"
      @update:model-value="(flaw) => emit('change', { flaw: flaw ?? null })"
    />
    <v-select
      label="Flaw at"
      clearable
      :items="[...FLAW_ZONES]"
      :model-value="filter.zone"
      @update:model-value="(zone) => emit('change', { zone: zone ?? null })"
    />
    <v-select
      label="A number"
      clearable
      :items="NUMBERS"
      :model-value="filter.fact"
      @update:model-value="setFact"
    />
    <template v-if="filter.fact">
      <QuantityField
        label="from"
        :unit="FACT_NUMBERS[filter.fact].unit"
        :min="-1000"
        :max="1e6"
        :model-value="filter.from ?? undefined"
        @update:model-value="(from) => emit('change', { from: from ?? null })"
      />
      <QuantityField
        label="to"
        :unit="FACT_NUMBERS[filter.fact].unit"
        :min="-1000"
        :max="1e6"
        :model-value="filter.to ?? undefined"
        @update:model-value="(to) => emit('change', { to: to ?? null })"
      />
    </template>
    <v-text-field
      label="Poured from"
      type="date"
      clearable
      :model-value="dayOf(filter.since)"
      @update:model-value="(text) => emit('change', { since: moment(text) })"
    />
    <v-text-field
      label="Poured until"
      type="date"
      clearable
      :model-value="dayOf(filter.until, -1)"
      @update:model-value="(text) => emit('change', { until: moment(text, 1) })"
    />
    <v-select v-if="columns" v-model="columns" label="Columns" multiple :items="NUMBERS">
      <template #selection="{ index }"
        ><span v-if="index === 0">{{ columns.length }} of {{ NUMBERS.length }}</span></template
      >
    </v-select>
  </div>
</template>

<style scoped>
.filters {
  grid-template-columns: repeat(auto-fill, minmax(190px, 1fr));
  margin-bottom: 14px;
}
.text {
  grid-column: span 2;
}
@media (max-width: 700px) {
  .filters {
    grid-template-columns: 1fr;
  }
  .text {
    grid-column: auto;
  }
}
</style>
