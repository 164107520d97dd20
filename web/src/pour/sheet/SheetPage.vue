<script setup lang="ts">
import { usePourLoaded } from '../../state/usePourLoaded';
import PlateSheet from './PlateSheet.vue';

const props = defineProps<{ id: string }>();
const ready = usePourLoaded(() => props.id);
</script>

<template>
  <PlateSheet v-if="ready" :id="id" />
</template>
