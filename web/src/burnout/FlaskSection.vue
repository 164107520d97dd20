<script setup lang="ts">
import { formatQuantity, type FlaskHeat } from '@zero-pour/core';
import { computed, shallowRef, useTemplateRef, watch } from 'vue';
import { useUnits } from '../state/unitStore';
import { COLOURS } from '../theme/colours';
import { heatColour } from '../theme/heat';

/** The flask cut through its axis, run through the burnout: how warm it is where, and where water is left. */
const props = defineProps<{ heat: FlaskHeat }>();
const units = useUnits();
const at = shallowRef(0);
const shown = computed(() => props.heat.sections[Math.min(at.value, props.heat.sections.length - 1)]!);
const row = computed(() =>
  props.heat.rows.reduce((near, one) =>
    Math.abs(one.h - shown.value.h) < Math.abs(near.h - shown.value.h) ? one : near,
  ),
);
/** Pixels of one cell. */
const CELL = { r: 5, z: 9 };
const size = computed(() => ({
  width: 2 * props.heat.grid.nr * CELL.r,
  height: 2 * props.heat.grid.nz * CELL.z,
}));
const canvas = useTemplateRef<HTMLCanvasElement>('canvas');

function draw(): void {
  const on = canvas.value?.getContext('2d');
  if (!on) return;
  const { nr, nz } = props.heat.grid;
  const { temps, water } = shown.value;
  for (let j = 0; j < nz; j++)
    for (let i = 0; i < nr; i++) {
      const cell = j * nr + i;
      for (const x of [nr + i, nr - 1 - i])
        for (const y of [nz + j, nz - 1 - j]) {
          on.globalAlpha = 1;
          on.fillStyle = heatColour(temps[cell]!);
          on.fillRect(x * CELL.r, y * CELL.z, CELL.r, CELL.z);
          on.globalAlpha = 0.75 * water[cell]!;
          on.fillStyle = COLOURS.waxMid;
          on.fillRect(x * CELL.r, y * CELL.z, CELL.r, CELL.z);
        }
    }
}
watch([shown, canvas, size], draw, { flush: 'post', immediate: true });
watch(
  () => props.heat,
  () => (at.value = Math.min(at.value, props.heat.sections.length - 1)),
);

const degrees = (value: number): string => formatQuantity({ value, unit: 'degC' }, units.choice);
const hours = (value: number): string => formatQuantity({ value, unit: 'h' }, units.choice);
const words = computed(() => {
  const { kilnC, rimC, patternsC, coreC, waterLeft } = row.value;
  const water =
    waterLeft < 0.001 ? 'dry' : `${Math.max(1, Math.round(100 * waterLeft))} % of the free water left`;
  return `Kiln ${degrees(kilnC)} · rim ${degrees(rimC)} · patterns ${degrees(patternsC)} · core ${degrees(coreC)} · ${water}`;
});
</script>

<template>
  <div class="section">
    <canvas
      ref="canvas"
      :width="size.width"
      :height="size.height"
      role="img"
      :aria-label="`Section of the flask after ${hours(shown.h)}: ${words}`"
    />
    <div class="side">
      <label class="slide">
        <span class="num after">{{ hours(shown.h) }}</span>
        <input
          v-model.number="at"
          type="range"
          min="0"
          :max="heat.sections.length - 1"
          step="1"
          aria-label="Hours after kiln in"
        />
      </label>
      <p class="num">{{ words }}</p>
      <p class="mute">
        Cut through its axis; where water is left it is blue-green. A clean cylinder of investment in a steel
        shell: what hangs in it, and a cold neighbour in the kiln, are not reckoned.
      </p>
    </div>
  </div>
</template>

<style scoped>
.section {
  display: flex;
  flex-wrap: wrap;
  gap: 14px 24px;
  align-items: center;
}
canvas {
  border: 3px solid var(--metal);
  border-top-width: 1px;
  border-bottom-width: 1px;
  max-width: 100%;
}
.side {
  flex: 1;
  min-width: 260px;
}
.slide {
  display: flex;
  align-items: center;
  gap: 14px;
}
.after {
  min-width: 84px;
  font-size: 20px;
  font-weight: 700;
}
.slide input {
  flex: 1;
  accent-color: var(--melt);
  min-height: 40px;
}
p {
  margin: 8px 0 0;
}
</style>
