<script setup lang="ts">
import type { Pattern } from '@zero-pour/contracts';
import { formatQuantity, NO_ROTATION, type Finding, type Rotation } from '@zero-pour/core';
import { computed, nextTick, shallowRef, useTemplateRef, watch } from 'vue';
import { useUnits } from '../../state/unitStore';
import type { ViewShape } from '../work/shapes';
import ColourLegend from './ColourLegend.vue';
import FindingMarks from './FindingMarks.vue';
import { lookFrom } from './lookFrom';
import { PAINTS, type PaintName } from './paint';
import { STANDARD_VIEWS, type StandardView } from './partScene';
import PartView from './PartView.vue';
import SectionHandle from './SectionHandle.vue';
import { useMeasuring } from './useMeasuring';
import { usePaint } from './usePaint';
import { SECTION_AXES, useSection } from './useSection';

/** The part with everything that can be asked of it by eye. */
const props = withDefaults(
  defineProps<{
    pattern: Pattern;
    findings: readonly Finding[];
    chosen: number | undefined;
    /** Finest feature of the chosen resin: the white of the thickness ramp. */
    finestMm: number;
    rotation?: Rotation;
  }>(),
  { rotation: () => NO_ROTATION },
);
const emit = defineEmits<{ choose: [index: number | undefined]; shape: [shape: ViewShape] }>();
const paint = defineModel<PaintName>('paint', { required: true });

const units = useUnits();
const view = useTemplateRef<InstanceType<typeof PartView>>('view');
const shape = shallowRef<ViewShape>();
const { ramp, colours } = usePaint(
  shape,
  paint,
  () => props.finestMm,
  () => props.rotation,
);
const section = useSection(shape);
const measuringOn = shallowRef(false);
const measuring = useMeasuring(() => shape.value?.paint);

function take(loaded: ViewShape): void {
  shape.value = loaded;
  measuring.clear();
  emit('shape', loaded);
}
watch(
  () => props.pattern.id,
  () => section.cut(undefined),
);

/** Turns the part to the chosen finding; a cut that is open moves through it. */
watch([() => props.chosen, () => props.findings], async () => {
  const place = props.chosen === undefined ? undefined : props.findings[props.chosen]?.places[0];
  const scene = view.value?.scene;
  if (!place || !scene || !shape.value) return;
  if (section.axis.value) section.cut(section.axis.value, place.at);
  const { min, max, middle } = section.box.value;
  const size = Math.hypot(...max.map((v, k) => v - min[k]!));
  const zoom = Math.min(4, Math.max(1, size / (10 * place.sizeMm + 0.45 * size)));
  await nextTick();
  scene.turnTo(place.at, lookFrom(shape.value, place, scene.towardsEye(), middle), zoom);
});

const percent = (value: number): string => `${Math.round(value)} %`;
const mm = (value: number): string =>
  formatQuantity({ value, unit: 'mm', digits: value < 1 ? 2 : 1 }, units.choice);
const down = (value: number): string =>
  `${Math.round((Math.asin(Math.min(1, Math.max(0, value))) * 180) / Math.PI)}°`;
const legend = computed(() => {
  switch (paint.value) {
    case 'thickness':
      return { from: 0, to: 4, show: mm, title: 'Local thickness', bare: '' };
    case 'gap':
      return { from: 0, to: 3.2, show: mm, title: 'Gap to the surface opposite', bare: 'open' };
    case 'feed':
      return {
        from: 0,
        to: 100,
        show: percent,
        title: 'Way freezes at this share of its mass',
        bare: 'not known',
      };
    default:
      return { from: 0, to: 1, show: down, title: 'Looks down by', bare: '' };
  }
});
const needsAnalysis = computed(() => paint.value !== 'overhang' && !shape.value?.paint);

const views = Object.keys(STANDARD_VIEWS) as StandardView[];
async function savePicture(): Promise<void> {
  const png = await view.value?.scene?.toPng();
  if (!png) return;
  const link = document.createElement('a');
  link.href = URL.createObjectURL(png);
  link.download = `${props.pattern.name} ${paint.value}.png`;
  link.click();
  URL.revokeObjectURL(link.href);
}
</script>

