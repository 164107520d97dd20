<script setup lang="ts">
import type { Kiln } from '@zero-pour/contracts';
import { formatQuantity } from '@zero-pour/core';
import { compareBurnouts, type ComparedBurnout } from '@zero-pour/plan';
import { computed } from 'vue';
import { useUnits } from '../state/unitStore';

/** Programmes of one flask side by side. */
const props = defineProps<{
  programmes: readonly (ComparedBurnout & { name: string })[];
  kiln: Kiln | undefined;
}>();
const units = useUnits();
const rows = computed(() => compareBurnouts({ kiln: props.kiln, compared: props.programmes }));
/** “Never” is known; a core that is not reckoned is not. */
const none = (n: number): string => (props.programmes[n]?.heat ? 'never' : 'not reckoned');
</script>

<template>
  <div class="scroll-x" tabindex="0">
    <table class="plain">
      <thead>
        <tr>
          <th></th>
          <th v-for="{ name } in programmes" :key="name" class="right">{{ name }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="row in rows" :key="row.name">
          <th scope="row">{{ row.name }}</th>
          <td v-for="(value, n) in row.values" :key="n" class="right num">
            {{ value ? formatQuantity(value, units.choice) : none(n) }}
          </td>
        </tr>
      </tbody>
    </table>
  </div>
</template>

<style scoped>
tbody th {
  font-weight: 400;
  text-align: left;
}
</style>
