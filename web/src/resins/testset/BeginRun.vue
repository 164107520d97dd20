<script setup lang="ts">
import type { Profile } from '@zero-pour/contracts';
import { computed, shallowRef } from 'vue';
import QuantityField from '../../components/QuantityField.vue';
import { useShop } from '../../state/shopStore';

/** How many of each part, and in which other resins or on which other printers the same plate is printed beside. */
const props = defineProps<{ resinId: string; printerId: string; exposureS: number }>();
const emit = defineEmits<{ begin: [copies: number, also: Profile[]] }>();
const shop = useShop();
const COPIES_MOST = 12;
const copies = shallowRef(3);
const also = shallowRef<string[]>([]);
const others = computed(() =>
  shop.lists.profile.filter(
    (p) => !p.replaced && (p.resinId !== props.resinId || p.printerId !== props.printerId),
  ),
);
const chosen = computed(() => others.value.filter((p) => also.value.includes(p.id)));
</script>

<template>
  <div class="begin">
    <QuantityField
      label="Of each part"
      unit="count"
      :digits="0"
      :min="1"
      :max="COPIES_MOST"
      required
      :model-value="copies"
      @update:model-value="(n) => n !== undefined && (copies = Math.round(n))"
    />
    <v-select
      v-model="also"
      multiple
      label="The same plate also by"
      :items="others.map((p) => ({ title: p.name, value: p.id }))"
      hint="other resins or printers, beside each other"
      persistent-hint
      no-data-text="No profile of another resin or printer yet."
    />
    <v-btn variant="flat" @click="emit('begin', copies, chosen)"
      >Print the test set, {{ copies }} of each, at {{ exposureS }} s<template v-if="chosen.length > 0">
        and {{ chosen.length }} beside</template
      ></v-btn
    >
  </div>
</template>

<style scoped>
.begin {
  display: grid;
  grid-template-columns: 130px minmax(200px, 340px) auto;
  gap: 10px 14px;
  align-items: start;
  justify-content: start;
  margin: 12px 0;
}
@media (max-width: 700px) {
  .begin {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
