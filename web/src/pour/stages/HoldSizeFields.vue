<script setup lang="ts">
import { RING_SYSTEM_NAMES, RING_SYSTEMS, ringDiameterMm, type RingSystem } from '@zero-pour/core';
import { computed, ref } from 'vue';
import QuantityField from '../../components/QuantityField.vue';
import { usePour } from '../../state/usePour';

/** The size that must hold in the finished piece: in length, or as a ring size of any system. */
const { pour, set } = usePour();
const hold = computed(() => pour.value.doc.brief.holdSize);
function setHold(mm: number | undefined): void {
  set(
    ['brief', 'holdSize'],
    mm === undefined
      ? undefined
      : { ...hold.value, mm, surface: hold.value?.surface ?? 'outer', ring: undefined },
  );
}
const ringSystem = ref<RingSystem>(hold.value?.ring?.system ?? 'US');
const ringText = ref(hold.value?.ring?.size ?? '');
const ringProblem = ref('');
function setRing(): void {
  ringProblem.value = '';
  if (ringText.value.trim() === '') return;
  try {
    const mm = ringDiameterMm(ringSystem.value, ringText.value);
    const { toleranceMm } = hold.value ?? {};
    set(['brief', 'holdSize'], {
      mm: Math.round(mm * 1000) / 1000,
      surface: 'inner',
      ...(toleranceMm ? { toleranceMm } : {}),
      ring: { system: ringSystem.value, size: ringText.value.trim() },
    });
  } catch {
    ringProblem.value = `Not a ${RING_SYSTEM_NAMES[ringSystem.value]} size.`;
  }
}
</script>

<template>
  <section class="stage-block">
    <h2>Size that must hold in the finished piece</h2>
    <div class="form-grid">
      <QuantityField
        label="Size"
        unit="mm"
        :digits="3"
        :model-value="hold?.mm"
        :min="0.1"
        :max="400"
        hint="Leave empty when none must hold"
        @update:model-value="setHold"
      />
      <v-select
        label="Measured"
        :items="[
          { title: 'over metal (outside)', value: 'outer' },
          { title: 'across a hole (bore)', value: 'inner' },
        ]"
        :model-value="hold?.surface ?? 'outer'"
        :disabled="!hold"
        @update:model-value="(surface) => set(['brief', 'holdSize', 'surface'], surface)"
      />
      <QuantityField
        label="Tolerance ±"
        unit="mm"
        :model-value="hold?.toleranceMm"
        :min="0.005"
        :max="10"
        :disabled="!hold"
        @update:model-value="(t) => set(['brief', 'holdSize', 'toleranceMm'], t)"
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
  </section>
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
