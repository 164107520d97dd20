<script setup lang="ts">
import { CAUTIONS } from '@zero-pour/core';
import { useEventListener } from '@vueuse/core';
import { addMinutes, format } from 'date-fns';
import { computed } from 'vue';
import { useRouter } from 'vue-router';
import { providePour } from '../state/usePour';
import { formatStopwatch } from '../time/formatMoment';
import { useBench } from './useBench';

/** One step fills the screen; Space goes on. */
const props = defineProps<{ id: string; stage: 'clean' | 'invest' }>();
const handle = providePour(() => props.id);
const { pour } = handle;
const router = useRouter();
const {
  now,
  steps,
  step,
  index,
  ahead,
  mix,
  powderIn,
  waitsForPowder,
  waitsForBegin,
  digits,
  isOver,
  goOn,
  stepBack,
} = useBench(handle, props.stage);

const caution = computed(
  () => CAUTIONS[step.value?.caution ?? (props.stage === 'invest' ? 'powder' : 'resin')].line,
);
const usedMs = computed(() => (powderIn.value ? now.value.getTime() - Date.parse(powderIn.value) : 0));
const workingMs = computed(() => (mix.value?.workingMin ?? 0) * 60_000);
const usedShare = computed(() =>
  workingMs.value === 0 ? 0 : Math.min(100, (usedMs.value / workingMs.value) * 100),
);
const clockLine = computed(() => {
  if (props.stage !== 'invest' || !mix.value || !powderIn.value) return '';
  const at = Date.parse(powderIn.value);
  return `powder in at ${format(at, 'HH:mm:ss')} · gloss-off about ${format(addMinutes(at, mix.value.workingMin), 'HH:mm')}`;
});
const goWord = computed(() => {
  if (waitsForPowder.value) return 'powder is in';
  if (!step.value) return 'leave';
  return waitsForBegin.value ? 'begin' : 'done, next';
});

const leave = (): void => void router.push(`/pours/${props.id}/${props.stage}`);
function next(): void {
  if (!goOn()) leave();
}
const KEYS: Record<string, () => void> = { ' ': next, z: stepBack, escape: leave };
useEventListener(document, 'keydown', (event: KeyboardEvent) => {
  const act = KEYS[event.key.toLowerCase()];
  if (!act || event.ctrlKey || event.metaKey) return;
  event.preventDefault();
  act();
});
</script>

<template>
  <div class="work">
    <header>
      <span
        >Pour {{ pour.number }} · {{ stage
        }}<template v-if="step && !waitsForPowder">
          · step {{ index + 1 }} of {{ steps.length }}</template
        ></span
      >
      <span class="num">{{ clockLine }}</span>
    </header>
    <main v-if="steps.length === 0" class="now">
      <h1>Nothing to step through yet</h1>
      <p>
        {{
          stage === 'clean'
            ? 'Choose a resin with a cleaning protocol first.'
            : 'Choose flask, metal and powder first.'
        }}
      </p>
    </main>
    <main v-else class="now">
      <div class="main" aria-live="polite">
        <h1>{{ waitsForPowder ? 'Powder into the water' : step ? step.name : 'All done' }}</h1>
        <template v-if="waitsForPowder && mix">
          <p class="figure small">
            {{ mix.powder.value.toFixed(0) }} g <span class="into">into</span>
            {{ mix.water.value.toFixed(0) }} g
          </p>
          <p class="note">
            The working clock starts with Space: {{ mix.workingMin.toFixed(1) }} min from powder in water.
          </p>
        </template>
        <template v-else-if="step">
          <p v-if="digits" :class="['figure', { over: isOver }]">{{ digits }}</p>
          <p class="note">
            {{ step.note }}
            <template v-if="isOver && step.late"> Late: {{ step.late }}</template>
          </p>
          <p class="note pale">{{ step.bounds }}</p>
        </template>
        <p v-else class="note">
          {{ stage === 'clean' ? 'Cured, dry, dust off.' : 'Leave the flask still while it sets.' }}
        </p>
      </div>
      <ol v-if="ahead.length > 0" class="then">
        <li class="pale">Then</li>
        <li v-for="s in ahead" :key="s.key">
          <span>{{ s.name }}</span> <span class="num pale">{{ s.bounds }}</span>
        </li>
      </ol>
    </main>
    <div v-if="stage === 'invest' && mix && powderIn" class="clock">
      <div class="bar"><i :style="{ width: `${usedShare}%` }" /></div>
      <div class="num under">
        <span>{{ formatStopwatch(usedMs) }} of {{ formatStopwatch(workingMs) }} working time</span
        ><span>gloss-off</span>
      </div>
    </div>
    <footer>
      <button type="button" class="go" @click="next"><kbd>Space</kbd> {{ goWord }}</button>
      <button type="button" @click="stepBack"><kbd>Z</kbd> step back</button>
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
  color: #f3ede2;
}
header {
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  gap: 6px 20px;
  font-size: 20px;
  color: #cfc5b4;
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
  color: #f5b04a;
}
.figure.small {
  font-size: min(110px, 11vw);
}
.figure.over {
  color: #f58a5c;
}
.into {
  font-size: 0.4em;
  color: #cfc5b4;
}
.note {
  font-size: 25px;
  max-width: 720px;
  color: #e9e0d1;
}
.pale {
  color: #b9ae9b;
}
.then {
  list-style: none;
  margin: 0;
  padding: 0;
  font-size: 22px;
}
.then li {
  display: flex;
  justify-content: space-between;
  gap: 12px;
  padding: 12px 0;
  border-top: 1px solid #4d453d;
}
.then li:first-child {
  border: none;
  padding-bottom: 6px;
}
.bar {
  height: 18px;
  background: #443c35;
}
.bar i {
  display: block;
  height: 100%;
  background: linear-gradient(90deg, #7a1f14, #d9541e);
}
.under {
  display: flex;
  justify-content: space-between;
  padding: 8px 0 4px;
  font-size: 17px;
  color: #cfc5b4;
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
  color: #f3ede2;
  background: none;
  border: 1.5px solid #8a7f72;
  border-radius: 3px;
  cursor: pointer;
}
footer .go {
  background: #f5b04a;
  border-color: #f5b04a;
  color: #24211d;
}
.caution {
  margin-left: auto;
  font-size: 18px;
  color: #f5b04a;
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
  .caution {
    margin-left: 0;
  }
}
</style>
