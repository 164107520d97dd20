<script setup lang="ts">
import { HOUR_MS, type ProgrammeCurve } from '@zero-pour/core';
import type { BurnEventDraft, Burnt } from '@zero-pour/plan';
import { computed, defineAsyncComponent, onMounted } from 'vue';
import JudgementList from '../components/JudgementList.vue';
import { useSlowNow } from '../state/clock';
import { useKilnRuns } from '../state/kilnRunStore';
import { useNotices } from '../state/notices';
import { formatMoment } from '../time/formatMoment';
import AddLog from './AddLog.vue';

const LogChart = defineAsyncComponent(() => import('./LogChart.vue'));
/** A pour's burnout as it went, by the kiln's log: that is added here, or one that the kiln has already is named. */
const props = defineProps<{
  pourId: string;
  kilnId: string;
  curve: ProgrammeCurve;
  /** When the flask went in, ms. */
  kilnIn: number | undefined;
  burnt: Burnt | undefined;
  /** Falls that its readings show and nobody wrote down. */
  unwritten: readonly BurnEventDraft[];
}>();
const emit = defineEmits<{ writeDown: [event: BurnEventDraft] }>();
const store = useKilnRuns();
const notices = useNotices();
const now = useSlowNow();
const wrong = (error: unknown): void => notices.wrong(error);
onMounted(() => void store.load().catch(wrong));

/** Logs of this kiln that are nobody's, of about that time. */
const NEAR_H = 36;
const free = computed(() =>
  store.runs.filter(
    ({ kilnId, pourId, startedAt }) =>
      kilnId === props.kilnId &&
      pourId === null &&
      (props.kilnIn === undefined || Math.abs(Date.parse(startedAt) - props.kilnIn) < NEAR_H * HOUR_MS),
  ),
);
/** It has one whose readings are not here yet. */
const own = computed(() => store.runs.find((run) => run.pourId === props.pourId));
const heat = computed(() => {
  const reading = props.burnt?.heat?.reading;
  return reading?.status === 'known' ? reading.value : undefined;
});
const link = (id: string, pourId: string | null): void => {
  const run = store.runs.find((one) => one.id === id);
  if (run) void store.link(run, pourId).catch(wrong);
};
</script>

<template>
  <section class="stage-block" aria-label="As it went">
    <h2>As it went</h2>
    <template v-if="burnt">
      <p class="mute">
        By “{{ burnt.run.name }}”, from {{ formatMoment(burnt.from, now) }}.
        <button type="button" class="text-button" @click="link(burnt.run.id, null)">
          It is not of this pour
        </button>
      </p>
      <LogChart
        v-if="burnt.readings.h.length > 1"
        :readings="burnt.readings"
        :from="burnt.from"
        :events="burnt.events"
        :planned="{ points: curve.points, from: kilnIn ?? burnt.from }"
        :heat="heat"
        class="mt-2"
      />
      <JudgementList :judgements="burnt.judgements" />
      <p v-for="fall in unwritten" :key="fall.at" class="fall">
        <span>
          The readings show {{ fall.kind === 'power out' ? 'no power' : 'heat lost' }} from
          {{ formatMoment(Date.parse(fall.at), now) }} to {{ formatMoment(Date.parse(fall.until), now) }}; the
          plan does not count it yet.
        </span>
        <v-btn size="small" @click="emit('writeDown', fall)">Count it: {{ fall.kind }}</v-btn>
      </p>
    </template>
    <p v-else-if="!store.ready || own" class="mute">The kiln’s logs are not read yet.</p>
    <template v-else>
      <p class="mute">
        Nothing was measured of this burnout. A log of the kiln shows what its core went through.
      </p>
      <v-select
        v-if="free.length > 0"
        label="A log of this kiln"
        :items="
          free.map((run) => ({
            title: `${formatMoment(Date.parse(run.startedAt), now)} ${run.name}`,
            value: run.id,
          }))
        "
        :model-value="null"
        class="mb-2"
        @update:model-value="(id) => id && link(id, pourId)"
      />
      <AddLog class="mt-2" :kiln-id="kilnId" :pour-id="pourId" :near="kilnIn" />
    </template>
  </section>
</template>

<style scoped>
.fall {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
  align-items: center;
  margin-top: 8px;
  padding: 6px 10px;
  border-left: 4px solid var(--oxide);
}
</style>
