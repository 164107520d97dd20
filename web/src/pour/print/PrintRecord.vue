<script setup lang="ts">
import { SUPPORT_MAKERS, SUPPORT_WEIGHTS, SUPPORTS_CAME, type PourDoc } from '@zero-pour/contracts';
import { said } from '../../components/said';
import { computed } from 'vue';
import ChoiceRow from '../../components/ChoiceRow.vue';
import QuantityField from '../../components/QuantityField.vue';
import { usePour } from '../../state/usePour';
import PourField from '../PourField.vue';

/** What is noted of a print: air and vat, its supports, the resin that it took. All of it is evidence later. */
const { pour, set } = usePour();
const doc = computed(() => pour.value.doc.print);
type Supports = NonNullable<PourDoc['print']['supports']>;
/** Pressed again, a choice is taken back. */
function setSupports<K extends keyof Supports>(field: K, value: Supports[K]): void {
  const { [field]: before, ...rest } = doc.value.supports ?? {};
  const next = value === undefined || value === before ? rest : { ...rest, [field]: value };
  set(['print', 'supports'], Object.keys(next).length > 0 ? next : undefined);
}
const READINGS = ['roomC', 'vatC', 'humidityPercent'] as const;
const CHOICES = [
  { field: 'by', label: 'Supports made', options: SUPPORT_MAKERS },
  { field: 'weight', label: 'How heavy', options: SUPPORT_WEIGHTS },
  { field: 'came', label: 'They came off', options: SUPPORTS_CAME },
] as const;
</script>

<template>
  <div class="form-grid roomy">
    <PourField v-for="reading in READINGS" :key="reading" :at="['print', reading]" />
    <QuantityField
      v-bind="said('pour', 'print', 'supports', 'tipMm')"
      :model-value="doc.supports?.tipMm"
      @update:model-value="(mm) => setSupports('tipMm', mm)"
    />
    <PourField :at="['print', 'resinUsedMl']" />
  </div>
  <div class="choices">
    <div v-for="choice in CHOICES" :key="choice.field">
      <span class="mute">{{ choice.label }}</span>
      <ChoiceRow
        :label="choice.label"
        :options="choice.options"
        :model-value="doc.supports?.[choice.field]"
        @choose="(value) => setSupports(choice.field, value)"
      />
    </div>
  </div>
</template>

<style scoped>
.choices {
  display: flex;
  flex-wrap: wrap;
  gap: 10px 22px;
  margin-top: 12px;
}
.choices > div {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 10px;
  align-items: center;
}
</style>
