<script setup lang="ts">
import type { CouponShape } from '@zero-pour/contracts';
import { NO_ROTATION, rotationMatrix, type CouponLayout } from '@zero-pour/core';
import { useElementSize } from '@vueuse/core';
import { onScopeDispose, shallowRef, useTemplateRef, watch } from 'vue';
import { PartScene } from '../../pattern/view/partScene';
import CouponPlan from './CouponPlan.vue';

/** The coupon in three dimensions, as it will be saved; without a 3-D picture, its plan from above. */
const props = defineProps<{ shape: CouponShape | undefined; layout: CouponLayout }>();
const frame = useTemplateRef<HTMLElement>('frame');
const canvas = useTemplateRef<HTMLCanvasElement>('canvas');
const { width, height } = useElementSize(frame);
const flat = shallowRef(false);
const drawn = shallowRef(false);
let scene: PartScene | undefined;

function show(): void {
  if (!canvas.value || !props.shape || flat.value) return;
  try {
    const first = scene === undefined;
    scene ??= new PartScene(canvas.value, () => (drawn.value = true));
    scene.resize(width.value || 600, height.value || 400);
    scene.setRotation(rotationMatrix(NO_ROTATION));
    scene.setShape(props.shape.positions, props.shape.triangles);
    if (!first) return;
    scene.turn(0, 0.25);
    scene.zoom(1.35);
  } catch {
    flat.value = true;
  }
}
watch([() => props.shape, canvas], show, { immediate: true });
watch([width, height], () => width.value > 0 && height.value > 0 && scene?.resize(width.value, height.value));
onScopeDispose(() => scene?.dispose());

const TURN = 0.2;
const KEYS: Record<string, (s: PartScene) => void> = {
  ArrowLeft: (s) => s.turn(-TURN, 0),
  ArrowRight: (s) => s.turn(TURN, 0),
  ArrowUp: (s) => s.turn(0, TURN),
  ArrowDown: (s) => s.turn(0, -TURN),
  '+': (s) => s.zoom(1.2),
  '-': (s) => s.zoom(1 / 1.2),
};
function onKey(event: KeyboardEvent): void {
  const act = KEYS[event.key];
  if (!act || !scene) return;
  event.preventDefault();
  act(scene);
}
</script>

<template>
  <figure ref="frame" class="preview sheet" :data-ready="drawn || flat">
    <canvas
      v-show="!flat"
      ref="canvas"
      tabindex="0"
      role="img"
      aria-label="The coupon in three dimensions. Arrow keys turn it, plus and minus zoom."
      @keydown="onKey"
    />
    <CouponPlan v-if="flat" :layout="layout" />
    <p v-if="!shape" class="note mute">Building the coupon …</p>
  </figure>
</template>

<style scoped>
.preview {
  position: relative;
  margin: 0;
  height: 380px;
  background: #efeae0;
  overflow: hidden;
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
  inset: auto 0 46%;
  text-align: center;
}
</style>
