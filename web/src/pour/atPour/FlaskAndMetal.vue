<script setup lang="ts">
import { formatQuantity, quantity, formatPhrase, pourTemperatures, say } from '@zero-pour/core';
import { metalMeets, valueOf } from '@zero-pour/plan';
import { computed } from 'vue';
import { useUnits } from '../../state/unitStore';
import { usePour } from '../../state/usePour';
import PourField from '../PourField.vue';

/** How hot flask and metal are to be, what is set off on purpose, and what the way from the kiln takes. */
const { plan, flask, flaskAt, inFlask, setInFlask } = usePour();
const units = useUnits();
const temperatures = computed(() => valueOf(flask.value.temperatures));
const doc = computed(() => flask.value.context.decided.pour);

const book = computed(() => {
  const { alloy, doc: of } = plan.value.context;
  return alloy && pourTemperatures(alloy, of.brief.castClass);
});

/** What the way takes of it: hotter by so much in the kiln, it is as wanted at the metal. */
const lost = computed(() => {
  const t = temperatures.value;
  if (!t) return undefined;
  const meets = metalMeets(plan.value.context, flaskAt.value, t.flaskC);
  if (!meets) return undefined;
  const byC = Math.round((t.wantedFlaskC - meets.tempC) / 5) * 5;
  return { ...meets, byC, nextC: (doc.value.flaskOffsetC ?? 0) + byC };
});
function keepOffset(): void {
  if (!lost.value) return;
  setInFlask('pour', 'flaskOffsetC', lost.value.nextC === 0 ? undefined : lost.value.nextC);
  setInFlask(
    'pour',
    'flaskOffsetFor',
    lost.value.nextC === 0 ? undefined : `${lost.value.outMin} min on the way`,
  );
}
/** What would make it fill, of the parts that hang here: only where it does not as it is. */
const thin = computed(() =>
  plan.value.gates
    .filter(
      ({ part, fill }) =>
        fill.flaskKey === flask.value.context.decided.key &&
        flask.value.context.parts.some(({ key }) => key === part.key),
    ) // prettier-ignore
    .flatMap(({ fill }) => fill.reading?.offers?.flaskC ?? [])
    .filter((offered) => offered > (temperatures.value?.wantedFlaskC ?? Infinity)),
);
const hottest = computed(() => (thin.value.length > 0 ? Math.max(...thin.value) : undefined));
</script>

<template>
  <template v-if="temperatures">
    <div class="form-grid">
      <PourField
        :at="inFlask('pour', 'flaskTempC')"
        :standard="book?.flaskC"
        standard-from="middle of the range"
      />
      <PourField
        :at="inFlask('pour', 'metalTempC')"
        :standard="book?.metalC"
        standard-from="middle of the range"
      />
      <PourField :at="inFlask('pour', 'outMin')" />
      <PourField v-if="doc.outMin" :at="inFlask('pour', 'roomC')" />
      <PourField :at="inFlask('pour', 'flaskOffsetC')" />
      <v-text-field
        v-if="doc.flaskOffsetC"
        label="What for"
        :model-value="doc.flaskOffsetFor ?? ''"
        maxlength="80"
        placeholder="the walk across the yard"
        @update:model-value="(text) => setInFlask('pour', 'flaskOffsetFor', text || undefined)"
      />
    </div>
    <p v-if="lost && lost.byC !== 0" class="way">
      {{
        formatPhrase(
          say`${quantity(lost.outMin, 'min', 1)} out of the kiln the patterns’ plaster is at ${quantity(lost.tempC, 'degC')}; ${quantity(temperatures.wantedFlaskC, 'degC')} is wanted there.`,
          units.choice,
        )
      }}
      <v-btn size="small" @click="keepOffset">{{
        lost.nextC === 0
          ? 'Set nothing off'
          : `Set the kiln ${formatQuantity({ value: Math.abs(lost.nextC), unit: 'degCSpan', digits: 0 }, units.choice)} ${lost.nextC > 0 ? 'hotter' : 'cooler'} for it`
      }}</v-btn>
    </p>
    <p v-if="hottest" class="way">
      By how it fills, a flask of {{ formatQuantity({ value: hottest, unit: 'degC' }, units.choice) }} would
      be hot enough for the thinnest place.
      <v-btn size="small" @click="setInFlask('pour', 'flaskTempC', hottest)">Take it</v-btn>
    </p>
  </template>
</template>

<style scoped>
.way {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 14px;
  align-items: center;
  margin: 10px 0;
  padding: 8px 12px;
  border-left: 4px solid var(--wax);
  background: var(--sheet);
}
</style>
