<script setup lang="ts">
import { feedJob, GATE_SCHOOLS, jobText, placesJob, suggestGatesJob, type GateSchool } from '@zero-pour/jobs';
import { feedGrid, type PartGates } from '@zero-pour/plan';
import { FEED_LIMITS, formatQuantity, gradeFeed, type SpotFeed } from '@zero-pour/core';
import { computed, shallowRef, watch } from 'vue';
import { runJob, useJob, whyNot } from '../../jobs';
import { useUnits } from '../../state/unitStore';
import { usePour } from '../../state/usePour';
import GateFields from './GateFields.vue';
import GatesBefore from './GatesBefore.vue';
import { newGate } from './placeGates';
import { useGates } from './useGates';

/** Gates with a place on the part: set by a press, proposed, or as before; what each is for, and what each mass gets. */
const props = defineProps<{ entry: PartGates }>();
const placing = defineModel<boolean>('placing', { required: true });
const { pour, plan } = usePour();
const units = useUnits();
const { placed, keep, change } = useGates(() => props.entry);
const clean = computed(() => pour.value.doc.wayUp.lines[props.entry.part.key]?.clean ?? []);
const mm = (value: number): string => formatQuantity({ value, unit: 'mm', digits: 1 }, units.choice);

/* The same readings that the plan judges the gates by. */
const { state, ask } = useJob(feedJob, { waitMs: 60, resident: true });
const { ask: askPlaces } = useJob(placesJob, { waitMs: 60, resident: true });
/* The finest grid takes its time: it begins when nobody has moved a gate for a while. */
const FINAL_AFTER_MS = 6000;
const { state: final, ask: askFinal, stop } = useJob(feedJob, { waitMs: FINAL_AFTER_MS, background: true });
/* A wish is another one only by what it asks: a plan is made anew whenever anything is known. */
const wishText = computed(() => props.entry.feedWish && jobText(feedJob, props.entry.feedWish));
watch(
  wishText,
  () => {
    stop();
    if (props.entry.feedWish) ask(props.entry.feedWish);
  },
  { immediate: true },
);
watch(
  () => props.entry.placesWish,
  (wish) => wish && askPlaces(wish),
  { immediate: true },
);
watch(
  () => (state.value.status === 'done' ? wishText.value : undefined),
  (text) => {
    if (text && props.entry.finalWish) askFinal(props.entry.finalWish);
  },
  { immediate: true },
);

const suggesting = shallowRef(false);
const sentence = shallowRef('');
const SCHOOLS: Record<GateSchool, string> = {
  fewest: 'Propose gates',
  'one each': 'Propose one on every mass',
};
async function suggest(school: GateSchool): Promise<void> {
  suggesting.value = true;
  sentence.value = '';
  try {
    const input = { ...feedGrid(plan.value.context, props.entry.part), cleanPoints: clean.value, school };
    const { output } = await runJob(suggestGatesJob, input, { resident: true });
    if (output.length === 0)
      sentence.value = 'No place off the show faces feeds a mass. Let a show face go, or place one yourself.';
    else keep(output.map(({ at, normal, diameterMm }) => newGate(at, normal, diameterMm)));
  } catch (error) {
    sentence.value = whyNot(error);
  } finally {
    suggesting.value = false;
  }
}

/** What a gate is there for. */
function reasonOf(n: number): string {
  const { feed } = props.entry;
  if (!feed) return '';
  const masses = feed.feeds.filter(({ gate }) => gate === n).map(({ spot }) => spot + 1);
  if (masses.length === 0) return 'feeds nothing: it fills, or carries';
  return `feeds ${masses.length === 1 ? 'mass' : 'masses'} ${masses.join(', ')}`;
}
const WORDS = { good: 'fed', watch: 'fed late', fix: 'starves' } as const;
const ratio = (value: number): string => value.toFixed(2);
function says(feed: SpotFeed): string {
  if (feed.gate < 0) return 'no gate’s metal reaches it';
  const gate = `gate ${feed.gate + 1} keeps ${ratio(feed.gateRatio)} of its V/A (${FEED_LIMITS.gate.good} wanted)`;
  return feed.neck
    ? `${gate}; the way narrows to ${mm(feed.neck.widthMm)} and keeps ${ratio(feed.neckRatio)} (${FEED_LIMITS.neck.good} wanted)`
    : `${gate}; no neck on the way`;
}
const rows = computed(() =>
  (props.entry.feed?.feeds ?? []).map((feed) => ({
    name: `Mass ${feed.spot + 1}, ${mm(props.entry.feed!.masses[feed.spot]!.widthMm)} thick`,
    word: WORDS[gradeFeed(feed)],
    grade: gradeFeed(feed),
    says: says(feed),
  })),
);
</script>

<template>
  <div class="acts">
    <v-btn size="small" :aria-pressed="placing" @click="placing = !placing">
      {{ placing ? 'Done placing' : 'Place gates on the part' }}
    </v-btn>
    <v-btn
      v-for="school in GATE_SCHOOLS"
      :key="school"
      size="small"
      :disabled="suggesting"
      @click="suggest(school)"
    >
      {{ SCHOOLS[school] }}
    </v-btn>
    <span v-if="placing" class="mute"
      >Press on the part where metal is to enter; drag a gate to move it.</span
    >
    <span v-if="suggesting" role="status" class="mute">Looking for places …</span>
    <span v-if="sentence" role="alert">{{ sentence }}</span>
    <span v-if="state.status === 'working'" role="status" class="mute">Following the metal …</span>
    <span v-if="state.status === 'failed'" role="alert">{{ state.sentence }}</span>
    <span v-if="final.status === 'working' && final.step" class="mute"
      >Reading it finer in the background …</span
    >
  </div>
  <GatesBefore :entry="entry" class="mt-2" @take="keep" />
  <div v-if="placed.length > 0" class="gates">
    <GateFields
      v-for="(gate, n) in placed"
      :key="gate.key"
      :gate="gate"
      :n="n"
      :reason="reasonOf(n)"
      @change="(fields) => change(n, fields)"
      @remove="keep(placed.filter((_, m) => m !== n))"
    />
  </div>
  <table v-if="rows.length > 0" class="plain feeds">
    <tbody>
      <tr v-for="row in rows" :key="row.name">
        <td>{{ row.name }}</td>
        <td :class="row.grade">{{ row.word }}</td>
        <td class="mute">{{ row.says }}</td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
.acts {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px 12px;
}
.gates {
  margin-top: 12px;
}
.feeds {
  margin: 12px 0;
}
.good {
  color: var(--verd-text);
}
.watch,
.fix {
  color: var(--oxide);
  font-weight: 650;
}
</style>
