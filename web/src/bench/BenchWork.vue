<script setup lang="ts">
import { CAUTIONS, formatPhrase, LOOK_WORDS, type Look } from '@zero-pour/core';
import { useEventListener } from '@vueuse/core';
import { computed } from 'vue';
import { useRouter } from 'vue-router';
import { useUnits } from '../state/unitStore';
import BenchHead from './BenchHead.vue';
import BenchLooks from './BenchLooks.vue';
import BenchTimers from './BenchTimers.vue';
import type { BenchSource } from './benchSource';
import { useBench } from './useBench';

/** One step fills the screen; Space goes on. */
const props = defineProps<{ source: BenchSource }>();
const router = useRouter();
const units = useUnits();
const bench = useBench(props.source);
const {
  now,
  sound,
  canStayLit,
  staysLit,
  steps,
  step,
  index,
  ahead,
  timers,
  digits,
  isOver,
  overWords,
  turnWords,
  waitsForBegin,
} = bench;

const caution = computed(() => CAUTIONS[step.value?.caution ?? props.source.caution].line);
const goWord = computed(() => {
  if (!step.value) return 'leave';
  if (step.value.looks) return LOOK_WORDS[step.value.looks[0]!];
  return waitsForBegin.value ? 'begin' : 'done, next';
});

const leave = (): void => void router.push(props.source.back());
function next(saw?: Look): void {
  if (!bench.goOn(saw)) leave();
}
/** Another of the steps that are left comes to the front; the one in work runs on. */
function turn(): void {
  const other = ahead.value[0];
  if (other) bench.focus(other.key);
}
const KEYS: Record<string, () => void> = {
  ' ': () => next(),
  z: bench.stepBack,
  escape: leave,
  arrowright: turn,
  k: bench.leaveOut,
  s: () => (sound.value = !sound.value),
  t: () => bench.timerActions.start(5),
};
useEventListener(document, 'keydown', (event: KeyboardEvent) => {
  if (event.ctrlKey || event.metaKey || event.altKey) return;
  const key = event.key.toLowerCase();
  const saw = step.value?.looks?.[Number(key) - 1];
  const act = KEYS[key] ?? (saw && (() => next(saw)));
  if (!act) return;
  event.preventDefault();
  act();
});
</script>

<template>
  <div class="work">
    <BenchHead
      v-model:sound="sound"
      :title="`${source.title()}${step ? ` · step ${index + 1} of ${steps.length}` : ''}`"
      :lit="canStayLit ? staysLit : undefined"
    />
    <main v-if="steps.length === 0" class="now">
      <div class="main">
        <h1>Nothing to step through yet</h1>
        <p class="note">{{ source.empty }}</p>
      </div>
    </main>
    <main v-else class="now">
      <div class="main" aria-live="polite">
        <h1>{{ step ? step.name : 'All done' }}</h1>
        <template v-if="step">
          <p v-if="step.big && !digits" class="figure small">{{ formatPhrase(step.big, units.choice) }}</p>
          <p v-if="digits" :class="['figure', { over: isOver }]">{{ digits }}</p>
          <p class="note">
            {{ step.note }}
            <template v-if="isOver && step.late"> Late: {{ step.late }}</template>
            <b v-if="turnWords" role="status">{{ turnWords }}</b>
            <b v-if="overWords">{{ overWords }}</b>
          </p>
          <BenchLooks v-if="step.looks" :looks="step.looks" @saw="next" />
          <p v-if="step.seconds !== null" class="note pale">{{ step.bounds }}</p>
        </template>
        <p v-else class="note">{{ source.done }}</p>
      </div>
      <ol v-if="ahead.length > 0" class="then">
        <li class="pale">Then</li>
        <li v-for="s in ahead" :key="s.key">
          <button type="button" :aria-label="`Show ${s.name}`" @click="bench.focus(s.key)">
            <span>{{ s.name }}</span> <span class="num pale">{{ s.bounds }}</span>
          </button>
        </li>
      </ol>
    </main>
    <slot name="clock" :now="now" />
    <BenchTimers
      :timers="timers"
      :now="now.getTime()"
      @start="bench.timerActions.start"
      @stop="bench.timerActions.stop"
      @focus="bench.focus"
    />
    <footer>
      <button type="button" class="go" @click="next()"><kbd>Space</kbd> {{ goWord }}</button>
      <button type="button" @click="bench.stepBack"><kbd>Z</kbd> step back</button>
      <button v-if="step" type="button" @click="bench.leaveOut"><kbd>K</kbd> leave out</button>
      <button type="button" @click="leave"><kbd>Esc</kbd> leave, timers go on</button>
      <span class="caution">{{ caution }}</span>
    </footer>
  </div>
</template>

<style scoped>
.work {
  min-height: 100vh;
  display: flex;
  flex-direction: column;
  padding: 30px 44px 24px;
  background: var(--char);
  color: var(--bone);
}
.now {
  flex: 1;
  display: grid;
  grid-template-columns: minmax(0, 1fr) 380px;
  gap: 40px;
  align-items: center;
}
h1 {
  font-size: 46px;
}
.figure {
  font-size: min(220px, 21vw);
  font-weight: 700;
  font-variant-numeric: tabular-nums;
  letter-spacing: -0.01em;
  line-height: 1.05;
  color: var(--glow);
}
.figure.small {
  font-size: min(110px, 11vw);
}
.figure.over {
  color: var(--ember);
}
.note {
  font-size: 25px;
  max-width: 720px;
  color: var(--rule);
}
.pale {
  color: var(--line2);
}
.then {
  list-style: none;
  margin: 0;
  padding: 0;
  font-size: 22px;
}
.then li:first-child {
  padding-bottom: 6px;
}
.then button {
  display: flex;
  justify-content: space-between;
  gap: 12px;
  width: 100%;
  min-height: 48px;
  padding: 9px 0;
  font: inherit;
  color: inherit;
  text-align: left;
  background: none;
  border: none;
  border-top: 1px solid var(--char-line);
  cursor: pointer;
}
.then .num {
  flex: none;
  max-width: 46%;
  text-align: right;
  font-size: 17px;
}
footer {
  display: flex;
  flex-wrap: wrap;
  gap: 12px 18px;
  align-items: center;
  padding-top: 18px;
}
footer button {
  min-height: 56px;
  padding: 8px 20px;
  font: 600 19px var(--text);
  color: var(--bone);
  background: none;
  border: 1.5px solid var(--ash);
  border-radius: 3px;
  cursor: pointer;
}
footer .go {
  background: var(--glow);
  border-color: var(--glow);
  color: var(--ink);
}
.caution {
  order: -1;
  width: 100%;
  font-size: 18px;
  color: var(--glow);
}
@media (max-width: 900px) {
  .work {
    padding: 18px 16px;
  }
  .now {
    grid-template-columns: minmax(0, 1fr);
    gap: 20px;
    align-content: center;
    padding: 20px 0;
  }
  h1 {
    font-size: 34px;
  }
  .figure {
    font-size: 34vw;
  }
  .then li:nth-child(n + 4) {
    display: none;
  }
  footer .go {
    width: 100%;
  }
}
</style>
