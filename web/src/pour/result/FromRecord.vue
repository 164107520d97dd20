<script setup lang="ts">
import { CAST_SIGNS, formatPhrase } from '@zero-pour/core';
import { castEvidenceOf } from '@zero-pour/plan';
import { computed } from 'vue';
import { useUnits } from '../../state/unitStore';
import { usePour } from '../../state/usePour';

/** What the record says of what came out, by what was measured and told: evidence for the causes of its flaws. */
const { plan } = usePour();
const units = useUnits();
const signs = computed(() =>
  Object.entries(castEvidenceOf(plan.value))
    .flatMap(([name, found]) => (found && CAST_SIGNS.has(name) ? [{ name, ...found }] : []))
    .sort((a, b) => Number(a.state === 'good') - Number(b.state === 'good')),
);
</script>

<template>
  <section class="stage-block" aria-label="What the record says of it">
    <h2>What the record says of it</h2>
    <p v-if="signs.length === 0" class="mute">
      Nothing was measured or told of it: no log of the kiln, no temperatures, no weights of the mix.
    </p>
    <ul v-else class="signs">
      <li v-for="one in signs" :key="one.name" :class="one.state">
        <b>{{ one.state === 'bad' ? 'not as it should be' : 'as it should be' }}</b>
        <span>{{ formatPhrase(one.says, units.choice) }}</span>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.signs {
  display: grid;
  gap: 6px;
  padding: 0;
  list-style: none;
}
.signs > li {
  display: grid;
  grid-template-columns: 150px minmax(0, 1fr);
  gap: 12px;
  padding: 6px 10px;
  border-left: 4px solid var(--line2);
}
.signs > .bad {
  border-left-color: var(--oxide);
}
</style>
