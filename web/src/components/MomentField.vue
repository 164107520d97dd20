<script setup lang="ts">
import { clockTime } from '../time/shopClock';
import { computed, ref, watch } from 'vue';
import { useSlowNow } from '../state/clock';
import { formatAway } from '../time/formatMoment';
import { readMoment } from '../time/readMoment';

const props = defineProps<{
  label: string;
  modelValue: string | undefined;
  hint?: string;
  /** It has happened: "11:00" is the last eleven o'clock, not the next. */
  past?: boolean;
}>();
const emit = defineEmits<{ 'update:modelValue': [moment: string | undefined] }>();

const now = useSlowNow();
const text = ref('');
const focused = ref(false);
const problem = ref('');

const full = (at: number): string => clockTime(at, 'EEE d MMM yyyy HH:mm');
const shown = computed(() => (props.modelValue === undefined ? '' : full(Date.parse(props.modelValue))));
watch(
  shown,
  (value) => {
    if (!focused.value) text.value = value;
  },
  { immediate: true },
);

const read = computed(() => readMoment(text.value, now.value, props.past ? 'past' : 'ahead'));
const hintShown = computed(() => {
  if (focused.value && read.value.status === 'read' && text.value !== shown.value)
    return `= ${full(read.value.at)}`;
  if (props.modelValue !== undefined) return formatAway(Date.parse(props.modelValue), now.value);
  return (
    props.hint ??
    (props.past ? 'Like “09:15”, “Thu 09:15” or “-1:20”' : 'Like “Thu 09:15”, “26 Nov 09:15” or “+18:30”')
  );
});

function take(): void {
  if (text.value === shown.value) return;
  const result = read.value;
  problem.value = result.status === 'unreadable' ? result.reason : '';
  if (result.status === 'empty') emit('update:modelValue', undefined);
  if (result.status === 'read') emit('update:modelValue', new Date(result.at).toISOString());
}
function leave(): void {
  focused.value = false;
  take();
  if (problem.value === '') text.value = shown.value;
}
</script>

<template>
  <v-text-field
    v-model="text"
    :label="label"
    :error-messages="problem ? [problem] : []"
    :hint="hintShown"
    persistent-hint
    autocomplete="off"
    class="moment"
    @focus="focused = true"
    @blur="leave"
    @keydown.enter="take"
  />
</template>

<style scoped>
.moment :deep(input) {
  font-family: var(--mono);
}
</style>
