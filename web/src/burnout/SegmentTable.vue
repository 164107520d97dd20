<script setup lang="ts">
import type { PlacedSegment, Segment } from '@zero-pour/core';
import { formatHours } from '@zero-pour/core';
import QuantityField from '../components/QuantityField.vue';

/** The segments of a programme, each editable; empty climb means the kiln's own, empty target the casting temperature. */
const props = defineProps<{ placed: readonly PlacedSegment[]; readonly?: boolean }>();
const emit = defineEmits<{ change: [segments: Segment[]] }>();

const all = (): Segment[] => props.placed.map((p) => p.segment);
function change(index: number, fields: Partial<Segment>): void {
  emit(
    'change',
    all().map((segment, i) => (i === index ? { ...segment, ...fields } : segment)),
  );
}
const remove = (index: number): void =>
  emit(
    'change',
    all().filter((_, i) => i !== index),
  );
function insertAfter(index: number): void {
  const before = props.placed[index];
  if (!before) return;
  const added: Segment = {
    name: 'New step',
    rampCPerH: 100,
    targetC: before.targetC,
    holdH: 1,
    flaskWay: 'button up',
    hands: [],
    note: '',
  };
  emit('change', all().toSpliced(index + 1, 0, added));
}
function setHand(index: number, segment: Segment, afterH: number | undefined): void {
  const what = segment.hands[0]?.what ?? 'Turn the flask, button up';
  change(index, { hands: afterH === undefined ? [] : [{ afterH, what }, ...segment.hands.slice(1)] });
}
</script>

<template>
  <div class="scroll-x">
    <table class="plain segments">
      <thead>
        <tr>
          <th>Stage</th>
          <th>Climb</th>
          <th>Target</th>
          <th>Hold</th>
          <th>Flask</th>
          <th>Hands after</th>
          <th>Takes</th>
          <th><span class="visually-hidden">Change</span></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="({ segment, startH, endH, targetC }, i) in placed" :key="i">
          <td class="name">
            <v-text-field
              label="Name"
              :model-value="segment.name"
              :readonly="readonly"
              maxlength="120"
              @update:model-value="(name) => name && change(i, { name })"
            />
          </td>
          <td>
            <QuantityField
              label="Climb"
              unit="degCPerH"
              :disabled="readonly"
              :model-value="segment.rampCPerH ?? undefined"
              :min="1"
              :max="5000"
              standard-from="kiln's own"
              @update:model-value="(r) => change(i, { rampCPerH: r ?? null })"
            />
          </td>
          <td>
            <QuantityField
              label="Target"
              unit="degC"
              :disabled="readonly"
              :model-value="segment.targetC ?? undefined"
              :min="30"
              :max="1100"
              :standard="targetC"
              standard-from="casting"
              @update:model-value="(t) => change(i, { targetC: t ?? null })"
            />
          </td>
          <td>
            <QuantityField
              label="Hold"
              unit="h"
              :digits="2"
              :disabled="readonly"
              :model-value="segment.holdH"
              :max="72"
              required
              @update:model-value="(h) => h !== undefined && change(i, { holdH: h })"
            />
          </td>
          <td>
            <v-select
              label="Flask"
              :items="['button down', 'button up']"
              :readonly="readonly"
              :model-value="segment.flaskWay"
              @update:model-value="(flaskWay) => change(i, { flaskWay })"
            />
          </td>
          <td>
            <QuantityField
              label="After"
              unit="h"
              :digits="2"
              :disabled="readonly"
              :model-value="segment.hands[0]?.afterH"
              :max="100"
              :standard-from="segment.hands[0]?.what ?? 'none'"
              @update:model-value="(h) => setHand(i, segment, h)"
            />
          </td>
          <td class="num">{{ formatHours(endH - startH) }}</td>
          <td class="acts">
            <template v-if="!readonly">
              <button
                type="button"
                class="text-button"
                :aria-label="`Add a step after ${segment.name}`"
                @click="insertAfter(i)"
              >
                add
              </button>
              <button
                v-if="placed.length > 1"
                type="button"
                class="text-button"
                :aria-label="`Take ${segment.name} out`"
                @click="remove(i)"
              >
                out
              </button>
            </template>
          </td>
        </tr>
      </tbody>
    </table>
  </div>
</template>

<style scoped>
td {
  vertical-align: top !important;
  min-width: 92px;
}
.name {
  min-width: 150px;
}
td.num {
  padding-top: 15px;
  white-space: nowrap;
}
.acts {
  padding-top: 14px;
  white-space: nowrap;
}
.acts button {
  margin-right: 6px;
}
</style>
