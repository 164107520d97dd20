<script setup lang="ts">
import type { Pattern } from '@zero-pour/contracts';
import { NO_ROTATION, rotationMatrix, type Rotation } from '@zero-pour/core';
import { useElementSize } from '@vueuse/core';
import { computed, onScopeDispose, shallowRef, useTemplateRef, watch } from 'vue';
import { useAnalyses } from '../jobs/analysisStore';
import { shapeOf, type ViewShape } from '../jobs/shapes';
import PartOutline from './PartOutline.vue';
import { PartScene, type Point, type SectionPlane } from './partScene';
import { onSceneKey, SCENE_KEYS_HELP } from './sceneKeys';
import SceneMarks from './SceneMarks.vue';

const props = withDefaults(
  defineProps<{
    pattern: Pattern;
    rotation?: Rotation;
    /** As it is printed: on the plate, with the sprues in its file. */
    plate?: boolean;
    /** RGB bytes for each vertex of the shape last told by `shape`. */
    colours?: Uint8Array | null;
    section?: SectionPlane | null;
  }>(),
  { rotation: () => NO_ROTATION, plate: false, colours: null, section: null },
);
const emit = defineEmits<{
  shape: [shape: ViewShape, of: Pattern];
  pick: [picked: { at: Point; vertices: Point } | null];
}>();
/** What lies over the picture; drawn again with every frame (`tick`). */
defineSlots<{ default?(over: { scene: PartScene; tick: number; width: number; height: number }): unknown }>();

const frame = useTemplateRef<HTMLElement>('frame');
const canvas = useTemplateRef<HTMLCanvasElement>('canvas');
const { width, height } = useElementSize(frame);
const analyses = useAnalyses();
const state = shallowRef<'reading' | 'ready' | 'drawn' | 'flat'>('reading');
const tick = shallowRef(0);
const scene = shallowRef<PartScene>();

function drawn(): void {
  const shown = scene.value;
  if (!shown) return;
  state.value = 'drawn';
  tick.value++;
}

/** Of two shapes on their way only the one asked for last is shown: a plain one may come after the painted. */
let asked = 0;
async function show(pattern: Pattern): Promise<void> {
  const own = ++asked;
  const shape = await shapeOf(pattern, props.plate).catch(() => undefined);
  if (own !== asked || !canvas.value) return;
  try {
    if (!shape) throw new Error('no shape');
    const shown = (scene.value ??= new PartScene(canvas.value, drawn));
    // A large shape takes a while, and so does beginning to draw at all: what was typed meanwhile goes between.
    await new Promise((resume) => setTimeout(resume));
    if (own !== asked || scene.value !== shown) return;
    shown.resize(width.value || 600, height.value || 400);
    shown.setRotation(rotationMatrix(props.rotation));
    shown.setShape(shape.positions, shape.triangles);
    shown.setSection(props.section);
    emit('shape', shape, pattern);
    if (state.value !== 'drawn') state.value = 'ready';
  } catch {
    if (shape) emit('shape', shape, pattern);
    state.value = 'flat';
  }
}

const shapeKey = computed(() => {
  const known = analyses.of(props.pattern);
  const { id, sprues } = props.pattern;
  return `${id} ${sprues?.pieceHash ?? ''} ${known.status === 'analysed' ? known.shapeHash : ''}`;
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
onScopeDispose(() => {
  asked++;
  scene.value?.dispose();
});

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
      :aria-label="`${pattern.name} in three dimensions. ${SCENE_KEYS_HELP}`"
      @keydown="(event) => onSceneKey(scene, event)"
      @pointerdown="onPress"
      @pointerup="onRelease"
    />
    <PartOutline v-if="state === 'flat'" :pattern="pattern" :rotation="rotation" />
    <p v-if="state === 'reading'" class="note mute">Reading {{ pattern.fileName }} …</p>
    <template v-if="state === 'drawn'">
      <SceneMarks v-if="scene" :scene="scene" :tick="tick" />
      <slot v-if="scene" :scene="scene" :tick="tick" :width="width" :height="height" />
    </template>
    <figcaption v-if="plate" class="caption mute">z is up from the plate</figcaption>
  </figure>
</template>

<style scoped>
.part {
  position: relative;
  margin: 0;
  background: var(--hatch);
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
.caption {
  position: absolute;
  left: 14px;
  top: 10px;
  font-size: 13px;
}
</style>
