<script setup lang="ts">
import type { House } from '@zero-pour/contracts';
import { computed } from 'vue';
import { useSlowNow } from '../state/clock';
import { formatMoment } from '../time/formatMoment';

/** Where a pour is burnt out: here, or by a casting house. */
const props = defineProps<{
  houses: readonly House[];
  houseKey: string | undefined;
  readonly: boolean;
  /** When it was handed over. */
  sentAt: string | undefined;
  /** Where the sheet is that goes with it. */
  sheet?: string;
}>();
const emit = defineEmits<{ change: [key: string | undefined]; sent: [at: string | undefined] }>();
const now = useSlowNow();
const HERE = 'here';
const items = computed(() => [
  { title: 'here', value: HERE },
  ...props.houses.map(({ name, key }) => ({ title: name, value: key })),
]);
const house = computed(() => props.houses.find(({ key }) => key === props.houseKey));
</script>

<template>
  <v-select
    label="Burnt out and poured"
    :items="items"
    :model-value="house ? house.key : HERE"
    :readonly="readonly"
    @update:model-value="(key) => emit('change', key === HERE ? undefined : key)"
  />
  <p v-if="house" class="house" role="status">
    <b>{{ house.name }} does it.</b> Its burnout is not known here: nothing is said of ash, core or fill.
    <template v-if="house.accepts">It accepts: {{ house.accepts }}. Ask it about this resin.</template>
    <template v-else>What it accepts nobody has written down: ask it about this resin.</template>
    <template v-if="house.daysWithIt === undefined">
      How many days it has it is not known; without that nothing is counted back.</template
    >
    <router-link v-if="sheet" :to="sheet">Hand-over sheet</router-link>
    <span class="sent">
      <template v-if="sentAt">Handed over {{ formatMoment(Date.parse(sentAt), now) }}.</template>
      <v-btn
        v-if="!readonly"
        size="small"
        @click="emit('sent', sentAt ? undefined : new Date().toISOString())"
      >
        {{ sentAt ? 'Not handed over' : 'Handed over now' }}
      </v-btn>
    </span>
  </p>
</template>

<style scoped>
.house {
  grid-column: 1 / -1;
  padding: 7px 11px;
  border-left: 4px solid var(--amber);
  background: var(--amber-tint);
}
.sent {
  display: block;
  margin-top: 6px;
}
</style>
