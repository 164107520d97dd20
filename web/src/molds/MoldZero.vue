<script setup lang="ts">
import type { Mold } from '@zero-pour/contracts';
import {
  earliestMold,
  judgeMoldTimes,
  judgeUntimed,
  planMoldTimes,
  stepsAhead,
  untimed,
} from '@zero-pour/plan';
import { computed } from 'vue';
import JudgementList from '../components/JudgementList.vue';
import MomentField from '../components/MomentField.vue';
import { useSlowNow } from '../state/clock';
import { useShop } from '../state/shopStore';
import { formatMoment } from '../time/formatMoment';
import { useMolds } from './moldStore';

/** When a mold is to be closed, and when its making must begin for that. */
const props = defineProps<{ mold: Mold }>();
const emit = defineEmits<{ change: [fields: Partial<Mold>] }>();
const molds = useMolds();
const shop = useShop();
const now = useSlowNow();
const things = computed(() => molds.thingsOf(props.mold));
const ahead = computed(() => stepsAhead(props.mold, things.value));
const times = computed(() => planMoldTimes(props.mold, things.value, shop.settings));
const earliest = computed(() => earliestMold(props.mold, things.value, shop.settings, now.value));
const judgements = computed(() =>
  times.value
    ? judgeMoldTimes(times.value, now.value, (at) => formatMoment(at, now.value))
    : judgeUntimed(untimed(ahead.value)),
);
const begin = computed(() => {
  const first = times.value?.begins[0];
  return first && `${first.step.name}: ${formatMoment(first.at, now.value)}.`;
});
</script>

<template>
  <div v-if="ahead.length > 0" class="zero mt-3">
    <div class="row">
      <MomentField
        class="field"
        label="Zero: closed, ready for its first wax"
        :model-value="mold.zeroAt"
        @update:model-value="(zeroAt) => emit('change', { zeroAt })"
      />
      <v-btn
        v-if="earliest"
        size="small"
        class="mt-2"
        @click="emit('change', { zeroAt: new Date(earliest).toISOString() })"
        >Earliest: {{ formatMoment(earliest, now) }}</v-btn
      >
    </div>
    <p v-if="begin" class="mt-3"><b>Next hands-on.</b> {{ begin }}</p>
    <p v-else-if="!mold.zeroAt" class="mute mt-3">
      Without a zero of its own it is counted back with the pour that names it.
    </p>
    <JudgementList :judgements="judgements" />
  </div>
</template>

<style scoped>
.row {
  display: flex;
  flex-wrap: wrap;
  align-items: flex-start;
  gap: 8px 16px;
}
.field {
  max-width: 380px;
  min-width: 280px;
}
</style>
