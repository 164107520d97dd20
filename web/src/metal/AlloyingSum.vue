<script setup lang="ts">
import type { MetalLot } from '@zero-pour/contracts';
import { alloyTo, formatQuantity, SOURCES_MOST } from '@zero-pour/core';
import { computed, shallowRef } from 'vue';
import CautionLine from '../components/CautionLine.vue';
import QuantityField from '../components/QuantityField.vue';
import { useNotices } from '../state/notices';
import { useRecords } from '../state/recordStore';
import { useShop } from '../state/shopStore';
import { useUnits } from '../state/unitStore';
import { alloyed, lotStockG } from './lotMoves';

/** An alloy out of lots: grams of each, and how near it comes. */
const props = defineProps<{ lots: readonly MetalLot[] }>();
const records = useRecords();
const shop = useShop();
const units = useUnits();
const notices = useNotices();
const alloyId = shallowRef<string>();
const massG = shallowRef<number>();
const picked = shallowRef<string[]>([]);
const g = (value: number): string => formatQuantity({ value, unit: 'g', digits: 2 }, units.choice);

const alloy = computed(() => shop.lists.alloy.find(({ id }) => id === alloyId.value));
const sources = computed(() => props.lots.filter(({ id }) => picked.value.includes(id)));
const found = computed(() => {
  if (!alloy.value || !massG.value || sources.value.length === 0 || sources.value.length > SOURCES_MOST)
    return undefined;
  return alloyTo(
    alloy.value.composition,
    massG.value,
    sources.value.map((lot) => ({ composition: lot.composition, mostG: Math.max(0, lotStockG(lot)) })),
  );
});
const says = computed(() => {
  const sum = found.value;
  if (sources.value.length > SOURCES_MOST) return `No more than ${SOURCES_MOST} lots at once.`;
  if (!sum) return '';
  if (sum.status === 'short') return `These lots are ${g(sum.shortG)} short of it.`;
  if (sum.status === 'exact') return 'Exactly that alloy.';
  const off = sum.off.map(
    ({ element, permille }) => `${element} ${permille > 0 ? '+' : '−'}${Math.abs(permille).toFixed(1)}`,
  );
  return `Not exactly: the nearest is off by ${off.join(', ')} parts of a thousand.`;
});
async function make(): Promise<void> {
  const sum = found.value;
  if (!sum || sum.status === 'short' || !alloy.value) return;
  const [made, ...used] = alloyed(sources.value, sum, alloy.value, new Date()).reverse();
  try {
    await records.add('metalLot', made!);
    for (const lot of used) await records.add('metalLot', lot);
    notices.tell(`${g(lotStockG(made!))} booked as “${made!.name}”.`);
  } catch (error) {
    notices.wrong(error);
  }
}
</script>

<template>
  <section>
    <h2>Alloy it from lots</h2>
    <div class="form-grid">
      <v-select
        v-model="alloyId"
        label="Wanted"
        :items="shop.lists.alloy.map(({ id, name }) => ({ title: name, value: id }))"
      />
      <QuantityField v-model="massG" label="Grams wanted" unit="g" :digits="2" :min="0.01" :max="1000000" />
      <v-select
        v-model="picked"
        label="Out of these lots"
        multiple
        :items="lots.map((lot) => ({ title: `${lot.name}, ${g(lotStockG(lot))}`, value: lot.id }))"
      />
    </div>
    <table v-if="found && found.status !== 'short'" class="plain mt-3">
      <tbody>
        <tr v-for="(lot, n) in sources" :key="lot.id">
          <td>{{ lot.name }}</td>
          <td class="num">{{ g(found.grams[n]!) }}</td>
        </tr>
      </tbody>
    </table>
    <p v-if="says" class="mt-2" role="status">{{ says }}</p>
    <v-btn v-if="found && found.status !== 'short'" size="small" class="mt-2" @click="make"
      >Book it as molten</v-btn
    >
    <CautionLine of="pour" />
  </section>
</template>
