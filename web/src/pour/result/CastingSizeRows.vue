<script setup lang="ts">
import {
  AT_THE_END,
  readingValue,
  wantedMm,
  type CastingSizes,
  type Reading,
  type SizeTarget,
} from '@zero-pour/contracts';
import { said } from '../../components/said';
import { formatQuantity } from '@zero-pour/core';
import { toleranceOf } from '@zero-pour/plan';
import ReadingField from '../../components/ReadingField.vue';
import { useUnits } from '../../state/unitStore';

/** Wanted sizes of one casting, as cast and finished, and how far off they are. */
const props = defineProps<{
  /** The piece's name. */
  casting: string;
  sizes: readonly SizeTarget[];
  measured: CastingSizes;
  pourId: string;
}>();
const emit = defineEmits<{ change: [measured: CastingSizes] }>();
const units = useUnits();

type End = (typeof AT_THE_END)[number];
const LABELS: Record<End, string> = { cast: 'as cast', finished: 'finished' };
function set(key: string, stage: End, reading: Reading | undefined): void {
  const { [stage]: _, ...others } = props.measured[key] ?? {};
  emit('change', { ...props.measured, [key]: reading ? { ...others, [stage]: reading } : others });
}
/** Finished against what was wanted, in words. */
function off(size: SizeTarget): { words: string; within: boolean } | undefined {
  const mm = readingValue(props.measured[size.key]?.finished);
  if (mm === undefined) return undefined;
  const by = mm - wantedMm(size);
  const within = Math.abs(by) <= toleranceOf(size) + 1e-9;
  const amount = formatQuantity({ value: Math.abs(by), unit: 'mm' }, units.choice);
  return {
    words: `${amount} ${by >= 0 ? 'over' : 'under'}${within ? '' : ', outside the tolerance'}`,
    within,
  };
}
</script>

<template>
  <div v-for="size in sizes" :key="size.key" class="size">
    <span class="name">
      {{ size.name || 'Size' }}
      <span class="num">{{ formatQuantity({ value: wantedMm(size), unit: 'mm' }, units.choice) }}</span>
    </span>
    <ReadingField
      v-for="stage in AT_THE_END"
      :key="stage"
      v-bind="said('pour', 'result', 'castings', '*', 'sizes', size.key, stage)"
      :label="`${size.name || 'Size'}, ${LABELS[stage]}`"
      :model-value="measured[size.key]?.[stage]"
      @update:model-value="(reading) => set(size.key, stage, reading)"
    />
    <span v-if="off(size)" class="mute">
      {{ off(size)!.words }}
      <router-link
        v-if="!off(size)!.within"
        :to="{ path: '/sizes/why', query: { pour: pourId, size: size.key, casting } }"
        >Which step did it?</router-link
      >
    </span>
  </div>
</template>

<style scoped>
.size {
  display: grid;
  grid-template-columns: 130px repeat(2, minmax(242px, 1fr));
  gap: 6px 10px;
  align-items: center;
  margin-top: 8px;
}
.name {
  display: grid;
  font-weight: 650;
}
.name .num {
  font-weight: 400;
  color: var(--mute);
}
.size > .mute {
  grid-column: 2 / -1;
}
@media (max-width: 1180px) {
  .size {
    grid-template-columns: minmax(0, 1fr);
  }
  .size > .mute {
    grid-column: 1;
  }
}
</style>
