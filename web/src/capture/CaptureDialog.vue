<script setup lang="ts">
import CaptureForm from './CaptureForm.vue';

const open = defineModel<boolean>({ required: true });
</script>

<template>
  <v-dialog v-model="open" max-width="560" aria-label="Note it" location="top" scrollable>
    <CaptureForm @close="open = false" />
  </v-dialog>
</template>
