<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import { readSeen, seenText, WORDS, type SeenCount } from './readSeen';

/** One count with large targets: a number, or a word for it by key or button. */
const props = defineProps<{ label: string; of: number; modelValue: SeenCount }>();
const emit = defineEmits<{ 'update:modelValue': [seen: SeenCount]; next: [] }>();

const text = ref(seenText(props.modelValue));
const problem = ref('');
watch(
  () => props.modelValue,
  (seen) => {
    const shown = readSeen(text.value, props.of);
    const same = shown.status === 'read' && JSON.stringify(shown.seen) === JSON.stringify(seen);
    if (!same && problem.value === '') text.value = seenText(seen);
  },
);
const pressed = computed(() =>
  props.modelValue && 'word' in props.modelValue ? props.modelValue.word : undefined,
);

function take(): boolean {
  const read = readSeen(text.value, props.of);
  problem.value = read.status === 'unreadable' ? read.reason : '';
  if (read.status === 'read') emit('update:modelValue', read.seen);
  return read.status === 'read';
}
function choose(word: (typeof WORDS)[number]): void {
  text.value = word;
  take();
  emit('next');
}
function enter(): void {
  if (take()) emit('next');
}
</script>

<template>
  <div class="count">
    <label>
      <span>{{ label }}</span>
      <input
        v-model="text"
        data-count
        inputmode="numeric"
        autocomplete="off"
        :aria-label="`${label} of ${of}`"
        :aria-invalid="problem !== ''"
        @input="take"
        @keydown.enter.prevent="enter"
      />
      <span class="of num">of {{ of }}</span>
    </label>
    <div class="words" role="group" :aria-label="`${label} in a word`">
      <button
        v-for="word in WORDS"
        :key="word"
        type="button"
        :aria-pressed="pressed === word"
        @click="choose(word)"
      >
        {{ word }}
      </button>
    </div>
    <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
  </div>
</template>

<style scoped>
.count {
  display: grid;
  grid-template-columns: 360px minmax(0, 1fr);
  gap: 4px 14px;
  align-items: center;
}
label {
  display: grid;
  grid-template-columns: 1fr 84px 58px;
  align-items: center;
  gap: 10px;
  font-size: 15.5px;
  font-weight: 600;
}
input {
  height: 52px;
  font: 700 26px var(--mono);
  text-align: center;
  border: 1px solid var(--line2);
  background: var(--paper);
  color: var(--ink);
  width: 100%;
}
input:focus {
  outline: 3px solid var(--wax);
  outline-offset: -1px;
}
input[aria-invalid='true'] {
  border-color: var(--oxide);
}
.of {
  color: var(--mute);
  font-weight: 400;
}
.words {
  display: flex;
  border: 1px solid var(--line2);
  width: fit-content;
}
button {
  min-height: 50px;
  min-width: 62px;
  border: none;
  background: var(--paper);
  font: inherit;
  color: var(--ink);
  cursor: pointer;
}
button + button {
  border-left: 1px solid var(--line2);
}
button[aria-pressed='true'] {
  background: var(--wax);
  color: var(--paper);
  font-weight: 650;
}
.problem {
  grid-column: 1 / -1;
  color: var(--oxide);
  font-size: 14px;
}
@media (max-width: 700px) {
  .count {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
