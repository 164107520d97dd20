<script setup lang="ts">
import type { StageKey } from '@zero-pour/core';
import { computed } from 'vue';
import FigureValue from '../../components/FigureValue.vue';
import { usePour } from '../../state/usePour';

/** What the pour and a good casting of it cost, largest part first. */
const emit = defineEmits<{ goTo: [stage: StageKey] }>();
const { plan } = usePour();
const cost = computed(() => plan.value.cost);
const currency = computed(() => plan.value.context.settings.currency);
const most = computed(() => Math.max(...cost.value.lines.map(({ value }) => value)));
/** What would lower it most. */
const lowers = computed(() => {
  const { lines, good, total } = cost.value;
  const [largest] = lines;
  if (!largest || total.value <= 0) return '';
  const share = Math.round((100 * largest.value) / total.value);
  const lost = plan.value.context.castings - good.count;
  if (good.counted && lost > 0)
    return `${good.count === 1 ? 'The one that came out carries' : `The ${good.count} that came out carry`} the ${lost} that did not: without them a good one would cost ${(total.value / plan.value.context.castings).toFixed(2)}.`;
  return `${largest.name} is ${share} % of it: what lowers it most is less of that.`;
});
</script>

<template>
  <section class="stage-block" aria-label="What it costs">
    <h2>What it costs{{ currency ? `, ${currency}` : '' }}</h2>
    <p v-if="cost.lines.length === 0" class="mute">
      Nothing is reckoned yet: prices stand with resin, powder, printer, kiln and metal, under Shop.
    </p>
    <template v-else>
      <p class="good">
        <template v-if="cost.perGood">
          A good casting: <b><FigureValue :figure="cost.perGood" @go-to="(s) => emit('goTo', s)" /></b>
          <span class="mute of">{{
            cost.good.counted ? `${cost.good.count} sellable` : `if all ${cost.good.count} come out`
          }}</span>
        </template>
        <template v-else>None came out good: there is nothing to share it over.</template>
      </p>
      <table class="plain">
        <tbody>
          <tr v-for="line in cost.lines" :key="line.name">
            <td>{{ line.name }}</td>
            <td class="bar"><span :style="{ width: `${(100 * line.value) / most}%` }" /></td>
            <td class="num right"><FigureValue :figure="line" @go-to="(s) => emit('goTo', s)" /></td>
          </tr>
          <tr>
            <td>All but metal</td>
            <td></td>
            <td class="num right"><FigureValue :figure="cost.total" @go-to="(s) => emit('goTo', s)" /></td>
          </tr>
        </tbody>
      </table>
      <p class="mute">{{ lowers }}</p>
    </template>
  </section>
</template>

<style scoped>
.good b {
  font-size: 20px;
}
.of {
  margin-left: 12px;
}
.bar {
  width: 50%;
}
.bar span {
  display: block;
  height: 14px;
  background: var(--verd);
}
</style>
