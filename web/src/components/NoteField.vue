<script setup lang="ts">
import { ref, watch } from 'vue';

/** A text that is kept as it is typed; empty takes the field away. */
const props = defineProps<{ label: string; modelValue: string | undefined; rows?: number; max?: number }>();
const emit = defineEmits<{ 'update:modelValue': [text: string | undefined] }>();

const text = ref(props.modelValue ?? '');
const focused = ref(false);
watch(
  () => props.modelValue,
  (value) => {
    if (!focused.value) text.value = value ?? '';
  },
);
const take = (value: string): void => emit('update:modelValue', value === '' ? undefined : value);
</script>

<template>
  <v-textarea
    v-if="(rows ?? 1) > 1"
    v-model="text"
    :label="label"
    :rows="rows"
    :maxlength="max ?? 4000"
    @update:model-value="take"
    @focus="focused = true"
    @blur="focused = false"
  />
  <v-text-field
    v-else
    v-model="text"
    :label="label"
    :maxlength="max ?? 400"
    autocomplete="off"
    @update:model-value="take"
    @focus="focused = true"
    @blur="focused = false"
  />
</template>
