<script setup lang="ts">
import { computed } from 'vue';
import { useQuickNow } from '../state/clock';
import { formatStopwatch } from '../time/formatMoment';
import { glossTimes } from '../time/glossTimes';
import { clockTime } from '../time/shopClock';

/** The clock that starts when powder meets water, against the working time. */
const props = defineProps<{ powderInAt: string | undefined; workingMin: number; done: boolean }>();
const emit = defineEmits<{ begin: [at: string | undefined] }>();

const now = useQuickNow();
const elapsedMs = computed(() => (props.powderInAt ? now.value.getTime() - Date.parse(props.powderInAt) : 0));
const share = computed(() => Math.min(100, (elapsedMs.value / 60_000 / props.workingMin) * 100));
const glossOff = computed(() =>
  props.powderInAt ? glossTimes(Date.parse(props.powderInAt), props.workingMin) : '',
);
</script>

<template>
  <div>
    <p class="visually-hidden" role="status">
      {{ powderInAt && !done && share >= 100 ? 'Past the working time.' : '' }}
    </p>
    <template v-if="powderInAt">
      <p class="num line">
        <span>powder in at {{ clockTime(Date.parse(powderInAt), 'HH:mm:ss') }}</span>
        <span v-if="!done && share < 100"
          ><b>{{ formatStopwatch(elapsedMs) }}</b> of {{ formatStopwatch(workingMin * 60000) }}</span
        >
        <span v-else-if="!done"><b>past the working time</b></span>
        <span>gloss-off {{ glossOff }}</span>
        <button type="button" class="text-button" @click="emit('begin', undefined)">
          take the start back
        </button>
      </p>
      <v-progress-linear
        v-if="!done"
        :model-value="share"
        height="12"
        color="var(--melt)"
        bg-color="var(--line)"
        :bg-opacity="1"
        aria-label="Working time used"
      />
    </template>
    <v-btn v-else variant="flat" @click="emit('begin', new Date().toISOString())"
      >Powder is in the water</v-btn
    >
  </div>
</template>

<style scoped>
.line {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 24px;
  margin-bottom: 6px;
  font-size: 14.5px;
}
</style>
