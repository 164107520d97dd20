<script setup lang="ts">
import type { Pour } from '@zero-pour/contracts';
import { formatQuantity } from '@zero-pour/core';
import { changedSince, type PourDifference } from '@zero-pour/plan';
import { computed } from 'vue';
import { useLoaded } from '../api/useAsked';
import { usePlanningShop } from '../state/planningStore';
import { usePours } from '../state/pourStore';
import { useUnits } from '../state/unitStore';

/** What this pour plans otherwise than the one it repeats: found by comparing, and stated by a press. */
const props = defineProps<{ pour: Pour; againOf: number }>();
const emit = defineEmits<{ state: [words: string] }>();
const planning = usePlanningShop();
const units = useUnits();
const pours = usePours();
const MOST = 400;

const { told, notRead } = useLoaded(
  () => props.againOf,
  async (number) => ({ former: await pours.loadNumbered(number) }),
);
const former = computed(() => told.value?.former);
type Fact = PourDifference['a'];
const shown = (fact: Fact): string =>
  fact === undefined
    ? 'nothing told'
    : fact.kind === 'words'
      ? fact.words
      : formatQuantity(fact, units.choice);
const found = computed(() => former.value && changedSince(former.value, props.pour, planning.known));
const wordsOf = (all: readonly PourDifference[] = []): string[] =>
  all.map(({ label, a, b }) => `${label.toLowerCase()} ${shown(b)} instead of ${shown(a)}`);
const words = computed(() => wordsOf(found.value?.decided));
const followed = computed(() => wordsOf(found.value?.followed));
const text = computed(() => words.value.join('; ').slice(0, MOST));
</script>

<template>
  <div class="since" role="status">
    <p v-if="notRead" class="mute">Pour {{ againOf }} could not be read: {{ notRead }}</p>
    <p v-else-if="told && !former" class="mute">Pour {{ againOf }} is not in the record any more.</p>
    <p v-else-if="former && words.length === 0" class="mute">
      As it is planned now nothing is decided otherwise than in pour {{ againOf }}.
      <template v-if="followed.length > 0">Worked out otherwise since: {{ followed.join('; ') }}.</template>
    </p>
    <template v-else-if="former">
      <p>
        <b>Otherwise than pour {{ againOf }}:</b> {{ words.join('; ') }}.
        <button
          v-if="pour.doc.brief.statedChange !== text"
          type="button"
          class="text-button"
          @click="emit('state', text)"
        >
          State it so
        </button>
      </p>
      <p v-if="followed.length > 0" class="mute">For it: {{ followed.join('; ') }}.</p>
      <p v-if="words.length > 1" class="mute">
        {{ words.length }} things at once: which of them helped will not be told.
      </p>
    </template>
  </div>
</template>

<style scoped>
.since {
  font-size: 14px;
  margin: 6px 0 4px;
}
</style>
