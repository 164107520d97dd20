<script setup lang="ts">
import type { Assembly } from '@zero-pour/contracts';
import { FITS, JOINED_BY, judgeFit, type JoinedBy } from '@zero-pour/core';
import type { PlannedPiece } from '@zero-pour/plan';
import ChoiceRow from '../../components/ChoiceRow.vue';
import JudgementList from '../../components/JudgementList.vue';

/** Which castings become one piece, how they are joined, and whether they fit: tried dry before that. */
const props = defineProps<{ joined: readonly Assembly[]; pieces: readonly PlannedPiece[] }>();
const emit = defineEmits<{ change: [joined: Assembly[]] }>();
const add = (): void => emit('change', [...props.joined, { key: crypto.randomUUID().slice(0, 8), pieces: [], by: 'soldered' }]); // prettier-ignore
const setOne = (key: string, fields: Partial<Assembly>): void =>
  emit(
    'change',
    props.joined.map((one) => (one.key === key ? { ...one, ...fields } : one)),
  );
/* Typed here: in the template each would be inferred anew through the list's own types. */
const setPieces = (key: string, pieces: Assembly['pieces']): void => setOne(key, { pieces });
const setBy = (key: string, by: JoinedBy): void => setOne(key, { by });
const take = (key: string): void =>
  emit(
    'change',
    props.joined.filter((one) => one.key !== key),
  );
const WAYS = [...JOINED_BY];
</script>

<template>
  <div v-for="one in joined" :key="one.key" class="joined">
    <v-select
      label="Castings"
      multiple
      :items="pieces.map(({ key, name }) => ({ title: name, value: key }))"
      :model-value="one.pieces"
      @update:model-value="(keys) => setPieces(one.key, keys)"
    />
    <v-select
      label="Joined"
      :items="WAYS"
      :model-value="one.by"
      @update:model-value="(by) => setBy(one.key, by)"
    />
    <ChoiceRow
      label="How they fit"
      :options="FITS"
      :model-value="one.fit"
      @choose="(fit) => setOne(one.key, { fit: one.fit === fit ? undefined : fit })"
    />
    <button type="button" class="text-button" aria-label="Take this joining away" @click="take(one.key)">
      away
    </button>
    <JudgementList v-if="one.pieces.length > 1" class="said" :judgements="judgeFit(one.fit, one.by)" />
    <p v-else class="mute said">Choose two castings at the least.</p>
  </div>
  <v-btn size="small" @click="add">Join castings</v-btn>
</template>

<style scoped>
.joined {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 170px auto auto;
  gap: 8px 10px;
  align-items: center;
  margin-bottom: 8px;
}
.said {
  grid-column: 1 / -1;
  margin: 0;
}
@media (max-width: 1000px) {
  .joined {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
