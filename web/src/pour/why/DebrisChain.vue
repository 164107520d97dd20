<script setup lang="ts">
import { formatPhrase } from '@zero-pour/core';
import { debrisChain } from '@zero-pour/plan';
import { computed } from 'vue';
import { useUnits } from '../../state/unitStore';
import { usePour } from '../../state/usePour';

/** Skin stays tacky → dust → debris in the metal: one chain, each link by what was looked at. */
const { plan } = usePour();
const units = useUnits();
const links = computed(() => debrisChain(plan.value));
const SIGNS = { bad: '✕', good: '✓', 'not known': '?' } as const;
</script>

<template>
  <section v-if="links" class="stage-block" aria-label="From a tacky skin to debris">
    <h2>A tacky skin holds dust, and dust is cast in</h2>
    <ol class="chain">
      <li v-for="link in links" :key="link.name" :class="link.state.replace(' ', '-')">
        <span class="sign" aria-hidden="true">{{ SIGNS[link.state] }}</span>
        <b>{{ link.name }}</b>
        <span class="visually-hidden">{{ link.state }}</span>
        <span class="says">{{ formatPhrase(link.says, units.choice) }}</span>
      </li>
    </ol>
  </section>
</template>

<style scoped>
.chain {
  display: grid;
  grid-template-columns: repeat(4, minmax(0, 1fr));
  gap: 8px 30px;
  margin: 0;
  padding: 0;
  list-style: none;
}
.chain li {
  position: relative;
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 2px 8px;
  align-content: start;
  padding: 8px 12px;
  border-left: 4px solid var(--line2);
  background: var(--sheet);
}
.chain li + li::before {
  content: '→';
  position: absolute;
  left: -26px;
  top: 8px;
  font-weight: 700;
}
.bad {
  border-color: var(--melt) !important;
}
.good {
  border-color: var(--verd) !important;
}
.sign {
  font-weight: 700;
}
.says {
  grid-column: 1 / -1;
  font-size: 14px;
}
@media (max-width: 700px) {
  .chain {
    grid-template-columns: 1fr;
  }
  .chain li + li::before {
    content: '↓';
    left: 12px;
    top: -12px;
  }
}
</style>