<template>
  <div class="viewer">
    <PartView
      ref="view"
      :pattern="pattern"
      :rotation="rotation"
      :colours="colours"
      :section="section.plane.value"
      class="canvas"
      @shape="take"
      @pick="(picked) => measuringOn && measuring.pick(picked)"
    >
      <template #default="{ scene, tick, width, height }">
        <FindingMarks
          v-if="!measuringOn"
          :findings="findings"
          :chosen="chosen"
          :scene="scene"
          :tick="tick"
          :width="width"
          :height="height"
          @choose="(n) => emit('choose', n)"
        />
        <svg v-else class="measure" :width="width" :height="height" :data-tick="tick">
          <line
            v-if="measuring.points.value.length === 2"
            :x1="scene.screenOf(measuring.points.value[0]!.at).x"
            :y1="scene.screenOf(measuring.points.value[0]!.at).y"
            :x2="scene.screenOf(measuring.points.value[1]!.at).x"
            :y2="scene.screenOf(measuring.points.value[1]!.at).y"
          />
          <circle
            v-for="(point, n) in measuring.points.value"
            :key="n"
            :cx="scene.screenOf(point.at).x"
            :cy="scene.screenOf(point.at).y"
            r="5"
          />
        </svg>
        <SectionHandle
          v-if="section.plane.value"
          :plane="section.plane.value"
          :scene="scene"
          :tick="tick"
          :width="width"
          :height="height"
          @move="section.move"
        />
        <div class="views" role="group" aria-label="Look from">
          <button v-for="name in views" :key="name" type="button" @click="scene.view(name)">
            {{ name }}
          </button>
          <button type="button" @click="scene.fit()">whole</button>
        </div>
      </template>
    </PartView>
    <div class="tools">
      <div class="paints" role="radiogroup" aria-label="Colour by">
        <button
          v-for="name in PAINTS"
          :key="name"
          type="button"
          role="radio"
          :aria-checked="paint === name"
          @click="paint = name"
        >
          {{ name }}
        </button>
      </div>
      <div class="paints" role="group" aria-label="Cut across">
        <button
          v-for="axis in SECTION_AXES"
          :key="axis"
          type="button"
          :aria-pressed="section.axis.value === axis"
          :aria-label="`Cut across ${axis}`"
          @click="
            section.cut(
              section.axis.value === axis ? undefined : axis,
              chosen === undefined ? undefined : findings[chosen]?.places[0]?.at,
            )
          "
        >
          cut {{ axis }}
        </button>
      </div>
      <div class="paints">
        <button type="button" :aria-pressed="measuringOn" @click="measuringOn = !measuringOn">measure</button>
        <button type="button" @click="savePicture">picture</button>
      </div>
    </div>
    <label v-if="section.axis.value" class="slider">
      <span class="num"
        >{{ section.axis.value }}
        {{ formatQuantity({ value: section.atMm.value, unit: 'mm', digits: 2 }, units.choice) }}</span
      >
      <input
        type="range"
        :min="section.range.value[0]"
        :max="section.range.value[1]"
        step="0.01"
        :value="section.atMm.value"
        :aria-label="`Place of the cut along ${section.axis.value}`"
        @input="(event) => (section.atMm.value = Number((event.target as HTMLInputElement).value))"
      />
    </label>
    <p v-if="measuringOn" class="said" role="status">{{ measuring.sentence.value }}</p>
    <div class="legend">
      <span v-if="needsAnalysis" class="mute">Colours come with the analysis.</span>
      <ColourLegend v-else v-bind="legend" :ramp="ramp" />
    </div>
  </div>
</template>

<style scoped>
.viewer {
  position: relative;
}
.canvas {
  height: 100%;
}
.tools {
  position: absolute;
  left: 12px;
  top: 10px;
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
.paints {
  display: flex;
  border: 1px solid var(--line2);
  background: var(--paper);
}
.paints button {
  padding: 6px 12px;
  min-height: 34px;
  border: none;
  background: none;
  font: inherit;
  font-size: 14px;
  cursor: pointer;
}
.paints button::first-letter {
  text-transform: capitalize;
}
.paints button + button {
  border-left: 1px solid var(--line2);
}
.paints [aria-checked='true'],
.paints [aria-pressed='true'] {
  background: var(--wax);
  color: #fff;
}
.views {
  position: absolute;
  left: 12px;
  top: 50px;
  display: flex;
}
.views button {
  border: none;
  background: none;
  font: inherit;
  font-size: 13px;
  color: var(--wax);
  padding: 4px 6px;
  cursor: pointer;
}
.views button:hover {
  text-decoration: underline;
}
.slider {
  position: absolute;
  left: 12px;
  top: 82px;
  display: flex;
  align-items: center;
  gap: 10px;
  background: var(--paper);
  border: 1px solid var(--line2);
  padding: 3px 10px;
  font-size: 13px;
}
.slider input {
  width: 190px;
  accent-color: var(--wax);
}
.said {
  position: absolute;
  left: 50%;
  transform: translateX(-50%);
  bottom: 12px;
  background: var(--char);
  color: #f3ede2;
  padding: 5px 12px;
  font-size: 14px;
  max-width: 46%;
}
.measure {
  position: absolute;
  inset: 0;
  pointer-events: none;
}
.measure line {
  stroke: var(--ink);
  stroke-width: 2;
}
.measure circle {
  fill: var(--paper);
  stroke: var(--ink);
  stroke-width: 2;
}
.legend {
  position: absolute;
  right: 88px;
  bottom: 10px;
}
</style>
