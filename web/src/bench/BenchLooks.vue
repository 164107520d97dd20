<script setup lang="ts">
import { LOOK_WORDS, type Look } from '@zero-pour/core';

/** How a print looks: the first is as it should be, the number keys choose. */
defineProps<{ looks: readonly Look[] }>();
const emit = defineEmits<{ saw: [look: Look] }>();
</script>

<template>
  <div class="looks" role="group" aria-label="How it looks">
    <button v-for="(look, i) in looks" :key="look" type="button" @click="emit('saw', look)">
      <kbd>{{ i + 1 }}</kbd> {{ LOOK_WORDS[look] }}
    </button>
  </div>
</template>

<style scoped>
.looks {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
  margin: 22px 0 16px;
}
.looks button {
  min-height: 64px;
  padding: 8px 22px;
  font: 600 23px var(--text);
  color: var(--bone);
  background: var(--char-sheet);
  border: 1.5px solid var(--ash);
  border-radius: 3px;
  cursor: pointer;
}
</style>
