<script setup lang="ts">
import { formatPhrase } from '@zero-pour/core';
import type { Moment } from '@zero-pour/plan';
import DoneLine from '../components/DoneLine.vue';
import { useSlowNow } from '../state/clock';
import { useUnits } from '../state/unitStore';
import { formatMoment } from '../time/formatMoment';

/** What hands do at the kiln: the flask in, and what the programme asks for after it. */
defineProps<{
  startedAt: string | undefined;
  hands: Readonly<Record<string, string | undefined>>;
  moments: readonly Moment[];
}>();
const emit = defineEmits<{
  started: [at: string | undefined];
  done: [hand: string, at: string | undefined];
}>();
const units = useUnits();
const now = useSlowNow();
</script>

<template>
  <section class="stage-block">
    <h2>At the kiln</h2>
    <DoneLine label="Flask is in the kiln" :at="startedAt" @change="(at) => emit('started', at)" />
    <ul v-if="startedAt" class="hands">
      <li v-for="moment in moments.filter((m) => m.hand !== undefined)" :key="moment.hand">
        <span class="num">{{ formatMoment(moment.at, now) }}</span>
        {{ formatPhrase(moment.what, units.choice) }}
        <DoneLine
          label="Done"
          action="Done"
          :at="hands[moment.hand ?? '']"
          @change="(at) => moment.hand && emit('done', moment.hand, at)"
        />
      </li>
    </ul>
  </section>
</template>

<style scoped>
.hands {
  list-style: none;
  padding: 0;
  margin: 12px 0 0;
}
.hands li {
  display: flex;
  gap: 14px;
  align-items: center;
  padding: 6px 0;
  border-top: 1px solid var(--line);
}
.hands :deep(.done-line) {
  margin: 0 0 0 auto;
}
</style>
