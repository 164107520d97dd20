<script setup lang="ts">
import { FIRST_SIZE, type SizeTarget } from '@zero-pour/contracts';
import { said } from '../../components/said';
import { RING_SYSTEM_NAMES, RING_SYSTEMS, ringDiameterMm, type RingSystem } from '@zero-pour/core';
import { ref } from 'vue';
import QuantityField from '../../components/QuantityField.vue';
import { useWantedSizes, withField } from '../../sizes';

/** The size that the piece is asked for first: in length, or as a ring size of any system. */
const { first, keep, remove } = useWantedSizes();
const EMPTY: SizeTarget = {
  key: FIRST_SIZE,
  name: 'Size',
  lineKey: null,
  of: 'outside',
  holds: true,
  finishedMm: 1,
};

/** A ring size no longer stands once another length is typed. */
function setMm(finishedMm: number | undefined): void {
  if (finishedMm === undefined) return remove(FIRST_SIZE);
  const { ring: _, wideBandMm: _wide, ...rest } = first.value ?? EMPTY;
  keep({ ...rest, finishedMm });
}
function setKind(kind: string): void {
  const of = kind === 'bore' ? 'bore' : 'outside';
  if (first.value) keep({ ...first.value, of, name: of === 'bore' ? 'Bore' : 'Size' });
}
function setTolerance(toleranceMm: number | undefined): void {
  if (first.value) keep(withField(first.value, 'toleranceMm', toleranceMm));
}

const ringSystem = ref<RingSystem>(first.value?.ring?.system ?? 'US');
const ringText = ref(first.value?.ring?.size ?? '');
const ringProblem = ref('');
function setRing(): void {
  ringProblem.value = '';
  if (ringText.value.trim() === '') return;
  try {
    const finishedMm = Math.round(ringDiameterMm(ringSystem.value, ringText.value) * 1000) / 1000;
    const ring = { system: ringSystem.value, size: ringText.value.trim() };
    keep({ ...(first.value ?? EMPTY), name: 'Bore', of: 'bore', finishedMm, ring });
  } catch {
    ringProblem.value = `Not a ${RING_SYSTEM_NAMES[ringSystem.value]} size.`;
  }
}
</script>

<template>
  <div class="form-grid">
    <QuantityField
      v-bind="said('pour', 'brief', 'sizes', '0', 'finishedMm')"
      label="Size"
      :model-value="first?.finishedMm"
      hint="Empty: none"
      @update:model-value="setMm"
    />
    <v-select
      label="Measured"
      :items="[
        { title: 'over metal (outside)', value: 'outside' },
        { title: 'across a hole (bore)', value: 'bore' },
      ]"
      :model-value="first?.of === 'bore' || first?.of === 'hole' ? 'bore' : 'outside'"
      :disabled="!first"
      @update:model-value="setKind"
    />
    <QuantityField
      v-bind="said('pour', 'brief', 'sizes', '0', 'toleranceMm')"
      :model-value="first?.toleranceMm"
      :disabled="!first"
      @update:model-value="setTolerance"
    />
    <div class="ring">
      <v-select
        v-model="ringSystem"
        label="or ring size"
        :items="RING_SYSTEMS.map((s) => ({ title: RING_SYSTEM_NAMES[s], value: s }))"
        @update:model-value="setRing"
      />
      <v-text-field
        v-model="ringText"
        label="Size"
        autocomplete="off"
        :error-messages="ringProblem ? [ringProblem] : []"
        @update:model-value="setRing"
      />
    </div>
  </div>
</template>

<style scoped>
.ring {
  display: grid;
  grid-template-columns: 1fr 84px;
  gap: 6px;
  grid-column: span 2;
}
@media (max-width: 600px) {
  .ring {
    grid-column: span 1;
  }
}
</style>
