<script setup lang="ts">
import { pouredAt, type Casting } from '@zero-pour/contracts';
import { countOutcomes, piecesMeant, ROUGH_COUNTS, type RoughCount, type StageKey } from '@zero-pour/core';
import { castPieces } from '@zero-pour/plan';
import { computed, nextTick, onMounted, useTemplateRef, watch } from 'vue';
import { useRoute } from 'vue-router';
import NoteField from '../../components/NoteField.vue';
import { usePour } from '../../state/usePour';
import DoneLine from '../../components/DoneLine.vue';
import SameAgain from '../SameAgain.vue';
import StageHead from '../StageHead.vue';
import CastingCard from './CastingCard.vue';
import FromRecord from './FromRecord.vue';
import { ButtonBack } from '../../metal';
import PourField from '../PourField.vue';

const emit = defineEmits<{ goTo: [stage: StageKey] }>();
const { pour, plan, set } = usePour();
const route = useRoute();
const doc = computed(() => pour.value.doc.result);
const poured = computed(() => pouredAt(pour.value.doc));
const pieces = computed(() => castPieces(plan.value.context));
const count = computed(() => countOutcomes(pieces.value.map((p) => doc.value.castings[p.key]?.outcome)));
const EMPTY: Casting = { flaws: [], photos: [] };
const castingOf = (key: string): Casting => doc.value.castings[key] ?? EMPTY;
const keep = (key: string, casting: Casting): void => set(['result', 'castings', key], casting);

/** What was expected of the piece before it was cast. */
function expectedOf(key: string): string {
  const expect = pour.value.doc.clean.pieces?.[key]?.expect;
  return expect ? `expected ${expect}` : '';
}

/** "Most": that many sellable, the others scrap; each can be changed after. */
function setRough(rough: RoughCount): void {
  const good = piecesMeant(rough, pieces.value.length);
  const entries = pieces.value.map((p, i) => [
    p.key,
    { ...castingOf(p.key), outcome: i < good ? 'sellable' : 'scrap' },
  ]);
  set(['result', 'castings'], Object.fromEntries(entries));
}

const counts = useTemplateRef<HTMLElement>('counts');
const focusCounts = async (): Promise<void> => {
  if (route.hash !== '#counts') return;
  await nextTick();
  counts.value?.querySelector('button')?.focus();
};
onMounted(focusCounts);
watch(() => route.hash, focusCounts);
</script>

<template>
  <StageHead
    stage="result"
    title="Result"
    :line="count.judged > 0 ? `${count.sellable} of ${count.total} sellable` : 'what came out'"
    can-leave
  />
  <p v-if="pieces.length === 0" class="mute">
    No castings are named in the brief.
    <button type="button" class="text-button" @click="emit('goTo', 'brief')">Brief</button>
  </p>
  <template v-else>
    <div ref="counts" class="rough" role="group" aria-label="Sellable, in a word">
      <span>{{
        pieces.length === 1 ? 'Is it sellable?' : `How many of ${pieces.length} are sellable?`
      }}</span>
      <v-btn
        v-for="(share, rough) in ROUGH_COUNTS"
        :key="rough"
        :data-share="share"
        @click="setRough(rough)"
        >{{ rough }}</v-btn
      >
    </div>
    <CastingCard
      v-for="piece in pieces"
      :key="piece.key"
      :piece="piece"
      :casting="castingOf(piece.key)"
      :sizes="pour.doc.brief.sizes.filter((s) => (s.lineKey ?? pieces[0]?.line) === piece.line)"
      :pour-id="pour.id"
      :expected="expectedOf(piece.key)"
      @change="(casting) => keep(piece.key, casting)"
    />
  </template>
  <section class="stage-block">
    <h2>All of it</h2>
    <div class="form-grid two">
      <PourField :at="['result', 'buttonBackG']" />
      <NoteField
        label="Note on the result"
        :rows="2"
        :model-value="doc.note"
        @update:model-value="(t) => set(['result', 'note'], t)"
      />
    </div>
    <ButtonBack />
    <DoneLine
      label="Put into the record"
      :at="doc.doneAt"
      :disabled="poured === undefined && pieces.length > 0"
      @change="(at) => set(['result', 'doneAt'], at)"
    />
    <p v-if="!poured" class="mute mt-2">
      Say when it was poured first.
      <button type="button" class="text-button" @click="emit('goTo', 'pour')">Pour</button>
    </p>
  </section>
  <FromRecord v-if="poured" />
  <SameAgain v-if="poured" :pour="pour" class="mt-6" />
</template>

<style scoped>
.rough {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
  margin-bottom: 12px;
}
.rough span {
  margin-right: 6px;
}
.rough .v-btn {
  min-height: 44px;
}
.two {
  grid-template-columns: repeat(auto-fill, minmax(290px, 1fr));
}
</style>
