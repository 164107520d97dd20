<script setup lang="ts">
import type { MakerProgramme } from '@zero-pour/contracts';
import { formatHours, programmeCurve, SWELL_RAMP_MAX_C_PER_H, type Segment } from '@zero-pour/core';
import { computed } from 'vue';
import NoteField from '../components/NoteField.vue';
import { MIDDLING } from './middling';
import SegmentTable from './SegmentTable.vue';
import TypeProgramme from './TypeProgramme.vue';

/** The burnout that a maker prescribes, as the sheet says it: typed in a line, then changed stage by stage. */
const props = defineProps<{
  programme: MakerProgramme | null | undefined;
  /** What it was written for: "Powder" in a resin's record, "Resin" in a powder's. */
  writtenFor: string;
}>();
const emit = defineEmits<{ change: [programme: MakerProgramme | null] }>();
const curve = computed(() =>
  props.programme ? programmeCurve(props.programme.segments, MIDDLING.castingC, MIDDLING.kiln) : undefined,
);
const change = (segments: Segment[]): void =>
  emit('change', {
    assumes: props.programme?.assumes ?? '',
    segments: segments.map((one) => ({ ...one, hands: [...one.hands] })),
  });
</script>

<template>
  <section class="stage-block" aria-label="Maker’s programme">
    <h2>
      Maker’s programme<template v-if="curve"
        >, about {{ formatHours(curve.totalH) }} in a middling kiln</template
      >
    </h2>
    <p v-if="!programme" class="mute">
      Not known. As its sheet says it; Burnout then makes one of it and the other maker’s.
    </p>
    <template v-else>
      <NoteField
        :label="`${writtenFor} it was written for`"
        :model-value="programme.assumes"
        :max="200"
        @update:model-value="
          (assumes) => programme && emit('change', { ...programme, assumes: assumes ?? '' })
        "
      />
      <SegmentTable v-if="curve" :placed="curve.segments" @change="change" />
      <button type="button" class="text-button mt-2" @click="emit('change', null)">Take it out</button>
    </template>
    <TypeProgramme :defaults="{ ...MIDDLING, rampCPerH: SWELL_RAMP_MAX_C_PER_H }" @take="change" />
  </section>
</template>
