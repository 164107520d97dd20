<script setup lang="ts">
import { readingValue, type PouredSizes, type Reading, type SizeTarget } from '@zero-pour/contracts';
import { said } from '../components/said';
import { formatQuantity, stagesOf, type SizeStage } from '@zero-pour/core';
import { whyOff } from '@zero-pour/plan';
import { computed, onMounted, shallowRef, watch } from 'vue';
import { useRoute } from 'vue-router';
import QuantityField from '../components/QuantityField.vue';
import { useNotices } from '../state/notices';
import { useShop } from '../state/shopStore';
import { useSizes } from '../state/sizeStore';
import { useUnits } from '../state/unitStore';
import TypedPiece from './TypedPiece.vue';
import WhyAnswer from './WhyAnswer.vue';

/** A piece that came out off: which step most likely did it, and what to print next. */
const route = useRoute();
const shop = useShop();
const sizes = useSizes();
const notices = useNotices();
const units = useUnits();
onMounted(() => sizes.load().catch((error: unknown) => notices.wrong(error)));

const STAGE_TITLES: Readonly<Record<SizeStage, string>> = {
  printed: 'off the printer',
  cured: 'cured',
  wax: 'the first wax',
  cast: 'as cast',
  finished: 'finished',
};
const asked = (name: string): string => String(route.query[name] ?? '');
const pourId = shallowRef(asked('pour'));
const sizeKey = shallowRef(asked('size'));
const casting = shallowRef(asked('casting'));
const stage = shallowRef<SizeStage>('finished');
const typedMm = shallowRef<number>();
/** A piece of no pour here, as it is told. */
const told = shallowRef<PouredSizes>();

const pours = computed(() => [...sizes.poured].reverse());
// Unless one is asked for, the newest that was measured.
watch(
  () => sizes.ready,
  (ready) => {
    if (ready && pourId.value === '') pourId.value = pours.value[0]?.pourId ?? '';
  },
  { immediate: true },
);
const pour = computed(() =>
  pourId.value === '' ? told.value : pours.value.find((p) => p.pourId === pourId.value),
);
const target = computed<SizeTarget | undefined>(
  () => pour.value?.sizes.find((size) => size.key === sizeKey.value) ?? pour.value?.sizes[0],
);
const nameOf = (one: PouredSizes): string => {
  const pattern = shop.patterns.find((p) => p.id === one.lines[0]?.patternId)?.name ?? '';
  return `Pour ${one.number}, ${pattern}`;
};
const pourItems = computed(() => [
  ...pours.value.map((p) => ({ title: nameOf(p), value: p.pourId })),
  { title: 'a piece of no pour here', value: '' },
]);
/** The casting asked for, else the first of which this size was measured. */
const castingKey = computed(() => {
  const castings = pour.value?.castings ?? {};
  if (casting.value in castings) return casting.value;
  return Object.keys(castings).find((n) => target.value && castings[n]![target.value.key]) ?? '';
});
/** What is on record of the piece at a stage: of the print and wax, or of the casting. */
const recordedMm = (at: SizeStage): number | undefined => {
  if (!target.value || !pour.value) return undefined;
  const { key } = target.value;
  const all: Partial<Record<SizeStage, Reading>> = {
    ...pour.value.scale.measured?.[key],
    ...pour.value.castings[castingKey.value]?.[key],
  };
  return readingValue(all[at]);
};
const stages = computed(() => (pour.value ? stagesOf(pour.value.route) : []));
const recorded = computed(() => stages.value.findLast((at) => recordedMm(at) !== undefined));
watch(
  () => [pour.value?.pourId, target.value?.key, castingKey.value] as const,
  () => {
    typedMm.value = undefined;
    if (recorded.value) stage.value = recorded.value;
  },
  { immediate: true },
);
const measuredMm = computed(() => typedMm.value ?? recordedMm(stage.value));
const why = computed(() => {
  if (!pour.value || !target.value || measuredMm.value === undefined) return undefined;
  const piece = {
    pour: pour.value,
    target: target.value,
    stage: stage.value,
    measuredMm: measuredMm.value,
    casting: castingKey.value,
  };
  return whyOff(piece, sizes.known, shop.lists);
});
const mm = (value: number): string => formatQuantity({ value, unit: 'mm', digits: 2 }, units.choice);
</script>

<template>
  <div class="page">
    <div class="page-head">
      <h1>It came out off</h1>
      <span class="mute">which step most likely did it, and what to print next</span>
      <span class="spacer" />
      <router-link to="/sizes">All sizes</router-link>
    </div>
    <div class="form-grid">
      <v-select v-model="pourId" class="wide" label="The piece is of" :items="pourItems" />
      <v-select
        v-if="pour && pour.sizes.length > 1"
        label="Size"
        :items="pour.sizes.map((s) => ({ title: `${s.name}, ${mm(s.finishedMm)}`, value: s.key }))"
        :model-value="target?.key"
        @update:model-value="(key) => (sizeKey = key)"
      />
      <v-select
        v-if="pour && Object.keys(pour.castings).length > 1"
        label="Casting"
        :items="Object.keys(pour.castings)"
        :model-value="castingKey"
        @update:model-value="(n) => (casting = n)"
      />
      <v-select
        v-if="pour"
        v-model="stage"
        label="Measured"
        :items="stages.map((value) => ({ title: STAGE_TITLES[value], value }))"
      />
      <QuantityField
        v-if="pour"
        v-bind="said('pour', 'brief', 'sizes', '0', 'finishedMm')"
        label="It measures"
        :model-value="measuredMm"
        @update:model-value="(value) => (typedMm = value)"
      />
    </div>
    <p v-if="pourId === '' && shop.lists.resin.length === 0" class="mute mt-4">
      The steps are a resin’s and a metal’s: <router-link to="/resins">add a resin first</router-link>.
    </p>
    <TypedPiece v-else-if="pourId === ''" class="mt-4" @told="(piece) => (told = piece)" />
    <WhyAnswer v-if="why && target" :why="why" :target="target" :stage="stage" class="mt-4" />
    <p v-else-if="pour && measuredMm === undefined" class="mute mt-4">Type what it measures.</p>
    <p v-else-if="pourId === '' && shop.lists.resin.length > 0" class="mute mt-4">
      Tell how it was made, what was wanted and what it was printed at; then what it measures.
    </p>
  </div>
</template>

<style scoped>
.wide {
  grid-column: span 2;
}
@media (max-width: 600px) {
  .wide {
    grid-column: span 1;
  }
}
</style>
