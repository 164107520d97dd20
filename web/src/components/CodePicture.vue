<script setup lang="ts">
import { create } from 'qrcode';
import { computed } from 'vue';

/** A code of squares that a phone reads; its text is said to whoever cannot see it. */
const props = defineProps<{ text: string; label: string }>();
/** The quiet edge that readers want, in squares. */
const EDGE = 4;

const code = computed(() => {
  const { modules } = create(props.text, { errorCorrectionLevel: 'M' });
  const { size } = modules;
  let path = '';
  for (let row = 0; row < size; row++)
    for (let column = 0; column < size; column++)
      if (modules.get(row, column)) path += `M${column + EDGE} ${row + EDGE}h1v1h-1z`;
  return { path, size: size + 2 * EDGE };
});
</script>

<template>
  <svg
    class="code"
    role="img"
    :aria-label="label"
    :viewBox="`0 0 ${code.size} ${code.size}`"
    shape-rendering="crispEdges"
  >
    <rect :width="code.size" :height="code.size" fill="white" />
    <path :d="code.path" fill="black" />
  </svg>
</template>

<style scoped>
.code {
  display: block;
  width: 100%;
}
</style>
