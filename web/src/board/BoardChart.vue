<script setup lang="ts">
import type { Kiln } from '@zero-pour/contracts';
import { closedSpans, type BenchClock } from '@zero-pour/core';
import type { BoardRow, MoldRow, Proposed } from '@zero-pour/plan';
import { useElementSize } from '@vueuse/core';
import { computed, useTemplateRef } from 'vue';
import { formatMoment } from '../time/formatMoment';
import { clockTime } from '../time/shopClock';
import AxisMarks from './AxisMarks.vue';
import BenchRows from './BenchRows.vue';
import { boardLanes } from './boardLanes';
import { PITCH, shownRows } from './busyStretches';
import type { Moved } from './useMovedZero';
import ProposedZero from './ProposedZero.vue';
import ZeroMark from './ZeroMark.vue';
import { boardStretch, timeAxis } from './timeAxis';

const props = defineProps<{
  rows: readonly BoardRow[];
  molds: readonly MoldRow[];
  /** A plan that is looked at: where its zeros would be. */
  proposed: readonly Proposed[];
  now: number;
  bench: BenchClock;
  kilns: readonly Kiln[];
}>();
const emit = defineEmits<{
  open: [href: string];
  drag: [to: Moved | undefined];
  drop: [to: Moved];
  nextKiln: [pourId: string];
}>();

const HEAD = 62;
const ROW = 130;
/** A mold has no burnout beneath its steps. */
const MOLD_ROW = 92;
const frame = useTemplateRef<HTMLElement>('frame');
const { width } = useElementSize(frame);
const narrow = computed(() => width.value < 560);
const labelWidth = computed(() => (narrow.value ? 104 : 150));

const stretch = computed(() => boardStretch([...props.rows, ...props.molds], props.now, narrow.value));
const axis = computed(() =>
  timeAxis(stretch.value.from, stretch.value.to, labelWidth.value, width.value - 8),
);
const nights = computed(() => closedSpans(props.bench, stretch.value.from, stretch.value.to));
const benchTop = computed(() => topOf(props.rows.length + props.molds.length));
const height = computed(
  () => benchTop.value + 44 + shownRows(props.rows, props.molds, props.kilns).length * PITCH,
);

const topOf = (lane: number): number => {
  const molds = Math.max(0, lane - props.rows.length);
  return HEAD + (lane - molds) * ROW + molds * MOLD_ROW;
};
const lanes = computed(() =>
  boardLanes(props.rows, props.molds, axis.value).map((lane, i) => ({
    ...lane,
    top: topOf(i),
    height: lane.kind === 'Mold' ? MOLD_ROW : ROW,
    kilnLabel: lane.profile && lane.kilnIn !== undefined ? kilnLabel(lane.kilnIn) : undefined,
  })),
);
const shows = (at: number): boolean => at >= stretch.value.from && at <= stretch.value.to;
/** The burnout's name stands left of the profile, at its foot; above its start where there is no room. */
function kilnLabel(kilnIn: number): { x: number; dy: number; anchor: 'start' | 'end' } {
  const x = axis.value.x(kilnIn);
  if (x - labelWidth.value > 110) return { x: x - 8, dy: 112, anchor: 'end' };
  return { x: Math.max(x, labelWidth.value) + 3, dy: 55, anchor: 'start' };
}
const proposedZero = (key: string): number | undefined =>
  props.proposed.find(({ subject }) => subject.job.key === key)?.zero;
/** The zero's time stands left of its mark where there is no room to the right. */
const zeroLeft = (at: number): boolean => axis.value.x(at) > width.value - 110;
/** The kiln whose row lies so far down; undefined: none does. */
function kilnAt(y: number): string | undefined {
  const row = shownRows(props.rows, props.molds, props.kilns)[Math.floor((y - benchTop.value - 32) / PITCH)];
  return y > benchTop.value ? row?.kilnId : undefined;
}
const fits = (text: string, px: number): string =>
  text.length * 6.9 <= px ? text : `${text.slice(0, Math.floor(px / 6.9) - 1)}…`;
</script>

