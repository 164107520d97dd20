<script setup lang="ts">
import type { Settings } from '@zero-pour/contracts';
import { useElementSize } from '@vueuse/core';
import { computed, shallowRef, useTemplateRef } from 'vue';

type Day = Settings['benchHours'][number];
/** A week of hours, drawn: drag down a day from when somebody comes until they go; what is past midnight is typed below. */
const props = defineProps<{ hours: readonly Day[]; label: string }>();
const emit = defineEmits<{ change: [index: number, fields: Partial<Day>] }>();

const NAMES = ['Sun', 'Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat'];
/** The week as it is worked: Monday first, Sunday last. */
const ORDER = [1, 2, 3, 4, 5, 6, 0];
const HEAD = 24;
const LEFT = 40;
const HOUR_PX = 9;
const HEIGHT = HEAD + 24 * HOUR_PX;
const DAY_MIN = 24 * 60;
const SNAP_MIN = 30;

const frame = useTemplateRef<HTMLElement>('frame');
const { width } = useElementSize(frame);
const column = computed(() => Math.max(10, (Math.min(width.value, 620) - LEFT) / 7));
/** What is drawn just now: one day's stretch. */
const drawn = shallowRef<{ index: number; fromMin: number; toMin: number } | undefined>();

const yOf = (minutes: number): number => HEAD + (minutes / 60) * HOUR_PX;
const minutesAt = (event: PointerEvent): number => {
  const y = event.clientY - (event.currentTarget as Element).getBoundingClientRect().top;
  return Math.min(DAY_MIN, Math.max(0, Math.round((y / HOUR_PX) * (60 / SNAP_MIN)) * SNAP_MIN));
};
/** A day's hours as bars: one that runs into the next day has a second one there. */
const bars = computed(() =>
  ORDER.flatMap((index, at) => {
    const now = drawn.value?.index === index ? { open: true, ...drawn.value } : props.hours[index]!;
    if (!now.open) return [];
    const over = now.toMin <= now.fromMin;
    const first = {
      at,
      from: Math.min(now.fromMin, now.toMin + (over ? DAY_MIN : 0)),
      to: over ? DAY_MIN : now.toMin,
    };
    return over && now.toMin > 0 ? [first, { at: (at + 1) % 7, from: 0, to: now.toMin }] : [first];
  }),
);
function begin(index: number, event: PointerEvent): void {
  (event.currentTarget as Element).setPointerCapture(event.pointerId);
  const at = minutesAt(event);
  drawn.value = { index, fromMin: at, toMin: at };
}
function draw(event: PointerEvent): void {
  if (drawn.value) drawn.value = { ...drawn.value, toMin: minutesAt(event) };
}
function end(): void {
  const now = drawn.value;
  drawn.value = undefined;
  if (!now || now.fromMin === now.toMin) return;
  const [fromMin, toMin] = [Math.min(now.fromMin, now.toMin), Math.max(now.fromMin, now.toMin)];
  emit('change', now.index, { open: true, fromMin, toMin });
}
</script>

<template>
  <div ref="frame" class="drawing">
    <svg :width="LEFT + 7 * column" :height="HEIGHT + 8" role="img" :aria-label="label">
      <g v-for="hour in [0, 6, 12, 18, 24]" :key="hour">
        <line :x1="LEFT" :x2="LEFT + 7 * column" :y1="yOf(hour * 60)" :y2="yOf(hour * 60)" class="rule" />
        <text x="30" :y="yOf(hour * 60) + 4" text-anchor="end">{{ hour }}</text>
      </g>
      <g v-for="(index, at) in ORDER" :key="index">
        <text :x="LEFT + (at + 0.5) * column" y="15" text-anchor="middle">{{ NAMES[index] }}</text>
        <rect
          :x="LEFT + at * column + 2"
          :y="HEAD"
          :width="column - 4"
          :height="24 * HOUR_PX"
          class="day"
          @pointerdown="begin(index, $event)"
          @pointermove="draw"
          @pointerup="end()"
          @pointercancel="drawn = undefined"
        />
      </g>
      <rect
        v-for="(bar, n) in bars"
        :key="n"
        :x="LEFT + bar.at * column + 2"
        :y="yOf(bar.from)"
        :width="column - 4"
        :height="Math.max(2, yOf(bar.to) - yOf(bar.from))"
        class="open"
      />
    </svg>
    <p class="mute">Drag down a day to draw when somebody is there, to the half hour.</p>
  </div>
</template>

<style scoped>
.rule {
  stroke: var(--line2);
}
text {
  font: 12.5px var(--mono);
  fill: var(--mute);
}
.day {
  fill: var(--hatch);
  cursor: ns-resize;
  touch-action: none;
}
.open {
  fill: var(--wax);
  opacity: 0.8;
  pointer-events: none;
}
</style>
