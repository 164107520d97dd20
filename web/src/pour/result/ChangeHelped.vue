<script setup lang="ts">
import { flawWords, type FlawKind } from '@zero-pour/core';
import { judgeChange } from '@zero-pour/plan';
import { computed } from 'vue';
import { usePour } from '../../state/usePour';

/** Whether the one change that this pour tries helped, by counts. */
const { pour } = usePour();
const judged = computed(() => judgeChange(pour.value.doc));
const inHundred = (chance: number): number => Math.round(100 * chance);
const verdict = computed(() => {
  const better = judged.value?.better;
  if (better === undefined) return 'Not known yet: no casting of this pour is judged.';
  if (better >= 0.9) return 'It helped, as far as so few can say.';
  if (better <= 0.1) return 'It made it worse, as far as so few can say.';
  return 'These counts do not tell yet.';
});
</script>

<template>
  <section v-if="judged" class="stage-block helped" aria-label="Did the change help?">
    <h2>Did the change help?</h2>
    <p>
      <b>{{ judged.change }}</b>, against {{ flawWords(judged.flaw as FlawKind) }}.
    </p>
    <p>
      Without the flaw: {{ judged.before.good }} of {{ judged.before.n }} in
      <router-link :to="`/record/compare?a=${pour.doc.brief.trying?.fromPourId}&b=${pour.id}`"
        >pour {{ pour.doc.brief.againOf }}</router-link
      >, {{ judged.after.n === 0 ? 'none looked at' : `${judged.after.good} of ${judged.after.n}` }} in this.
      <template v-if="judged.better !== undefined">
        {{ inHundred(judged.better) }} in 100 that it comes less often now.
      </template>
      <b>{{ verdict }}</b>
    </p>
    <ul class="mute">
      <li v-for="one in judged.between" :key="one.name">
        {{ one.name }}: it was to come again {{ inHundred(one.recurs) }} in 100<template
          v-if="one.chance !== undefined"
          >; by this pour alone {{ inHundred(one.chance) }} in 100 of the two</template
        >
      </li>
    </ul>
    <p class="mute">
      What else differed is part of it:
      <router-link :to="`/record/compare?a=${pour.doc.brief.trying?.fromPourId}&b=${pour.id}`"
        >compare the two pours</router-link
      >.
    </p>
  </section>
</template>

<style scoped>
.helped p {
  margin: 4px 0;
}
</style>
