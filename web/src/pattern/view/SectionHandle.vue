<script setup lang="ts">
import { computed } from 'vue';
import type { PartScene, SectionPlane } from './partScene';

/** Handle of the section plane: drag it along the arrow, or use the arrow keys. */
const props = defineProps<{
  plane: SectionPlane;
  scene: PartScene;
  tick: number;
  width: number;
  height: number;
}>();
const emit = defineEmits<{ move: [byMm: number] }>();

const KEY_STEP_MM = 0.2;
/** Seen head on, the plane moves with the hand's way up and down instead. */
const HEAD_ON_PX = 0.25;

const screen = computed(() => {
  void props.tick;
  const from = props.scene.screenOf(props.plane.at);
  const tip = props.scene.screenOf(
    props.plane.at.map((v, k) => v + props.plane.normal[k]!) as SectionPlane['at'],
  );
  const perMm: [number, number] = [tip.x - from.x, tip.y - from.y];
  const length = Math.hypot(...perMm);
  const mmPx = 1 / props.scene.mmPerPixel();
  const way: [number, number] = length < HEAD_ON_PX * mmPx ? [0, -mmPx] : perMm;
  const unit = Math.hypot(...way);
  return { x: from.x, y: from.y, way, dx: way[0] / unit, dy: way[1] / unit };
});

let last: { x: number; y: number } | undefined;
function grab(event: PointerEvent): void {
  (event.currentTarget as Element).setPointerCapture(event.pointerId);
  last = { x: event.clientX, y: event.clientY };
}
function drag(event: PointerEvent): void {
  if (!last) return;
  const { way } = screen.value;
  const along = (event.clientX - last.x) * way[0] + (event.clientY - last.y) * way[1];
  last = { x: event.clientX, y: event.clientY };
  emit('move', along / (way[0] ** 2 + way[1] ** 2));
}
const drop = (): void => void (last = undefined);
function onKey(event: KeyboardEvent): void {
  const by = { ArrowUp: 1, ArrowRight: 1, ArrowDown: -1, ArrowLeft: -1 }[event.key];
  if (by === undefined) return;
  event.preventDefault();
  event.stopPropagation();
  emit('move', by * KEY_STEP_MM * (event.shiftKey ? 5 : 1));
}
</script>

<template>
  <svg class="handle" :width="width" :height="height">
    <g
      tabindex="0"
      role="slider"
      aria-label="Section plane: drag it, or arrow keys"
      :aria-valuenow="0"
      @pointerdown="grab"
      @pointermove="drag"
      @pointerup="drop"
      @pointercancel="drop"
      @keydown="onKey"
    >
      <line
        :x1="screen.x - 34 * screen.dx"
        :y1="screen.y - 34 * screen.dy"
        :x2="screen.x + 34 * screen.dx"
        :y2="screen.y + 34 * screen.dy"
      />
      <circle :cx="screen.x" :cy="screen.y" r="22" class="reach" />
      <circle :cx="screen.x" :cy="screen.y" r="10" />
    </g>
  </svg>
</template>

<style scoped>
.handle {
  position: absolute;
  inset: 0;
  pointer-events: none;
}
g {
  pointer-events: auto;
  cursor: grab;
  touch-action: none;
}
g:focus-visible {
  outline: none;
}
g:focus-visible circle:last-child {
  stroke: var(--ink);
}
line {
  stroke: var(--wax);
  stroke-width: 3;
}
circle {
  fill: var(--paper);
  stroke: var(--wax);
  stroke-width: 3;
}
.reach {
  fill: transparent;
  stroke: none;
}
</style>
