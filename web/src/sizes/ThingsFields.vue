<script setup lang="ts">
import { MOLD_MATERIAL_NAMES, type SizeSeries } from '@zero-pour/contracts';
import { said } from '../components/said';
import { castsWax, printsNegative, ROUTES, type SizeStage } from '@zero-pour/core';
import { usualMold } from '@zero-pour/plan';
import { computed } from 'vue';
import QuantityField from '../components/QuantityField.vue';
import { useShop } from '../state/shopStore';
import { profilesOf } from './newSeries';

/** What a measured size was made with: only what its stage needs. */
type Things = Pick<
  SizeSeries,
  'resinId' | 'printerId' | 'profileId' | 'alloyId' | 'powderId' | 'route' | 'moldMaterial' | 'flaskC'
>;
const props = defineProps<{ things: Things; stage: SizeStage }>();
const emit = defineEmits<{ change: [things: Partial<Things>] }>();
const shop = useShop();

const named = (list: readonly { id: string; name: string }[]) =>
  list.map(({ id, name }) => ({ title: name, value: id }));
const withNone = (list: readonly { id: string; name: string }[]) => [
  { title: 'not told', value: '' },
  ...named(list),
];
const poured = computed(() => props.stage === 'cast' || props.stage === 'finished');
const molded = computed(
  () =>
    props.stage !== 'printed' &&
    props.stage !== 'cured' &&
    castsWax(props.things.route) &&
    !printsNegative(props.things.route),
);
const profiles = computed(() => profilesOf(shop.lists, props.things.resinId, props.things.printerId));
</script>

<template>
  <v-select
    label="Resin"
    :items="named(shop.lists.resin)"
    :model-value="things.resinId"
    @update:model-value="
      (resinId) =>
        emit('change', {
          resinId,
          profileId: profilesOf(shop.lists, resinId, things.printerId)[0]?.id ?? null,
        })
    "
  />
  <v-select
    label="Printer"
    :items="withNone(shop.lists.printer)"
    :model-value="things.printerId ?? ''"
    @update:model-value="
      (id) =>
        emit('change', {
          printerId: id || null,
          profileId: profilesOf(shop.lists, things.resinId, id || null)[0]?.id ?? null,
        })
    "
  />
  <v-select
    label="Profile"
    :items="withNone(profiles)"
    :model-value="things.profileId ?? ''"
    @update:model-value="(id) => emit('change', { profileId: id || null })"
  />
  <v-select
    v-if="stage !== 'printed' && stage !== 'cured'"
    label="Route"
    :items="[...ROUTES]"
    :model-value="things.route"
    @update:model-value="
      (route) =>
        emit('change', {
          route,
          moldMaterial: castsWax(route) && !printsNegative(route) ? usualMold(route) : null,
        })
    "
  />
  <v-select
    v-if="molded"
    label="The mold is of"
    :items="MOLD_MATERIAL_NAMES"
    :model-value="things.moldMaterial ?? usualMold(things.route)"
    @update:model-value="(moldMaterial) => emit('change', { moldMaterial })"
  />
  <template v-if="poured">
    <v-select
      label="Metal"
      :items="named(shop.lists.alloy)"
      :model-value="things.alloyId"
      no-data-text="No metal in the shop yet."
      @update:model-value="(alloyId) => emit('change', { alloyId })"
    />
    <v-select
      label="Powder"
      :items="withNone(shop.lists.powder)"
      :model-value="things.powderId ?? ''"
      @update:model-value="(id) => emit('change', { powderId: id || null })"
    />
    <QuantityField
      v-bind="said('sizeSeries', 'flaskC')"
      :model-value="things.flaskC ?? undefined"
      :standard="500"
      standard-from="taken until told"
      @update:model-value="(c) => emit('change', { flaskC: c ?? null })"
    />
  </template>
</template>
