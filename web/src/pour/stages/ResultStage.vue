<script setup lang="ts">
import type { Casting } from '@zero-pour/contracts';
import { countOutcomes, piecesMeant, ROUGH_COUNTS, type RoughCount, type StageKey } from '@zero-pour/core';
import { numberCastings, pieceOfCastings } from '@zero-pour/plan';
import { computed, nextTick, onMounted, useTemplateRef, watch } from 'vue';
import { useRoute } from 'vue-router';
import NoteField from '../../components/NoteField.vue';
import ReadingField from '../../components/ReadingField.vue';
import { usePour } from '../../state/usePour';
import DoneLine from '../DoneLine.vue';
import SameAgain from '../SameAgain.vue';
import StageHead from '../StageHead.vue';
import CastingCard from './CastingCard.vue';

const emit = defineEmits<{ goTo: [stage: StageKey] }>();
const { pour, plan, set } = usePour();
const route = useRoute();
const doc = computed(() => pour.value.doc.result);
const pieces = computed(() => numberCastings(plan.value.context.parts));
const count = computed(() => countOutcomes(pieces.value.map((p) => doc.value.castings[p.number]?.outcome)));
const EMPTY: Casting = { flaws: [], photos: [] };
const castingOf = (number: string): Casting => doc.value.castings[number] ?? EMPTY;
const keep = (number: string, casting: Casting): void => set(['result', 'castings', number], casting);

/** "piece 8, doubtful": what was expected of the piece that became this casting. */
const printed = computed(() => {
  const { brief, print, clean } = pour.value.doc;
  const { route, patterns } = brief;
  return pieceOfCastings({ route, patterns, spares: print.spares, verdicts: clean.pieces });
});
function expectedOf(casting: string): string {
  const piece = printed.value.get(casting);
  const expect = piece && pour.value.doc.clean.pieces?.[piece]?.expect;
  return expect ? `piece ${piece}, expected ${expect}` : '';
}

/** "Most": that many sellable, the others scrap; each can be changed after. */
function setRough(rough: RoughCount): void {
  const good = piecesMeant(rough, pieces.value.length);
  const entries = pieces.value.map((p, i) => [
    p.number,
    { ...castingOf(p.number), outcome: i < good ? 'sellable' : 'scrap' },
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
      <span>How many of {{ pieces.length }} are sellable?</span>
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
      :key="piece.number"
      :number="piece.number"
      :pattern="piece.pattern"
      :casting="castingOf(piece.number)"
      :sizes="pour.doc.brief.sizes.filter((s) => (s.patternId ?? pieces[0]?.pattern.id) === piece.pattern.id)"
      :pour-id="pour.id"
      :expected="expectedOf(piece.number)"
      @change="(casting) => keep(piece.number, casting)"
    />
  </template>
  <section class="stage-block">
    <h2>All of it</h2>
    <div class="form-grid two">
      <ReadingField
        label="Metal back as button and sprues"
        unit="g"
        :model-value="doc.buttonBackG"
        @update:model-value="(r) => set(['result', 'buttonBackG'], r)"
      />
      <NoteField
        label="Note on the result"
        :rows="2"
        :model-value="doc.note"
        @update:model-value="(t) => set(['result', 'note'], t)"
      />
    </div>
    <DoneLine
      label="Put into the record"
      :at="doc.doneAt"
      :disabled="pour.doc.pour.pouredAt === undefined && pieces.length > 0"
      @change="(at) => set(['result', 'doneAt'], at)"
    />
    <p v-if="!pour.doc.pour.pouredAt" class="mute mt-2">
      Say when it was poured first.
      <button type="button" class="text-button" @click="emit('goTo', 'pour')">Pour</button>
    </p>
  </section>
  <SameAgain v-if="pour.doc.pour.pouredAt" :pour="pour" class="mt-6" />
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
