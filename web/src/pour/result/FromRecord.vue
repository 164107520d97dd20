<script setup lang="ts">
import { CAST_SIGNS, formatPhrase } from '@zero-pour/core';
import { castEvidenceOf } from '@zero-pour/plan';
import { computed } from 'vue';
import { useUnits } from '../../state/unitStore';
import { usePour } from '../../state/usePour';

/** What the record says of what came out, by what was measured and told: evidence for the causes of its flaws. */
const { plan } = usePour();
const units = useUnits();
/** By its sentence: what speaks against anything is not told as right beside it. */
const signs = computed(() => {
  const bySentence = new Map<string, 'bad' | 'good'>();
  for (const [name, found] of Object.entries(castEvidenceOf(plan.value))) {
    if (!found || !CAST_SIGNS.has(name)) continue;
    const sentence = formatPhrase(found.says, units.choice);
    if (bySentence.get(sentence) !== 'bad') bySentence.set(sentence, found.state);
  }
  const all = [...bySentence].map(([sentence, state]) => ({ sentence, state }));
  return {
    bad: all.filter(({ state }) => state === 'bad'),
    good: all.filter(({ state }) => state === 'good'),
  };
});
</script>

<template>
  <section class="stage-block" aria-label="What the record says of it">
    <h2>What the record says of it</h2>
    <p v-if="signs.bad.length + signs.good.length === 0" class="mute">
      Nothing was measured or told of it: no log of the kiln, no temperatures, no weights of the mix.
    </p>
    <ul v-if="signs.bad.length > 0" class="signs">
      <li v-for="one in signs.bad" :key="one.sentence" class="bad">
        <b>not as it should be</b>
        <span>{{ one.sentence }}</span>
      </li>
    </ul>
    <details v-if="signs.good.length > 0">
      <summary>
        {{ signs.good.length }} {{ signs.good.length === 1 ? 'thing' : 'things' }} of it that
        {{ signs.good.length === 1 ? 'was' : 'were' }} measured or told, as it should be
      </summary>
      <ul class="signs">
        <li v-for="one in signs.good" :key="one.sentence">
          <b>as it should be</b>
          <span>{{ one.sentence }}</span>
        </li>
      </ul>
    </details>
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
summary {
  margin-top: 8px;
  cursor: pointer;
}
</style>
