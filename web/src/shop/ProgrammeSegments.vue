<script setup lang="ts">
import type { Programme } from '@zero-pour/contracts';
import { formatHours, programmeCurve, SWELL_RAMP_MAX_C_PER_H, type Segment } from '@zero-pour/core';
import { computed } from 'vue';
import { MIDDLING, SegmentTable, TypeProgramme } from '../burnout';

/** A programme's segments, timed with a middling kiln and casting temperature: each pour counts with its own. */
const props = defineProps<{ programme: Programme }>();
const emit = defineEmits<{ change: [programme: Programme] }>();
const curve = computed(() => programmeCurve(props.programme.segments, MIDDLING.castingC, MIDDLING.kiln));
const change = (segments: Segment[]): void =>
  emit('change', { ...props.programme, segments: segments.map((s) => ({ ...s, hands: [...s.hands] })) });
</script>

<template>
  <section class="stage-block">
    <h2>
      Segments, about {{ formatHours(curve.totalH) }} in a middling kiln to a flask of
      {{ MIDDLING.castingC }} °C
    </h2>
    <SegmentTable :placed="curve.segments" @change="change" />
    <TypeProgramme :defaults="{ ...MIDDLING, rampCPerH: SWELL_RAMP_MAX_C_PER_H }" @take="change" />
  </section>
</template>
