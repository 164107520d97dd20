<script setup lang="ts">
import type { Mold } from '@zero-pour/contracts';
import { moldFrame, writeBinaryStl } from '@zero-pour/core';
import { judgeWarp, type MoldPlan } from '@zero-pour/plan';
import { computed } from 'vue';
import CautionLine from '../components/CautionLine.vue';
import FigureValue from '../components/FigureValue.vue';
import JudgementList from '../components/JudgementList.vue';
import QuantityField from '../components/QuantityField.vue';
import { said } from '../components/said';
import StepTable from '../components/StepTable.vue';
import { saveFile } from '../pattern';
import { nextStep } from '../state/timedSteps';
import { useUnits } from '../state/unitStore';
import MoldZero from './MoldZero.vue';
import { useMolds } from './moldStore';
import { moldTimedSteps } from './moldTimedSteps';

/** The steps of making a mold, with what is weighed and how long each takes. */
const props = defineProps<{ mold: Mold; plan: MoldPlan }>();
const emit = defineEmits<{ change: [fields: Partial<Mold>] }>();
const units = useUnits();
const molds = useMolds();
const packed = computed(() => props.mold.kind === 'rubber' || props.mold.kind === 'silicone');
const frame = (fields: Partial<Mold['frame']>): void =>
  emit('change', { frame: { ...props.mold.frame, ...fields } });
const steps = computed(() => moldTimedSteps(props.mold, molds.thingsOf(props.mold), units.choice));
const next = computed(() => nextStep(steps.value));
/** A box of these insides, open above: for rubber that is packed cold, and for silicone. */
function saveFrame(): void {
  const { positions, triangles } = moldFrame(props.mold.frame);
  const bytes = writeBinaryStl(positions, triangles) as Uint8Array<ArrayBuffer>;
  saveFile(new Blob([bytes]), `${props.mold.name}, frame.stl`);
}
const SIDES = ['lengthMm', 'widthMm', 'heightMm'] as const;
</script>

<template>
  <section class="stage-block">
    <h2>Making it</h2>
    <div v-if="packed" class="form-grid">
      <QuantityField
        v-for="side in SIDES"
        :key="side"
        v-bind="said('mold', 'frame', side)"
        required
        :model-value="mold.frame[side]"
        @update:model-value="(v) => v !== undefined && frame({ [side]: v })"
      />
      <QuantityField
        v-if="mold.kind === 'rubber'"
        v-bind="said('mold', 'pressC')"
        required
        :model-value="mold.pressC"
        @update:model-value="(v) => v !== undefined && emit('change', { pressC: v })"
      />
      <template v-else>
        <QuantityField
          v-for="part in [0, 1] as const"
          :key="part"
          :label="part === 0 ? 'Parts of A' : 'Parts of B'"
          unit="count"
          :digits="1"
          :min="0.01"
          :max="1000"
          required
          :model-value="mold.mixParts[part]"
          @update:model-value="
            (v) =>
              v && emit('change', { mixParts: part === 0 ? [v, mold.mixParts[1]] : [mold.mixParts[0], v] })
          "
        />
        <QuantityField
          v-bind="said('mold', 'cureH')"
          :model-value="mold.cureH"
          @update:model-value="(cureH) => emit('change', { cureH })"
        />
      </template>
    </div>
    <p v-if="plan.fill" class="mt-2">
      Round the master the frame holds <FigureValue :figure="plan.fill" class="num" /><template
        v-if="plan.press"
        >; under the press for <FigureValue :figure="plan.press" class="num" /></template
      >.
      <button type="button" class="text-button" @click="saveFrame">Save a frame to print</button>
    </p>
    <div v-if="!packed" class="form-grid mt-2">
      <QuantityField
        v-bind="said('mold', 'printH')"
        :model-value="mold.printH"
        @update:model-value="(printH) => emit('change', { printH })"
      />
      <QuantityField
        v-bind="said('mold', 'warpMm')"
        :model-value="mold.warpMm"
        @update:model-value="(warpMm) => emit('change', { warpMm })"
      />
    </div>
    <JudgementList v-if="!packed" :judgements="judgeWarp(mold.warpMm)" />
    <MoldZero :mold="mold" @change="(fields) => emit('change', fields)" />
    <div class="bench mt-3">
      <v-btn :to="`/molds/${mold.id}/bench`">At the bench <kbd>B</kbd></v-btn>
      <span class="mute">One step to the screen, with its clock.</span>
    </div>
    <CautionLine v-if="next" :of="next.caution" />
    <StepTable :steps="steps" @record="(key, record) => molds.recordStep(mold, key, record)" />
  </section>
</template>

<style scoped>
.bench {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px 14px;
}
kbd {
  margin-left: 8px;
}
</style>
