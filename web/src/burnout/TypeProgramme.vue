<script setup lang="ts">
import {
  formatHours,
  formatPhrase,
  formatQuantity,
  readProgramme,
  type ProgrammeDefaults,
  type Segment,
} from '@zero-pour/core';
import { computed, shallowRef } from 'vue';
import { useUnits } from '../state/unitStore';

/** A programme typed in one line, as people say it; shown as it was understood, taken by a press. */
const props = defineProps<{ defaults: Omit<ProgrammeDefaults, 'unit'> }>();
const emit = defineEmits<{ take: [segments: Segment[]] }>();
const units = useUnits();
const text = shallowRef('');
const read = computed(() =>
  text.value.trim() === ''
    ? undefined
    : readProgramme(text.value, { ...props.defaults, unit: units.choice.temperature }),
);
const understood = computed(() => (read.value?.status === 'read' ? read.value : undefined));
const why = computed(() => (read.value?.status === 'unreadable' ? read.value.why : ''));

function words({ rampCPerH, targetC, holdH }: Segment): string {
  const rate = rampCPerH === null ? 'at its own pace' : formatQuantity({ value: rampCPerH, unit: 'degCPerH' }, units.choice); // prettier-ignore
  const to = targetC === null ? 'casting temperature' : formatQuantity({ value: targetC, unit: 'degC' }, units.choice); // prettier-ignore
  return `${rate} to ${to}${holdH > 0 ? `, ${formatHours(holdH)}` : ''}`;
}
function take(): void {
  if (!understood.value) return;
  emit('take', understood.value.segments);
  text.value = '';
}
</script>

<template>
  <div class="typed">
    <v-text-field
      v-model="text"
      label="Type a programme"
      placeholder="100/h to 150 for 2 h, then 730 for 4 h, casting 2 h"
      maxlength="400"
      :error-messages="why"
      @keydown.enter.prevent="take"
    />
    <div v-if="understood" role="status">
      <ol>
        <li v-for="(segment, n) in understood.segments" :key="n">
          <b>{{ segment.name }}</b> {{ words(segment) }}
        </li>
      </ol>
      <p v-if="understood.taken.length > 0" class="mute">
        Not written, taken as:
        {{ understood.taken.map((one) => formatPhrase(one, units.choice)).join('; ') }}.
      </p>
      <v-btn size="small" class="mt-2" @click="take">Take these stages</v-btn>
    </div>
  </div>
</template>

<style scoped>
.typed {
  max-width: 640px;
  margin-top: 12px;
}
ol {
  margin: 12px 0 6px;
  padding-left: 22px;
}
</style>
