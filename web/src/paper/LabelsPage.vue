<script setup lang="ts">
import { usePourLoaded } from '../state/usePourLoaded';
import LabelSheet from './LabelSheet.vue';

const props = defineProps<{ id: string }>();
const ready = usePourLoaded(() => props.id);
</script>

<template>
  <LabelSheet v-if="ready" :id="id" />
</template>
