<script setup lang="ts">
import type { Resin } from '@zero-pour/contracts';
import { computed, shallowRef } from 'vue';
import { useShop } from '../../state/shopStore';
import BeforePrint from './BeforePrint.vue';

/** The checklist before a print with this resin, for one printer. */
const props = defineProps<{ resin: Resin }>();
const shop = useShop();
const printerId = shallowRef<string>();
const printer = computed(
  () =>
    shop.lists.printer.find((p) => p.id === (printerId.value ?? props.resin.vats[0]?.printerId)) ??
    shop.lists.printer[0],
);
</script>

<template>
  <p v-if="!printer"><router-link to="/shop/printer">Add a printer first</router-link>.</p>
  <template v-else>
    <v-select
      class="printer"
      label="Printer"
      :items="shop.lists.printer.map((p) => ({ title: p.name, value: p.id }))"
      :model-value="printer.id"
      @update:model-value="(id: string) => (printerId = id)"
    />
    <BeforePrint :resin="resin" :printer="printer" />
  </template>
</template>

<style scoped>
.printer {
  width: 240px;
  margin-bottom: 12px;
}
</style>
