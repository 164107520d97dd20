<script setup lang="ts">
import { wantedMm, type Pattern } from '@zero-pour/contracts';
import { formatQuantity, PATTERN_LIMITS, WIDE_BAND_MM, wideBandAllowanceMm } from '@zero-pour/core';
import { computed, shallowRef, watch } from 'vue';
import { PatternViewer, useAnalyses, type PaintName } from '../../pattern';
import { usePour } from '../../state/usePour';
import { useUnits } from '../../state/unitStore';
import { useWantedSizes, withField } from '../../sizes';

/** Sizes that the file itself has: the bore, holes, whole lengths, or what is measured on the model. */
const props = defineProps<{ pattern: Pattern }>();
const { plan } = usePour();
const units = useUnits();
const analyses = useAnalyses();
const { first, sizes, keep, add } = useWantedSizes();
const mm = (value: number): string => formatQuantity({ value, unit: 'mm', digits: 2 }, units.choice);
watch(
  () => props.pattern.id,
  () => void analyses.ensure(props.pattern),
  { immediate: true },
);
const bore = computed(() => {
  const state = analyses.of(props.pattern);
  return state.status === 'analysed' ? (state.analysis.bore ?? undefined) : undefined;
});
/** Shown thousandths are kept: nobody wants to weigh a size by its float. */
const tidy = (value: number): number => Math.round(value * 1000) / 1000;

/** A size typed in place of the file's own. */
const typedOtherwise = computed(
  () =>
    first.value?.of === 'bore' &&
    first.value.drawnMm !== undefined &&
    bore.value !== undefined &&
    Math.abs(first.value.drawnMm - bore.value.diameterMm) > TOLD_MM,
);
/** A fit of the facets and what was drawn differ by a few hundredths. */
const TOLD_MM = 0.05;
function askForBore(): void {
  if (bore.value) add('bore', tidy(bore.value.diameterMm));
}

/** Width of a band along the bore's axis, by the points of the file. */
const bandMm = computed(() => {
  if (!bore.value || first.value?.of !== 'bore') return 0;
  const along: number[] = [];
  const points = props.pattern.measure.supportPointsMm;
  for (let i = 0; i < points.length; i += 3)
    along.push(bore.value.axis.reduce((sum, a, k) => sum + a * points[i + k]!, 0));
  return Math.max(...along) - Math.min(...along);
});
const allowanceMm = computed(() => (bandMm.value > 0 ? wideBandAllowanceMm(bandMm.value) : 0));

/* Measuring on the model. */
const picking = shallowRef(false);
const paint = shallowRef<PaintName>('thickness');
const picked = shallowRef<{ mm: number; along: [number, number, number] }>();
function addPicked(of: 'outside' | 'wall' | 'hole'): void {
  if (!picked.value) return;
  const { mm: length, along } = picked.value;
  const drawnMm = tidy(length);
  // Across a hole the picked line is a diameter, not the axis: only what lies along a line keeps its direction.
  add(of, drawnMm, of === 'hole' ? { drawnMm } : { drawnMm, along });
  picked.value = undefined;
}
</script>

<template>
  <div class="file">
    <v-btn v-if="bore && !first" size="small" @click="askForBore">
      Hold the file’s bore, {{ mm(bore.diameterMm) }}
    </v-btn>
    <template v-else-if="bore && typedOtherwise && first">
      <span>{{ mm(first.drawnMm!) }} is typed for the file, which measures {{ mm(bore.diameterMm) }}.</span>
      <v-btn size="small" @click="keep(withField(first, 'drawnMm', undefined))">Take the file’s</v-btn>
    </template>
    <span v-else-if="bore && first?.of === 'bore'" class="mute">
      The file’s bore is {{ mm(bore.diameterMm) }}; {{ mm(wantedMm(first)) }} is wanted.
    </span>
    <template v-if="first?.of === 'bore' && bandMm > WIDE_BAND_MM">
      <v-btn
        size="small"
        @click="
          keep(withField(first, 'wideBandMm', first.wideBandMm === undefined ? tidy(allowanceMm) : undefined))
        "
        >{{
          first.wideBandMm === undefined
            ? `Open it ${mm(allowanceMm)} for the wide band`
            : 'Without the wide-band allowance'
        }}</v-btn
      >
      <span class="mute">{{ mm(bandMm) }} wide: wide bands wear tight.</span>
    </template>
    <v-btn size="small" @click="picking = !picking">{{
      picking ? 'Done measuring' : 'Measure on the model'
    }}</v-btn>
  </div>
  <div v-if="picking" class="pick">
    <PatternViewer
      v-model:paint="paint"
      class="view"
      :pattern="pattern"
      :findings="[]"
      :chosen="undefined"
      :finest-mm="plan.context.resin?.finestMm ?? PATTERN_LIMITS.finestMm"
      measure
      @measured="(m) => (picked = m)"
    />
    <div class="picked">
      <template v-if="picked">
        <b class="num">{{ mm(picked.mm) }}</b> is
        <v-btn size="small" @click="addPicked('outside')">an outside</v-btn>
        <v-btn size="small" @click="addPicked('wall')">a wall</v-btn>
        <v-btn size="small" @click="addPicked('hole')">a hole</v-btn>
      </template>
      <span v-else class="mute"
        >Click two points of the part. {{ sizes.length }} sizes are wanted so far.</span
      >
    </div>
  </div>
</template>

<style scoped>
.file,
.picked {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 12px;
  align-items: center;
  margin-top: 10px;
  min-height: 34px;
}
.view {
  height: 440px;
}
.pick {
  margin-top: 10px;
}
</style>
