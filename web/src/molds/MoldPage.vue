<script setup lang="ts">
import { MOLD_STATES, type Mold } from '@zero-pour/contracts';
import { MOLD_KINDS } from '@zero-pour/core';
import { planMold } from '@zero-pour/plan';
import { computed, watch } from 'vue';
import NoteField from '../components/NoteField.vue';
import PhotoRow from '../components/PhotoRow.vue';
import QuantityField from '../components/QuantityField.vue';
import { said } from '../components/said';
import { useAnalyses } from '../pattern';
import { useRecords } from '../state/recordStore';
import { useShop } from '../state/shopStore';
import MakingMold from './MakingMold.vue';
import MoldBlock from './MoldBlock.vue';
import MoldMaster from './MoldMaster.vue';
import { useMolds } from './moldStore';
import WaxShots from './WaxShots.vue';

/** One mold: its master, how it opens, how it is made, what it gave. */
const props = defineProps<{ mold: Mold }>();
const molds = useMolds();
const shop = useShop();
const records = useRecords();
const analyses = useAnalyses();
const pattern = computed(() => molds.patternOf(props.mold));
/* Its thinnest place decides whether the press breaks it. */
watch(pattern, (now) => now && void analyses.ensure(now, true), { immediate: true });
const plan = computed(() => {
  const known = pattern.value && analyses.of(pattern.value);
  return planMold(props.mold, {
    pattern: pattern.value,
    resin: molds.resinOf(props.mold),
    tests: records.lists.moldTest,
    thinnestMm: known?.status === 'analysed' ? (known.analysis.thickness.thinnestMm ?? undefined) : undefined,
  });
});
const change = (fields: Partial<Mold>): void => molds.change(props.mold, fields);
const patterns = computed(() => shop.patterns.map(({ id, name }) => ({ title: name, value: id })));
const resins = computed(() => shop.lists.resin.map(({ id, name }) => ({ title: name, value: id })));
const printed = computed(() => props.mold.kind === 'flexible resin' || props.mold.kind === 'hard resin');
/** Halves belong to the part, its size and what they are made of. */
const other = (fields: Partial<Mold>): void => change({ ...fields, halves: null });
</script>

<template>
  <section :aria-label="mold.name">
    <div class="page-head">
      <h1>{{ mold.name }}</h1>
      <span class="mute num">mold {{ mold.number }}</span>
      <span class="spacer" />
      <button type="button" class="text-button" @click="molds.remove(mold)">Take it out</button>
    </div>
    <div class="form-grid roomy">
      <NoteField
        label="Name"
        :max="120"
        :model-value="mold.name"
        @update:model-value="(name) => name && change({ name })"
      />
      <v-select
        label="Made of"
        :items="[...MOLD_KINDS]"
        :model-value="mold.kind"
        @update:model-value="(kind) => other({ kind })"
      />
      <v-select
        label="State"
        :items="[...MOLD_STATES]"
        :model-value="mold.state"
        @update:model-value="(state) => change({ state })"
      />
      <v-select
        label="Pattern"
        :items="patterns"
        :model-value="mold.patternId"
        no-data-text="No pattern yet: add one under Patterns."
        @update:model-value="(patternId) => other({ patternId, pull: null })"
      />
      <v-select
        :label="printed ? 'Resin of the mold' : 'Resin of the master'"
        :items="resins"
        :model-value="mold.resinId"
        no-data-text="No resin yet: add one under Resins."
        @update:model-value="(resinId) => change({ resinId })"
      />
      <QuantityField
        v-bind="said('mold', 'scalePercent')"
        required
        :model-value="mold.scalePercent"
        hint="Resin, wax and metal shrink: Sizes says by how much"
        @update:model-value="(v) => v !== undefined && other({ scalePercent: v })"
      />
      <NoteField
        label="Where it lies"
        :max="120"
        :model-value="mold.place"
        @update:model-value="(place) => change({ place: place ?? '' })"
      />
    </div>
    <MoldMaster v-if="!printed" :mold="mold" :plan="plan" @change="change" />
    <MoldBlock :mold="mold" :pattern="pattern" @change="change" />
    <MakingMold :mold="mold" :plan="plan" @change="change" />
    <WaxShots :mold="mold" :plan="plan" :pattern="pattern" @change="change" />
    <section class="stage-block">
      <h2>Photos and note</h2>
      <PhotoRow :photos="mold.photos" :of="mold.name" @change="(photos) => change({ photos })" />
      <NoteField
        class="mt-3"
        label="Note"
        :rows="2"
        :model-value="mold.note"
        @update:model-value="(note) => change({ note: note ?? '' })"
      />
    </section>
  </section>
</template>
