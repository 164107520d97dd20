<script setup lang="ts">
import { layerBitmap, type LayerStack } from '@zero-pour/core';
import { useTemplateRef, watchEffect } from 'vue';

/** One layer as the printer's light shows it, pixel for pixel. */
const props = defineProps<{ stack: LayerStack; layer: number }>();
const canvas = useTemplateRef<HTMLCanvasElement>('canvas');

const LIT = [245, 240, 228];
const DARK = [43, 38, 34];

watchEffect(() => {
  const { stack, layer } = props;
  const context = canvas.value?.getContext('2d');
  if (!canvas.value || !context) return;
  canvas.value.width = stack.columns;
  canvas.value.height = stack.rows;
  const image = context.createImageData(stack.columns, stack.rows);
  const bitmap = layerBitmap(stack, layer);
  for (let row = 0, n = 0; row < stack.rows; row++) {
    // Rows of the stack run up the plate, those of a picture down.
    const to = (stack.rows - 1 - row) * stack.columns;
    for (let column = 0; column < stack.columns; column++, n++) {
      image.data.set(bitmap[n] ? LIT : DARK, 4 * (to + column));
      image.data[4 * (to + column) + 3] = 255;
    }
  }
  context.putImageData(image, 0, 0);
});
</script>

<template>
  <canvas
    ref="canvas"
    class="picture"
    role="img"
    :aria-label="`Layer ${layer + 1}, ${stack.columns} by ${stack.rows} pixels`"
  />
</template>

<style scoped>
.picture {
  width: 100%;
  max-height: 300px;
  object-fit: contain;
  background: var(--char);
  image-rendering: pixelated;
}
</style>
