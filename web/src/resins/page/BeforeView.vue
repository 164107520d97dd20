<script setup lang="ts">
import type { Resin } from '@zero-pour/contracts';
import { computed, shallowRef } from 'vue';
import QuantityField from '../../components/QuantityField.vue';
import { useShop } from '../../state/shopStore';
import BeforePrintList from './BeforePrintList.vue';

/** The checklist before a print with this resin, for one printer and the room as it is. */
const props = defineProps<{ resin: Resin }>();
const shop = useShop();
const printerId = shallowRef<string>();
const roomC = shallowRef<number>();
const printer = computed(
  () =>
    shop.lists.printer.find((p) => p.id === (printerId.value ?? props.resin.vats[0]?.printerId)) ??
    shop.lists.printer[0],
);
</script>

<template>
  <p v-if="!printer"><router-link to="/shop/printer">Add a printer first</router-link>.</p>
  <template v-else>
    <div class="given">
      <v-select
        label="Printer"
        :items="shop.lists.printer.map((p) => ({ title: p.name, value: p.id }))"
        :model-value="printer.id"
        @update:model-value="(id: string) => (printerId = id)"
      />
      <QuantityField
        label="Room"
        unit="degC"
        :min="0"
        :max="50"
        :model-value="roomC"
        @update:model-value="(c) => (roomC = c)"
      />
    </div>
    <BeforePrintList :resin="resin" :printer="printer" :room-c="roomC ?? null" />
  </template>
</template>

<style scoped>
.given {
  display: grid;
  grid-template-columns: 220px 140px;
  gap: 12px;
  margin-bottom: 12px;
}
</style>
