<script setup lang="ts">
import type { StepRecord } from '@zero-pour/contracts';
import { CAUTIONS } from '@zero-pour/core';
import { valueOf } from '@zero-pour/plan';
import { useEventListener } from '@vueuse/core';
import { addMinutes, format } from 'date-fns';
import { computed, watch } from 'vue';
import { useRouter } from 'vue-router';
import { useQuickNow } from '../state/clock';
import { providePour } from '../state/usePour';
import { formatStopwatch } from '../time/formatMoment';
import { beep } from './beep';
import { cleanSteps, investingSteps, nextStep, type TimedStep } from './timedSteps';

/** One step fills the screen; Space goes on; times are kept with the pour, so a reload loses nothing. */
const props = defineProps<{ id: string; stage: 'clean' | 'invest' }>();
const { pour, plan, set } = providePour(() => props.id);
const router = useRouter();
const now = useQuickNow();

const steps = computed<TimedStep[]>(() =>
  props.stage === 'clean' ? cleanSteps(plan.value) : investingSteps(plan.value),
);
const step = computed(() => nextStep(steps.value));
const index = computed(() => steps.value.findIndex((s) => s === step.value));
const rest = computed(() => steps.value.slice(index.value + 1, index.value + 6));
const mix = computed(() => valueOf(plan.value.mix));
const powderIn = computed(() => pour.value.doc.invest.powderInAt);
const waitsForPowder = computed(() => props.stage === 'invest' && powderIn.value === undefined);
const caution = computed(() => (props.stage === 'invest' ? CAUTIONS.powder.line : CAUTIONS.alcohol.line));

const iso = (): string => new Date().toISOString();
const keep = (key: string, record: StepRecord | undefined): void => set([props.stage, 'steps', key], record);

/** On the investing clock a step ends at its place on the clock; a cleaning step counts from its own begin. */
const endsAt = computed<number | undefined>(() => {
  const s = step.value;
  if (!s || s.seconds === null) return undefined;
  if (props.stage === 'invest') {
    const ends = mix.value?.steps.find((m) => m.key === s.key)?.endsAtMin;
    return powderIn.value && ends != null ? Date.parse(powderIn.value) + ends * 60_000 : undefined;
  }
  return s.record?.startedAt ? Date.parse(s.record.startedAt) + s.seconds * 1000 : undefined;
});
const leftMs = computed(() => (endsAt.value === undefined ? undefined : endsAt.value - now.value.getTime()));
const big = computed(() => {
  if (!step.value) return '';
  if (leftMs.value !== undefined)
    return leftMs.value >= 0 ? formatStopwatch(leftMs.value) : `+${formatStopwatch(-leftMs.value)}`;
  if (step.value.seconds === null) return '';
  return formatStopwatch(step.value.seconds * 1000);
});
watch(
  () => leftMs.value !== undefined && leftMs.value <= 0,
  (over, before) => {
    if (over && before === false) beep();
  },
);

const usedShare = computed(() => {
  if (!mix.value || !powderIn.value) return 0;
  return Math.min(
    100,
    ((now.value.getTime() - Date.parse(powderIn.value)) / 60_000 / mix.value.workingMin) * 100,
  );
});
const clockLine = computed(() => {
  if (props.stage !== 'invest' || !mix.value || !powderIn.value) return '';
  const at = Date.parse(powderIn.value);
  return `powder in at ${format(at, 'HH:mm:ss')} · gloss-off about ${format(addMinutes(at, mix.value.workingMin), 'HH:mm')}`;
});

/** Space: begins what waits to be begun, else ends the step and begins the next one. */
function goOn(): void {
  if (waitsForPowder.value) return set(['invest', 'powderInAt'], iso());
  const s = step.value;
  if (!s) return leave();
  const mustBegin = props.stage === 'clean' && s.seconds !== null && s.record?.startedAt === undefined;
  if (mustBegin) return keep(s.key, { startedAt: iso() });
  keep(s.key, { ...s.record, doneAt: iso() });
  const following = nextStep(steps.value);
  if (props.stage === 'clean' && following && following.seconds !== null)
    keep(following.key, { startedAt: iso() });
}
function stepBack(): void {
  const s = step.value;
  if (s?.record?.startedAt && props.stage === 'clean') keep(s.key, undefined);
  const at = index.value < 0 ? steps.value.length : index.value;
  const before = steps.value[at - 1];
  if (before) keep(before.key, before.record?.startedAt ? { startedAt: before.record.startedAt } : undefined);
  else if (props.stage === 'invest') set(['invest', 'powderInAt'], undefined);
}
const leave = (): void => void router.push(`/pours/${props.id}/${props.stage}`);

const KEYS: Record<string, () => void> = { ' ': goOn, z: stepBack, escape: leave };
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
          <p v-if="big" :class="['figure', { over: leftMs !== undefined && leftMs < 0 }]">{{ big }}</p>
          <p class="note">
            {{ step.note }}
            <template v-if="leftMs !== undefined && leftMs < 0 && step.late"> Late: {{ step.late }}</template>
          </p>
          <p class="note pale">{{ step.bounds }}</p>
        </template>
        <p v-else class="note">
          {{ stage === 'clean' ? 'Cured, dry, dust off.' : 'Leave the flask still while it sets.' }}
        </p>
      </div>
      <ol v-if="rest.length > 0" class="then">
        <li class="pale">Then</li>
        <li v-for="s in rest" :key="s.key">
          <span>{{ s.name }}</span> <span class="num pale">{{ s.bounds }}</span>
        </li>
      </ol>
    </main>
    <div v-if="stage === 'invest' && mix && powderIn" class="clock">
      <div class="bar"><i :style="{ width: `${usedShare}%` }" /></div>
      <div class="num under">
        <span
          >{{ formatStopwatch(now.getTime() - Date.parse(powderIn)) }} of
          {{ formatStopwatch(mix.workingMin * 60000) }} working time</span
        ><span>gloss-off</span>
      </div>
    </div>
    <footer>
      <button type="button" class="go" @click="goOn">
        <kbd>Space</kbd>
        {{
          waitsForPowder
            ? 'powder is in'
            : step
              ? stage === 'clean' && step.seconds !== null && !step.record?.startedAt
                ? 'begin'
                : 'done, next'
              : 'leave'
        }}
      </button>
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
