<script setup lang="ts">
import { jointsOf, type PourGate } from '@zero-pour/contracts';
import { formatQuantity, gateDiameterMm, gateFlareMm, gateLengthMm, GATE_MAKINGS } from '@zero-pour/core';
import { computed, shallowRef } from 'vue';
import ChoiceRow from '../../components/ChoiceRow.vue';
import QuantityField from '../../components/QuantityField.vue';
import { said } from '../../components/said';
import { useShop } from '../../state/shopStore';
import { useUnits } from '../../state/unitStore';

/** One gate with a place: how thick, how long, how it leaves the part and how it is made. */
const props = defineProps<{ gate: PourGate; n: number; reason: string }>();
const emit = defineEmits<{ change: [fields: Partial<PourGate>]; remove: [] }>();
const shop = useShop();
const units = useUnits();
const open = shallowRef(false);
const dipMm = computed(() => jointsOf(shop.settings).dipMm);
const field = (name: string) => said('pour', 'wayUp', 'lines', '*', 'gates', 'placed', '0', name);
const mm = (value: number): string => formatQuantity({ value, unit: 'mm', digits: 1 }, units.choice);
const isKept = computed(() => props.gate.making === 'kept support');
const dipped = computed(() => {
  const { gate } = props;
  const dips = gate.dips ?? 0;
  return `${mm(gate.section.widthMm)} as printed, ${mm(gateDiameterMm(gate, dipMm.value))} after ${dips} ${dips === 1 ? 'dip' : 'dips'} of ${mm(dipMm.value)}`;
});
</script>

<template>
  <div class="gate">
    <div class="row">
      <QuantityField
        :label="`Gate ${n + 1}, diameter`"
        unit="mm"
        :digits="1"
        :min="0.3"
        :max="30"
        required
        :model-value="gate.section.widthMm"
        @update:model-value="
          (d) => d !== undefined && emit('change', { section: { widthMm: d, heightMm: d } })
        "
      />
      <span class="mute">{{ reason }}</span>
      <button type="button" class="text-button" :aria-expanded="open" @click="open = !open">
        {{ open ? 'Less' : 'More' }}
      </button>
      <button type="button" class="text-button" @click="emit('remove')">Take away</button>
    </div>
    <template v-if="open">
      <ChoiceRow
        :label="`How gate ${n + 1} is made`"
        :options="GATE_MAKINGS"
        :model-value="gate.making ?? 'wax wire'"
        @choose="(making) => emit('change', { making })"
      />
      <div class="form-grid">
        <QuantityField
          v-bind="field('lengthMm')"
          :model-value="gate.lengthMm"
          :standard="gateLengthMm({ ...gate, lengthMm: undefined }, dipMm)"
          standard-from="1.5 diameters"
          @update:model-value="(lengthMm) => emit('change', { lengthMm })"
        />
        <QuantityField
          v-bind="field('flareMm')"
          :model-value="gate.flareMm"
          :standard="gateFlareMm({ ...gate, flareMm: undefined }, dipMm)"
          standard-from="a quarter of it"
          @update:model-value="(flareMm) => emit('change', { flareMm })"
        />
        <QuantityField
          v-bind="field('leanDeg')"
          :model-value="gate.leanDeg"
          :standard="0"
          standard-from="square to the part"
          @update:model-value="(leanDeg) => emit('change', { leanDeg })"
        />
        <QuantityField
          v-if="gate.leanDeg"
          v-bind="field('towardDeg')"
          :model-value="gate.towardDeg"
          :standard="0"
          @update:model-value="(towardDeg) => emit('change', { towardDeg })"
        />
        <QuantityField
          v-if="isKept"
          v-bind="field('dips')"
          :model-value="gate.dips"
          :standard="0"
          @update:model-value="
            (dips) => emit('change', { dips: dips === undefined ? undefined : Math.round(dips) })
          "
        />
      </div>
      <p v-if="isKept" class="mute">{{ dipped }}.</p>
    </template>
  </div>
</template>

<style scoped>
.gate {
  display: grid;
  gap: 10px;
  padding: 8px 0;
  border-bottom: 1px solid var(--line);
}
.row {
  display: grid;
  grid-template-columns: 190px minmax(0, 1fr) auto auto;
  align-items: center;
  gap: 8px 14px;
}
@media (max-width: 600px) {
  .row {
    grid-template-columns: minmax(0, 1fr) auto auto;
  }
  .row .mute {
    grid-column: 1 / -1;
    order: 4;
  }
}
</style>
