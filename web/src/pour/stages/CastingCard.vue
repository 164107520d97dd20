<script setup lang="ts">
import type { Casting, Flaw, SizeTarget } from '@zero-pour/contracts';
import { said } from '../../components/said';
import { FLAW_KINDS, OUTCOMES, type FlawKind } from '@zero-pour/core';
import type { PlannedPiece } from '@zero-pour/plan';
import ChoiceRow from '../../components/ChoiceRow.vue';
import NoteField from '../../components/NoteField.vue';
import PhotoRow from '../../components/PhotoRow.vue';
import QuantityField from '../../components/QuantityField.vue';
import ReadingField from '../../components/ReadingField.vue';
import CastingSizeRows from './CastingSizeRows.vue';

/** One casting: outcome, flaws with place and size, weight, size, note, photos. */
const props = defineProps<{
  piece: PlannedPiece;
  casting: Casting;
  /** The wanted sizes of this pattern. */
  sizes: readonly SizeTarget[];
  pourId: string;
  /** What was expected of it before it was invested. */
  expected: string;
}>();
const emit = defineEmits<{ change: [casting: Casting] }>();

const change = (fields: Partial<Casting>): void => emit('change', { ...props.casting, ...fields });
const addFlaw = (kind: FlawKind | null): void => {
  if (kind) change({ flaws: [...props.casting.flaws, { kind, place: '' }] });
};
const setFlaw = (index: number, fields: Partial<Flaw>): void =>
  change({ flaws: props.casting.flaws.map((flaw, i) => (i === index ? { ...flaw, ...fields } : flaw)) });
const removeFlaw = (index: number): void =>
  change({ flaws: props.casting.flaws.filter((_, i) => i !== index) });
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
      <v-select
        label="Add a flaw"
        :items="[...FLAW_KINDS]"
        :model-value="null"
        @update:model-value="addFlaw"
      />
    </div>
    <CastingSizeRows
      v-if="sizes.length > 0"
      :casting="piece.key"
      :sizes="sizes"
      :measured="casting.sizes ?? {}"
      :pour-id="pourId"
      @change="(measured) => change({ sizes: measured })"
    />
    <div v-for="(flaw, i) in casting.flaws" :key="i" class="flaw">
      <b>{{ flaw.kind }}</b>
      <v-text-field
        label="Where"
        :model-value="flaw.place"
        maxlength="120"
        @update:model-value="(place) => setFlaw(i, { place })"
      />
      <QuantityField
        v-bind="said('pour', 'result', 'castings', '*', 'flaws', '0', 'sizeMm')"
        :model-value="flaw.sizeMm"
        @update:model-value="(sizeMm) => setFlaw(i, { sizeMm })"
      />
      <button type="button" class="text-button" :aria-label="`Take ${flaw.kind} away`" @click="removeFlaw(i)">
        away
      </button>
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
.top {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 16px;
  align-items: center;
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
.flaw {
  display: grid;
  grid-template-columns: 150px minmax(0, 1fr) 130px auto;
  gap: 10px;
  align-items: center;
  margin-top: 8px;
}
@media (max-width: 700px) {
  .flaw {
    grid-template-columns: 1fr;
  }
}
</style>
