<script setup lang="ts">
import { PAINTS, type PaintName } from './paint';
import { SECTION_AXES, type SectionAxis } from './useSection';

/** Colours, cuts, measuring and the picture, along the top of the view. */
defineProps<{ axis: SectionAxis | undefined }>();
const emit = defineEmits<{ cut: [axis: SectionAxis | undefined]; picture: [] }>();
const paint = defineModel<PaintName>('paint', { required: true });
const measuring = defineModel<boolean>('measuring', { required: true });
</script>

<template>
  <div class="tools">
    <div class="group" role="radiogroup" aria-label="Colour by">
      <button
        v-for="name in PAINTS"
        :key="name"
        type="button"
        role="radio"
        :aria-checked="paint === name"
        @click="paint = name"
      >
        {{ name }}
      </button>
    </div>
    <div class="group" role="group" aria-label="Cut across">
      <button
        v-for="name in SECTION_AXES"
        :key="name"
        type="button"
        :aria-pressed="axis === name"
        :aria-label="`Cut across ${name}`"
        @click="emit('cut', axis === name ? undefined : name)"
      >
        cut {{ name }}
      </button>
    </div>
    <div class="group">
      <button type="button" :aria-pressed="measuring" @click="measuring = !measuring">measure</button>
      <button type="button" @click="emit('picture')">picture</button>
    </div>
  </div>
</template>

<style scoped>
.tools {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
.group {
  display: flex;
  border: 1px solid var(--line2);
  background: var(--paper);
}
button {
  padding: 6px 12px;
  min-height: 34px;
  border: none;
  background: none;
  font: inherit;
  font-size: 14px;
  cursor: pointer;
}
button::first-letter {
  text-transform: capitalize;
}
button + button {
  border-left: 1px solid var(--line2);
}
[aria-checked='true'],
[aria-pressed='true'] {
  background: var(--wax);
  color: var(--paper);
}
@media (pointer: coarse) {
  button {
    min-height: 44px;
  }
}
</style>
