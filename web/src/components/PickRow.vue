<script setup lang="ts" generic="K extends string">
import { computed } from 'vue';

/** Things side by side to pick from, one pressed, or several. */
const props = defineProps<{
  label: string;
  things: readonly { key: K; name: string; title?: string }[];
  picked: K | readonly K[] | undefined;
}>();
const emit = defineEmits<{ pick: [key: K] }>();
const pressed = computed(() => new Set([props.picked].flat()));
</script>

<template>
  <div class="pick-row" role="group" :aria-label="label">
    <button
      v-for="thing in things"
      :key="thing.key"
      type="button"
      :aria-pressed="pressed.has(thing.key)"
      :title="thing.title"
      @click="emit('pick', thing.key)"
    >
      {{ thing.name }}
    </button>
    <slot />
  </div>
</template>

<style scoped>
.pick-row {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px;
  margin: 12px 0;
}
.pick-row > button {
  min-height: 40px;
  padding: 0 12px;
  border: 1px solid var(--line2);
  background: var(--paper);
  font: inherit;
  font-size: 14px;
  color: var(--ink);
  cursor: pointer;
}
.pick-row > [aria-pressed='true'] {
  background: var(--wax);
  border-color: var(--wax);
  color: var(--paper);
}
</style>
