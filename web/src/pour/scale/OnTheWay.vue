<script setup lang="ts">
import { ON_THE_WAY, type Reading } from '@zero-pour/contracts';
import { said } from '../../components/said';
import { formatQuantity, plusMinus, stagesOf } from '@zero-pour/core';
import type { PlannedSize } from '@zero-pour/plan';
import { computed } from 'vue';
import ReadingField from '../../components/ReadingField.vue';
import { usePour } from '../../state/usePour';
import { useUnits } from '../../state/unitStore';

/** Sizes of this pour's own print, cured print and first wax: they say what the finished piece will come to. */
defineProps<{ planned: readonly PlannedSize[] }>();
const { pour, set } = usePour();
const units = useUnits();
const measured = computed(() => pour.value.doc.scale.measured ?? {});
const stages = computed(() => {
  const known = stagesOf(pour.value.doc.brief.route);
  return ON_THE_WAY.filter((stage) => known.includes(stage));
});
const LABELS = { printed: 'off the printer', cured: 'cured', wax: 'first wax' } as const;
const mm = (value: number): string => formatQuantity({ value, unit: 'mm', digits: 2 }, units.choice);

function keep(key: string, stage: (typeof ON_THE_WAY)[number], reading: Reading | undefined): void {
  const { [stage]: _, ...others } = measured.value[key] ?? {};
  set(['scale', 'measured', key], reading ? { ...others, [stage]: reading } : others);
}
const foreseen = (size: PlannedSize): string => {
  return `${size.foreseen ? 'By these it' : 'It'} finishes ${mm(size.finished.value)} ± ${mm(plusMinus(size.finished))}; ${mm(size.wantedMm)} is wanted.`;
};
</script>

<template>
  <div v-for="size in planned" :key="size.target.key" class="size">
    <b>{{ size.target.name || 'Size' }}</b>
    <div class="form-grid roomy">
      <ReadingField
        v-for="stage in stages"
        :key="stage"
        v-bind="said('pour', 'scale', 'measured', size.target.key, stage)"
        :label="`${size.target.name || 'Size'}, ${LABELS[stage]}`"
        :model-value="measured[size.target.key]?.[stage]"
        @update:model-value="(reading) => keep(size.target.key, stage, reading)"
      />
    </div>
    <p class="mute">{{ foreseen(size) }}</p>
  </div>
  <p v-if="planned.length === 0" class="mute">Name a size first: it is told what to measure by it.</p>
</template>

<style scoped>
.size {
  display: grid;
  gap: 6px;
  margin-bottom: 12px;
}
</style>
