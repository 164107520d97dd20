<script setup lang="ts">
import type { Profile } from '@zero-pour/contracts';
import { formatQuantity } from '@zero-pour/core';
import { computed } from 'vue';
import NumberList from '../../components/NumberList.vue';
import { PROFILE_FIELDS } from '../../shop';
import { useUnits } from '../../state/unitStore';

/** What a profile sets, to read. */
const props = defineProps<{ profile: Profile }>();
const units = useUnits();
const rows = computed(() =>
  PROFILE_FIELDS.flatMap((field): [string, string][] => {
    const value = props.profile[field.field];
    if (field.type !== 'number' || typeof value !== 'number') return [];
    const { unit, digits } = field;
    return [
      [
        field.label,
        formatQuantity(digits === undefined ? { value, unit } : { value, unit, digits }, units.choice),
      ],
    ];
  }),
);
</script>

<template>
  <NumberList class="figures" :rows="rows" />
</template>

<style scoped>
.figures {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(240px, 1fr));
  gap: 0 28px;
}
</style>
