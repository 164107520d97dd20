<script setup lang="ts">
import { shallowRef, watch } from 'vue';
import { useRouter } from 'vue-router';
import { useNotices } from '../state/notices';
import { usePours } from '../state/pourStore';
import BenchWork from './BenchWork.vue';
import type { BenchList } from './recordSteps';

const props = defineProps<{ id: string; stage: BenchList }>();
const pours = usePours();
const notices = useNotices();
const router = useRouter();
const ready = shallowRef(false);

watch(
  () => props.id,
  async (id) => {
    ready.value = pours.pours.has(id);
    if (ready.value) return;
    try {
      await pours.load(id);
      ready.value = true;
    } catch (error) {
      notices.wrong(error);
      await router.replace('/');
    }
  },
  { immediate: true },
);
</script>

<template>
  <v-theme-provider theme="char" with-background class="bench">
    <BenchWork v-if="ready" :id="id" :key="id + stage" :stage="stage" />
  </v-theme-provider>
</template>

<style scoped>
.bench {
  min-height: 100vh;
}
</style>
