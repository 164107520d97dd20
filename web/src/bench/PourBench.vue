<script setup lang="ts">
import { valueOf } from '@zero-pour/plan';
import { computed } from 'vue';
import type { BenchList } from '../state/benchLists';
import { useUnits } from '../state/unitStore';
import { providePour } from '../state/usePour';
import BenchClock from './BenchClock.vue';
import { benchOfPour } from './benchSource';
import BenchWork from './BenchWork.vue';

/** One of a pour's lists at the bench; investing has its own clock beneath. */
const props = defineProps<{ id: string; stage: BenchList }>();
const handle = providePour(() => props.id);
const { pour, plan } = handle;
const source = benchOfPour(handle, props.stage, useUnits());
const mix = computed(() => (props.stage === 'invest' ? valueOf(plan.value.mix) : undefined));
</script>

<template>
  <BenchWork :source="source">
    <template #clock="{ now }">
      <BenchClock
        v-if="mix"
        :powder-in-at="pour.doc.invest.powderInAt"
        :working-min="mix.workingMin"
        :now="now"
      />
    </template>
  </BenchWork>
</template>
