<script setup lang="ts" generic="T">
import { STAGES, type StageKey } from '@zero-pour/core';
import type { Planned } from '@zero-pour/plan';

/** Says what a part of the plan waits for, with the way there; nothing when it is known. */
defineProps<{ planned: Planned<T> }>();
const emit = defineEmits<{ goTo: [stage: StageKey] }>();
const stageName = (key: StageKey): string => STAGES.find((s) => s.key === key)?.name ?? key;
</script>

<template>
  <p v-if="planned.status === 'missing'" class="note">
    Waits for
    <template v-for="(need, i) in planned.needs" :key="need.what">
      <template v-if="i > 0">, </template>{{ need.what }}
      <button type="button" class="text-button" @click="emit('goTo', need.stage)">
        at {{ stageName(need.stage) }}
      </button>
    </template>
  </p>
  <p v-else-if="planned.status === 'working'" class="note" role="status">{{ planned.what }} …</p>
  <p v-else-if="planned.status === 'failed'" class="note stop">{{ planned.reason }}</p>
  <p v-else-if="planned.status === 'impossible'" class="note stop">
    {{ planned.reason }}
    <button type="button" class="text-button" @click="emit('goTo', planned.stage)">
      {{ stageName(planned.stage) }}
    </button>
  </p>
</template>

<style scoped>
.note {
  padding: 9px 12px;
  border-left: 4px solid var(--line2);
  background: var(--sheet);
  margin: 8px 0;
}
.stop {
  border-color: var(--oxide);
  background: var(--oxide-tint);
}
</style>
