<script setup lang="ts">
import type { Casting, Flaw, SizeTarget } from '@zero-pour/contracts';
import { said } from '../../components/said';
import { FLAW_KINDS, flawWords, OUTCOMES, type FlawKind, type Judgement } from '@zero-pour/core';
import { weightBefore, type PlannedPiece } from '@zero-pour/plan';
import { computed, shallowRef } from 'vue';
import ChoiceRow from '../../components/ChoiceRow.vue';
import JudgementList from '../../components/JudgementList.vue';
import NoteField from '../../components/NoteField.vue';
import PhotoRow from '../../components/PhotoRow.vue';
import ReadingField from '../../components/ReadingField.vue';
import CastingSizeRows from './CastingSizeRows.vue';
import FinishingSteps from './FinishingSteps.vue';
import FlawRow from './FlawRow.vue';

/** One casting in two looks: as cast (outcome, flaws, weight), and finished (steps, weight, what became of it). */
const props = defineProps<{
  piece: PlannedPiece;
  casting: Casting;
  /** The wanted sizes of this pattern. */
  sizes: readonly SizeTarget[];
  pourId: string;
  /** What was expected of it before it was invested. */
  expected: string;
  /** Which of its flaws a press on the model places. */
  placing: number | undefined;
  /** Its weight against what its volume says. */
  weight: readonly Judgement[];
}>();
const emit = defineEmits<{ change: [casting: Casting]; place: [flaw: number] }>();

const KINDS = FLAW_KINDS.map((kind) => ({ title: flawWords(kind), value: kind }));
const change = (fields: Partial<Casting>): void => emit('change', { ...props.casting, ...fields });
const addFlaw = (kind: FlawKind | null): void => {
  if (kind) change({ flaws: [...props.casting.flaws, { kind, place: '' }] });
};
const setFlaw = (index: number, fields: Partial<Flaw>): void =>
  change({ flaws: props.casting.flaws.map((flaw, i) => (i === index ? { ...flaw, ...fields } : flaw)) });
const removeFlaw = (index: number): void =>
  change({ flaws: props.casting.flaws.filter((_, i) => i !== index) });

const { cutWeightG, finishing, finished } = props.casting;
const opened = shallowRef(cutWeightG !== undefined || (finishing?.length ?? 0) > 0 || finished !== undefined);
const beforeG = computed(() => weightBefore(props.casting));
</script>

<template>
  <article class="casting sheet" :aria-label="`Casting ${piece.name}`">
    <div class="top">
      <h3>
        {{ piece.name }}
        <span v-if="expected" class="expected">{{ expected }}</span>
      </h3>
      <ChoiceRow
        :label="`Outcome of ${piece.name}`"
        :options="OUTCOMES"
        :model-value="casting.outcome"
        @choose="(outcome) => change({ outcome: casting.outcome === outcome ? undefined : outcome })"
      />
    </div>
    <div class="fields">
      <ReadingField
        v-bind="said('pour', 'result', 'castings', '*', 'weightG')"
        :model-value="casting.weightG"
        @update:model-value="(weightG) => change({ weightG })"
      />
      <v-select label="Add a flaw" :items="KINDS" :model-value="null" @update:model-value="addFlaw" />
    </div>
    <JudgementList :judgements="weight" />
    <FlawRow
      v-for="(flaw, i) in casting.flaws"
      :key="i"
      :flaw="flaw"
      :of="piece.name"
      :placing="placing === i"
      :on-earlier-file="flaw.placeMm !== undefined && flaw.patternId !== piece.pattern.id"
      @change="(fields) => setFlaw(i, fields)"
      @remove="removeFlaw(i)"
      @place="emit('place', i)"
    />
    <CastingSizeRows
      v-if="sizes.length > 0"
      :casting="piece.key"
      :sizes="sizes"
      :measured="casting.sizes ?? {}"
      :pour-id="pourId"
      @change="(measured) => change({ sizes: measured })"
    />
    <button type="button" class="text-button more" :aria-expanded="opened" @click="opened = !opened">
      {{ opened ? 'Finishing, put away' : 'Finishing: steps, weights, what became of it' }}
    </button>
    <div v-if="opened" class="finished">
      <ReadingField
        v-bind="said('pour', 'result', 'castings', '*', 'cutWeightG')"
        :model-value="casting.cutWeightG"
        @update:model-value="(grams) => change({ cutWeightG: grams })"
      />
      <FinishingSteps
        :steps="casting.finishing ?? []"
        :of="piece.name"
        :before-g="beforeG"
        @change="(steps) => change({ finishing: steps.length > 0 ? steps : undefined })"
      />
      <div class="end">
        <span>In the end:</span>
        <ChoiceRow
          :label="`Finished, ${piece.name} is`"
          :options="OUTCOMES"
          :model-value="casting.finished"
          @choose="(end) => change({ finished: casting.finished === end ? undefined : end })"
        />
      </div>
    </div>
    <NoteField
      class="mt-3"
      label="Note"
      :max="1000"
      :model-value="casting.note"
      @update:model-value="(note) => change({ note })"
    />
    <PhotoRow
      :of="`Casting ${piece.name}`"
      :photos="casting.photos"
      @change="(photos) => change({ photos })"
    />
  </article>
</template>

<style scoped>
.casting {
  padding: 12px 14px;
  margin-bottom: 10px;
}
.top,
.end {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 16px;
  align-items: center;
}
.top {
  justify-content: space-between;
  margin-bottom: 10px;
}
.expected {
  font: 400 14px var(--text);
  color: var(--mute);
}
.fields {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(256px, 1fr));
  gap: 10px;
}
.more {
  margin-top: 10px;
}
.finished {
  display: grid;
  gap: 12px;
  margin-top: 8px;
}
</style>
