<script setup lang="ts">
import { handReadingSchema, type HandDevice } from '@zero-pour/contracts';
import { formatQuantity, type Unit } from '@zero-pour/core';
import { ref } from 'vue';
import { request } from '../api/request';
import { useNotices } from '../state/notices';
import { useUnits } from '../state/unitStore';

/** Takes what the shop's balance or thermometer reads now into a field, by a press. */
const props = defineProps<{ device: HandDevice; label: string; unit: Unit; min: number; max: number }>();
const emit = defineEmits<{ read: [value: number] }>();
const notices = useNotices();
const units = useUnits();
const asking = ref(false);

async function read(): Promise<void> {
  asking.value = true;
  try {
    const { value } = await request(handReadingSchema, 'GET', `/readers/${props.device}`);
    if (value >= props.min && value <= props.max) emit('read', value);
    else
      notices.wrong(
        `The ${props.device} reads ${formatQuantity({ value, unit: props.unit }, units.choice)}: that cannot be “${props.label}”, and is not taken.`,
      );
  } catch (error) {
    notices.wrong(error);
  } finally {
    asking.value = false;
  }
}
</script>

<template>
  <button
    type="button"
    class="text-button"
    :disabled="asking"
    :aria-label="`${label}: as the ${device} reads`"
    @click="read"
  >
    {{ asking ? `the ${device} is asked …` : `as the ${device} reads` }}
  </button>
</template>
