<script setup lang="ts">
import { airJob } from '@zero-pour/jobs';
import type { PartAir } from '@zero-pour/plan';
import { watchImmediate } from '@vueuse/core';
import { computed } from 'vue';
import { useReadings } from '../../jobs';

/** Where air stays in a part as it hangs: one press stands its pieces so that less does. */
const props = defineProps<{ airs: readonly PartAir[] }>();
const emit = defineEmits<{
  turn: [pieces: readonly string[], stand: { tiltDeg: number; spinDeg: number }];
}>();
const readings = useReadings();

/* The same readings that the plan judges by, made here one after the other. */
let last: Promise<unknown> = Promise.resolve();
watchImmediate(
  () => props.airs.filter(({ answer }) => !answer).map(({ wish }) => wish),
  (wishes) => {
    for (const wish of wishes) last = last.then(() => readings.make(airJob, wish)).catch(() => undefined);
  },
);

const better = computed(() =>
  props.airs.flatMap(({ name, pieces, answer }) => {
    if (!answer) return [];
    const { now, best } = answer;
    const same = now.tiltDeg === best.tiltDeg && now.spinDeg === best.spinDeg;
    // What stands straight on the base cannot lean without a main sprue.
    if (now.tiltDeg === 90) return [];
    const held = now.pockets.length + now.spots.length > 0;
    return same || !held ? [] : [{ name, pieces, best }];
  }),
);
</script>

<template>
  <div v-if="better.length > 0" class="better">
    <v-btn
      v-for="one in better"
      :key="one.pieces[0]"
      size="small"
      @click="emit('turn', one.pieces, { tiltDeg: one.best.tiltDeg, spinDeg: one.best.spinDeg })"
    >
      Stand {{ one.name }} at {{ Math.round(one.best.tiltDeg) }}°, turned to
      {{ Math.round(one.best.spinDeg) }}°
    </v-btn>
  </div>
</template>

<style scoped>
.better {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
</style>
