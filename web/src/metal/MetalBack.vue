<script setup lang="ts">
import { readingValue, type MetalLot } from '@zero-pour/contracts';
import { formatQuantity } from '@zero-pour/core';
import { computed, shallowRef } from 'vue';
import { useNotices } from '../state/notices';
import { useRecords } from '../state/recordStore';
import { useShop } from '../state/shopStore';
import { useUnits } from '../state/unitStore';
import { usePour } from '../state/usePour';
import { meltsAfter, newLot, sharesOf, withMove, withoutMove } from './lotMoves';

/** What comes back of a pour goes into a lot, once: the button with its sprues, or what was filed and cut off. */
const props = defineProps<{ what: 'button' | 'filings' }>();
const BACK = {
  button: { field: 'buttonBackG', lots: 'buttons' },
  filings: { field: 'filingsBackG', lots: 'filings' },
} as const;
const { pour } = usePour();
const records = useRecords();
const shop = useShop();
const units = useUnits();
const notices = useNotices();
void records.load().catch((error: unknown) => notices.wrong(error));

const g = (value: number): string => formatQuantity({ value, unit: 'g', digits: 2 }, units.choice);
const massG = computed(() => readingValue(pour.value.doc.result[BACK[props.what].field]));
const alloy = computed(
  () => pour.value.used?.alloy ?? shop.lists.alloy.find(({ id }) => id === pour.value.doc.brief.alloyId),
);
const lots = computed(() => records.lists.metalLot);
const melts = computed(() =>
  meltsAfter(
    sharesOf(
      lots.value,
      pour.value.doc.flasks.flatMap(({ sprue }) => sprue.lots ?? []),
    ),
  ),
);
/** Lots of this metal that were molten before: new metal stays new, and filings, which hold dust and solder, stay by themselves. */
const fitting = computed(() =>
  lots.value.filter(
    (lot) =>
      lot.alloyId === alloy.value?.id &&
      lot.melts > 0 &&
      (lot.origin === 'filings') === (props.what === 'filings'),
  ),
);
const key = computed(() => `${pour.value.id}/${props.what}`);
const holder = computed(() => lots.value.find(({ moves }) => moves.some((move) => move.key === key.value)));
const bookedG = computed(() => holder.value?.moves.find((move) => move.key === key.value)?.massG);
const picked = shallowRef<string>();
const target = computed(
  () => fitting.value.find(({ id }) => id === picked.value) ?? holder.value ?? fitting.value[0],
);

/** A lot is as old as the oldest of it; booked anew it is molten no more often. */
const move = (lot: MetalLot): MetalLot => ({
  ...withMove(
    lot,
    { key: key.value, what: 'came back', massG: massG.value!, pour: pour.value.number },
    new Date(),
  ),
  melts: holder.value?.id === lot.id ? lot.melts : Math.max(lot.melts, melts.value),
});
async function book(into: MetalLot | undefined): Promise<void> {
  if (massG.value === undefined || !alloy.value) return;
  const lot =
    into ??
    newLot(alloy.value, {
      origin: props.what,
      melts: melts.value,
      name: `${alloy.value.name}, ${BACK[props.what].lots}`,
    });
  try {
    if (holder.value && holder.value.id !== lot.id)
      await records.add('metalLot', withoutMove(holder.value, key.value));
    await records.add('metalLot', move(lot));
  } catch (error) {
    notices.wrong(error);
  }
}
const isBooked = computed(
  () =>
    bookedG.value !== undefined && massG.value !== undefined && Math.abs(bookedG.value - massG.value) < 0.006,
);
</script>

<template>
  <div v-if="massG !== undefined && massG > 0 && alloy" class="back">
    <span v-if="isBooked" role="status"
      >{{ g(massG) }} booked into
      <router-link :to="`/shop/lots/${holder!.id}`">{{ holder!.name }}</router-link>.</span
    >
    <template v-else>
      <v-select
        v-if="fitting.length > 0"
        v-model="picked"
        label="Into which lot"
        class="into"
        :placeholder="target?.name"
        :items="fitting.map(({ id, name }) => ({ title: name, value: id }))"
      />
      <v-btn v-if="target" size="small" @click="book(target)"
        >Book {{ g(massG) }} into {{ target.name }}</v-btn
      >
      <v-btn size="small" @click="book(undefined)">Into a new lot</v-btn>
    </template>
  </div>
</template>

<style scoped>
.back {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px 12px;
  margin-top: 10px;
}
.into {
  max-width: 260px;
}
</style>
