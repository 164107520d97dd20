<script setup lang="ts">
import type { Pattern } from '@zero-pour/contracts';
import { formatQuantity, NO_ROTATION, type Finding, type Rotation } from '@zero-pour/core';
import { computed, nextTick, shallowRef, useTemplateRef, watch } from 'vue';
import { useUnits } from '../../state/unitStore';
import type { ViewShape } from '../jobs/shapes';
import ColourLegend from './ColourLegend.vue';
import FindingMarks from './FindingMarks.vue';
import { saveFile } from '../saveFile';
import { lookFrom } from './lookFrom';
import MeasureMarks from './MeasureMarks.vue';
import type { PaintName } from './paint';
import { STANDARD_VIEWS, type Point, type StandardView } from './partScene';
import PartView from './PartView.vue';
import SectionHandle from './SectionHandle.vue';
import { useMeasuring, type Span } from './useMeasuring';
import { usePaint } from './usePaint';
import { useSection } from './useSection';
import ViewTools from './ViewTools.vue';

/** The part with everything that can be asked of it by eye. */
const props = withDefaults(
  defineProps<{
    pattern: Pattern;
    findings: readonly Finding[];
    chosen: number | undefined;
    /** Finest feature of the chosen resin: the white of the thickness ramp. */
    finestMm: number;
    rotation?: Rotation;
    /** Opens with measuring on. */
    measure?: boolean;
    /** Presses on the part are told (`press`) while this asks for one. */
    asks?: string;
  }>(),
  { rotation: () => NO_ROTATION, measure: false, asks: '' },
);
const emit = defineEmits<{
  choose: [index: number | undefined];
  shape: [shape: ViewShape];
  measured: [span: Span | undefined];
  press: [at: Point];
}>();
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
const measuringOn = shallowRef(props.measure);
const measuring = useMeasuring(() => shape.value?.paint);
watch(measuring.span, (span) => emit('measured', span));

function press(picked: { at: Point; vertices: Point } | null): void {
  if (props.asks) {
    if (picked) emit('press', picked.at);
  } else if (measuringOn.value) measuring.pick(picked);
}

function take(loaded: ViewShape): void {
  shape.value = loaded;
  measuring.clear();
  emit('shape', loaded);
}
watch(
  () => props.pattern.id,
  () => section.cut(undefined),
);

const chosenPlace = computed(() =>
  props.chosen === undefined ? undefined : props.findings[props.chosen]?.places[0],
);
/** Turns the part to the chosen finding; a cut that is open moves through it. */
watch([() => props.chosen, () => props.findings], async () => {
  const place = chosenPlace.value;
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

/** Without WebGL there is an outline, and nothing to turn, cut or colour. */
const flat = computed(() => shape.value !== undefined && !view.value?.scene);
const views = Object.keys(STANDARD_VIEWS) as StandardView[];
const LOOKS: Record<StandardView, string> = {
  front: 'facing me',
  back: 'far side',
  left: 'left side',
  right: 'right side',
  above: 'from above',
  below: 'from under',
};
async function savePicture(): Promise<void> {
  const png = await view.value?.scene?.toPng();
  if (png) saveFile(png, `${props.pattern.name} ${paint.value}.png`);
}
</script>

<template>
  <div class="viewer">
    <div v-if="!flat" class="head">
      <ViewTools
        v-model:paint="paint"
        v-model:measuring="measuringOn"
        :axis="section.axis.value"
        @cut="(axis) => section.cut(axis, chosenPlace?.at)"
        @picture="savePicture"
      />
      <div class="views" role="group" aria-label="Look from">
        <button v-for="name in views" :key="name" type="button" @click="view?.scene?.view(name)">
          {{ LOOKS[name] }}
        </button>
        <button type="button" @click="view?.scene?.fit()">all of it</button>
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
    </div>
    <PartView
      ref="view"
      :pattern="pattern"
      :rotation="rotation"
      :colours="colours"
      :section="section.plane.value"
      class="canvas"
      @shape="take"
      @pick="press"
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
        <MeasureMarks
          v-else
          :points="measuring.points.value"
          :scene="scene"
          :tick="tick"
          :width="width"
          :height="height"
        />
        <SectionHandle
          v-if="section.plane.value"
          :plane="section.plane.value"
          :scene="scene"
          :tick="tick"
          :width="width"
          :height="height"
          @move="section.move"
        />
      </template>
    </PartView>
    <p v-if="asks || measuringOn" class="said" role="status">{{ asks || measuring.sentence.value }}</p>
    <div v-if="!flat" class="key">
      <span v-if="needsAnalysis" class="mute">Colours come with the analysis.</span>
      <ColourLegend v-else v-bind="legend" :ramp="ramp" />
    </div>
  </div>
</template>

<style scoped>
.viewer {
  position: relative;
  container-type: inline-size;
  display: grid;
  grid-template-rows: auto minmax(0, 1fr);
}
.canvas {
  grid-row: 2;
}
.head {
  display: grid;
  gap: 2px;
  justify-items: start;
  padding-bottom: 6px;
}
.views {
  display: flex;
  flex-wrap: wrap;
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
  bottom: 78px;
  background: var(--char);
  color: var(--bone);
  padding: 5px 12px;
  font-size: 14px;
  width: max-content;
  max-width: 90%;
}
.key {
  position: absolute;
  right: 88px;
  bottom: 10px;
}
@container (max-width: 420px) {
  .key {
    right: auto;
    left: 16px;
    bottom: 50px;
  }
  .said {
    bottom: 124px;
  }
}
</style>
