<script setup lang="ts">
import type { Pattern } from '@zero-pour/contracts';
import { useTemplateRef, watch } from 'vue';
import { PartView, SceneMarks, type PartScene, type Point } from '../../pattern';
import type { ModelMark } from './modelMarks';

/** Marks on the model of a pattern, each with a word; a press shows where the asked one is. */
const props = defineProps<{
  pattern: Pattern;
  marks: readonly ModelMark[];
  /** What a press is asked for; empty: none. */
  asks: string;
  /** What is said of the marks, or of there being none. */
  says: string;
}>();
const emit = defineEmits<{ place: [at: Point] }>();
const frame = useTemplateRef<HTMLElement>('frame');
/** A press is asked for far below it: it comes into sight. */
watch(
  () => props.asks,
  (asks) => {
    if (asks) frame.value?.scrollIntoView({ block: 'center' });
  },
);

/** A label that would lie on one that is drawn already goes below it. Pixels. */
const [WIDE, HIGH] = [110, 17];
function dots(scene: PartScene, tick: number) {
  void tick;
  const drawn: { x: number; y: number; labelY: number; word: string }[] = [];
  for (const { at, word } of props.marks) {
    const { x, y } = scene.screenOf(at);
    let labelY = y;
    while (drawn.some((one) => Math.abs(one.x - x) < WIDE && Math.abs(one.labelY - labelY) < HIGH))
      labelY += HIGH;
    drawn.push({ x, y, labelY, word });
  }
  return drawn;
}
function press(picked: { at: Point; vertices: Point } | null): void {
  if (picked && props.asks) emit('place', picked.at);
}
</script>

<template>
  <figure ref="frame" class="model" :class="{ asked: asks !== '' }">
    <PartView :pattern="pattern" @pick="press">
      <template #default="{ scene, tick, width, height }">
        <svg class="marks" :width="width" :height="height" aria-hidden="true">
          <g v-for="(dot, n) in dots(scene, tick)" :key="n" :transform="`translate(${dot.x} ${dot.y})`">
            <path d="M-7 -7L7 7M-7 7L7 -7" />
            <text x="11" :y="5 + dot.labelY - dot.y">{{ dot.word }}</text>
          </g>
        </svg>
        <SceneMarks :scene="scene" :tick="tick" />
      </template>
    </PartView>
    <figcaption role="status">
      {{ asks ? `Press on the model where it is: ${asks}` : says }}
    </figcaption>
  </figure>
</template>

<style scoped>
.model {
  display: grid;
  grid-template-rows: 300px auto;
  margin: 0 0 12px;
  background: var(--paper);
  border: 1px solid var(--line);
}
.asked {
  border: 2px solid var(--wax);
}
figcaption {
  padding: 6px 12px;
  font-size: 14px;
}
.marks {
  position: absolute;
  inset: 0;
  pointer-events: none;
}
path {
  stroke: var(--oxide);
  stroke-width: 3.5;
}
text {
  font: 600 14px var(--text);
  fill: var(--oxide);
  paint-order: stroke;
  stroke: var(--paper);
  stroke-width: 4px;
}
</style>
