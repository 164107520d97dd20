<script setup lang="ts">
import {
  formatQuantity,
  formatValue,
  pricePerKg,
  readQuantity,
  readRingSize,
  shownUnit,
  type ReadQuantity,
  type Unit,
} from '@zero-pour/core';
import { computed, ref, watch } from 'vue';
import { useUnits } from '../state/unitStore';

const props = withDefaults(
  defineProps<{
    label: string;
    unit: Unit;
    modelValue: number | undefined;
    digits?: number;
    min?: number;
    max?: number;
    /** Value that holds while nothing is typed, and where it comes from. */
    standard?: number;
    standardFrom?: string;
    hint?: string;
    required?: boolean;
    disabled?: boolean;
    /** "1350 F for 4 h" gives its hours to the field beside. */
    takesHold?: boolean;
    /** A price of this liquid a kilogram may be told by the litre. */
    gPerMl?: number;
  }>(),
  { min: 0, max: 1e6, required: false, disabled: false },
);
const emit = defineEmits<{
  'update:modelValue': [value: number | undefined];
  /** A hold that was written with the temperature, h. */
  hold: [hours: number];
}>();

const units = useUnits();
const text = ref('');
const focused = ref(false);
const problem = ref('');

const quantityOf = (value: number) =>
  props.digits === undefined
    ? { value, unit: props.unit }
    : { value, unit: props.unit, digits: props.digits };
const shown = (value: number | undefined): string => {
  if (value === undefined) return '';
  const text = formatValue(quantityOf(value), units.choice);
  // Trailing zeros only look like measured digits.
  return text.includes('.') ? text.replace(/\.?0+$/, '') : text;
};
const suffix = computed(() => shownUnit(props.unit, units.choice).suffix);
const placeholder = computed(() => (props.standard === undefined ? '–' : shown(props.standard)));

watch(
  () => [props.modelValue, units.choice] as const,
  () => {
    if (!focused.value) text.value = shown(props.modelValue);
  },
  { immediate: true },
);

/** A length may be told by a ring stick: "US 7"; a resin's price by the litre. */
const read = computed<ReadQuantity>(() => {
  const otherwise =
    props.unit === 'mm'
      ? readRingSize(text.value)
      : props.gPerMl === undefined
        ? undefined
        : pricePerKg(text.value, props.gPerMl);
  return otherwise === undefined
    ? readQuantity(text.value, props.unit, units.choice)
    : { status: 'read', value: otherwise, unitWritten: true };
});

/** A hold goes to the field beside it, where there is one: what is not taken is said. */
const heldWords = computed(() => {
  if (read.value.status !== 'read' || read.value.holdH === undefined) return '';
  const hours = formatQuantity({ value: read.value.holdH, unit: 'h' }, units.choice);
  return props.takesHold ? `, for ${hours}` : '; the hours are not taken here';
});
/** What a value with its own unit, a fraction or a clock was understood as. */
const understood = computed(() => {
  if (!focused.value || read.value.status !== 'read') return '';
  return read.value.unitWritten || /[/:]/.test(text.value)
    ? `= ${formatQuantity(quantityOf(read.value.value), units.choice)}${heldWords.value}`
    : '';
});

function rangeProblem(value: number): string {
  if (value >= props.min && value <= props.max) return '';
  const [low, high] = [props.min, props.max].map((v) => formatQuantity(quantityOf(v), units.choice));
  const fahrenheit = props.unit === 'degC' && units.choice.temperature === 'C' && value > props.max;
  return `From ${low} to ${high}.${fahrenheit ? ` If you mean Fahrenheit, write ${text.value.trim()} F.` : ''}`;
}

function take(): void {
  const result = read.value;
  if (result.status === 'empty') {
    problem.value = props.required ? 'Needed here.' : '';
    if (!props.required) emit('update:modelValue', undefined);
    return;
  }
  problem.value = result.status === 'unreadable' ? result.reason : rangeProblem(result.value);
  if (problem.value === '' && result.status === 'read') emit('update:modelValue', result.value);
}
/** The hours are told once, when the field is left: while they are typed they mean less than they will. */
function tellHold(): void {
  if (
    props.takesHold &&
    problem.value === '' &&
    read.value.status === 'read' &&
    read.value.holdH !== undefined
  )
    emit('hold', read.value.holdH);
}

function leave(): void {
  focused.value = false;
  tellHold();
  // What was not understood stays on view with its sentence, so that nothing typed is lost.
  if (problem.value === '') text.value = shown(props.modelValue);
}

const hintShown = computed(() => {
  if (understood.value) return understood.value;
  if (props.modelValue === undefined && props.standardFrom) return props.standardFrom;
  return props.hint ?? '';
});
</script>

<template>
  <v-text-field
    v-model="text"
    :label="label"
    :suffix="suffix"
    :placeholder="placeholder"
    persistent-placeholder
    :error-messages="problem ? [problem] : []"
    :hint="hintShown"
    :persistent-hint="hintShown !== ''"
    :disabled="disabled"
    inputmode="text"
    autocomplete="off"
    class="quantity"
    @update:model-value="take"
    @focus="focused = true"
    @blur="leave"
  />
</template>

<style scoped>
.quantity :deep(input) {
  font-family: var(--mono);
  text-align: right;
}
.quantity :deep(.v-text-field__suffix) {
  color: var(--mute);
  opacity: 1;
  padding-left: 6px;
}
</style>
