<script setup lang="ts">
import { formatQuantity } from '@zero-pour/core';
import { useElementSize } from '@vueuse/core';
import { computed, onScopeDispose, shallowRef, useTemplateRef, watch } from 'vue';
import { onSceneKey, PartScene, SCENE_KEYS_HELP, type Point } from '../pattern';
import { useUnits } from '../state/unitStore';
import { opened } from './opened';
import type { Made } from './useMoldBlock';

/** The two halves, opened as far as one wants to look. */
const props = defineProps<{ made: Made }>();
const units = useUnits();
const mm = (value: number): string => formatQuantity({ value, unit: 'mm', digits: 1 }, units.choice);
const frame = useTemplateRef<HTMLElement>('frame');
const canvas = useTemplateRef<HTMLCanvasElement>('canvas');
const { width, height } = useElementSize(frame);
const open = shallowRef(0.8);
const flat = shallowRef(false);
const drawn = shallowRef(false);
const scene = shallowRef<PartScene>();
const round = computed(() => {
  const [x, y, z] = props.made.sizeMm;
  return { center: [0, 0, 0] as Point, radius: Math.hypot(x, y, 2.4 * z) / 2 };
});
watch([() => props.made, open, canvas, width, height], () => {
  if (!canvas.value || width.value === 0) return;
  try {
    const shown = (scene.value ??= new PartScene(canvas.value, () => (drawn.value = true)));
    shown.resize(width.value, height.value);
    const { positions, triangles, colours } = opened(props.made, open.value);
    shown.setShape(positions, triangles, round.value);
    shown.setColours(colours);
  } catch {
    flat.value = true;
  }
});
onScopeDispose(() => scene.value?.dispose());
const facts = computed(() => {
  const { sizeMm, stepped, keys, vents, blindEnds, thinnestMm } = props.made;
  return [
    `${sizeMm.map(mm).join(' × ')}`,
    stepped ? 'parts along the outline, no plane could' : 'parts on one plane',
    `${keys} keys`,
    vents > 0 ? `${vents} ${vents === 1 ? 'vent' : 'vents'}` : 'no vent',
    ...(blindEnds > 0 ? [`${blindEnds} ends without a way out for air`] : []),
    `thinnest wall ${mm(thinnestMm)}`,
  ];
});
</script>

<template>
  <div>
    <div ref="frame" class="frame sheet" :data-ready="drawn || flat">
      <canvas
        ref="canvas"
        tabindex="0"
        role="img"
        :aria-label="`Both halves of the mold, opened. ${SCENE_KEYS_HELP}`"
        @keydown="(event) => onSceneKey(scene, event)"
      />
      <p v-if="flat" class="mute flat">No 3-D here; the numbers beneath say the same.</p>
    </div>
    <label class="slide">
      <span>Closed</span>
      <input v-model.number="open" type="range" min="0" max="1" step="0.02" aria-label="How far it is open" />
      <span>open</span>
    </label>
    <p class="num">{{ facts.join(' · ') }}</p>
  </div>
</template>

<style scoped>
.frame {
  position: relative;
  height: 380px;
}
canvas {
  width: 100%;
  height: 100%;
}
.flat {
  position: absolute;
  inset: 12px;
}
.slide {
  display: flex;
  align-items: center;
  gap: 12px;
  margin: 8px 0;
}
.slide input {
  flex: 1;
  accent-color: var(--melt);
  min-height: 32px;
}
</style>
