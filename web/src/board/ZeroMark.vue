<script setup lang="ts">
import { MINUTE_MS } from '@zero-pour/core';
import { shallowRef, useTemplateRef } from 'vue';
import { formatMoment } from '../time/formatMoment';
import type { TimeAxis } from './timeAxis';

/** A pour's zero on the axis: dragged to another time or onto another kiln, or moved by arrow keys; a mold's only stands there. */
const props = defineProps<{
  zero: number;
  axis: TimeAxis;
  top: number;
  height: number;
  now: number;
  /** Its time stands left of it, where there is no room. */
  left: boolean;
  /** What a screen reader calls it; absent: it cannot be moved. */
  label: string | undefined;
}>();
const emit = defineEmits<{
  /** While it is dragged: where it would be, and how far down the pointer is. */
  drag: [to: { at: number; y: number }];
  /** It was let go there. */
  drop: [to: { at: number; y: number }];
  /** Everything as before. */
  leave: [];
  /** To the next kiln. */
  kiln: [];
}>();

/** Zeros are dragged to quarter hours, and stepped by them. */
const STEP_MS = 15 * MINUTE_MS;
const DAY_STEPS = 96;
const mark = useTemplateRef<SVGGElement>('mark');
const from = shallowRef<{ x: number; at: number } | undefined>();
const moved = shallowRef(false);

function placeOf(event: PointerEvent): { at: number; y: number } {
  const { axis } = props;
  const msPerPx = (axis.to - axis.from) / (axis.x(axis.to) - axis.x(axis.from));
  const at = from.value!.at + (event.clientX - from.value!.x) * msPerPx;
  const svg = mark.value!.ownerSVGElement!.getBoundingClientRect();
  return { at: Math.round(at / STEP_MS) * STEP_MS, y: event.clientY - svg.top };
}
function begin(event: PointerEvent): void {
  if (props.label === undefined) return;
  (event.currentTarget as Element).setPointerCapture(event.pointerId);
  [from.value, moved.value] = [{ x: event.clientX, at: props.zero }, false];
}
function move(event: PointerEvent): void {
  if (!from.value) return;
  moved.value ||= Math.abs(event.clientX - from.value.x) > 3;
  if (moved.value) emit('drag', placeOf(event));
}
function end(event: PointerEvent): void {
  if (from.value && moved.value) emit('drop', placeOf(event));
  from.value = undefined;
}
function cancel(): void {
  if (from.value) emit('leave');
  from.value = undefined;
}
function step(event: KeyboardEvent): void {
  const steps = { ArrowLeft: -1, ArrowRight: 1 }[event.key];
  if (steps === undefined) return;
  event.preventDefault();
  emit('drop', { at: Math.round(props.zero / STEP_MS) * STEP_MS + steps * (event.shiftKey ? DAY_STEPS : 1) * STEP_MS, y: -1 }); // prettier-ignore
}
</script>

<template>
  <g
    ref="mark"
    :class="['zero', { held: from !== undefined }]"
    :tabindex="label === undefined ? undefined : 0"
    :role="label === undefined ? undefined : 'slider'"
    :aria-label="label"
    :aria-valuenow="label === undefined ? undefined : Math.round(zero / MINUTE_MS)"
    :aria-valuetext="label === undefined ? undefined : formatMoment(zero, now)"
    @pointerdown="begin"
    @pointermove="move"
    @pointerup="end"
    @pointercancel="cancel"
    @keydown="step"
    @keydown.k="label !== undefined && emit('kiln')"
    @keydown.esc="cancel"
  >
    <title v-if="label">Drag it to another time, or down onto another kiln</title>
    <line :x1="axis.x(zero)" :x2="axis.x(zero)" :y1="top + 24" :y2="top + height - 13" />
    <ellipse :cx="axis.x(zero)" :cy="top + 14" rx="9" ry="11" />
    <rect v-if="label" :x="axis.x(zero) - 14" :y="top" width="28" :height="height - 13" class="grip" />
    <text :x="axis.x(zero) + (left ? -16 : 16)" :y="top + 19" :text-anchor="left ? 'end' : 'start'">
      {{ formatMoment(zero, now) }}
    </text>
  </g>
</template>

<style scoped>
line {
  stroke: var(--melt);
  stroke-width: 3;
}
ellipse {
  fill: var(--sheet);
  stroke: var(--melt);
  stroke-width: 4;
}
.held ellipse {
  fill: var(--melt-tint);
}
text {
  font: 700 14px var(--mono);
  fill: var(--melt-text);
  paint-order: stroke;
  stroke: var(--sheet);
  stroke-width: 4px;
  pointer-events: none;
}
.grip {
  fill: transparent;
  cursor: ew-resize;
  touch-action: none;
}
.zero:focus,
.zero:focus-visible {
  outline: none !important;
}
.zero:focus-visible ellipse {
  stroke: var(--wax);
}
</style>
