<script setup lang="ts">
import { computed } from 'vue';
import { BARE_CSS, colourAt, cssOf, type Ramp } from './paint';

/** The ramp with its numbers: both ends and the limit. */
const props = defineProps<{
  ramp: Ramp;
  from: number;
  to: number;
  show: (value: number) => string;
  title: string;
  bare?: string;
}>();
const WIDTH = 190;
/** A label at the limit stays inside the legend. */
const HALF_LABEL = 28;
const gradient = computed(() => {
  const stops = Array.from({ length: 25 }, (_, n) => {
    const value = props.from + ((props.to - props.from) * n) / 24;
    return `${cssOf(colourAt(props.ramp, value))} ${((100 * n) / 24).toFixed(1)}%`;
  });
  return `linear-gradient(90deg, ${stops.join(', ')})`;
});
const limitAt = computed(() => ((props.ramp.limit - props.from) / (props.to - props.from)) * WIDTH);
</script>

<template>
  <div class="legend" :style="{ width: `${WIDTH}px` }">
    <span class="title">{{ title }}</span>
    <div class="numbers num">
      <span v-if="limitAt > 44">{{ show(from) }}</span>
      <b :style="{ left: `${Math.max(HALF_LABEL, limitAt)}px` }">{{ show(ramp.limit) }}</b>
      <span v-if="limitAt < WIDTH - 44" class="to">{{ show(to) }}</span>
    </div>
    <div class="ramp" :style="{ background: gradient }">
      <i :style="{ left: `${limitAt}px` }" />
    </div>
    <span v-if="bare" class="bare"><i :style="{ background: BARE_CSS }" />{{ bare }}</span>
  </div>
</template>

<style scoped>
.legend {
  font-size: 13px;
  pointer-events: none;
}
.title {
  display: block;
  color: var(--mute);
}
.numbers {
  position: relative;
  height: 19px;
  font-size: 12.5px;
}
.numbers b {
  position: absolute;
  transform: translateX(-50%);
  color: var(--oxide);
  font-weight: 400;
}
.to {
  position: absolute;
  right: 0;
}
.ramp {
  position: relative;
  height: 12px;
  border: 1px solid var(--line2);
}
.ramp i {
  position: absolute;
  top: -3px;
  bottom: -3px;
  width: 2px;
  margin-left: -1px;
  background: var(--oxide);
}
.bare {
  display: flex;
  align-items: center;
  gap: 6px;
  color: var(--mute);
  margin-top: 3px;
}
.bare i {
  width: 12px;
  height: 12px;
  border: 1px solid var(--line2);
}
</style>
