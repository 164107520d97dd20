<script setup lang="ts">
/** How far a long computation is, and how to end it. */
defineProps<{ says: string; share: number }>();
const emit = defineEmits<{ stop: [] }>();
</script>

<template>
  <div class="progress">
    <p role="status">{{ says }}</p>
    <v-progress-linear
      :model-value="100 * share"
      color="primary"
      height="6"
      aria-label="How far the search is"
    />
    <v-btn size="small" @click="emit('stop')">Stop</v-btn>
  </div>
</template>

<style scoped>
.progress {
  display: grid;
  gap: 8px;
  justify-items: start;
  margin-top: 10px;
  max-width: 640px;
}
</style>
