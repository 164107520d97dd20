<script setup lang="ts">
import type { Pour } from '@zero-pour/contracts';
import { shallowRef, watch } from 'vue';
import { sentenceOf } from '../api/request';
import { usePours } from '../state/pourStore';

/** One side of a comparison: the pour by its number. */
const props = defineProps<{ label: string; pour: Pour | undefined }>();
const emit = defineEmits<{ choose: [id: string] }>();
const pours = usePours();
const typed = shallowRef('');
const sentence = shallowRef('');
watch(
  () => props.pour?.number,
  (number) => void (typed.value = number === undefined ? '' : String(number)),
  { immediate: true },
);

async function find(): Promise<void> {
  sentence.value = '';
  const number = Number(typed.value.trim());
  if (!typed.value.trim() || number === props.pour?.number) return;
  if (!Number.isInteger(number) || number < 1) {
    sentence.value = 'The number of a pour is a whole number, as on its ticket.';
    return;
  }
  try {
    const pour = await pours.loadNumbered(number);
    if (!pour) sentence.value = `There is no pour ${number}.`;
    else emit('choose', pour.id);
  } catch (error) {
    sentence.value = sentenceOf(error);
  }
}
</script>

<template>
  <v-text-field
    v-model="typed"
    :label="label"
    inputmode="numeric"
    autocomplete="off"
    maxlength="9"
    :error-messages="sentence"
    @blur="find"
    @keydown.enter="find"
  />
</template>
