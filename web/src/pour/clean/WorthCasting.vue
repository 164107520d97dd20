<script setup lang="ts">
import { repeatPourDoc } from '@zero-pour/contracts';
import { EXPECTATIONS, PIECE_VERDICTS, type Expectation, type PieceVerdict } from '@zero-pour/core';
import { goesOn, missingPieces, piecesWorth, tallyExpected, type PieceWorth } from '@zero-pour/plan';
import { computed, onMounted, shallowRef } from 'vue';
import ChoiceRow from '../../components/ChoiceRow.vue';
import { useSlowNow } from '../../state/clock';
import { usePrints } from '../../state/printStore';
import { usePour } from '../../state/usePour';
import { useShop } from '../../state/shopStore';
import { useNewPour } from '../../state/useNewPour';
import NewestVersions from '../NewestVersions.vue';
import { newestPatterns } from '../newestPatterns';

/** Each piece before it is invested: what becomes of it, and what is expected, to be compared with the casting. */
const { pour, plan, set } = usePour();
const now = useSlowNow();
const prints = usePrints();
onMounted(() => prints.load().catch(() => {}));

const pieces = computed(() => piecesWorth(plan.value.context, new Date(now.value).toISOString()));
const verdictOf = ({ proposed, decided }: PieceWorth) => decided?.verdict ?? proposed.verdict;
const expectOf = ({ proposed, decided }: PieceWorth) => decided?.expect ?? proposed.expect;
const keep = ({ piece }: PieceWorth, verdict: PieceVerdict, expect: Expectation): void =>
  set(['clean', 'pieces', piece.key], { verdict, expect });
const undecided = computed(() => pieces.value.filter((piece) => !piece.decided));
function takeAll(): void {
  const taken = undecided.value.map((p) => [
    p.piece.key,
    { verdict: p.proposed.verdict, expect: p.proposed.expect },
  ]);
  set(['clean', 'pieces'], { ...pour.value.doc.clean.pieces, ...Object.fromEntries(taken) });
}
const goes = computed(() => pieces.value.filter(goesOn).length);
const missing = computed(() => missingPieces(plan.value.context, pieces.value));
const short = computed(() => missing.value.reduce((sum, { count }) => sum + count, 0));
const newPour = useNewPour();
const shop = useShop();
const newest = shallowRef(true);
/** The missing ones are a pour of their own: as this one was planned, its day apart. */
function planMissing(): void {
  const wanted = new Map(missing.value.map(({ line, count }) => [line, count]));
  const again = repeatPourDoc(pour.value.doc, pour.value.number, `${short.value} printed again`);
  const lines = again.brief.lines.flatMap((line) => {
    const count = wanted.get(line.key);
    return count === undefined ? [] : [{ ...line, count }];
  });
  const doc = { ...again, brief: { ...again.brief, lines } };
  void newPour(newest.value ? newestPatterns(doc, shop.patterns) : doc);
}
const tally = computed(() =>
  Object.entries(tallyExpected(prints.prints)).filter(([, count]) => count.of > 0),
);
</script>

<template>
  <section v-if="pieces.length > 0" class="stage-block" aria-label="Worth casting?">
    <h2>Worth casting?</h2>
    <p class="head">
      <span>
        {{ goes }} of {{ pieces.length }} {{ goes === 1 ? 'goes' : 'go' }} into the flask<template
          v-if="short > 0"
          >: {{ short }} fewer than wanted</template
        >.
      </span>
      <v-btn v-if="undecided.length > 0" size="small" variant="flat" @click="takeAll">As proposed</v-btn>
      <v-btn v-if="short > 0 && undecided.length === 0" size="small" @click="planMissing"
        >A new pour for the {{ short }} missing</v-btn
      >
    </p>
    <NewestVersions v-if="short > 0 && undecided.length === 0" v-model="newest" :doc="pour.doc" />
    <div v-for="worth in pieces" :key="worth.piece.key" :class="['piece', { open: !worth.decided }]">
      <span>
        {{ worth.piece.name }}
        <span v-for="reason in worth.proposed.reasons" :key="reason" class="reason">{{ reason }}</span>
        <router-link
          v-if="worth.proposed.toPattern"
          :to="`/patterns/${worth.piece.pattern.id}`"
          class="reason"
        >
          The fault lies in the model: a new version of the pattern
        </router-link>
      </span>
      <ChoiceRow
        :label="`What becomes of ${worth.piece.name}`"
        :options="PIECE_VERDICTS"
        :model-value="verdictOf(worth)"
        @choose="(verdict) => keep(worth, verdict, expectOf(worth))"
      />
      <ChoiceRow
        :label="`What is expected of ${worth.piece.name}`"
        :options="EXPECTATIONS"
        :model-value="expectOf(worth)"
        @choose="(expect) => keep(worth, verdictOf(worth), expect)"
      />
    </div>
    <p v-if="undecided.length > 0" class="mute mt-2">
      Pale rows are proposed from the print and the cleaning; press what you decide.
    </p>
    <p v-if="tally.length > 0" class="mute mt-2">
      So far came out sellable:
      <template v-for="([expected, count], i) in tally" :key="expected"
        ><template v-if="i > 0">, </template>of {{ count.of }} “{{ expected }}” {{ count.sellable }}</template
      >.
    </p>
  </section>
</template>

<style scoped>
.head {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 14px;
  align-items: center;
  margin-bottom: 8px;
}
.piece {
  display: grid;
  grid-template-columns: minmax(112px, 1fr) 278px 226px;
  gap: 6px 8px;
  align-items: center;
  padding: 6px 0;
  border-top: 1px solid var(--line);
}
.piece :deep(button) {
  flex: auto;
  padding: 0 7px;
}
.piece :deep(.choice) {
  flex-wrap: nowrap;
  width: 100%;
}
.open {
  color: var(--mute);
}
.reason {
  display: block;
  font-size: 13.5px;
  color: var(--ink);
}
@media (max-width: 1180px) {
  .piece {
    grid-template-columns: minmax(0, 1fr);
  }
  .piece > :nth-child(n + 2) {
    max-width: 290px;
  }
}
</style>
