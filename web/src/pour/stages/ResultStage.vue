<script setup lang="ts">
import { becameOf, pouredAt, type Casting } from '@zero-pour/contracts';
import {
  countOutcomes,
  flawWords,
  piecesMeant,
  type FlawKind,
  type RoughCount,
  type StageKey,
} from '@zero-pour/core';
import { castPieces, judgePieceWeight, type PlannedPiece } from '@zero-pour/plan';
import { computed, nextTick, onMounted, shallowRef, useTemplateRef, watch } from 'vue';
import { useRoute } from 'vue-router';
import OnDemand from '../../components/OnDemand.vue';
import NoteField from '../../components/NoteField.vue';
import { usePour } from '../../state/usePour';
import DoneLine from '../../components/DoneLine.vue';
import type { Point } from '../../pattern';
import SameAgain from '../SameAgain.vue';
import StageHead from '../StageHead.vue';
import AllAlike from '../result/AllAlike.vue';
import CastingCard from '../result/CastingCard.vue';
import CastWhy from '../result/CastWhy.vue';
import ChangeHelped from '../result/ChangeHelped.vue';
import CostBlock from '../result/CostBlock.vue';
import FinishPlanned from '../result/FinishPlanned.vue';
import MarksOnModel from '../result/MarksOnModel.vue';
import { flawMarks, flawsSay } from '../result/modelMarks';
import RecipeOfPour from '../recipe/RecipeOfPour.vue';
import FromRecord from '../result/FromRecord.vue';
import DebrisChain from '../why/DebrisChain.vue';
import WithinFlask from '../result/WithinFlask.vue';
import { MetalBack } from '../../metal';
import PourField from '../PourField.vue';

const emit = defineEmits<{ goTo: [stage: StageKey] }>();
const { pour, plan, set } = usePour();
const route = useRoute();
const doc = computed(() => pour.value.doc.result);
const poured = computed(() => pouredAt(pour.value.doc));
const pieces = computed(() => castPieces(plan.value.context));
const count = computed(() => countOutcomes(pieces.value.map((p) => becameOf(doc.value.castings[p.key]))));
const EMPTY: Casting = { flaws: [], photos: [] };
const castingOf = (key: string): Casting => doc.value.castings[key] ?? EMPTY;
const keep = (key: string, casting: Casting): void => set(['result', 'castings', key], casting);
/** Pieces by the pattern that they are castings of: each has one model. */
const lines = computed(() => {
  const keys = [...new Set(pieces.value.map(({ line }) => line))];
  return keys.map((line) => pieces.value.filter((piece) => piece.line === line));
});

/** What was expected of the piece before it was cast. */
function expectedOf(key: string): string {
  const expect = pour.value.doc.clean.pieces?.[key]?.expect;
  return expect ? `expected ${expect}` : '';
}

/** "Most": that many sellable, the others scrap; each can be changed after. */
function setRough(rough: RoughCount): void {
  const good = piecesMeant(rough, pieces.value.length);
  keepAll((casting, i) => ({ ...casting, outcome: i < good ? 'sellable' : 'scrap' }));
}
const setFlaw = (kind: FlawKind): void =>
  keepAll((casting) => ({ ...casting, flaws: [...casting.flaws, { kind, place: '' }] }));
function keepAll(change: (casting: Casting, i: number) => Casting): void {
  const entries = pieces.value.map((p, i) => [p.key, change(castingOf(p.key), i)] as const);
  // Copies that are no longer among the pieces keep what was said of them.
  set(['result', 'castings'], { ...doc.value.castings, ...Object.fromEntries(entries) });
}

/** The flaw that a press on the model places. */
const placing = shallowRef<{ key: string; flaw: number }>();
const asked = (of: readonly PlannedPiece[]): string => {
  const piece = of.find(({ key }) => key === placing.value?.key);
  const flaw = piece && castingOf(piece.key).flaws[placing.value!.flaw];
  return flaw ? `${flawWords(flaw.kind)} of ${piece.name}` : '';
};
const ask = (key: string, flaw: number): void =>
  void (placing.value =
    placing.value?.key === key && placing.value.flaw === flaw ? undefined : { key, flaw });
function place(of: readonly PlannedPiece[], at: Point): void {
  const piece = of.find(({ key }) => key === placing.value?.key);
  if (!piece || !placing.value) return;
  const casting = castingOf(piece.key);
  const placeMm = at.map((mm) => Math.round(mm * 100) / 100) as Point;
  const shown = { placeMm, patternId: piece.pattern.id };
  const flaws = casting.flaws.map((flaw, i) => (i === placing.value!.flaw ? { ...flaw, ...shown } : flaw));
  keep(piece.key, { ...casting, flaws });
  placing.value = undefined;
}
const marksOf = (of: readonly PlannedPiece[]) => flawMarks(of[0]!.pattern, of, doc.value.castings);
const hasFlaws = (of: readonly PlannedPiece[]): boolean =>
  of.some(({ key }) => castingOf(key).flaws.length > 0);

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
  <ChangeHelped />
  <p v-if="pieces.length === 0" class="mute">
    No castings are named in the brief.
    <button type="button" class="text-button" @click="emit('goTo', 'brief')">Brief</button>
  </p>
  <template v-else>
    <div ref="counts"><AllAlike :count="pieces.length" @rough="setRough" @flaw="setFlaw" /></div>
    <template v-for="of in lines" :key="of[0]!.line">
      <MarksOnModel
        v-if="hasFlaws(of)"
        :pattern="of[0]!.pattern"
        :marks="marksOf(of)"
        :asks="asked(of)"
        :says="flawsSay(of[0]!.pattern, marksOf(of))"
        @place="(at) => place(of, at)"
      />
      <CastingCard
        v-for="piece in of"
        :key="piece.key"
        :piece="piece"
        :casting="castingOf(piece.key)"
        :sizes="pour.doc.brief.sizes.filter((s) => (s.lineKey ?? pieces[0]?.line) === piece.line)"
        :pour-id="pour.id"
        :expected="expectedOf(piece.key)"
        :placing="placing?.key === piece.key ? placing.flaw : undefined"
        :weight="judgePieceWeight(plan, piece)"
        @change="(casting) => keep(piece.key, casting)"
        @place="(flaw) => ask(piece.key, flaw)"
      />
    </template>
  </template>
  <OnDemand
    v-if="pieces.length > 0"
    title="Sides, cuts and joining"
    line="what finishing takes off, where it is cut, what becomes one piece"
  >
    <FinishPlanned />
  </OnDemand>
  <CastWhy />
  <DebrisChain />
  <WithinFlask />
  <section class="stage-block">
    <h2>All of it</h2>
    <div class="form-grid two">
      <PourField :at="['result', 'buttonBackG']" />
      <PourField :at="['result', 'filingsBackG']" />
      <NoteField
        label="Note on the result"
        :rows="2"
        :model-value="doc.note"
        @update:model-value="(t) => set(['result', 'note'], t)"
      />
    </div>
    <MetalBack what="button" />
    <MetalBack what="filings" />
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
  <CostBlock @go-to="(s) => emit('goTo', s)" />
  <RecipeOfPour v-if="poured" />
  <FromRecord v-if="poured" />
  <p v-if="poured" class="mt-4">
    <router-link :to="`/record/compare?b=${pour.id}`">Compare with another pour</router-link>
  </p>
  <SameAgain v-if="poured" :pour="pour" class="mt-6" />
</template>

<style scoped>
.two {
  grid-template-columns: repeat(auto-fill, minmax(290px, 1fr));
}
</style>
