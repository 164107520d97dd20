<script setup lang="ts">
import { gradeFeed, gradeFill, type FeedingGate, type LastFilled } from '@zero-pour/core';
import type { FeedAnswer } from '@zero-pour/jobs';
import { useThrottleFn } from '@vueuse/core';
import { computed, shallowRef, useTemplateRef } from 'vue';
import type { PartScene } from '../../pattern';
import type { Picked } from './useGates';

/**
 * Gates on the part, its masses by how they are fed, and a ring at the narrowest place on the way to each. The first `movable` gates
 * are dragged over the part, or moved by the arrow keys.
 */
const props = defineProps<{
  gates: readonly FeedingGate[];
  movable: number;
  feed: FeedAnswer | undefined;
  /** The place that fills last, where that is known. */
  lastFilled: LastFilled | undefined;
  /** Where air or a crumb stays as the part hangs. */
  held?: readonly { at: [number, number, number]; word: string }[] | undefined;
  scene: PartScene;
  tick: number;
  width: number;
  height: number;
}>();
const emit = defineEmits<{ move: [gate: number, to: Picked]; hidden: [gate: number] }>();

/** A dragged gate is told on the way so often; its mark follows at once. ms. */
const TELL_EVERY_MS = 120;
/** One press of a key moves by so much over the part, with Shift four times. mm. */
const NUDGE_MM = 0.25;
/** What is picked further than this from the gate lies before it. mm. */
const BEFORE_MM = 0.5;
const svg = useTemplateRef<SVGSVGElement>('svg');
const dragged = shallowRef<{ gate: number; to: Picked }>();
const tell = useThrottleFn((gate: number, to: Picked) => emit('move', gate, to), TELL_EVERY_MS, true);

function under(event: PointerEvent): Picked | null {
  const box = svg.value!.getBoundingClientRect();
  return props.scene.pick(event.clientX - box.left, event.clientY - box.top);
}
function grab(event: PointerEvent, gate: number): void {
  if (gate >= props.movable) return;
  (event.currentTarget as Element).setPointerCapture(event.pointerId);
  dragged.value = { gate, to: { at: props.gates[gate]!.at, vertices: [0, 0, 0] } };
}
function drag(event: PointerEvent): void {
  const to = dragged.value && under(event);
  if (!to) return;
  dragged.value = { gate: dragged.value!.gate, to };
  void tell(dragged.value.gate, to);
}
const drop = (): void => void (dragged.value = undefined);

const WAYS: Record<string, readonly [number, number]> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};
function nudge(event: KeyboardEvent, gate: number): void {
  const way = WAYS[event.key];
  if (!way || gate >= props.movable) return;
  event.preventDefault();
  const { at } = props.gates[gate]!;
  const { x, y } = props.scene.screenOf(at);
  const far = ([p, q]: readonly [readonly number[], readonly number[]]): number =>
    Math.hypot(...p.map((v, k) => v - q[k]!));
  const here = props.scene.pick(x, y);
  const step = ((event.shiftKey ? 4 : 1) * NUDGE_MM) / props.scene.mmPerPixel();
  const to = props.scene.pick(x + way[0] * step, y + way[1] * step);
  if (!to || (here && far([here.at, at]) > BEFORE_MM)) emit('hidden', gate);
  else emit('move', gate, to);
}
const toPixels = (mm: number): number => {
  void props.tick;
  return mm / props.scene.mmPerPixel();
};
const dots = computed(() => {
  void props.tick;
  return props.gates.map(({ at, diameterMm }, gate) => ({
    ...props.scene.screenOf(dragged.value?.gate === gate ? dragged.value.to.at : at),
    r: Math.max(6, toPixels(diameterMm) / 2),
  }));
});
/** Marked only where it fills late or not at all. */
const late = computed(() => {
  void props.tick;
  const last = props.lastFilled;
  const grade = last && gradeFill(last.margin);
  return !last || grade === 'good' ? undefined : { ...props.scene.screenOf(last.at), grade };
});
const stays = computed(() => {
  void props.tick;
  return (props.held ?? []).map(({ at, word }) => ({ ...props.scene.screenOf(at), word }));
});
const ways = computed(() => {
  void props.tick;
  return (props.feed?.feeds ?? []).map((feed) => {
    const mass = props.feed!.masses[feed.spot]!;
    return {
      mass: { ...props.scene.screenOf(mass.at), r: Math.max(9, toPixels(mass.widthMm) / 2) },
      neck: feed.neck && {
        ...props.scene.screenOf(feed.neck.at),
        r: Math.max(4, toPixels(feed.neck.widthMm) / 2),
      },
      grade: gradeFeed(feed),
    };
  });
});
</script>

