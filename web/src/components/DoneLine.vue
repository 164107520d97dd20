<script setup lang="ts">
import { formatMoment } from '../time/formatMoment';
import { useSlowNow } from '../state/clock';

/** The tick that a piece of work is over, with its time; can be taken back. */
defineProps<{
  label: string;
  /** On the button, where the label alone does not read well with “: done”. */
  action?: string;
  at: string | undefined;
  disabled?: boolean;
}>();
const emit = defineEmits<{ change: [at: string | undefined] }>();
const now = useSlowNow();
</script>

<template>
  <div class="done-line">
    <template v-if="at">
      <span
        ><b>{{ label }}</b> <span class="num">{{ formatMoment(Date.parse(at), now) }}</span></span
      >
      <button type="button" class="text-button" @click="emit('change', undefined)">not yet</button>
    </template>
    <v-btn v-else variant="flat" :disabled="disabled" @click="emit('change', new Date().toISOString())">{{
      action ?? `${label}: done`
    }}</v-btn>
  </div>
</template>

<style scoped>
.done-line {
  display: flex;
  gap: 14px;
  align-items: baseline;
  margin-top: 18px;
}
</style>
