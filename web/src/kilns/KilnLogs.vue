<script setup lang="ts">
import type { Kiln, KilnRun } from '@zero-pour/contracts';
import { findEvents, formatHours } from '@zero-pour/core';
import { readingsFrom } from '@zero-pour/plan';
import { computed, onMounted, shallowRef, watch } from 'vue';
import NumberList from '../components/NumberList.vue';
import { useSlowNow } from '../state/clock';
import { useKilnRuns } from '../state/kilnRunStore';
import { useNotices } from '../state/notices';
import { usePours } from '../state/pourStore';
import { useUnits } from '../state/unitStore';
import { formatMoment } from '../time/formatMoment';
import AddLog from './AddLog.vue';
import KilnPaceView from './KilnPaceView.vue';
import LogChart from './LogChart.vue';
import { eventRows } from './logWords';

/** What was written down of a kiln, and what it says of how fast it goes. */
const props = defineProps<{ kiln: Kiln }>();
const emit = defineEmits<{ change: [kiln: Kiln] }>();
const store = useKilnRuns();
const pours = usePours();
const notices = useNotices();
const units = useUnits();
const now = useSlowNow();
const wrong = (error: unknown): void => notices.wrong(error);
onMounted(() => void store.load().catch(wrong));

const runs = computed(() => store.runs.filter(({ kilnId }) => kilnId === props.kiln.id));
const chosen = shallowRef<string>();
const shown = computed(() => runs.value.find(({ id }) => id === chosen.value) ?? runs.value[0]);
watch(
  () => shown.value?.id,
  (id) => id !== undefined && void store.readCurve(id).catch(wrong),
  { immediate: true },
);
const curve = computed(() => store.curves.find(({ run }) => run.id === shown.value?.id));
const from = computed(() => Date.parse(shown.value?.startedAt ?? ''));
const readings = computed(() => curve.value && readingsFrom(curve.value, from.value));
const events = computed(() => (readings.value ? findEvents(readings.value) : []));
const pourOf = ({ pourId }: KilnRun): string => {
  const pour = pourId === null ? undefined : pours.pours.get(pourId);
  return pour ? `pour ${pour.number}` : pourId === null ? 'of no pour' : 'of a pour';
};
/** Readings are not brought back: it is asked once more. */
const sure = shallowRef<string>();
function drop(run: KilnRun): void {
  if (sure.value !== run.id) return void (sure.value = run.id);
  void store.remove(run).catch(wrong);
}
</script>

<template>
  <section class="stage-block" aria-label="Logs of this kiln">
    <h2>Logs</h2>
    <p v-if="kiln.measured" class="mute">
      Plans count with what “{{ kiln.measured.from }}” showed, where it reaches.
      <button type="button" class="text-button" @click="emit('change', { ...kiln, measured: null })">
        Back to its two figures
      </button>
    </p>
    <AddLog :kiln-id="kiln.id" @kept="(run) => (chosen = run.id)" />
    <p v-if="store.ready && runs.length === 0" class="mute mt-2">
      No log yet. With one, plans know how fast this kiln really climbs and cools.
    </p>
    <div v-if="shown" class="logs">
      <ul>
        <li v-for="run in runs" :key="run.id" :class="{ on: run.id === shown.id }">
          <button type="button" class="text-button" @click="chosen = run.id">
            <span class="num">{{ formatMoment(Date.parse(run.startedAt), now) }}</span> {{ run.name }}
          </button>
          <span class="mute">{{ formatHours(run.lastS / 3600) }}, {{ pourOf(run) }}</span>
        </li>
      </ul>
      <div v-if="curve && readings">
        <LogChart :readings="readings" :from="from" :events="events" />
        <NumberList :rows="eventRows(readings, units.choice)" class="mt-2" />
        <KilnPaceView
          :kiln="kiln"
          :curve="curve"
          class="mt-3"
          @take="(measured) => emit('change', { ...kiln, measured })"
          @opened="(openTauH) => emit('change', { ...kiln, openTauH })"
        />
        <div class="acts mt-3">
          <a :href="`/api/kiln-runs/${shown.id}/readings.csv`" download class="text-button">Save as CSV</a>
          <button type="button" class="text-button" @click="drop(shown)">
            {{ sure === shown.id ? 'Take it away for good: press again' : 'Take this log away' }}
          </button>
        </div>
      </div>
    </div>
  </section>
</template>

<style scoped>
.logs {
  display: grid;
  grid-template-columns: minmax(200px, 260px) minmax(0, 1fr);
  gap: 20px;
  margin-top: 14px;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
li {
  display: grid;
  padding: 6px 10px;
  border-bottom: 1px solid var(--line);
}
li.on {
  box-shadow: inset 4px 0 0 var(--wax);
}
li .text-button {
  text-align: left;
}
.acts {
  display: flex;
  gap: 18px;
}
@media (max-width: 900px) {
  .logs {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
