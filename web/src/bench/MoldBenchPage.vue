<script setup lang="ts">
import { computed } from 'vue';
import { useMolds } from '../molds';
import { useRecords } from '../state/recordStore';
import { useUnits } from '../state/unitStore';
import { benchOfMold } from './benchOfMold';
import BenchWork from './BenchWork.vue';

/** Making a mold, one step to the screen. */
const props = defineProps<{ id: string }>();
const molds = useMolds();
const records = useRecords();
molds.load();
const mold = computed(() => molds.all.find(({ id }) => id === props.id));
const source = benchOfMold(() => mold.value!, molds, useUnits());
</script>

<template>
  <v-theme-provider theme="char" with-background class="bench">
    <BenchWork v-if="mold" :key="id" :source="source" />
    <main v-else-if="records.ready" class="gone">
      <h1>This mold is gone.</h1>
      <router-link to="/molds">To the molds</router-link>
    </main>
  </v-theme-provider>
</template>

<style scoped>
.bench {
  min-height: 100vh;
}
.gone {
  padding: 44px;
}
</style>
