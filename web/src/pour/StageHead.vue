<script setup lang="ts">
import type { StageKey } from '@zero-pour/core';
import { computed } from 'vue';
import { usePour } from '../state/usePour';

/** Head of a stage: its name, a line, and the way to leave it unknown. */
const props = defineProps<{
  stage: StageKey;
  title: string;
  line?: string | undefined;
  canLeave?: boolean;
}>();
const { pour, plan, set } = usePour();
const left = computed(() => pour.value.doc.left.includes(props.stage));
const offer = computed(() => props.canLeave && plan.value.states[props.stage] !== 'done');

function toggle(): void {
  const others = pour.value.doc.left.filter((key) => key !== props.stage);
  set(['left'], left.value ? others : [...others, props.stage]);
}
</script>

<template>
  <div class="page-head">
    <h1>{{ title }}</h1>
    <span v-if="line" class="mute">{{ line }}</span>
    <span class="spacer" />
    <slot />
    <button v-if="offer || left" type="button" class="text-button" @click="toggle">
      {{ left ? 'Take it up again' : 'Leave unknown' }}
    </button>
  </div>
</template>
