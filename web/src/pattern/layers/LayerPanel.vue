<script setup lang="ts">
import type { Pattern } from '@zero-pour/contracts';
import { said } from '../../components/said';
import { formatQuantity, measureSteps, PATTERN_LIMITS, type Rotation } from '@zero-pour/core';
import { layersJob, partOf, type CutLayers } from '@zero-pour/jobs';
import { computed, shallowRef, watch } from 'vue';
import NumberList from '../../components/NumberList.vue';
import QuantityField from '../../components/QuantityField.vue';
import { useJob } from '../../jobs';
import { useShop } from '../../state/shopStore';
import { useUnits } from '../../state/unitStore';
import type { ViewShape } from '../jobs/shapes';
import LayerChart from './LayerChart.vue';
import LayerPicture from './LayerPicture.vue';
import type { PartInLayers } from './partInLayers';

/** What one way up means at the plate, layer by layer. */
const props = defineProps<{ pattern: Pattern; shape: ViewShape | undefined }>();
const rotation = defineModel<Rotation>('rotation', { required: true });
const emit = defineEmits<{ cut: [cut: PartInLayers | undefined] }>();

const shop = useShop();
const units = useUnits();
const { state, ask, stop } = useJob(layersJob, { waitMs: 350 });

const USUAL = { layerMm: 0.05, pixelMm: 0.035 };
const printerId = shallowRef<string | null>(shop.lists.printer[0]?.id ?? null);
const printer = computed(() => shop.lists.printer.find(({ id }) => id === printerId.value));
const profile = computed(() => shop.lists.profile.find((p) => p.printerId === printerId.value));
const layerMm = shallowRef(profile.value?.layerMm ?? USUAL.layerMm);
const pixelMm = shallowRef(printer.value ? printer.value.pixelUm / 1000 : USUAL.pixelMm);
watch(printer, (chosen) => {
  if (!chosen) return;
  pixelMm.value = chosen.pixelUm / 1000;
  if (profile.value) layerMm.value = profile.value.layerMm;
});

watch(
  [() => props.pattern, rotation, layerMm, pixelMm],
  () =>
    ask({
      part: partOf(props.pattern),
      rotation: rotation.value,
      layerMm: layerMm.value,
      pixelMm: pixelMm.value,
    }),
  { immediate: true, deep: true },
);
const layer = shallowRef(0);
const done = computed<(PartInLayers & CutLayers) | undefined>(() => {
  if (state.value.status !== 'done') return undefined;
  const { input, output } = state.value;
  const { shape } = props;
  const steps = shape?.paint
    ? measureSteps(shape, shape.paint.gapUm, input.rotation, input.layerMm, PATTERN_LIMITS.polishMm)
    : null;
  return { ...output, input, steps };
});
watch(done, (now) => {
  emit('cut', now);
  if (now) layer.value = Math.min(layer.value, now.stack.layers - 1);
});

const mm = (value: number, digits = 2): string => formatQuantity({ value, unit: 'mm', digits }, units.choice);
const mm2 = (value: number): string => formatQuantity({ value, unit: 'mm2', digits: 1 }, units.choice);
const numbers = computed<[string, string][]>(() => {
  if (!done.value) return [];
  const { direction, stack, input } = done.value;
  return [
    ['Height', `${mm(direction.heightMm)}, ${stack.layers} layers`],
    ['First layer', mm2(direction.firstLayerMm2)],
    ['Largest layer', `${mm2(direction.peak.areaMm2)} at ${mm(direction.peak.layer * input.layerMm, 1)}`],
    ['Mean layer', mm2(direction.meanAreaMm2)],
    [
      'Largest jump',
      `${mm2(Math.abs(direction.jump.changeMm2))} at ${mm(direction.jump.layer * input.layerMm, 1)}`,
    ],
    ['Overhang', mm2(direction.overhangMm2)],
    ['Islands · suction cups', `${direction.islands.length} · ${direction.cups.length}`],
  ];
});
const AXES = [
  { field: 'xDeg', name: 'About x' },
  { field: 'yDeg', name: 'About y' },
  { field: 'zDeg', name: 'About z' },
] as const;
</script>

<template>
  <section class="layers" aria-label="Layers">
    <h2>Layers, for one way up</h2>
    <div class="form">
      <QuantityField
        v-for="axis in AXES"
        :key="axis.field"
        v-bind="said('pour', 'wayUp', 'lines', '*', 'rotation', axis.field)"
        :label="axis.name"
        :model-value="rotation[axis.field]"
        required
        @update:model-value="(deg) => deg !== undefined && (rotation = { ...rotation, [axis.field]: deg })"
      />
      <v-select
        v-if="shop.lists.printer.length > 0"
        v-model="printerId"
        label="Printer"
        :items="shop.lists.printer.map(({ id, name }) => ({ title: name, value: id }))"
      />
      <QuantityField
        label="Layer height"
        unit="mm"
        :digits="3"
        :model-value="layerMm"
        :min="0.005"
        :max="0.5"
        required
        @update:model-value="(v) => v !== undefined && (layerMm = v)"
      />
      <QuantityField
        label="Pixel"
        unit="mm"
        :digits="3"
        :model-value="pixelMm"
        :min="0.005"
        :max="0.5"
        required
        @update:model-value="(v) => v !== undefined && (pixelMm = v)"
      />
    </div>
    <p v-if="state.status === 'working'" role="status">
      Cutting it into layers … <button type="button" class="text-button" @click="stop">Stop</button>
    </p>
    <p v-else-if="state.status === 'failed'" role="alert">{{ state.sentence }}</p>
    <div v-if="done" class="shown">
      <div>
        <LayerChart
          :direction="done.direction"
          :layer-mm="done.input.layerMm"
          :layer="layer"
          @layer="(n) => (layer = Math.min(Math.max(0, n), done!.stack.layers - 1))"
        />
        <label class="slider">
          <span class="num"
            >layer {{ layer + 1 }} of {{ done.stack.layers }},
            {{ mm((layer + 1) * done.input.layerMm) }}</span
          >
          <input
            v-model.number="layer"
            type="range"
            min="0"
            :max="done.stack.layers - 1"
            step="1"
            aria-label="Layer"
          />
        </label>
        <LayerPicture :stack="done.stack" :layer="layer" />
      </div>
      <NumberList :rows="numbers" />
    </div>
  </section>
</template>

<style scoped>
.layers {
  display: grid;
  gap: 12px;
  border-top: 1px solid var(--line2);
  padding-top: 14px;
  margin-top: 20px;
}
.form {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(130px, 1fr));
  gap: 12px;
}
.shown {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 340px;
  gap: 20px;
}
.slider {
  display: flex;
  gap: 14px;
  align-items: center;
  margin: 8px 0;
}
.slider input {
  flex: 1;
  height: 32px;
  accent-color: var(--wax);
}
@media (max-width: 1000px) {
  .shown {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
