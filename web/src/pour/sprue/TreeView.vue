<script setup lang="ts">
import type { Flask, HungAt } from '@zero-pour/contracts';
import { CLEARANCE_MM, formatQuantity } from '@zero-pour/core';
import { saveTreeJob, treeShapeJob } from '@zero-pour/jobs';
import type { RealTree } from '@zero-pour/plan';
import { useElementSize, useThrottleFn } from '@vueuse/core';
import { computed, onScopeDispose, shallowRef, useTemplateRef, watch } from 'vue';
import { runJob, useJob, whyNot } from '../../jobs';
import { PartScene, saveFile, type Point } from '../../pattern';
import { useNotices } from '../../state/notices';
import { useUnits } from '../../state/unitStore';
import { usePour } from '../../state/usePour';
import { movedByDrag, movedByKey, withMoved } from './treeMoves';

/** A tree in its flask, from the side or above: its pieces are moved by hand or by keys, the narrowest gaps written in. */
const props = defineProps<{ tree: RealTree; flask: Flask }>();
const { pour, flask: shown, set } = usePour();
const notices = useNotices();
const units = useUnits();
const mm = (value: number): string => formatQuantity({ value, unit: 'mm', digits: 1 }, units.choice);

const frame = useTemplateRef<HTMLElement>('frame');
const canvas = useTemplateRef<HTMLCanvasElement>('canvas');
const { width, height } = useElementSize(frame);
const above = shallowRef(false);
const tick = shallowRef(0);
const flat = shallowRef(false);
let scene: PartScene | undefined;
let seen: object | undefined;

const { state, ask } = useJob(treeShapeJob, { waitMs: 30, resident: true });
watch(
  () => props.tree.wish,
  (wish) => ask(wish),
  { immediate: true },
);
/** The last tree that was drawn stays until the next is. */
const shape = shallowRef<{ positions: Float32Array; triangles: Uint32Array; middles: Point[] }>();
watch(state, (now) => now.status === 'done' && (shape.value = now.output), { immediate: true });

const inner = computed(() => props.flask.innerDiameterMm / 2);
const round = computed(() => ({
  center: [0, 0, props.flask.heightMm / 2] as Point,
  radius: above.value ? inner.value : Math.max(inner.value, props.flask.heightMm / 2),
}));
watch([shape, canvas, width, height, round], () => {
  if (!shape.value || !canvas.value || width.value === 0) return;
  try {
    scene ??= new PartScene(canvas.value, () => tick.value++);
    scene.resize(width.value, height.value);
    scene.setShape(shape.value.positions, shape.value.triangles, round.value);
    // Another size of what is in view sets the view back to its usual one.
    if (seen !== round.value) look(above.value);
    seen = round.value;
  } catch {
    flat.value = true;
  }
});
onScopeDispose(() => scene?.dispose());
function look(fromAbove: boolean): void {
  above.value = fromAbove;
  scene?.view(fromAbove ? 'above' : 'front');
}

async function save(to: 'stl' | '3mf'): Promise<void> {
  try {
    const { output } = await runJob(saveTreeJob, { tree: props.tree.wish, to });
    saveFile(new Blob([output]), `tree of pour ${pour.value.number}.${to}`);
    notices.tell('Saved. Its bodies overlap where they meet; they are not united.');
  } catch (error) {
    notices.wrong(new Error(whyNot(error)));
  }
}

/** A circle round the flask's axis, as it is seen. */
function circle(radius: number, atMm: number): string {
  void tick.value;
  if (!scene) return '';
  const points = Array.from({ length: 49 }, (_, n) => {
    const angle = (2 * Math.PI * n) / 48;
    const { x, y } = scene!.screenOf([radius * Math.cos(angle), radius * Math.sin(angle), atMm]);
    return `${x.toFixed(1)} ${y.toFixed(1)}`;
  });
  return `M${points.join('L')}z`;
}
/** The two edges of the wall that are seen against what is behind it. */
function sides(): string {
  void tick.value;
  if (!scene) return '';
  const [x, y] = scene.towardsEye();
  const away = Math.hypot(x, y);
  if (away < 0.05) return '';
  return [1, -1]
    .map((side) => {
      const at = [(-side * y * inner.value) / away, (side * x * inner.value) / away] as const;
      const [low, high] = [0, props.flask.heightMm].map((z) => scene!.screenOf([...at, z]));
      return `M${low!.x} ${low!.y}L${high!.x} ${high!.y}`;
    })
    .join('');
}
const outlines = computed(() => [
  { kind: 'wall', d: sides() },
  { kind: 'wall', d: circle(inner.value, 0) },
  { kind: 'wall', d: circle(inner.value, props.flask.heightMm) },
  { kind: 'limit', d: circle(inner.value - CLEARANCE_MM.wall, 0) },
  { kind: 'limit', d: circle(inner.value - CLEARANCE_MM.wall, props.flask.heightMm - CLEARANCE_MM.top) },
]);
const dots = computed(() => {
  void tick.value;
  const places = shape.value;
  if (!scene || places?.middles.length !== props.tree.pieces.length) return [];
  return props.tree.pieces.map((piece, n) => ({ ...piece, ...scene!.screenOf(places.middles[n]!) }));
});
/** So many gaps are written in. */
const WRITTEN = 4;
/** Where they stand at the right edge: first one, and from one to the next. Pixels. */
const [GAP_Y, GAP_ROW] = [30, 24];
const gaps = computed(() =>
  (props.tree.clearance?.pairs ?? []).slice(0, WRITTEN).flatMap(({ a, b, gapMm }) => {
    const [p, q] = [dots.value[a], dots.value[b]];
    if (!p || !q) return [];
    const at = { x: (p.x + q.x) / 2, y: (p.y + q.y) / 2 };
    return [{ ...at, words: `${a + 1} to ${b + 1}: ${mm(gapMm)}`, names: `${p.name} to ${q.name}` }];
  }),
);

