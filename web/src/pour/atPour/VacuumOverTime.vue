<script setup lang="ts">
import type { PourFlask } from '@zero-pour/contracts';
import { formatQuantity, vacuumOverTime } from '@zero-pour/core';
import { computed, shallowRef } from 'vue';
import QuantityField from '../../components/QuantityField.vue';
import { said } from '../../components/said';
import { useUnits } from '../../state/unitStore';
import { usePour } from '../../state/usePour';

/** The gauge over time: what was pulled at best, and whether it was held. */
const { flask, setInFlask } = usePour();
const units = useUnits();
type Read = NonNullable<PourFlask['pour']['vacuumReads']>[number];
const reads = computed<readonly Read[]>(() => flask.value.context.decided.pour.vacuumReads ?? []);
const AT = ['pour', 'flasks', '*', 'pour', 'vacuumReads', '0'] as const;
const afterS = shallowRef<number>();
const kPa = shallowRef<number>();
const keep = (next: Read[]): void => setInFlask('pour', 'vacuumReads', next.length > 0 ? next : undefined);
function add(): void {
  if (afterS.value === undefined || kPa.value === undefined) return;
  const next = [...reads.value, { afterS: afterS.value, kPa: kPa.value }];
  keep(next.sort((a, b) => a.afterS - b.afterS));
  afterS.value = undefined;
  kPa.value = undefined;
}
const take = (n: number): void => keep(reads.value.filter((_, i) => i !== n));
const shown = (value: number, unit: 's' | 'kPa'): string => formatQuantity({ value, unit, digits: 0 }, units.choice); // prettier-ignore
const says = computed(() => {
  const read = vacuumOverTime(reads.value);
  if (!read) return '';
  const best = `${shown(read.pulledKpa, 'kPa')} pulled at best, after ${shown(read.afterS, 's')}`;
  if (read.fallsKpaPerMin === undefined)
    return `${best}. Whether it was held is not known: read it once more.`;
  return `${best}; ${shown(read.fallsKpaPerMin, 'kPa')} lost in a minute after that.`;
});
</script>

<template>
  <div role="group" aria-label="Vacuum over time">
    <ul v-if="reads.length > 0" class="reads">
      <li v-for="(read, n) in reads" :key="n">
        <span class="num">{{ shown(read.afterS, 's') }} · {{ shown(read.kPa, 'kPa') }}</span>
        <button
          type="button"
          class="text-button"
          :aria-label="`Take the reading after ${read.afterS} s away`"
          @click="take(n)"
        >
          away
        </button>
      </li>
    </ul>
    <div class="add">
      <QuantityField v-bind="said(...AT, 'afterS')" v-model="afterS" />
      <QuantityField v-bind="said(...AT, 'kPa')" v-model="kPa" />
      <v-btn :disabled="afterS === undefined || kPa === undefined" @click="add">Note the gauge</v-btn>
    </div>
    <p v-if="says" class="mute">{{ says }}</p>
  </div>
</template>

<style scoped>
.reads {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 22px;
  margin: 0 0 8px;
  padding: 0;
  list-style: none;
}
.add {
  display: grid;
  grid-template-columns: repeat(2, minmax(0, 190px)) auto;
  justify-content: start;
  gap: 10px;
  align-items: start;
}
@media (max-width: 600px) {
  .add {
    grid-template-columns: 1fr;
  }
}
</style>
