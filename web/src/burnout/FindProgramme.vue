<script setup lang="ts">
import type { Kiln } from '@zero-pour/contracts';
import {
  formatHours,
  HOUR_MS,
  interruptedBy,
  judgeCore,
  programmeCurve,
  type ProgrammeCurve,
  type FitAim,
  type FlaskHeat,
  type Segment,
} from '@zero-pour/core';
import { fitProgrammeJob, jobText, type FitInput } from '@zero-pour/jobs';
import type { BurnoutPlan } from '@zero-pour/plan';
import { computed, shallowRef } from 'vue';
import JobProgress from '../components/JobProgress.vue';
import MomentField from '../components/MomentField.vue';
import JudgementList from '../components/JudgementList.vue';
import { useJob } from '../jobs';
import { useUnits } from '../state/unitStore';
import ComparedTable from './ComparedTable.vue';
import { changeWords } from './fitWords';

/** Finds by the heat model what mends a programme for its flask, or the shortest that does; shown as what it changes, taken by a press. */
const props = defineProps<{
  burnout: BurnoutPlan;
  heat: FlaskHeat | undefined;
  wish: (aim: FitAim, withinH?: number) => FitInput | undefined;
  kiln: Kiln | undefined;
  loadedAtC: number | undefined;
  /** When the flask went in, or is to, and when it is to be poured; ms. */
  between: { kilnIn: number; zero: number } | undefined;
  /** Who is to be told when, with so many hours more (or fewer). */
  moves: (moreH: number) => string;
}>();
const emit = defineEmits<{ take: [segments: Segment[]] }>();
const units = useUnits();
const { state, ask, stop, clear } = useJob(fitProgrammeJob);
const aim = shallowRef<FitAim>('mend');
/** Hours that it is to fill; undefined: as many as it takes. */
const withinH = shallowRef<number>();
/** When it can go in, where somebody said otherwise than the plan does. */
const goesIn = shallowRef<string>();
const hoursThere = computed(() => {
  if (!props.between) return undefined;
  const from = goesIn.value === undefined ? props.between.kilnIn : Date.parse(goesIn.value);
  return Math.round(((props.between.zero - from) / HOUR_MS) * 60) / 60;
});

const ready = computed(() => props.wish('mend') !== undefined);
function find(by: FitAim, hours?: number): void {
  const wish = props.wish(by, hours);
  aim.value = by;
  withinH.value = hours;
  if (wish) ask(wish);
}
/** What was found, while it still answers the programme that is shown. */
const done = computed(() => {
  const now = state.value;
  if (now.status !== 'done') return undefined;
  const wish = props.wish(aim.value, withinH.value);
  return wish && jobText(fitProgrammeJob, wish) === jobText(fitProgrammeJob, now.input)
    ? now.output
    : undefined;
});
const found = computed(() => (done.value?.status === 'found' ? done.value : undefined));
const none = computed(() => (done.value?.status === 'none' ? done.value.why : undefined));
const judgements = computed(() => {
  if (!found.value) return [];
  const { limits, castingC } = props.burnout;
  return judgeCore(found.value.heat, { cleanOutH: limits.cleanOutH, castingC, fastPowder: false });
});
const moreH = computed(() => (found.value ? found.value.totalH - found.value.beforeH : 0));
const inAll = computed(() => {
  const more = moreH.value;
  if (Math.abs(more) < 1 / 120) return 'as long as before';
  return `${formatHours(Math.abs(more))} ${more > 0 ? 'longer' : 'shorter'}`;
});
const curveOf = (segments: readonly Segment[]): ProgrammeCurve => {
  const { burnout, kiln, loadedAtC } = props;
  const curve = programmeCurve(segments, burnout.castingC, kiln!, loadedAtC);
  return interruptedBy(curve, burnout.cuts, kiln!);
};
function take(): void {
  if (!found.value) return;
  emit('take', found.value.segments);
  clear();
}
</script>

<template>
  <section class="stage-block" aria-label="Find a programme">
    <h2>Find me a programme</h2>
    <p v-if="!ready" class="mute">Choose flask, powder and kiln: it is found by the flask’s own heat.</p>
    <template v-else>
      <div class="acts">
        <v-btn size="small" :disabled="state.status === 'working'" @click="find('mend')"
          >What mends this one</v-btn
        >
        <v-btn size="small" :disabled="state.status === 'working'" @click="find('shortest')"
          >The shortest that keeps all</v-btn
        >
        <template v-if="hoursThere !== undefined && hoursThere > 0">
          <div class="goes-in">
            <MomentField
              label="It goes in at"
              :model-value="goesIn ?? new Date(between!.kilnIn).toISOString()"
              @update:model-value="(at) => (goesIn = at)"
            />
          </div>
          <v-btn size="small" :disabled="state.status === 'working'" @click="find('mend', hoursThere)"
            >One that takes {{ formatHours(hoursThere) }}, to the pour</v-btn
          >
        </template>
      </div>
      <JobProgress
        v-if="state.status === 'working'"
        says="Heating the flask through one programme after another …"
        :share="state.share"
        @stop="stop"
      />
      <p v-else-if="state.status === 'failed'" role="alert">{{ state.sentence }}</p>
      <p v-else-if="none !== undefined" role="alert">{{ none }}</p>
      <p v-else-if="state.status === 'done' && !done" class="mute mt-2">
        Something has changed since: search again.
      </p>
      <div v-if="found" class="sheet pad" aria-label="What was found">
        <p v-if="found.changes.length === 0" role="status">
          <b>Nothing is to be changed.</b> Steam, swell, clean-out and soak are kept as it is.
        </p>
        <template v-else>
          <h3>{{ inAll }}. {{ moves(moreH) }}</h3>
          <ul>
            <li v-for="change in found.changes" :key="`${change.segment} ${change.what}`">
              {{ changeWords(change, units.choice) }}
            </li>
          </ul>
          <ComparedTable
            class="mt-2"
            :programmes="[
              { name: 'As it is', curve: burnout.curve, heat },
              { name: 'Found', curve: curveOf(found.segments), heat: found.heat },
            ]"
            :kiln="kiln"
          />
          <JudgementList :judgements="judgements" />
          <p class="mute mt-2">
            By the model of one flask, to five minutes. It knows water, heat and carbon, not how wax drains or
            how much of a hold between steam and peak gasifies resin: that one is left as it was.
          </p>
          <div class="acts">
            <v-btn size="small" variant="flat" @click="take">Take it for this pour</v-btn>
            <button type="button" class="text-button" @click="clear">Leave it</button>
          </div>
        </template>
      </div>
    </template>
  </section>
</template>

<style scoped>
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
  align-items: center;
  margin-top: 10px;
}
.goes-in {
  width: 240px;
}
.pad {
  margin-top: 12px;
  padding: 14px 16px;
}
ul {
  margin: 8px 0 0;
  padding-left: 20px;
}
</style>
