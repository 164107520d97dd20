<script setup lang="ts">
import type { Flaw } from '@zero-pour/contracts';
import { FLAW_ZONES, flawWords, SEVERITIES } from '@zero-pour/core';
import PhotoRow from '../../components/PhotoRow.vue';
import QuantityField from '../../components/QuantityField.vue';
import { said } from '../../components/said';

/** One flaw of a casting: where, how bad, how large, and its picture. */
const props = defineProps<{
  flaw: Flaw;
  of: string;
  /** It is the one that a press on the model places. */
  placing: boolean;
  /** Its place is on an earlier file of the pattern. */
  onEarlierFile: boolean;
}>();
const emit = defineEmits<{ change: [fields: Partial<Flaw>]; remove: []; place: [] }>();
const items = (list: readonly string[]) => [...list];
</script>

<template>
  <div class="flaw" role="group" :aria-label="`${flawWords(flaw.kind)} of ${of}`">
    <b>{{ flawWords(flaw.kind) }}</b>
    <v-select
      label="Where"
      clearable
      :items="items(FLAW_ZONES)"
      :model-value="flaw.zone ?? null"
      @update:model-value="(zone) => emit('change', { zone: zone ?? undefined })"
    />
    <v-select
      label="How bad"
      clearable
      :items="items(SEVERITIES)"
      :model-value="flaw.severity ?? null"
      @update:model-value="(severity) => emit('change', { severity: severity ?? undefined })"
    />
    <QuantityField
      v-bind="said('pour', 'result', 'castings', '*', 'flaws', '0', 'sizeMm')"
      :model-value="flaw.sizeMm"
      @update:model-value="(sizeMm) => emit('change', { sizeMm })"
    />
    <v-text-field
      class="words"
      label="In words"
      :model-value="flaw.place"
      maxlength="120"
      @update:model-value="(place) => emit('change', { place: place ?? '' })"
    />
    <span class="say">
      <button type="button" class="text-button" :aria-pressed="placing" @click="emit('place')">
        {{ placing ? 'press on the model …' : flaw.placeMm ? 'shown on the model' : 'show on the model' }}
      </button>
      <button
        type="button"
        class="text-button"
        :aria-label="`Take ${flawWords(flaw.kind)} away`"
        @click="emit('remove')"
      >
        away
      </button>
    </span>
    <p v-if="onEarlierFile" class="mute wide">
      Its place was shown on an earlier file of this pattern, and stays there.
    </p>
    <PhotoRow
      class="wide"
      :of="`${flawWords(flaw.kind)} of ${of}`"
      :photos="props.flaw.photos ?? []"
      @change="(photos) => emit('change', { photos: photos.length > 0 ? photos : undefined })"
    />
  </div>
</template>

<style scoped>
.flaw {
  display: grid;
  grid-template-columns: 130px minmax(0, 1fr) minmax(0, 1fr) 120px;
  gap: 8px 10px;
  align-items: center;
  margin-top: 10px;
  padding-top: 10px;
  border-top: 1px solid var(--line);
}
.wide {
  grid-column: 1 / -1;
  margin: 0;
}
.words {
  grid-column: 2 / 4;
}
.say {
  display: grid;
  gap: 4px;
  justify-items: start;
}
@media (max-width: 700px) {
  .flaw {
    grid-template-columns: minmax(0, 1fr);
  }
  .words {
    grid-column: auto;
  }
}
</style>
