<script setup lang="ts">
import type { PourDoc } from '@zero-pour/contracts';
import { laterVersions } from '@zero-pour/plan';
import { computed } from 'vue';
import { useShop } from '../state/shopStore';
import { formatDay } from '../time/formatMoment';

/** What is printed again is printed from the newest version of its pattern, unless somebody wants the old one. */
const props = defineProps<{ doc: PourDoc }>();
const taken = defineModel<boolean>({ required: true });
const shop = useShop();
const later = computed(() => laterVersions(props.doc, shop.patterns));
const names = computed(() =>
  later.value
    .map(({ newest }) => `${newest.name} (${newest.fileName}, ${formatDay(Date.parse(newest.createdAt))})`)
    .join(', '),
);
</script>

<template>
  <v-checkbox
    v-if="later.length > 0"
    v-model="taken"
    :label="`From the newest version: ${names}`"
    hide-details
    density="compact"
  />
</template>
