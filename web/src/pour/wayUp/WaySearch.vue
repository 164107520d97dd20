<script setup lang="ts">
import type { Pattern } from '@zero-pour/contracts';
import { formatQuantity, NO_ROTATION, type Rotation } from '@zero-pour/core';
import { motionOf, valueOf } from '@zero-pour/plan';
import { computed, watch } from 'vue';
import type { ViewShape } from '../../pattern/jobs/shapes';
import { useUnits } from '../../state/unitStore';
import { usePour } from '../../state/usePour';
import { useWaysUp } from './useWaysUp';
import { sameWay, TILTS, wayRows } from './wayRows';

/** Which way up: three named choices, found by looking from some hundred directions, beside one's own and the usual tilts. */
const props = defineProps<{ pattern: Pattern; shape: ViewShape | undefined }>();
const picking = defineModel<boolean>('picking', { required: true });
const { pour, plan, set } = usePour();
const units = useUnits();
const { state, search, stop } = useWaysUp();

const points = computed(() => pour.value.doc.wayUp.clean?.[props.pattern.id] ?? []);
const rotation = computed<Rotation>(() => pour.value.doc.wayUp.rotations[props.pattern.id] ?? NO_ROTATION);
const profile = computed(() => {
  const { profile: chosen, printer, prints } = plan.value.context;
  return chosen && printer ? { ...chosen, motionS: motionOf(prints, printer, chosen).value } : undefined;
});
const factor = computed(() => (valueOf(plan.value.scale)?.percent.value ?? 100) / 100);
const rows = computed(() =>
  state.value.status === 'found'
    ? wayRows(state.value.answer, state.value.job, factor.value, profile.value)
    : [],
);
const stale = computed(
  () => state.value.status === 'found' && state.value.job.cleanPoints.length !== points.value.length,
);
watch(() => props.pattern.id, stop);

function find(): void {
  if (!props.shape) return;
  const layerMm = profile.value?.layerMm ?? 0.05;
  const plain = ({ xDeg, yDeg, zDeg }: Rotation): Rotation => ({ xDeg, yDeg, zDeg });
  void search(props.shape, {
    layerMm,
    cleanPoints: points.value.map(([x, y, z]) => [x, y, z]),
    compare: [plain(rotation.value), ...TILTS],
  });
}
const take = (to: Rotation): void =>
  set(['wayUp', 'rotations', props.pattern.id], { ...to, zDeg: rotation.value.zDeg });

const mm = (value: number): string => formatQuantity({ value, unit: 'mm', digits: 1 }, units.choice);
const mm2 = (value: number): string => formatQuantity({ value, unit: 'mm2', digits: 0 }, units.choice);
const hours = (value: number): string => formatQuantity({ value, unit: 'h' }, units.choice);
</script>

<template>
  <section class="stage-block">
    <h2>Which way up?</h2>
    <div class="tools">
      <v-btn variant="flat" :disabled="!shape || state.status === 'working'" @click="find">
        {{ rows.length > 0 ? 'Search again' : 'Search' }}
      </v-btn>
      <v-btn :aria-pressed="picking" @click="picking = !picking">
        {{ picking ? 'Done pointing' : 'Point out faces that must stay clean' }}
      </v-btn>
      <span v-if="points.length > 0" class="mute">
        {{ points.length }} {{ points.length === 1 ? 'face is' : 'faces are' }} to stay clean.
        <button type="button" class="text-button" @click="set(['wayUp', 'clean', pattern.id], undefined)">
          None
        </button>
      </span>
      <span v-else-if="picking" class="mute">Click a face of the part above.</span>
    </div>
    <div v-if="state.status === 'working'" class="progress">
      <p role="status">Looking from 300 directions, then cutting the best …</p>
      <v-progress-linear
        :model-value="100 * state.share"
        color="primary"
        height="6"
        aria-label="How far the search is"
      />
      <v-btn size="small" @click="stop">Stop</v-btn>
    </div>
    <p v-else-if="state.status === 'failed'" role="alert">{{ state.sentence }}</p>
    <p v-if="stale" class="mute mt-2">The faces have changed since: search again.</p>
    <div v-if="rows.length > 0" class="scroll-x">
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
            <td class="num right">{{ row.supportPoints }}</td>
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
      Counted on layers of 0.1 mm. Supports are built where you prepare the print, at about so many points.
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
.progress {
  display: grid;
  gap: 8px;
  justify-items: start;
  margin-top: 10px;
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
