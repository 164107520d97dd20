<script setup lang="ts">
import { anyPoured } from '@zero-pour/contracts';
import type { FlaskWish } from '@zero-pour/core';
import { hangJob, hungJob } from '@zero-pour/jobs';
import { valueOf } from '@zero-pour/plan';
import { computed, shallowRef, watch } from 'vue';
import { runJob, useJob, whyNot } from '../../jobs';
import { useShop } from '../../state/shopStore';
import { useUnits } from '../../state/unitStore';
import { usePour } from '../../state/usePour';
import { fullWish, fullWords, hangWish, hungFlasks, leftWords, sharedOut } from './hangWish';
import HungAirs from './HungAirs.vue';
import TreeView from './TreeView.vue';

/** Hangs the flask's pieces by their real shapes, and shows the tree. */
const { pour, plan, flask, set, setInFlask } = usePour();
const shop = useShop();
const units = useUnits();
const poured = computed(() => anyPoured(pour.value.doc));
const tree = computed(() => valueOf(flask.value.tree));
const hung = computed(() => tree.value?.hung);

/* The same reading that the plan judges the gaps by. */
const { state, ask } = useJob(hungJob, { waitMs: 60, resident: true });
watch(
  () => hung.value?.wish,
  (wish) => wish && ask(wish),
  { immediate: true },
);

const doing = shallowRef<FlaskWish>();
const counting = shallowRef(false);
const busy = computed(() => counting.value || doing.value !== undefined);
const share = shallowRef(0);
const sentence = shallowRef('');
let stop: AbortController | undefined;
async function hangThem(wish: FlaskWish): Promise<void> {
  const wanted = hangWish(plan.value, flask.value, shop.lists.flask, wish);
  sentence.value = wanted ? '' : 'Choose a pattern and a flask first.';
  if (!wanted) return;
  doing.value = wish;
  share.value = 0;
  stop = new AbortController();
  try {
    const { output } = await runJob(hangJob, wanted.input, {
      signal: stop.signal,
      report: (_, done) => (share.value = done),
    });
    sentence.value = leftWords(wanted, output, units.choice);
    const found = hungFlasks(wanted, output);
    if (wish === 'fewest')
      for (const one of sharedOut(pour.value.doc.flasks, found)) set(['flasks', one.key], one);
    else if (found[0]) {
      setInFlask('sprue', 'hung', found[0].hung);
      if (wish === 'smallest') setInFlask('sprue', 'flaskId', found[0].flaskId);
      if (found[0].mainSprueLengthMm !== undefined)
        setInFlask('sprue', 'mainSprueLengthMm', found[0].mainSprueLengthMm);
    }
  } catch (error) {
    if (!stop.signal.aborted) sentence.value = whyNot(error);
  } finally {
    doing.value = undefined;
  }
}
/** How many of the order's mix the shown flask takes; what hangs stays as it is. */
async function countThem(): Promise<void> {
  const order = hangWish(plan.value, flask.value, shop.lists.flask, 'here');
  sentence.value = order ? '' : 'Choose a pattern and a flask first.';
  if (!order) return;
  const wanted = fullWish(order);
  counting.value = true;
  share.value = 0;
  stop = new AbortController();
  try {
    const { output } = await runJob(hangJob, wanted.input, {
      signal: stop.signal,
      report: (_, done) => (share.value = done),
    });
    sentence.value = fullWords(wanted, output, units.choice);
  } catch (error) {
    if (!stop.signal.aborted) sentence.value = whyNot(error);
  } finally {
    counting.value = false;
  }
}
/** Pieces stood otherwise on their gates; where each is joined stays. */
function turnThem(keys: readonly string[], stand: { tiltDeg: number; spinDeg: number }): void {
  const places = flask.value.context.decided.sprue.hung ?? [];
  setInFlask(
    'sprue',
    'hung',
    places.map((at) => (keys.includes(at.key) ? { ...at, ...stand } : at)),
  );
}
const WAYS = [
  { wish: 'here', name: 'Hang them in this flask' },
  { wish: 'smallest', name: 'Smallest flask that takes them' },
  { wish: 'fewest', name: 'Fewest flasks' },
] as const;
</script>

<template>
  <section class="stage-block">
    <h2>Hung by their real shapes</h2>
    <div v-if="!poured" class="acts">
      <v-btn
        v-for="way in WAYS"
        :key="way.wish"
        size="small"
        :disabled="busy"
        :loading="doing === way.wish"
        @click="hangThem(way.wish)"
      >
        {{ way.name }}
      </v-btn>
      <v-btn size="small" :disabled="busy" :loading="counting" @click="countThem">How many fit?</v-btn>
      <button v-if="busy" type="button" class="text-button" @click="stop?.abort()">Stop</button>
      <button
        v-else-if="hung"
        type="button"
        class="text-button"
        @click="setInFlask('sprue', 'hung', undefined)"
      >
        Back to bounding cylinders
      </button>
    </div>
    <v-progress-linear v-if="busy" :model-value="100 * share" aria-label="Hanging" class="mt-2" />
    <p v-if="sentence" role="alert" class="mt-2">{{ sentence }}</p>
    <p v-if="!hung && !busy && !sentence" class="mute mt-2">
      Every gap between parts, wall, top and main sprue is measured on the shapes themselves; heavier ones
      hang nearer the button.
    </p>
    <p v-if="state.status === 'failed'" role="alert" class="mt-2">{{ state.sentence }}</p>
    <HungAirs v-if="hung && !poured" :airs="hung.airs" class="mt-2" @turn="turnThem" />
    <TreeView v-if="hung && flask.context.flask" :tree="hung" :flask="flask.context.flask" class="mt-3" />
  </section>
</template>

<style scoped>
.acts {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px 12px;
}
</style>
