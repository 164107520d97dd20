<script setup lang="ts">
import type { Pattern } from '@zero-pour/contracts';
import { formatQuantity, MM_PER_INCH, NO_ROTATION, rotationMatrix, type Rotation } from '@zero-pour/core';
import { useElementSize } from '@vueuse/core';
import { computed, onScopeDispose, shallowRef, useTemplateRef, watch } from 'vue';
import { useUnits } from '../../state/unitStore';
import { useAnalyses } from '../jobs/analysisStore';
import { shapeOf, type ViewShape } from '../jobs/shapes';
import PartOutline from './PartOutline.vue';
import { PartScene, STANDARD_VIEWS, type Point, type SectionPlane, type StandardView } from './partScene';

const props = withDefaults(
  defineProps<{
    pattern: Pattern;
    rotation?: Rotation;
    plate?: boolean;
    /** RGB bytes for each vertex of the shape last told by `shape`. */
    colours?: Uint8Array | null;
    section?: SectionPlane | null;
  }>(),
  { rotation: () => NO_ROTATION, plate: false, colours: null, section: null },
);
const emit = defineEmits<{
  shape: [shape: ViewShape];
  pick: [picked: { at: Point; vertices: Point } | null];
}>();
/** What lies over the picture; drawn again with every frame (`tick`). */
defineSlots<{ default?(over: { scene: PartScene; tick: number; width: number; height: number }): unknown }>();

const frame = useTemplateRef<HTMLElement>('frame');
const canvas = useTemplateRef<HTMLCanvasElement>('canvas');
const { width, height } = useElementSize(frame);
const units = useUnits();
const analyses = useAnalyses();
const state = shallowRef<'reading' | 'ready' | 'drawn' | 'flat'>('reading');
const tick = shallowRef(0);
const marks = shallowRef<{ mmPerPixel: number; axes: ReturnType<PartScene['axes']> }>();
const scene = shallowRef<PartScene>();

const BARS_MM = [0.5, 1, 2, 5, 10, 20, 50, 100];
/** A round length that is about a tenth to a quarter of the view. */
const bar = computed(() => {
  const mmPerPixel = marks.value?.mmPerPixel;
  if (!mmPerPixel) return undefined;
  const perUnit = units.choice.length === 'in' ? MM_PER_INCH / 20 : 1;
  const mm = (BARS_MM.find((length) => (length * perUnit) / mmPerPixel > 60) ?? 100) * perUnit;
  return { text: formatQuantity({ value: mm, unit: 'mm', digits: 1 }, units.choice), px: mm / mmPerPixel };
});

function drawn(): void {
  const shown = scene.value;
  if (!shown) return;
  state.value = 'drawn';
  tick.value++;
  marks.value = { mmPerPixel: shown.mmPerPixel(), axes: shown.axes() };
}

/** Of two shapes on their way only the one asked for last is shown: a plain one may come after the painted. */
let asked = 0;
async function show(pattern: Pattern): Promise<void> {
  const own = ++asked;
  const shape = await shapeOf(pattern).catch(() => undefined);
  if (own !== asked || !canvas.value) return;
  try {
    if (!shape) throw new Error('no shape');
    const shown = (scene.value ??= new PartScene(canvas.value, drawn));
    shown.resize(width.value || 600, height.value || 400);
    shown.setRotation(rotationMatrix(props.rotation));
    shown.setShape(shape.positions, shape.triangles);
    shown.setSection(props.section);
    emit('shape', shape);
    if (state.value !== 'drawn') state.value = 'ready';
  } catch {
    if (shape) emit('shape', shape);
    state.value = 'flat';
  }
}

const shapeKey = computed(() => {
  const known = analyses.of(props.pattern);
  return `${props.pattern.id} ${known.status === 'analysed' ? known.shapeHash : ''}`;
});
watch([shapeKey, canvas], () => canvas.value && void show(props.pattern), { immediate: true });
watch(
  [width, height],
  () => width.value > 0 && height.value > 0 && scene.value?.resize(width.value, height.value),
);
watch(
  () => props.rotation,
  (rotation) => {
    scene.value?.setRotation(rotationMatrix(rotation));
    scene.value?.setSection(props.section);
  },
  { deep: true },
);
watch(
  () => props.colours,
  (colours) => scene.value?.setColours(colours),
);
watch(
  () => props.section,
  (section) => scene.value?.setSection(section),
);
onScopeDispose(() => scene.value?.dispose());

const TURN = 0.2;
const KEYS: Record<string, (s: PartScene) => void> = {
  ArrowLeft: (s) => s.turn(-TURN, 0),
  ArrowRight: (s) => s.turn(TURN, 0),
  ArrowUp: (s) => s.turn(0, TURN),
  ArrowDown: (s) => s.turn(0, -TURN),
  '+': (s) => s.zoom(1.2),
  '-': (s) => s.zoom(1 / 1.2),
  f: (s) => s.fit(),
};
const views = Object.keys(STANDARD_VIEWS) as StandardView[];
views.forEach((name, n) => (KEYS[String(n + 1)] = (s) => s.view(name)));
function onKey(event: KeyboardEvent): void {
  const act = KEYS[event.key];
  if (!act || !scene.value || event.ctrlKey || event.metaKey || event.altKey) return;
  event.preventDefault();
  event.stopPropagation();
  act(scene.value);
}

/** A click is a press that hardly moves: anything longer turns the part. */
const CLICK_PX = 4;
let pressed: { x: number; y: number } | undefined;
const onPress = ({ offsetX, offsetY }: PointerEvent): void => void (pressed = { x: offsetX, y: offsetY });
function onRelease({ offsetX, offsetY }: PointerEvent): void {
  if (!pressed || Math.hypot(offsetX - pressed.x, offsetY - pressed.y) > CLICK_PX) return;
  if (scene.value) emit('pick', scene.value.pick(offsetX, offsetY));
}

defineExpose({ scene });
</script>

<template>
  <figure ref="frame" class="part sheet" :data-ready="state === 'drawn' || state === 'flat'">
    <canvas
      v-show="state !== 'flat'"
      ref="canvas"
      tabindex="0"
      role="img"
      :aria-label="`${pattern.name} in three dimensions. Arrow keys turn it, plus and minus zoom, F fits, 1 to 6 are front, back, left, right, above and below.`"
      @keydown="onKey"
      @pointerdown="onPress"
      @pointerup="onRelease"
    />
    <PartOutline v-if="state === 'flat'" :pattern="pattern" :rotation="rotation" />
    <p v-if="state === 'reading'" class="note mute">Reading {{ pattern.fileName }} …</p>
    <template v-if="state === 'drawn'">
      <svg v-if="bar" class="bar" :width="bar.px + 30" height="34" aria-hidden="true">
        <path
          :d="`M2 28h${bar.px}M2 22v11M${bar.px + 2} 22v11`"
          stroke="#24211d"
          stroke-width="1.6"
          fill="none"
        />
        <text :x="bar.px / 2 + 2" y="16" text-anchor="middle">{{ bar.text }}</text>
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
      <slot v-if="scene" :scene="scene" :tick="tick" :width="width" :height="height" />
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
  overflow: visible;
  pointer-events: none;
}
.axes {
  position: absolute;
  right: 10px;
  bottom: 8px;
  pointer-events: none;
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