<template>
  <div ref="frame" class="sheet chart">
    <svg v-if="width > 0" :width="width" :height="height" role="group" aria-label="Pours on the time axis">
      <defs>
        <pattern id="closed" width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <rect width="6" height="6" fill="var(--hatch)" />
          <line x1="0" y1="0" x2="0" y2="6" stroke="var(--sand)" stroke-width="2" />
        </pattern>
      </defs>
      <rect
        v-for="night in nights"
        :key="night.from"
        :x="axis.x(night.from)"
        :y="HEAD - 24"
        :width="Math.max(0, axis.x(night.to) - axis.x(night.from))"
        :height="height - HEAD + 14"
        fill="url(#closed)"
      />
      <AxisMarks :axis="axis" :stretch="stretch" :width="width" :label-width="labelWidth" :height="height" />
      <g v-for="lane in lanes" :key="lane.key">
        <line x1="0" :x2="width" :y1="lane.top" :y2="lane.top" stroke="var(--line)" />
        <a :href="lane.href" :aria-label="lane.label" @click.prevent="emit('open', lane.href)">
          <rect x="0" :y="lane.top" :width="labelWidth" :height="lane.height" fill="transparent" />
          <text x="14" :y="lane.top + 22" class="small">{{ lane.kind }}</text>
          <text x="14" :y="lane.top + 51" class="number">{{ lane.number }}</text>
          <text x="14" :y="lane.top + 71" class="title">{{ fits(lane.title, labelWidth - 18) }}</text>
          <text x="14" :y="lane.top + 87" class="small">{{ fits(lane.under, labelWidth - 18) }}</text>
        </a>
        <text v-if="lane.zero === undefined" :x="labelWidth + 12" :y="lane.top + 60" class="small">
          No pour time yet:
          <tspan :x="narrow ? labelWidth + 12 : undefined" :dy="narrow ? 18 : 0">
            open the brief and set one.
          </tspan>
        </text>
        <g v-for="block in lane.blocks" :key="block.name + block.from">
          <rect :x="block.x" :y="lane.top + 18" :width="block.w" height="26" :class="['block', block.state]">
            <title>
              {{ block.name }}, {{ block.state }}: {{ formatMoment(block.from, now) }} to
              {{ formatMoment(block.to, now) }}
            </title>
          </rect>
          <text v-if="block.label" :x="block.x + 5" :y="lane.top + 35" :class="['blockname', block.state]">
            {{ block.label }}
          </text>
        </g>
        <template v-if="lane.profile">
          <linearGradient
            :id="`heat-${lane.number}`"
            gradientUnits="userSpaceOnUse"
            :x1="lane.profile.left"
            :x2="lane.profile.right"
            y1="0"
            y2="0"
          >
            <stop
              v-for="stop in lane.profile.stops"
              :key="stop.offset"
              :offset="stop.offset"
              :stop-color="stop.colour"
            />
          </linearGradient>
          <path
            :d="lane.profile.path"
            :transform="`translate(0 ${lane.top + 116})`"
            :fill="`url(#heat-${lane.number})`"
            :class="['burnout', { planned: !lane.ran }]"
          />
          <polyline
            v-if="lane.core"
            :points="lane.core"
            :transform="`translate(0 ${lane.top + 116})`"
            class="core"
          >
            <title>The core of the flask</title>
          </polyline>
        </template>
        <text
          v-if="lane.poured && !lane.ran && lane.zero !== undefined && shows(lane.zero)"
          :x="axis.x(lane.zero) - 8"
          :y="lane.top + 112"
          text-anchor="end"
          class="small"
        >
          no burnout on record
        </text>
        <text
          v-if="lane.kilnLabel"
          :x="lane.kilnLabel.x"
          :y="lane.top + lane.kilnLabel.dy"
          :text-anchor="lane.kilnLabel.anchor"
          class="small"
        >
          {{ lane.ran ? 'burnout' : 'burnout planned' }}{{ lane.kiln ? `, ${lane.kiln}` : ''
          }}{{ lane.core ? '; line: core' : '' }}
        </text>
        <template v-for="(moment, i) in lane.moments" :key="i">
          <path
            v-if="shows(moment.at)"
            :d="`M${axis.x(moment.at)} ${lane.top + lane.height - 13}l-5.5 9h11z`"
            :fill="moment.done ? 'var(--metal)' : 'var(--wax)'"
          />
        </template>
        <ProposedZero
          v-if="proposedZero(lane.key) !== undefined && shows(proposedZero(lane.key)!)"
          :at="proposedZero(lane.key)!"
          :x="axis.x(proposedZero(lane.key)!)"
          :top="lane.top"
          :height="lane.height"
          :now="now"
        />
        <ZeroMark
          v-if="lane.zero !== undefined && shows(lane.zero)"
          :zero="lane.zero"
          :axis="axis"
          :top="lane.top"
          :height="lane.height"
          :now="now"
          :left="zeroLeft(lane.zero)"
          :label="
            lane.movable ? `Zero of pour ${lane.number}: arrow keys move it, K to the next kiln` : undefined
          "
          @drag="(to) => emit('drag', { id: lane.key, at: to.at, kilnId: kilnAt(to.y) })"
          @drop="(to) => emit('drop', { id: lane.key, at: to.at, kilnId: kilnAt(to.y) })"
          @leave="emit('drag', undefined)"
          @kiln="emit('nextKiln', lane.key)"
        />
      </g>
      <BenchRows
        :rows="rows"
        :molds="molds"
        :kilns="kilns"
        :axis="axis"
        :top="benchTop"
        :width="width"
        :stretch="stretch"
      />
      <line
        :x1="axis.x(now)"
        :x2="axis.x(now)"
        y1="34"
        :y2="benchTop"
        stroke="var(--ink)"
        stroke-width="1.5"
      />
      <text :x="axis.x(now) + 5" y="60" class="now">{{ clockTime(now, 'HH:mm') }}</text>
    </svg>
  </div>
</template>

<style scoped>
.core {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.6;
}
.burnout.planned {
  opacity: 0.5;
  stroke: var(--ink);
  stroke-width: 1.2;
  stroke-dasharray: 5 4;
}
.chart {
  overflow: hidden;
  min-width: 0;
}
svg {
  display: block;
}
text {
  font-family: var(--text);
  fill: var(--ink);
}
.small {
  font-size: 13px;
  fill: var(--mute);
}
.title {
  font-size: 13.5px;
}
.number {
  font: 700 30px var(--mono);
}
.block {
  fill: var(--wax2);
  stroke: var(--wax);
}
.block.done {
  fill: var(--metal);
  stroke: var(--metal);
}
.block.running {
  fill: var(--melt-tint);
  stroke: var(--melt);
  stroke-width: 2;
}
.blockname {
  font-size: 12px;
  fill: var(--wax);
  pointer-events: none;
}
.blockname.done {
  fill: var(--ink);
}
.blockname.running {
  fill: var(--melt-text);
}
.now {
  font: 700 12.5px var(--mono);
  paint-order: stroke;
  stroke: var(--sheet);
  stroke-width: 4px;
}
a:focus-visible rect {
  stroke: var(--melt);
  stroke-width: 3;
}
</style>
