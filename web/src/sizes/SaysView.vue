<script setup lang="ts">
import { formatValue } from '@zero-pour/core';
import { knownSteps, sizeGroups } from '@zero-pour/plan';
import { computed, shallowRef } from 'vue';
import { useShop } from '../state/shopStore';
import { useSizes } from '../state/sizeStore';
import { useUnits } from '../state/unitStore';
import FitPanel from './FitPanel.vue';

/** The steps as this shop knows them, and the sizes behind them, those that went the same way together. */
const shop = useShop();
const sizes = useSizes();
const units = useUnits();
const steps = computed(() => knownSteps(sizes.known, shop.lists));
const groups = computed(() => sizeGroups(sizes.known.measured, shop.lists));
const chosenKey = shallowRef('');
const chosen = computed(() => groups.value.find((group) => group.key === chosenKey.value) ?? groups.value[0]);

const signed = (value: number, unit: 'percent' | 'mm'): string => {
  const text = formatValue({ value: Math.abs(value), unit, digits: unit === 'mm' ? 3 : 2 }, units.choice);
  return `${value < 0 ? '−' : '+'}${text}${unit === 'percent' ? ' %' : ` ${units.choice.length}`}`;
};
</script>

<template>
  <div v-if="groups.length === 0" class="empty sheet">
    <h2>Nothing measured yet</h2>
    <p>
      Until then plans take the book. Print a few sizes, or measure what you cast: castings that you measure
      at a pour’s Result arrive here by themselves.
    </p>
    <v-btn to="/sizes/series">Enter a series</v-btn>
  </div>
  <div v-else class="says">
    <section class="scroll-x" tabindex="0" aria-label="Steps as the shop knows them">
      <table class="plain">
        <thead>
          <tr>
            <th>Step</th>
            <th class="right">Book</th>
            <th class="right">Taken</th>
            <th class="right">Sure to</th>
            <th class="right">Sizes</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="step in steps" :key="step.key">
            <td>{{ step.name }}</td>
            <td class="num right mute">{{ signed(step.book, step.unit) }}</td>
            <td class="num right">
              <b>{{ signed(step.value, step.unit) }}</b>
            </td>
            <td class="num right mute">± {{ signed(1.96 * step.sd, step.unit).slice(1) }}</td>
            <td class="num right">{{ step.count }}</td>
          </tr>
        </tbody>
      </table>
    </section>
    <section v-if="chosen" aria-label="Sizes that went the same way">
      <v-select
        label="Sizes that went the same way"
        :items="groups.map((g) => ({ title: `${g.name} (${g.sizes.length})`, value: g.key }))"
        :model-value="chosen.key"
        @update:model-value="(key) => (chosenKey = key)"
      />
      <FitPanel :group="chosen" />
    </section>
  </div>
</template>

<style scoped>
.says {
  display: grid;
  grid-template-columns: minmax(0, 5fr) minmax(0, 6fr);
  gap: 28px;
  align-items: start;
}
.empty {
  padding: 16px 18px;
  max-width: 70ch;
  display: grid;
  gap: 10px;
  justify-items: start;
}
td:first-child {
  min-width: 150px;
}
td.num {
  white-space: nowrap;
}
@media (max-width: 1000px) {
  .says {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
