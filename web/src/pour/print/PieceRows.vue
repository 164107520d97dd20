<script setup lang="ts">
import { PIECE_OUTCOMES, type PourDoc } from '@zero-pour/contracts';
import { said } from '../../components/said';
import { formatQuantity, PRINT_FAULTS, type PrintFaultKey } from '@zero-pour/core';
import { faultsOf, printedPieces, sameHeight } from '@zero-pour/plan';
import { computed, shallowRef } from 'vue';
import ChoiceRow from '../../components/ChoiceRow.vue';
import PhotoRow from '../../components/PhotoRow.vue';
import QuantityField from '../../components/QuantityField.vue';
import { readReadings } from '../../sizes';
import { useUnits } from '../../state/unitStore';
import { usePour } from '../../state/usePour';

/** How each piece came off the plate: good, or what is wrong with it, where, and how high. */
const { pour, plan, set } = usePour();
const units = useUnits();
type Piece = PourDoc['print']['pieces'][string];
const doc = computed(() => pour.value.doc.print);
const pieces = computed(() => printedPieces(plan.value.context));
const pieceOf = (key: string): Piece | undefined => doc.value.pieces[key];
const faults = PRINT_FAULTS.map((fault) => ({ title: fault.name, value: fault.key }));

const keep = (key: string, piece: Piece): void => set(['print', 'pieces', key], piece);
function setOutcome(key: string, outcome: Piece['outcome']): void {
  const { note = '', ...rest } = pieceOf(key) ?? {};
  keep(key, outcome === 'good' ? { outcome, note } : { ...rest, outcome, note });
}
/** One fault or several; the first is the one that is told of first. */
function setFaults(key: string, [fault, ...more]: PrintFaultKey[]): void {
  const { fault: _fault, moreFaults: _more, ...rest } = pieceOf(key)!;
  keep(key, { ...rest, ...(fault ? { fault } : {}), ...(more.length > 0 ? { moreFaults: more } : {}) });
}
/** What is wrong with one, for all that did not come off good: most faults take the whole plate. */
function sameForAll(key: string): void {
  const { outcome, note, fault, moreFaults } = pieceOf(key)!;
  const same = { outcome, note, ...(fault ? { fault } : {}), ...(moreFaults ? { moreFaults } : {}) };
  const others = pieces.value.filter((p) => p.key !== key && pieceOf(p.key)?.outcome !== 'good');
  set(['print', 'pieces'], {
    ...doc.value.pieces,
    ...Object.fromEntries(others.map((p) => [p.key, { ...pieceOf(p.key), ...same }])),
  });
}
function setText(key: string, field: 'mended', text: string | undefined): void {
  const { [field]: _, ...rest } = pieceOf(key)!;
  keep(key, text ? { ...rest, [field]: text } : rest);
}
function setPhotos(key: string, photos: NonNullable<Piece['photos']>): void {
  const { photos: _, ...rest } = pieceOf(key) ?? { outcome: 'good' as const, note: '' };
  keep(key, photos.length > 0 ? { ...rest, photos } : rest);
}
function setHeight(key: string, heightMm: number | undefined): void {
  const { heightMm: _, ...rest } = pieceOf(key)!;
  keep(key, heightMm === undefined ? rest : { ...rest, heightMm });
}
const setAll = (): void =>
  set(
    ['print', 'pieces'],
    Object.fromEntries(pieces.value.map((p) => [p.key, { outcome: 'good', note: '' }])),
  );
/* Pauses and knocks: each may leave a ridge at its height. */
const typedPauses = shallowRef<string>();
const shownPauses = computed(() => typedPauses.value ?? (doc.value.pausesMm ?? []).join(' '));
const pauseProblem = computed(() =>
  typedPauses.value !== undefined && readReadings(typedPauses.value) === undefined
    ? ['Heights in mm, with spaces between: 4.5 12']
    : [],
);
function setPauses(text: string): void {
  typedPauses.value = text;
  const heights = readReadings(text);
  if (heights) set(['print', 'pausesMm'], heights.length > 0 ? heights : undefined);
}

const alike = computed(() => sameHeight(plan.value.context));
const isOff = (key: string): boolean => {
  const outcome = pieceOf(key)?.outcome;
  return outcome !== undefined && outcome !== 'good';
};
</script>

<template>
  <section v-if="pieces.length > 0" class="stage-block">
    <h2>How each piece came off</h2>
    <v-btn size="small" class="mb-2" @click="setAll">All good</v-btn>
    <div v-for="piece in pieces" :key="piece.key" class="piece">
      <span>{{ piece.name }}</span>
      <ChoiceRow
        :label="piece.name"
        :options="PIECE_OUTCOMES"
        :model-value="pieceOf(piece.key)?.outcome"
        @choose="(outcome) => setOutcome(piece.key, outcome)"
      />
      <div v-if="isOff(piece.key)" class="off">
        <v-select
          label="What is wrong"
          multiple
          :items="faults"
          :model-value="faultsOf(pieceOf(piece.key))"
          @update:model-value="(told: PrintFaultKey[]) => setFaults(piece.key, told)"
        />
        <v-text-field
          label="Where"
          :model-value="pieceOf(piece.key)?.note"
          maxlength="400"
          @update:model-value="(note) => keep(piece.key, { ...pieceOf(piece.key)!, note })"
        />
        <QuantityField
          v-bind="said('pour', 'print', 'pieces', piece.key, 'heightMm')"
          :model-value="pieceOf(piece.key)?.heightMm"
          @update:model-value="(height) => setHeight(piece.key, height)"
        />
        <v-text-field
          label="Mended with wax at"
          :model-value="pieceOf(piece.key)?.mended"
          maxlength="200"
          @update:model-value="(text) => setText(piece.key, 'mended', text)"
        />
        <v-btn size="small" @click="sameForAll(piece.key)">The same for all that are not good</v-btn>
        <PhotoRow
          :of="piece.name"
          :photos="pieceOf(piece.key)?.photos ?? []"
          @change="(photos) => setPhotos(piece.key, photos)"
        />
      </div>
    </div>
    <v-text-field
      class="pauses"
      label="Paused or knocked at, mm from the plate"
      autocomplete="off"
      :model-value="shownPauses"
      :error-messages="pauseProblem"
      @update:model-value="setPauses"
      @blur="pauseProblem.length === 0 && (typedPauses = undefined)"
    />
    <p v-if="alike !== undefined" class="mute mt-2" role="status">
      The same height on every piece,
      {{ formatQuantity({ value: alike, unit: 'mm', digits: 1 }, units.choice) }}: look for a pause, a knock,
      or a jump in the layers there.
    </p>
  </section>
</template>

<style scoped>
.piece {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 8px 12px;
  align-items: center;
  padding: 6px 0;
  border-top: 1px solid var(--line);
}

.pauses {
  max-width: 340px;
  margin-top: 10px;
}
.off {
  grid-column: 1 / -1;
  display: grid;
  grid-template-columns: minmax(180px, 1fr) minmax(140px, 1fr) 140px;
  gap: 8px;
  align-items: center;
}
@media (max-width: 700px) {
  .piece,
  .off {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
