<script setup lang="ts">
import { SIZE_KINDS, type PouredSizes, type SizeSeries } from '@zero-pour/contracts';
import { said } from '../components/said';
import { FINISHES } from '@zero-pour/core';
import { computed, reactive, watch } from 'vue';
import QuantityField from '../components/QuantityField.vue';
import { SIZE_KIND_NAMES } from './useWantedSizes';
import { useShop } from '../state/shopStore';
import { newSeries } from './newSeries';
import ThingsFields from './ThingsFields.vue';

/** A piece that no pour here made, told by hand: enough to say what its steps should have done. */
const emit = defineEmits<{ told: [piece: PouredSizes | undefined] }>();
const shop = useShop();
const like = newSeries(shop.lists, undefined, new Date());
const piece = reactive({
  things: {
    resinId: like?.resinId ?? '',
    printerId: like?.printerId ?? null,
    profileId: like?.profileId ?? null,
    alloyId: shop.lists.alloy[0]?.id ?? null,
    powderId: like?.powderId ?? null,
    route: 'burn out the print' as PouredSizes['route'],
    moldMaterial: null as SizeSeries['moldMaterial'],
    flaskC: null as number | null,
  },
  of: 'bore' as (typeof SIZE_KINDS)[number],
  finish: 'full' as PouredSizes['finish'],
  wantedMm: undefined as number | undefined,
  percent: undefined as number | undefined,
});

const told = computed<PouredSizes | undefined>(() => {
  const { things, of, finish, wantedMm, percent } = piece;
  if (wantedMm === undefined || percent === undefined || things.resinId === '') return undefined;
  const { moldMaterial, flaskC, ...ids } = things;
  const now = new Date().toISOString();
  return {
    ...ids,
    pourId: '00000000-0000-4000-8000-000000000000',
    number: 1,
    at: now,
    finish,
    lines: [],
    rotations: {},
    sizes: [{ key: 'told', name: SIZE_KIND_NAMES[of], lineKey: null, of, finishedMm: wantedMm, holds: true }],
    scale: {
      way: 'percent',
      own: {},
      ...(moldMaterial ? { moldMaterial } : {}),
      printedAs: { at: now, percents: [percent, percent, percent], ...(flaskC === null ? {} : { flaskC }) },
    },
    castings: {},
  };
});
watch(told, (value) => emit('told', value), { immediate: true });
</script>

<template>
  <div class="form-grid">
    <ThingsFields
      :things="piece.things"
      stage="finished"
      @change="(things) => Object.assign(piece.things, things)"
    />
    <v-select
      v-model="piece.of"
      label="The size is"
      :items="SIZE_KINDS.map((value) => ({ title: SIZE_KIND_NAMES[value], value }))"
    />
    <v-select v-model="piece.finish" label="Finish" :items="[...FINISHES]" />
    <QuantityField
      v-bind="said('pour', 'brief', 'sizes', '0', 'finishedMm')"
      label="Wanted, and drawn"
      :model-value="piece.wantedMm"
      @update:model-value="(mm) => (piece.wantedMm = mm)"
    />
    <QuantityField
      v-bind="said('pour', 'scale', 'percent')"
      label="Printed at"
      :model-value="piece.percent"
      @update:model-value="(p) => (piece.percent = p)"
    />
  </div>
</template>
