<script setup lang="ts">
import { safetySchema } from '@zero-pour/contracts';
import { computed } from 'vue';
import { useAsked } from '../api/useAsked';
import { useSlowNow } from '../state/clock';
import { boardWords } from './safetyWords';

/** On the board: a backup that failed or is overdue, and what cannot be read any more. */
const { told } = useAsked(safetySchema, () => '/safety');
const now = useSlowNow();
const said = computed(() => (told.value ? boardWords(told.value, now.value) : []));
</script>

<template>
  <div v-if="said.length > 0" class="safety tone stop" role="alert">
    <p v-for="line in said" :key="line">{{ line }}</p>
    <router-link to="/shop/about">See to it</router-link>
  </div>
</template>

<style scoped>
.safety {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 16px;
  align-items: baseline;
  padding: 10px 14px;
  margin-bottom: 12px;
  border: 1px solid var(--line2);
  border-left: 6px solid var(--tone);
  background: var(--paper);
}
.safety p {
  flex: 1 1 400px;
}
</style>
