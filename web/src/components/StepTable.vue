<script setup lang="ts">
import type { StepRecord } from '@zero-pour/contracts';
import { LOOK_WORDS, type Look } from '@zero-pour/core';
import { clockTime } from '../time/shopClock';
import { isLeft, timeWords, type TimedStep } from '../state/timedSteps';
import { useQuickNow } from '../state/clock';
import { formatStopwatch } from '../time/formatMoment';

defineProps<{ steps: readonly TimedStep[] }>();
const emit = defineEmits<{ record: [key: string, record: StepRecord | undefined] }>();
const now = useQuickNow();

const begin = (step: TimedStep): void => emit('record', step.key, { startedAt: new Date().toISOString() });
const finish = (step: TimedStep): void =>
  step.looks
    ? see(step, step.looks[0]!)
    : emit('record', step.key, { ...step.record, doneAt: new Date().toISOString() });
const see = (step: TimedStep, saw: Look): void =>
  emit('record', step.key, { ...step.record, doneAt: new Date().toISOString(), saw });
const skip = (step: TimedStep): void => emit('record', step.key, { skipped: true });
const reopen = (step: TimedStep): void => emit('record', step.key, undefined);

const running = (step: TimedStep): boolean => step.record?.startedAt !== undefined && isLeft(step);
const elapsed = (step: TimedStep): number => now.value.getTime() - Date.parse(step.record?.startedAt ?? '');
const spent = (step: TimedStep): string => {
  const { startedAt, doneAt, skipped } = step.record ?? {};
  if (skipped) return 'left out';
  if (!doneAt) return '';
  const at = clockTime(Date.parse(doneAt), 'HH:mm');
  return startedAt ? `${at}, took ${formatStopwatch(Date.parse(doneAt) - Date.parse(startedAt))}` : at;
};
/** It was done after its time, or is still to be done past it. */
function isLate(step: TimedStep): boolean {
  if (step.endsAt === undefined || step.record?.skipped) return false;
  const { doneAt } = step.record ?? {};
  return (doneAt ? Date.parse(doneAt) : now.value.getTime()) > step.endsAt;
}
</script>

<template>
  <table class="plain steps">
    <tbody>
      <tr v-for="step in steps" :key="step.key" :class="{ over: !isLeft(step), running: running(step) }">
        <td class="name">
          <b>{{ step.name }}</b>
          <div v-if="step.note" class="mute">{{ step.note }}</div>
          <div v-if="step.looks" class="looks">
            <button
              v-for="look in step.looks"
              :key="look"
              type="button"
              class="text-button"
              :aria-pressed="step.record?.saw === look"
              @click="see(step, look)"
            >
              {{ LOOK_WORDS[look] }}
            </button>
          </div>
        </td>
        <td class="num bounds">{{ step.bounds }}</td>
        <td class="num time">
          <template v-if="running(step)">{{ formatStopwatch(elapsed(step)) }}</template>
          <template v-else>{{ spent(step) }}</template>
          <div v-if="timeWords(step)" class="odd">{{ timeWords(step) }}</div>
          <div v-if="step.late && isLate(step)" class="odd">Late: {{ step.late }}</div>
        </td>
        <td class="acts">
          <template v-if="!isLeft(step)"
            ><button
              type="button"
              class="text-button"
              :aria-label="`${step.name}: not done`"
              @click="reopen(step)"
            >
              not done
            </button></template
          >
          <template v-else>
            <v-btn
              v-if="step.seconds !== null && !running(step)"
              :aria-label="`Begin ${step.name}`"
              @click="begin(step)"
              >Begin</v-btn
            >
            <v-btn variant="flat" :aria-label="`${step.name} done`" @click="finish(step)">{{
              step.looks ? 'Fine' : 'Done'
            }}</v-btn>
            <button
              type="button"
              class="text-button"
              :aria-label="`Leave out ${step.name}`"
              @click="skip(step)"
            >
              leave out
            </button>
          </template>
        </td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
.name .mute {
  font-size: 13.5px;
}

.looks {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 14px;
  margin-top: 4px;
}
.looks [aria-pressed='true'] {
  font-weight: 700;
  text-decoration: none;
  color: var(--ink);
}
.bounds {
  white-space: nowrap;
  width: 130px;
}
.name {
  width: 44%;
}
.time {
  width: 110px;
}
.odd {
  font: 13px var(--text);
  color: var(--amber-text);
}
.acts {
  text-align: right;
  white-space: nowrap;
}
.acts > * {
  margin-left: 8px;
}
.over b {
  font-weight: 500;
  color: var(--mute);
}
.running td {
  background: var(--melt-tint);
}
@media (max-width: 700px) {
  .bounds,
  .time {
    width: auto;
  }
  tr {
    display: grid;
    grid-template-columns: 1fr auto;
  }
  .acts {
    grid-column: 1 / -1;
    width: auto;
    border-top: none;
    text-align: left;
  }
}
</style>
