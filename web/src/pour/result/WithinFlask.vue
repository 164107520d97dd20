<script setup lang="ts">
import { compareWithinFlasks, type FlaskDifference } from '@zero-pour/plan';
import { computed } from 'vue';
import { usePour } from '../../state/usePour';

/** What the castings of one flask say of the things in which they differ: they share all that pours do not. */
const { plan } = usePour();
const found = computed(() => compareWithinFlasks(plan.value.context));
const many = computed(() => plan.value.context.flasks.length > 1);
const head = ({ flask, what }: FlaskDifference): string =>
  `${many.value ? `Flask ${flask + 1}, by` : 'By'} ${what}`;
const counts = ({ groups }: FlaskDifference): string =>
  groups.map(({ says, good, n }) => `${says}: ${good} of ${n} sellable`).join('; ');
function verdict({ better, also, groups }: FlaskDifference): string {
  const chance = `${Math.round(100 * better)} in 100 that ${groups[0]!.says} comes out more often than ${groups.at(-1)!.says}`;
  const sure = better >= 0.9 ? `${chance}.` : `The counts do not tell: ${chance}.`;
  return also.length > 0 ? `${sure} They differ in ${also.join(', ')} too.` : `${sure} Nothing else that is told differs.`; // prettier-ignore
}
</script>

<template>
  <section v-if="found.length > 0" class="stage-block" aria-label="Within the flask">
    <h2>Within the flask</h2>
    <ul class="found">
      <li v-for="one in found" :key="`${one.flask} ${one.what}`">
        <b>{{ head(one) }}.</b> {{ counts(one) }}. <span class="mute">{{ verdict(one) }}</span>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.found {
  margin: 0;
  padding: 0;
  list-style: none;
}
.found li {
  padding: 4px 0;
}
</style>
