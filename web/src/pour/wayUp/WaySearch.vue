<script setup lang="ts">
import { formatQuantity, NO_ROTATION, type Rotation } from '@zero-pour/core';
import { partOf, standingInput, standingJob, waysJob, type FoundWays, type WaysInput } from '@zero-pour/jobs';
import { useLocalStorage } from '@vueuse/core';
import { motionOf, USUAL_LAYER_MM, valueOf, type Part } from '@zero-pour/plan';
import { computed, watch } from 'vue';
import JobProgress from '../../components/JobProgress.vue';
import { useJob, useReadings } from '../../jobs';
import { useUnits } from '../../state/unitStore';
import { usePour } from '../../state/usePour';
import { sameWay, TILTS, wayRows } from './wayRows';

/** Which way up: three named choices, found by looking from some hundred directions, beside one's own and the usual tilts. */
const props = defineProps<{ part: Part }>();
const picking = defineModel<boolean>('picking', { required: true });
const { pour, plan, set } = usePour();
const units = useUnits();
const { state, ask, stop, clear } = useJob(waysJob);
const readings = useReadings();

const standing = computed(() => pour.value.doc.wayUp.lines[props.part.key]);
/** Searches that are kept. */
const KEPT_MOST = 20;
const points = computed(() => standing.value?.clean ?? []);
const rotation = computed<Rotation>(() => standing.value?.rotation ?? NO_ROTATION);
const profile = computed(() => {
  const { profile: chosen, printer, prints } = plan.value.context;
  return chosen && printer ? { ...chosen, motionS: motionOf(prints, printer, chosen).value } : undefined;
});
const factor = computed(() => (valueOf(plan.value.scale)?.percent.value ?? 100) / 100);
/** What was found stays when the page is left and opened again: in this browser, for this file of this line. */
interface Found {
  input: WaysInput;
  output: FoundWays;
}
const kept = useLocalStorage<Record<string, Found>>('zp-ways', {}, { shallow: true });
const keptKey = computed(() => `${pour.value.id} ${props.part.key} ${props.part.pattern.fileHash}`);
const found = computed<Found | undefined>(() =>
  state.value.status === 'done'
    ? { input: state.value.input, output: state.value.output }
    : kept.value[keptKey.value],
);
watch(state, (now) => {
  if (now.status !== 'done') return;
  const others = Object.entries(kept.value).filter(([key]) => key !== keptKey.value);
  const own: [string, Found] = [keptKey.value, { input: now.input, output: now.output }];
  kept.value = Object.fromEntries([...others, own].slice(-KEPT_MOST));
});
const rows = computed(() =>
  found.value
    ? wayRows(found.value.output, found.value.input, factor.value, profile.value, rotation.value)
    : [],
);
const stale = computed(
  () => found.value !== undefined && found.value.input.cleanPoints.length !== points.value.length,
);
watch(() => props.part.key, clear);

function find(): void {
  const plain = ({ xDeg, yDeg, zDeg }: Rotation): Rotation => ({ xDeg, yDeg, zDeg });
  ask({
    part: partOf(props.part.pattern),
    layerMm: profile.value?.layerMm ?? USUAL_LAYER_MM,
    cleanPoints: points.value.map(([x, y, z]) => [x, y, z]),
    compare: [plain(rotation.value), ...TILTS],
  });
}
const take = (to: Rotation): void =>
  set(['wayUp', 'lines', props.part.key, 'rotation'], { ...to, zDeg: rotation.value.zDeg });

/* Supports of each way listed are those that it is shown with once it stands so: the same reading, made beside. */
const stanceOf = ({ part, layerMm }: WaysInput, way: Rotation) =>
  standingInput({ part, layerMm, rotation: { ...way, zDeg: rotation.value.zDeg } });
