<script setup lang="ts" generic="T extends string">
/** A few choices side by side, one pressed; large enough for gloves. */
defineProps<{ label: string; options: readonly T[]; modelValue: T | undefined }>();
const emit = defineEmits<{ choose: [option: T] }>();
</script>

<template>
  <div class="choice" role="radiogroup" :aria-label="label">
    <button
      v-for="option in options"
      :key="option"
      type="button"
      role="radio"
      :class="option"
      :aria-checked="modelValue === option"
      @click="emit('choose', option)"
    >
      {{ option }}
    </button>
  </div>
</template>

<style scoped>
.choice {
  display: inline-flex;
  flex-wrap: wrap;
  width: fit-content;
  border: 1px solid var(--line2);
}
button {
  min-height: 44px;
  padding: 0 14px;
  border: none;
  background: var(--paper);
  font: inherit;
  cursor: pointer;
}
button + button {
  border-left: 1px solid var(--line2);
}
button[aria-checked='true'] {
  color: var(--paper);
  font-weight: 650;
  background: var(--verd);
}
.repairable[aria-checked='true'],
.test[aria-checked='true'],
.mend[aria-checked='true'],
.doubtful[aria-checked='true'],
.flawed[aria-checked='true'],
.distorted[aria-checked='true'],
.repair[aria-checked='true'],
.hard[aria-checked='true'],
.curled[aria-checked='true'] {
  background: var(--amber-text);
}
.scrap[aria-checked='true'],
.reprint[aria-checked='true'],
.poor[aria-checked='true'],
.lost[aria-checked='true'],
.missing[aria-checked='true'],
.fragment[aria-checked='true'],
.drop[aria-checked='true'],
.fell[aria-checked='true'] {
  background: var(--oxide);
}
</style>
