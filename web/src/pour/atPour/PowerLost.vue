<script setup lang="ts">
import { formatQuantity, judgeMeltFall, meltFall, MINUTE_MS } from '@zero-pour/core';
import { readingValue } from '@zero-pour/contracts';
import { valueOf } from '@zero-pour/plan';
import { computed, shallowRef } from 'vue';
import JudgementList from '../../components/JudgementList.vue';
import QuantityField from '../../components/QuantityField.vue';
import { said } from '../../components/said';
import { useQuickNow } from '../../state/clock';
import { useUnits } from '../../state/unitStore';
import { usePour } from '../../state/usePour';
import { clockTime } from '../../time/shopClock';
import PourField from '../PourField.vue';

/** The power went while the metal melts: whether to pour now, and for how long that may be done. */
const { plan, flask, inFlask, setInFlask } = usePour();
const units = useUnits();
const now = useQuickNow();
const doc = computed(() => flask.value.context.decided.pour);
const reads = computed(() => doc.value.meltReads ?? []);
const tempC = shallowRef<number>();
function note(): void {
  if (tempC.value === undefined) return;
  setInFlask('pour', 'meltReads', [...reads.value, { at: new Date().toISOString(), tempC: tempC.value }]);
  tempC.value = undefined;
}
const judged = computed(() => {
  const { alloy } = plan.value.context;
  const temperatures = valueOf(flask.value.temperatures);
  const last = reads.value.at(-1);
  if (!alloy || !temperatures || !last || doc.value.pouredAt) return [];
  const fall = meltFall(
    reads.value.map(({ at, tempC: read }) => ({ min: Date.parse(at) / MINUTE_MS, tempC: read })),
    alloy.liquidusC,
  );
  const goneMin = Math.max(0, (now.value.getTime() - Date.parse(last.at)) / MINUTE_MS);
  const then = { tempC: readingValue(doc.value.flaskRead), range: temperatures.flask };
  return fall ? judgeMeltFall(fall, goneMin, then) : [];
});
const shown = (value: number): string => formatQuantity({ value, unit: 'degC', digits: 0 }, units.choice);
const AT = ['pour', 'flasks', '*', 'pour', 'meltReads', '0', 'tempC'] as const;
</script>

<template>
  <p class="mute">
    Read the metal now and once more after a minute; read the flask. The hood’s fan is off too: no fumes that
    nobody draws away.
  </p>
  <div class="add">
    <QuantityField v-bind="said(...AT)" v-model="tempC" />
    <v-btn :disabled="tempC === undefined" @click="note">Note the metal</v-btn>
    <PourField :at="inFlask('pour', 'flaskRead')" />
  </div>
  <p v-if="reads.length > 0" class="num">
    <template v-for="(read, n) in reads" :key="n"
      ><template v-if="n > 0"> · </template>{{ clockTime(Date.parse(read.at), 'HH:mm:ss') }}
      {{ shown(read.tempC) }}</template
    >
    <button type="button" class="text-button ml-2" @click="setInFlask('pour', 'meltReads', undefined)">
      away with them
    </button>
  </p>
  <JudgementList :judgements="judged" />
</template>

<style scoped>
.add {
  display: grid;
  grid-template-columns: minmax(0, 190px) auto minmax(0, 320px);
  justify-content: start;
  gap: 10px;
  align-items: start;
  margin: 8px 0;
}
@media (max-width: 700px) {
  .add {
    grid-template-columns: 1fr;
  }
}
</style>