const hung = computed(() => shown.value.context.decided.sprue.hung ?? []);
function keep(at: HungAt): void {
  const before = hung.value.find(({ key }) => key === at.key);
  if (!before) return;
  const path = ['flasks', shown.value.context.decided.key, 'sprue', 'hung'] as const;
  if (before.onBranch) set(path, withMoved(hung.value, before, at));
  else set([...path, at.key], at);
}
const keepSoon = useThrottleFn(keep, 80, true);
const open = computed(() => shown.value.context.decided.pour.pouredAt === undefined);

let drag: { from: { x: number; y: number }; at: HungAt } | undefined;
const placeIn = (event: PointerEvent): { x: number; y: number } => {
  const box = frame.value!.getBoundingClientRect();
  return { x: event.clientX - box.left, y: event.clientY - box.top };
};
function begin(event: PointerEvent, key: string): void {
  const at = hung.value.find((one) => one.key === key);
  if (!at || !open.value) return;
  (event.currentTarget as Element).setPointerCapture(event.pointerId);
  drag = { from: placeIn(event), at };
}
function follow(event: PointerEvent): void {
  if (!drag || !scene) return;
  const middle = scene.screenOf([0, 0, drag.at.heightMm]);
  const view = { above: above.value, middle, mmPerPixel: scene.mmPerPixel() };
  void keepSoon(movedByDrag(drag.at, drag.from, placeIn(event), view));
}
const end = (): void => void (drag = undefined);
function onKey(event: KeyboardEvent, key: string): void {
  const at = hung.value.find((one) => one.key === key);
  const next = at && open.value ? movedByKey(at, event.key) : undefined;
  if (!next) return;
  event.preventDefault();
  event.stopPropagation();
  keep(next);
}
</script>

<template>
  <div class="tree">
    <div class="tools">
      <v-btn size="small" :aria-pressed="!above" @click="look(false)">From the side</v-btn>
      <v-btn size="small" :aria-pressed="above" @click="look(true)">From above</v-btn>
      <button
        v-for="to in ['stl', '3mf'] as const"
        :key="to"
        type="button"
        class="text-button"
        @click="save(to)"
      >
        Save as {{ to.toUpperCase() }}
      </button>
      <span class="mute">Drag a number to move its piece; arrow keys do so too.</span>
    </div>
    <div ref="frame" class="frame" :data-ready="shape !== undefined && tick > 0">
      <canvas ref="canvas" role="img" aria-label="The tree in its flask" />
      <p v-if="flat" class="mute flat">No 3-D here; the numbers beneath say the same.</p>
      <svg :width="width" :height="height">
        <path v-for="(one, n) in outlines" :key="n" :class="one.kind" :d="one.d" />
        <g v-for="(gap, n) in gaps" :key="gap.names" class="gap">
          <path :d="`M${gap.x} ${gap.y}L${width - 128} ${GAP_Y + n * GAP_ROW}h8`" />
          <text :x="width - 116" :y="GAP_Y + n * GAP_ROW + 5">{{ gap.words }}</text>
        </g>
        <g
          v-for="(dot, n) in dots"
          :key="dot.key"
          class="dot"
          role="button"
          tabindex="0"
          :aria-label="`${dot.name}: left and right go round the sprue, up and down along it`"
          :transform="`translate(${dot.x} ${dot.y})`"
          @pointerdown="begin($event, dot.key)"
          @pointermove="follow"
          @pointerup="end"
          @pointercancel="end"
          @keydown="onKey($event, dot.key)"
        >
          <circle r="11" />
          <text y="5">{{ n + 1 }}</text>
        </g>
      </svg>
    </div>
    <ol class="names">
      <li v-for="piece in tree.pieces" :key="piece.key">{{ piece.name }}</li>
    </ol>
  </div>
</template>

<style scoped>
.tools {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px 12px;
  margin-bottom: 8px;
}
.frame {
  position: relative;
  height: 420px;
  border: 1px solid var(--line);
}
canvas {
  width: 100%;
  height: 100%;
}
svg {
  position: absolute;
  inset: 0;
  pointer-events: none;
}
.flat {
  position: absolute;
  inset: 12px;
}
.wall,
.limit {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.6;
}
.limit {
  stroke: var(--mute);
  stroke-dasharray: 5 4;
  stroke-width: 1.2;
}
.gap path {
  fill: none;
  stroke: var(--mute);
  stroke-width: 1;
}
text {
  font-size: 14px;
  font-weight: 700;
  text-anchor: middle;
  fill: var(--ink);
  stroke: var(--paper);
  stroke-width: 3;
  paint-order: stroke;
}
.gap text {
  text-anchor: start;
  font-weight: 400;
}
.dot {
  pointer-events: auto;
  cursor: grab;
  touch-action: none;
}
.dot circle {
  fill: var(--paper);
  fill-opacity: 0.8;
  stroke: var(--ink);
  stroke-width: 1.4;
}
.dot:focus-visible circle {
  stroke: var(--melt);
  stroke-width: 3;
}
.names {
  columns: 3 190px;
  margin: 8px 0 0 18px;
  font-size: 13px;
}
</style>
