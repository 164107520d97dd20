<script setup lang="ts">
import { SIZE_KINDS, wantedMm, type SizeTarget } from '@zero-pour/contracts';
import { said } from '../../components/said';
import { formatQuantity, plusMinus } from '@zero-pour/core';
import { nameOfPart, toleranceOf, type PlannedSize } from '@zero-pour/plan';
import { computed } from 'vue';
import QuantityField from '../../components/QuantityField.vue';
import { usePour } from '../../state/usePour';
import { useUnits } from '../../state/unitStore';
import { SIZE_KIND_NAMES, useWantedSizes, withField } from '../../sizes';

/** All wanted sizes: as drawn, as wanted, as they come out; which must hold and which may follow. */
const props = defineProps<{ planned: readonly PlannedSize[] }>();
const { pour, plan } = usePour();
const units = useUnits();
const { sizes, keep, remove, add } = useWantedSizes();
const parts = computed(() => plan.value.context.parts);

const mm = (value: number, digits = 2): string => formatQuantity({ value, unit: 'mm', digits }, units.choice);
const plannedOf = (key: string): PlannedSize | undefined => props.planned.find((p) => p.target.key === key);

/** How the file has it, where nothing is typed. */
function drawnOf(size: SizeTarget): { mm: number; from: string } {
  const { drawnFrom, drawnMm } = plannedOf(size.key) ?? {};
  if (drawnMm !== undefined && drawnFrom !== 'typed')
    return {
      mm: drawnMm,
      from: drawnFrom === 'file' || drawnFrom === 'printed' ? 'the file' : 'taken as wanted',
    };
  return { mm: wantedMm(size), from: 'taken as wanted' };
}
const AXES: Record<string, [number, number, number]> = { x: [1, 0, 0], y: [0, 1, 0], z: [0, 0, 1] };
const LIES = [
  { title: 'flat on plate', value: '' },
  ...['x', 'y', 'z'].map((axis) => ({ title: `${axis} of file`, value: axis })),
];
function liesOf({ along }: SizeTarget): string {
  if (!along) return '';
  return Object.keys(AXES).find((axis) => AXES[axis]!.every((v, k) => v === along[k])) ?? 'picked';
}
const kinds = SIZE_KINDS.map((value) => ({ title: SIZE_KIND_NAMES[value], value }));
const lines = computed(() =>
  parts.value.map((part) => ({ title: nameOfPart(part, parts.value), value: part.key })),
);
</script>

<template>
  <article v-for="size in sizes" :key="size.key" class="size">
    <div class="fields">
      <v-text-field
        label="Name"
        maxlength="60"
        :model-value="size.name"
        @update:model-value="(name) => keep({ ...size, name })"
      />
      <v-select
        label="It is"
        :items="kinds"
        :model-value="size.of"
        @update:model-value="(of) => keep({ ...size, of })"
      />
      <QuantityField
        v-bind="said('pour', 'brief', 'sizes', '0', 'drawnMm')"
        :model-value="size.drawnMm"
        :standard="drawnOf(size).mm"
        :standard-from="drawnOf(size).from"
        @update:model-value="(d) => keep(withField(size, 'drawnMm', d))"
      />
      <QuantityField
        v-bind="said('pour', 'brief', 'sizes', '0', 'finishedMm')"
        required
        :model-value="size.finishedMm"
        @update:model-value="
          (f) => f !== undefined && keep({ ...withField(size, 'ring', undefined), finishedMm: f })
        "
      />
      <QuantityField
        v-bind="said('pour', 'brief', 'sizes', '0', 'toleranceMm')"
        :model-value="size.toleranceMm"
        :standard="toleranceOf(withField(size, 'toleranceMm', undefined))"
        standard-from="usual"
        @update:model-value="(t) => keep(withField(size, 'toleranceMm', t))"
      />
      <v-select
        :label="size.of === 'bore' || size.of === 'hole' ? 'Its axis is' : 'It lies along'"
        :items="liesOf(size) === 'picked' ? [...LIES, { title: 'as picked', value: 'picked' }] : LIES"
        :model-value="liesOf(size)"
        @update:model-value="(axis: string) => keep(withField(size, 'along', AXES[axis]))"
      />
      <v-select
        v-if="parts.length > 1"
        label="Of"
        :items="lines"
        :model-value="size.lineKey ?? parts[0]?.key"
        @update:model-value="(lineKey) => keep({ ...size, lineKey })"
      />
    </div>
    <div class="line">
      <v-btn-toggle
        :model-value="size.holds ? 'hold' : 'follow'"
        :aria-label="`Whether ${size.name} must hold`"
        @update:model-value="(v) => keep({ ...size, holds: v === 'hold' })"
      >
        <v-btn value="hold" size="small">must hold</v-btn>
        <v-btn value="follow" size="small">may follow</v-btn>
      </v-btn-toggle>
      <span v-if="plannedOf(size.key)" :class="['out', { off: !plannedOf(size.key)!.within }]">
        printed <b class="num">{{ mm(plannedOf(size.key)!.printMm, 3) }}</b>, finishes
        <b class="num">{{ mm(plannedOf(size.key)!.finished.value) }}</b> ±
        {{ mm(plusMinus(plannedOf(size.key)!.finished)) }}:
        {{
          plannedOf(size.key)!.within
            ? 'within'
            : `${mm(Math.abs(plannedOf(size.key)!.missMm))} ${plannedOf(size.key)!.missMm > 0 ? 'over' : 'under'}`
        }}
      </span>
      <button
        type="button"
        class="text-button away"
        :aria-label="`Take ${size.name} away`"
        @click="remove(size.key)"
      >
        away
      </button>
    </div>
  </article>
  <div class="add">
    <v-btn
      v-for="kind in SIZE_KINDS"
      :key="kind"
      size="small"
      @click="add(kind, pour.doc.brief.sizes[0]?.finishedMm ?? 10)"
    >
      Add {{ SIZE_KIND_NAMES[kind].toLowerCase() }}
    </v-btn>
  </div>
</template>

<style scoped>
.size {
  padding: 10px 0 12px;
  border-bottom: 1px solid var(--line);
}
.fields {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(124px, 1fr));
  gap: 8px;
}
.line {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px 14px;
  margin-top: 8px;
}
.out.off {
  color: var(--melt-text);
}
.away {
  margin-left: auto;
}
.add {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  margin-top: 12px;
}
</style>
