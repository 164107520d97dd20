<script setup lang="ts">
import { feedJob, suggestGatesJob } from '@zero-pour/jobs';
import { feedGrid, type PartGates } from '@zero-pour/plan';
import { FEED_LIMITS, formatQuantity, gradeFeed, type SpotFeed } from '@zero-pour/core';
import { computed, shallowRef, watch } from 'vue';
import QuantityField from '../../components/QuantityField.vue';
import { runJob, useJob, whyNot } from '../../jobs';
import { useUnits } from '../../state/unitStore';
import { usePour } from '../../state/usePour';
import { newGate, withPlaced, type PlacedGate } from './placeGates';

/** Gates with a place on the part: set by a press, proposed, made thicker, taken away; and what each mass gets. */
const props = defineProps<{ entry: PartGates }>();
const placing = defineModel<boolean>('placing', { required: true });
const { pour, plan, set } = usePour();
const units = useUnits();
const line = computed(() => pour.value.doc.wayUp.lines[props.entry.part.key]);
const placed = computed(() => line.value?.gates?.placed ?? []);
const mm = (value: number): string => formatQuantity({ value, unit: 'mm', digits: 1 }, units.choice);

const keep = (gates: readonly PlacedGate[]): void =>
  set(['wayUp', 'lines', props.entry.part.key, 'gates'], withPlaced(props.entry.gates, gates));
const setDiameter = (n: number, diameterMm: number): void =>
  keep(
    placed.value.map((gate, m) =>
      m === n ? { ...gate, section: { widthMm: diameterMm, heightMm: diameterMm } } : gate,
    ),
  );

/* The same reading that the plan judges the feed by. */
const { state, ask } = useJob(feedJob, { waitMs: 60, resident: true });
watch(
  () => props.entry.feedWish,
  (wish) => wish && ask(wish),
  { immediate: true },
);

const suggesting = shallowRef(false);
const sentence = shallowRef('');
async function suggest(): Promise<void> {
  suggesting.value = true;
  sentence.value = '';
  try {
    const input = { ...feedGrid(plan.value.context, props.entry.part), cleanPoints: line.value?.clean ?? [] };
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
    <v-btn size="small" :loading="suggesting" @click="suggest">
      {{ placed.length > 0 ? 'Propose them anew' : 'Propose gates' }}
    </v-btn>
    <span v-if="placing" class="mute">Press on the part where metal is to enter.</span>
    <span v-if="sentence" role="alert">{{ sentence }}</span>
    <span v-if="state.status === 'working'" role="status" class="mute">Following the metal …</span>
    <span v-if="state.status === 'failed'" role="alert">{{ state.sentence }}</span>
  </div>
  <div v-if="placed.length > 0" class="gates">
    <div v-for="(gate, n) in placed" :key="gate.key" class="gate">
      <QuantityField
        :label="`Gate ${n + 1}, diameter`"
        unit="mm"
        :digits="1"
        :min="0.3"
        :max="30"
        required
        :model-value="gate.section.widthMm"
        @update:model-value="(d) => d !== undefined && setDiameter(n, d)"
      />
      <button type="button" class="text-button" @click="keep(placed.filter((_, m) => m !== n))">
        Take away
      </button>
    </div>
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
.acts,
.gate {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px 12px;
}
.gates {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(280px, 1fr));
  gap: 10px;
  margin-top: 12px;
}
.gate {
  flex-wrap: nowrap;
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
