<script setup lang="ts">
import { said } from '../components/said';
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
const TURN = 'Turn the flask, button up';
/** The first hands-on moment of a segment; further ones stay as they are. */
function setHand(
  index: number,
  segment: Segment,
  fields: { afterH?: number | undefined; what?: string },
): void {
  const [first, ...rest] = segment.hands;
  const afterH = 'afterH' in fields ? fields.afterH : first?.afterH;
  const what = fields.what ?? first?.what ?? TURN;
  change(index, { hands: afterH === undefined ? rest : [{ afterH, what }, ...rest] });
}
</script>

<template>
  <ol class="segments">
    <li v-for="({ segment, startH, endH, fromC, targetC }, i) in placed" :key="i">
      <v-text-field
        class="two"
        label="Stage"
        :model-value="segment.name"
        :readonly="readonly"
        maxlength="120"
        @update:model-value="(name) => name && change(i, { name })"
      />
      <QuantityField
        v-bind="said('programme', 'segments', '0', 'rampCPerH')"
        :disabled="readonly"
        :model-value="segment.rampCPerH ?? undefined"
        standard-from="kiln's own"
        @update:model-value="(r) => change(i, { rampCPerH: r ?? null })"
      />
      <QuantityField
        v-bind="said('programme', 'segments', '0', 'targetC')"
        :disabled="readonly"
        :model-value="segment.targetC ?? undefined"
        :standard="targetC"
        standard-from="casting"
        takes-hold
        @hold="(holdH) => change(i, { holdH })"
        @update:model-value="(t) => change(i, { targetC: t ?? null })"
      />
      <QuantityField
        v-bind="said('programme', 'segments', '0', 'holdH')"
        :disabled="readonly"
        :model-value="segment.holdH"
        required
        @update:model-value="(h) => h !== undefined && change(i, { holdH: h })"
      />
      <div class="takes">
        <span class="num">{{ formatHours(endH - startH) }}</span>
        <span v-if="!readonly">
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
        </span>
      </div>
      <v-select
        class="two"
        label="Flask"
        :items="['button down', 'button up']"
        :readonly="readonly"
        :model-value="segment.flaskWay"
        @update:model-value="(flaskWay) => change(i, { flaskWay })"
      />
      <QuantityField
        v-bind="said('programme', 'segments', '0', 'hands', '0', 'afterH')"
        :disabled="readonly"
        :model-value="segment.hands[0]?.afterH"
        @update:model-value="(afterH) => setHand(i, segment, { afterH })"
      />
      <v-text-field
        v-if="segment.hands[0]"
        class="two"
        label="What hands do"
        :model-value="segment.hands[0].what"
        :readonly="readonly"
        maxlength="120"
        @update:model-value="(what) => what && setHand(i, segment, { what })"
      />
      <v-checkbox
        v-if="targetC < fromC"
        class="two"
        label="Vent opened while it falls"
        :model-value="segment.vented ?? false"
        :readonly="readonly"
        hide-details
        @update:model-value="(vented) => change(i, { vented: vented === true })"
      />
    </li>
  </ol>
</template>

<style scoped>
.segments {
  list-style: none;
  margin: 0;
  padding: 0;
}
li {
  display: grid;
  grid-template-columns: repeat(6, minmax(0, 1fr));
  gap: 8px 10px;
  padding: 10px 0 12px;
  border-bottom: 1px solid var(--line);
  align-items: start;
}
.two {
  grid-column: span 2;
}
.takes {
  display: grid;
  gap: 2px;
  justify-items: end;
  font-size: 14.5px;
}
.takes button {
  margin-left: 8px;
}
@media (max-width: 700px) {
  li {
    grid-template-columns: repeat(2, minmax(0, 1fr));
  }
}
</style>
