<script setup lang="ts">
import type { HandDevice } from '@zero-pour/contracts';

/** Where one balance or thermometer answers; empty: it is read by eye. */
defineProps<{ kind: HandDevice; address: string; standIn: string | null }>();
const emit = defineEmits<{ change: [address: string] }>();
</script>

<template>
  <div>
    <v-text-field
      :label="`Address of the ${kind}`"
      placeholder="http://"
      :model-value="address"
      @change="(event: Event) => emit('change', (event.target as HTMLInputElement).value.trim())"
    />
    <button v-if="standIn && !address" type="button" class="text-button" @click="emit('change', standIn)">
      use the stand-in {{ kind }}
    </button>
  </div>
</template>
