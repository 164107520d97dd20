<script setup lang="ts">
import { computed } from 'vue';
import { formatStopwatch } from '../time/formatMoment';
import type { RunningTimer } from './useTimers';

/** What runs beside the step in work, soonest first; one's own timers are started and put out here. */
const props = defineProps<{ timers: readonly RunningTimer[]; now: number }>();
const emit = defineEmits<{ start: [minutes: number]; stop: [key: string]; focus: [key: string] }>();
const LENGTHS = [1, 5, 10] as const;
const left = ({ endsAt }: RunningTimer, now: number): string =>
  endsAt >= now ? formatStopwatch(endsAt - now) : `+${formatStopwatch(now - endsAt)}`;
/** Read out once, when one runs out: not every second of it. */
const overWords = computed(() =>
  props.timers
    .filter(({ endsAt }) => endsAt < props.now)
    .map(({ name }) => `${name} is over.`)
    .join(' '),
);
</script>

<template>
  <section class="timers" aria-label="Timers">
    <p class="visually-hidden" role="status">{{ overWords }}</p>
    <ul v-if="timers.length > 0">
      <li v-for="timer in timers" :key="timer.key" :class="{ over: timer.endsAt < now }">
        <span class="num left">{{ left(timer, now) }}</span>
        <span class="name">{{ timer.name }}</span>
        <button v-if="timer.kind === 'step here'" type="button" @click="emit('focus', timer.key)">
          show
        </button>
        <button v-else-if="timer.kind === 'own'" type="button" @click="emit('stop', timer.key)">
          put out
        </button>
      </li>
    </ul>
    <p class="add">
      <span>Timer</span>
      <button v-for="minutes in LENGTHS" :key="minutes" type="button" @click="emit('start', minutes)">
        {{ minutes }} min
      </button>
    </p>
  </section>
</template>

<style scoped>
.timers {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 26px;
  align-items: center;
  padding: 10px 0;
  border-top: 1px solid var(--char-line);
  color: var(--rule);
  font-size: 19px;
}
ul {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 26px;
  list-style: none;
  margin: 0;
  padding: 0;
}
li {
  display: flex;
  gap: 10px;
  align-items: center;
}
.left {
  font-size: 30px;
  font-weight: 700;
  color: var(--glow);
}
.over .left {
  color: var(--ember);
}
.add {
  display: flex;
  gap: 8px;
  align-items: center;
  margin-left: auto;
  color: var(--line2);
}
button {
  min-height: 44px;
  padding: 4px 14px;
  font: 600 16px var(--text);
  color: var(--bone);
  background: none;
  border: 1.5px solid var(--ash);
  border-radius: 3px;
  cursor: pointer;
}
</style>
