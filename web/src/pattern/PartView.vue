<script setup lang="ts">
import type { Pattern } from '@zero-pour/contracts';
import { NO_ROTATION, rotationMatrix, type Rotation } from '@zero-pour/core';
import { useElementSize } from '@vueuse/core';
import { computed, onScopeDispose, shallowRef, useTemplateRef, watch } from 'vue';
import { shapeOf } from './meshCache';
import PartOutline from './PartOutline.vue';
import { createPartScene, type PartScene } from './partScene';

const props = withDefaults(defineProps<{ pattern: Pattern; rotation?: Rotation; plate?: boolean }>(), {
  rotation: () => NO_ROTATION,
  plate: false,
});

const frame = useTemplateRef<HTMLElement>('frame');
const canvas = useTemplateRef<HTMLCanvasElement>('canvas');
const { width, height } = useElementSize(frame);
const state = shallowRef<'reading' | 'ready' | 'drawn' | 'flat'>('reading');
const marks = shallowRef<{ mmPerPixel: number; axes: ReturnType<PartScene['axes']> }>();
let scene: PartScene | undefined;

const BARS = [0.5, 1, 2, 5, 10, 20, 50, 100];
/** A round length that is about a tenth to a quarter of the view. */
const bar = computed(() => {
  const mmPerPixel = marks.value?.mmPerPixel;
  if (!mmPerPixel) return undefined;
  const mm = BARS.find((length) => length / mmPerPixel > 60) ?? 100;
  return { mm, px: mm / mmPerPixel };
});

function drawn(): void {
  if (!scene) return;
  state.value = 'drawn';
  marks.value = { mmPerPixel: scene.mmPerPixel(), axes: scene.axes() };
}

async function show(pattern: Pattern): Promise<void> {
  scene?.dispose();
  scene = undefined;
  state.value = 'reading';
  const shape = await shapeOf(pattern).catch(() => undefined);
  if (pattern.id !== props.pattern.id || !canvas.value) return;
  try {
    if (!shape) throw new Error('no shape');
    scene = createPartScene(canvas.value, shape.positions, shape.triangles, drawn);
    scene.setRotation(rotationMatrix(props.rotation));
    scene.resize(width.value || 600, height.value || 400);
    state.value = 'ready';
  } catch {
    state.value = 'flat';
  }
}

watch([() => props.pattern, canvas], () => canvas.value && void show(props.pattern), { immediate: true });
watch([width, height], () => width.value > 0 && height.value > 0 && scene?.resize(width.value, height.value));
watch(
  () => props.rotation,
  (rotation) => scene?.setRotation(rotationMatrix(rotation)),
  { deep: true },
);
onScopeDispose(() => scene?.dispose());

const TURN = 0.2;
const KEYS: Record<string, () => void> = {
  ArrowLeft: () => scene?.turn(-TURN, 0),
  ArrowRight: () => scene?.turn(TURN, 0),
  ArrowUp: () => scene?.turn(0, TURN),
  ArrowDown: () => scene?.turn(0, -TURN),
  '+': () => scene?.zoom(1.2),
  '-': () => scene?.zoom(1 / 1.2),
  f: () => scene?.fit(),
};
function onKey(event: KeyboardEvent): void {
  const act = KEYS[event.key];
  if (!act) return;
  event.preventDefault();
  event.stopPropagation();
  act();
}
</script>

<template>
  <figure ref="frame" class="part sheet" :data-ready="state === 'drawn' || state === 'flat'">
    <canvas
      v-show="state !== 'flat'"
      ref="canvas"
      tabindex="0"
      role="img"
      :aria-label="`${pattern.name} in three dimensions. Arrow keys turn it, plus and minus zoom, F fits.`"
      @keydown="onKey"
    />
    <PartOutline v-if="state === 'flat'" :pattern="pattern" :rotation="rotation" />
    <p v-if="state === 'reading'" class="note mute">Reading {{ pattern.fileName }} …</p>
    <template v-if="state === 'drawn'">
      <svg v-if="bar" class="bar" :width="bar.px + 4" height="34" aria-hidden="true">
        <path
          :d="`M2 28h${bar.px}M2 22v11M${bar.px + 2} 22v11`"
          stroke="#24211d"
          stroke-width="1.6"
          fill="none"
        />
        <text :x="bar.px / 2 + 2" y="16" text-anchor="middle">{{ bar.mm }} mm</text>
      </svg>
      <svg v-if="marks" class="axes" width="64" height="64" viewBox="-32 -32 64 64" aria-hidden="true">
        <g v-for="axis in marks.axes" :key="axis.name">
          <line
            x1="0"
            y1="0"
            :x2="axis.x * 20"
            :y2="-axis.y * 20"
            :stroke="axis.name === 'z' ? '#12555a' : '#8a8072'"
            stroke-width="2.4"
          />
          <text :x="axis.x * 27" :y="-axis.y * 27 + 4" text-anchor="middle">{{ axis.name }}</text>
        </g>
      </svg>
    </template>
    <figcaption v-if="plate" class="caption mute">z is up from the plate</figcaption>
  </figure>
</template>

<style scoped>
.part {
  position: relative;
  margin: 0;
  background: #efeae0;
  overflow: hidden;
  min-height: 260px;
}
canvas {
  display: block;
  width: 100%;
  height: 100%;
  touch-action: none;
  cursor: grab;
}
.note {
  position: absolute;
  inset: auto 0 45%;
  text-align: center;
}
.bar {
  position: absolute;
  left: 16px;
  bottom: 12px;
}
.axes {
  position: absolute;
  right: 10px;
  bottom: 8px;
}
svg text {
  font: 13px var(--mono);
  fill: var(--ink);
}
.caption {
  position: absolute;
  left: 14px;
  top: 10px;
  font-size: 13px;
}
</style>
