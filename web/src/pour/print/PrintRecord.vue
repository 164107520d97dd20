<script setup lang="ts">
import { SUPPORT_MAKERS, SUPPORT_WEIGHTS, SUPPORTS_CAME, type PourDoc } from '@zero-pour/contracts';
import { computed } from 'vue';
import ChoiceRow from '../../components/ChoiceRow.vue';
import QuantityField from '../../components/QuantityField.vue';
import ReadingField from '../../components/ReadingField.vue';
import { usePour } from '../../state/usePour';

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
const READINGS = [
  { field: 'roomC', label: 'Room', unit: 'degC', max: 60 },
  { field: 'vatC', label: 'Resin in the vat', unit: 'degC', max: 90 },
  { field: 'humidityPercent', label: 'Humidity', unit: 'percent', max: 100 },
] as const;
const CHOICES = [
  { field: 'by', label: 'Supports made', options: SUPPORT_MAKERS },
  { field: 'weight', label: 'How heavy', options: SUPPORT_WEIGHTS },
  { field: 'came', label: 'They came off', options: SUPPORTS_CAME },
] as const;
</script>

<template>
  <div class="form-grid roomy">
    <ReadingField
      v-for="reading in READINGS"
      :key="reading.field"
      :label="reading.label"
      :unit="reading.unit"
      :max="reading.max"
      :model-value="doc[reading.field]"
      @update:model-value="(read) => set(['print', reading.field], read)"
    />
    <QuantityField
      label="Support tips"
      unit="mm"
      :digits="2"
      :min="0.05"
      :max="5"
      :model-value="doc.supports?.tipMm"
      @update:model-value="(mm) => setSupports('tipMm', mm)"
    />
    <QuantityField
      label="Resin that it took"
      unit="ml"
      :digits="1"
      :min="0.1"
      :max="10000"
      hint="Off the bottle; teaches the support share"
      :model-value="doc.resinUsedMl"
      @update:model-value="(ml) => set(['print', 'resinUsedMl'], ml)"
    />
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
</style>