<template>
  <!-- For the eye; the list beneath says the same to everyone. -->
  <svg ref="svg" class="marks" :width="width" :height="height" role="group" aria-label="Gates on the part">
    <g v-for="(way, n) in ways" :key="`mass ${n}`" aria-hidden="true" :class="way.grade">
      <circle class="mass" :cx="way.mass.x" :cy="way.mass.y" :r="way.mass.r" />
      <circle v-if="way.neck" class="neck" :cx="way.neck.x" :cy="way.neck.y" :r="way.neck.r" />
      <text :x="way.mass.x" :y="way.mass.y + 5">{{ n + 1 }}</text>
    </g>
    <g v-for="(one, n) in stays" :key="`held ${n}`" class="held" aria-hidden="true">
      <path :d="`M${one.x} ${one.y - 9}l8 14h-16z`" />
      <text :x="one.x" :y="one.y - 13">{{ one.word }}</text>
    </g>
    <g v-if="late" aria-hidden="true" :class="late.grade" class="late">
      <path :d="`M${late.x - 9} ${late.y - 9}l18 18m0 -18l-18 18`" />
      <text :x="late.x" :y="late.y - 14">last</text>
    </g>
    <g
      v-for="(dot, n) in dots"
      :key="`gate ${n}`"
      class="gate"
      :class="{ movable: n < movable }"
      :tabindex="n < movable ? 0 : undefined"
      :role="n < movable ? 'button' : 'img'"
      :aria-label="
        n < movable ? `Gate ${n + 1}: arrow keys move it over the part` : `Gate ${n + 1}, in the file`
      "
      @pointerdown="(event) => grab(event, n)"
      @pointermove="drag"
      @pointerup="drop"
      @pointercancel="drop"
      @keydown="(event) => nudge(event, n)"
    >
      <circle v-if="n < movable" class="hold" :cx="dot.x" :cy="dot.y" :r="Math.max(22, dot.r)" />
      <circle class="dot" :cx="dot.x" :cy="dot.y" :r="dot.r" />
      <text :x="dot.x" :y="dot.y + 5">G{{ n + 1 }}</text>
    </g>
  </svg>
</template>

<style scoped>
.marks {
  position: absolute;
  inset: 0;
  pointer-events: none;
}
.mass,
.neck {
  fill: none;
  stroke-width: 2.4;
}
/* Light round it, so that no colour of the part swallows it. */
.mass,
.neck {
  filter: drop-shadow(0 0 1px var(--paper)) drop-shadow(0 0 1px var(--paper));
}
.held path {
  fill: var(--glow);
  stroke: var(--ink);
  stroke-width: 1.5;
}
.late path {
  stroke-width: 4;
}
.mass {
  stroke-dasharray: 6 4;
}
.neck {
  stroke-width: 4;
}
.good * {
  stroke: var(--verd);
}
.watch * {
  stroke: var(--glow);
}
.fix * {
  stroke: var(--oxide);
}
text {
  font-size: 14px;
  font-weight: 700;
  text-anchor: middle;
  fill: var(--ink);
  stroke: var(--paper) !important;
  stroke-width: 3;
  paint-order: stroke;
}
.movable {
  pointer-events: all;
  cursor: grab;
  touch-action: none;
  outline: none;
}
.movable:active {
  cursor: grabbing;
}
/* A finger in a glove gets hold of it. */
.hold {
  fill: transparent;
  stroke: none;
}
.movable:focus-visible .hold {
  stroke: var(--ink);
  stroke-width: 2;
  stroke-dasharray: 3 3;
}
.dot {
  fill: var(--metal);
  fill-opacity: 0.75;
  stroke: var(--ink);
  stroke-width: 1.5;
}
</style>
