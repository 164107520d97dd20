<script setup lang="ts">
import { usePourLoaded } from '../state/usePourLoaded';
import HandOverSheet from './HandOverSheet.vue';

const props = defineProps<{ id: string }>();
const ready = usePourLoaded(() => props.id);
</script>

<template>
  <HandOverSheet v-if="ready" :id="id" />
</template>
