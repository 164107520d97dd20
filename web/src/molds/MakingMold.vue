<script setup lang="ts">
import type { Mold } from '@zero-pour/contracts';
import { formatPhrase, formatQuantity, moldFrame, writeBinaryStl } from '@zero-pour/core';
import { judgeWarp, type MoldPlan, type MoldStep } from '@zero-pour/plan';
import { computed } from 'vue';
import FigureValue from '../components/FigureValue.vue';
import JudgementList from '../components/JudgementList.vue';
import QuantityField from '../components/QuantityField.vue';
import { said } from '../components/said';
import { saveFile } from '../pattern';
import { useUnits } from '../state/unitStore';
import { clockTime } from '../time/shopClock';

/** The steps of making a mold, with what is weighed and how long each takes. */
const props = defineProps<{ mold: Mold; plan: MoldPlan }>();
const emit = defineEmits<{ change: [fields: Partial<Mold>] }>();
const units = useUnits();
const packed = computed(() => props.mold.kind === 'rubber' || props.mold.kind === 'silicone');
const frame = (fields: Partial<Mold['frame']>): void =>
  emit('change', { frame: { ...props.mold.frame, ...fields } });
const minutes = (value: number): string => formatQuantity({ value, unit: 'min' }, units.choice);
const next = computed(() => props.plan.steps.find(({ doneAt }) => !doneAt)?.key);
function toggle({ key, doneAt }: MoldStep): void {
  const { [key]: _, ...others } = props.mold.done;
  emit('change', { done: doneAt ? others : { ...others, [key]: new Date().toISOString() } });
}
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
      </template>
    </div>
    <p v-if="plan.fill" class="mt-2">
      Round the master the frame holds <FigureValue :figure="plan.fill" class="num" /><template
        v-if="plan.press"
        >; under the press for <FigureValue :figure="plan.press" class="num" /></template
      >.
      <button type="button" class="text-button" @click="saveFrame">Save a frame to print</button>
    </p>
    <QuantityField
      v-if="!packed"
      class="warp"
      v-bind="said('mold', 'warpMm')"
      :model-value="mold.warpMm"
      @update:model-value="(warpMm) => emit('change', { warpMm })"
    />
    <JudgementList v-if="!packed" :judgements="judgeWarp(mold.warpMm)" />
    <ol class="steps">
      <li v-for="step in plan.steps" :key="step.key" :class="{ next: step.key === next }">
        <v-checkbox-btn
          class="box"
          :model-value="step.doneAt !== undefined"
          :aria-label="`${step.name} is done`"
          @update:model-value="toggle(step)"
        />
        <div>
          <b>{{ step.name }}</b>
          <span v-if="step.minutes !== null" class="num mins">{{ minutes(step.minutes) }}</span>
          <span v-if="step.doneAt" class="mute when">
            {{ clockTime(Date.parse(step.doneAt), 'd MMM HH:mm') }}</span
          >
          <p>{{ formatPhrase(step.how, units.choice) }}</p>
          <p v-if="step.caution && step.key === next" class="tone watch">{{ step.caution }}</p>
        </div>
      </li>
    </ol>
  </section>
</template>

<style scoped>
.warp {
  max-width: 260px;
}
.steps {
  list-style: none;
  padding: 0;
  margin: 12px 0 0;
}
.steps li {
  display: flex;
  gap: 8px;
  align-items: flex-start;
  padding: 8px 0;
  border-bottom: 1px solid var(--line);
}
.steps li.next {
  background: var(--paper);
}
.box {
  flex: 0 0 40px;
}
.mins,
.when {
  margin-left: 12px;
}
p {
  margin: 2px 0 0;
}
</style>
