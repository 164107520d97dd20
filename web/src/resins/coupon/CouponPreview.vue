<script setup lang="ts">
import type { CouponShape } from '@zero-pour/jobs';
import { NO_ROTATION, rotationMatrix, type CouponLayout } from '@zero-pour/core';
import { useElementSize } from '@vueuse/core';
import { onScopeDispose, shallowRef, useTemplateRef, watch } from 'vue';
import { onSceneKey, PartScene, SCENE_KEYS_HELP, SceneMarks } from '../../pattern';
import CouponPlan from './CouponPlan.vue';

/** The coupon in three dimensions, as it will be saved; without a 3-D picture, its plan from above. */
const props = defineProps<{ shape: CouponShape | undefined; layout: CouponLayout }>();
const frame = useTemplateRef<HTMLElement>('frame');
const canvas = useTemplateRef<HTMLCanvasElement>('canvas');
const { width, height } = useElementSize(frame);
const flat = shallowRef(false);
const tick = shallowRef(0);
const scene = shallowRef<PartScene>();

function show(): void {
  if (!canvas.value || !props.shape || flat.value) return;
  try {
    const first = scene.value === undefined;
    const shown = (scene.value ??= new PartScene(canvas.value, () => tick.value++));
    shown.resize(width.value || 600, height.value || 400);
    shown.setRotation(rotationMatrix(NO_ROTATION));
    shown.setShape(props.shape.positions, props.shape.triangles);
    if (!first) return;
    shown.turn(0, 0.25);
    shown.zoom(1.35);
  } catch {
    flat.value = true;
  }
}
watch([() => props.shape, canvas], show, { immediate: true });
watch(
  [width, height],
  () => width.value > 0 && height.value > 0 && scene.value?.resize(width.value, height.value),
);
onScopeDispose(() => scene.value?.dispose());
</script>

<template>
  <figure ref="frame" class="preview sheet" :data-ready="tick > 0 || flat">
    <canvas
      v-show="!flat"
      ref="canvas"
      tabindex="0"
      role="img"
      :aria-label="`The coupon in three dimensions. ${SCENE_KEYS_HELP}`"
      @keydown="(event) => onSceneKey(scene, event)"
    />
    <SceneMarks v-if="scene && !flat" :scene="scene" :tick="tick" />
    <CouponPlan v-if="flat" :layout="layout" />
    <p v-if="!shape" class="note mute">Building the coupon …</p>
  </figure>
</template>

<style scoped>
.preview {
  position: relative;
  margin: 0;
  height: 380px;
  background: var(--hatch);
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
