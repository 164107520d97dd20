<script setup lang="ts">
import type { StageKey } from '@zero-pour/core';
import { computed, shallowRef, watch } from 'vue';
import { RequestError } from '../api/request';
import { useNotices } from '../state/notices';
import { usePours } from '../state/pourStore';
import { usePrints } from '../state/printStore';
import { useSizes } from '../state/sizeStore';
import PourWork from './PourWork.vue';

const props = defineProps<{ id: string; stage?: StageKey | '' }>();
const pours = usePours();
const notices = useNotices();
const gone = shallowRef('');
const goneHead = shallowRef('');

const loaded = computed(() => pours.pours.has(props.id));
watch(
  () => props.id,
  async (id) => {
    gone.value = '';
    await pours.load(id).catch((error: unknown) => {
      if (pours.pours.has(id)) notices.wrong(error);
      else {
        gone.value = error instanceof Error ? error.message : String(error);
        goneHead.value =
          error instanceof RequestError && error.code === 'UNREADABLE' ? 'Not read' : 'Not here';
      }
    });
  },
  { immediate: true },
);

// What other pours taught since counts in this one: sizes in its scale, prints in its hours.
const sizes = useSizes();
const prints = usePrints();
watch(
  () => [props.id, props.stage === 'scale'],
  () => void sizes.load().catch(() => {}),
);
watch(
  () => [props.id, props.stage === 'print'],
  () => void prints.load().catch(() => {}),
);
</script>

<template>
  <PourWork v-if="loaded" :id="id" :key="id" :stage="stage || undefined" />
  <div v-else class="page">
    <template v-if="gone">
      <h1>{{ goneHead }}</h1>
      <p class="mute">{{ gone }}</p>
      <router-link to="/">To the board</router-link>
    </template>
    <p v-else class="mute">Fetching the pour …</p>
  </div>
</template>
