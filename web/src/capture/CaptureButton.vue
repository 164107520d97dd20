<script setup lang="ts">
import { mdiPencilPlusOutline } from '@mdi/js';
import { captureOpen } from './captureOpen';
</script>

<template>
  <button type="button" class="note" @click="captureOpen = true">
    <v-icon :icon="mdiPencilPlusOutline" size="22" /> Note it
  </button>
</template>

<style scoped>
.note {
  display: none;
}
/* A phone in one hand: where the thumb is. */
@media (max-width: 640px) {
  .note {
    display: flex;
    gap: 8px;
    align-items: center;
    position: fixed;
    right: 14px;
    bottom: 14px;
    z-index: 900;
    min-height: 56px;
    padding: 0 20px;
    border: none;
    border-radius: 4px;
    background: var(--wax);
    color: var(--paper);
    font: 650 17px var(--text);
    box-shadow: 0 3px 12px rgba(40, 30, 15, 0.35);
  }
}
</style>
