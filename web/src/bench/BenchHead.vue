<script setup lang="ts">
import { usePours } from '../state/pourStore';

/** Which list at which step; whether Zero Pour has it; sound, and whether the screen stays lit. */
defineProps<{ title: string; lit: boolean | undefined }>();
const sound = defineModel<boolean>('sound', { required: true });
const pours = usePours();
</script>

<template>
  <header>
    <span>{{ title }}</span>
    <span v-if="pours.saving === 'waiting'" role="status" class="waiting"
      >kept here, waiting for Zero Pour</span
    >
    <span class="signs">
      <button type="button" :aria-pressed="sound" @click="sound = !sound">
        <kbd>S</kbd> sound {{ sound ? 'on' : 'off' }}
      </button>
      <span v-if="lit !== undefined" class="pale">{{ lit ? 'screen stays lit' : 'screen may go dark' }}</span>
    </span>
  </header>
</template>

<style scoped>
header {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  justify-content: space-between;
  gap: 6px 20px;
  font-size: 20px;
  color: var(--line);
}
.signs {
  display: flex;
  gap: 18px;
  align-items: center;
  font-size: 17px;
}
.signs button {
  min-height: 40px;
  font: inherit;
  color: inherit;
  background: none;
  border: none;
  cursor: pointer;
}
.waiting {
  color: var(--glow);
}
.pale {
  color: var(--line2);
}
</style>