watch(
  found,
  async (now) => {
    if (!now) return;
    for (const { rotation: way } of rows.value)
      await readings.make(standingJob, stanceOf(now.input, way), { background: true }).catch(() => {});
  },
  { immediate: true },
);
function supportsOf(way: Rotation): string {
  if (!found.value) return '';
  const read = readings.of(standingJob, stanceOf(found.value.input, way));
  if (read.status !== 'known') return read.status === 'failed' ? '–' : '…';
  return `${read.value.points.length}${read.value.more ? ' +' : ''}`;
}

const mm = (value: number): string => formatQuantity({ value, unit: 'mm', digits: 1 }, units.choice);
const mm2 = (value: number): string => formatQuantity({ value, unit: 'mm2', digits: 0 }, units.choice);
const hours = (value: number): string => formatQuantity({ value, unit: 'h' }, units.choice);
</script>

<template>
  <section class="stage-block">
    <h2>Which way up?</h2>
    <div class="tools">
      <v-btn variant="flat" :disabled="state.status === 'working'" @click="find">
        {{ rows.length > 0 ? 'Search again' : 'Search' }}
      </v-btn>
      <v-btn :aria-pressed="picking" @click="picking = !picking">
        {{ picking ? 'Done pointing' : 'Point out faces that must stay clean' }}
      </v-btn>
      <span v-if="points.length > 0" class="mute">
        {{ points.length }} {{ points.length === 1 ? 'face is' : 'faces are' }} to stay clean.
        <button
          type="button"
          class="text-button"
          @click="set(['wayUp', 'lines', part.key, 'clean'], undefined)"
        >
          None
        </button>
      </span>
      <span v-else-if="picking" class="mute">Click a face of the part above.</span>
    </div>
    <JobProgress
      v-if="state.status === 'working'"
      says="Looking from 300 directions, then cutting the best …"
      :share="state.share"
      @stop="stop"
    />
    <p v-else-if="state.status === 'failed'" role="alert">{{ state.sentence }}</p>
    <p v-if="stale" class="mute mt-2">The faces have changed since: search again.</p>
    <div v-if="rows.length > 0" class="scroll-x" tabindex="0">
      <table class="plain">
        <thead>
          <tr>
            <th>Way up</th>
            <th class="right">Islands</th>
            <th class="right">Cups</th>
            <th class="right">Overhang</th>
            <th v-if="points.length > 0" class="right">on clean faces</th>
            <th class="right">Largest layer</th>
            <th class="right">Height</th>
            <th class="right">Hours</th>
            <th class="right">Supports</th>
            <th></th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="row in rows" :key="row.name">
            <td>
              <b class="name">{{ row.name }}</b>
              <span class="why">{{ row.why }}</span>
            </td>
            <td class="num right">{{ row.figures.islands }}</td>
            <td class="num right">{{ row.figures.cups }}</td>
            <td class="num right">{{ mm2(row.figures.overhangMm2) }}</td>
            <td v-if="points.length > 0" class="num right">{{ mm2(row.figures.showOverhangMm2) }}</td>
            <td class="num right">{{ mm2(row.figures.peakMm2) }}</td>
            <td class="num right">{{ mm(row.figures.heightMm * factor) }}</td>
            <td class="num right">{{ row.hours === undefined ? '–' : hours(row.hours) }}</td>
            <td class="num right">{{ supportsOf(row.rotation) }}</td>
            <td class="right">
              <span v-if="sameWay(row.rotation, rotation)" class="mute">stands so</span>
              <v-btn v-else size="small" :aria-label="`Take ${row.name}`" @click="take(row.rotation)"
                >Take</v-btn
              >
            </td>
          </tr>
        </tbody>
      </table>
    </div>
    <p v-if="rows.length > 0" class="mute mt-2">
      Counted on layers of 0.1 mm. Supports are those that are shown on the part once it stands so.
    </p>
  </section>
</template>

<style scoped>
.tools {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 12px;
  align-items: center;
}
.name {
  display: block;
}
.name::first-letter {
  text-transform: capitalize;
}
.why {
  font-size: 13.5px;
  color: var(--mute);
}
td.right {
  white-space: nowrap;
}
</style>
