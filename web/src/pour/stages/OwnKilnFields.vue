<script setup lang="ts">
import { computed } from 'vue';
import { AlongsideFields } from '../../burnout';
import { useShop } from '../../state/shopStore';
import { usePour } from '../../state/usePour';
import PourField from '../PourField.vue';

/** What is burnt out here: programme, kiln, how warm it is, and what burns beside. */
defineProps<{ poured: boolean }>();
const emit = defineEmits<{ programme: [id: string] }>();
const { pour, plan, set } = usePour();
const shop = useShop();
const doc = computed(() => pour.value.doc.burnout);
const otherResins = computed(() =>
  shop.lists.resin.filter(({ id, retired }) => !retired && id !== pour.value.doc.resin.resinId),
);
const programmes = computed(() => {
  const diameter = Math.max(0, ...plan.value.context.flasks.map(({ flask }) => flask?.innerDiameterMm ?? 0));
  return [...shop.lists.programme]
    .sort(
      (a, b) =>
        Number(a.flaskMaxMm < diameter) - Number(b.flaskMaxMm < diameter) || a.name.localeCompare(b.name),
    )
    .map((p) => ({ title: p.flaskMaxMm < diameter ? `${p.name} (flask too large)` : p.name, value: p.id }));
});
</script>

<template>
  <v-select
    label="Programme"
    :items="programmes"
    :model-value="doc.programmeId"
    :readonly="poured"
    class="wide"
    no-data-text="No programme yet: add one under Shop."
    @update:model-value="(id) => emit('programme', id)"
  />
  <v-select
    label="Kiln"
    :items="shop.lists.kiln.map((k) => ({ title: k.name, value: k.id }))"
    :model-value="doc.kilnId"
    :readonly="poured"
    no-data-text="No kiln yet: add one under Shop."
    @update:model-value="(id) => set(['burnout', 'kilnId'], id)"
  />
  <PourField :at="['burnout', 'loadedAtC']" :standard="20" standard-from="cold" />
  <AlongsideFields
    :alongside="doc.alongside"
    :resins="otherResins"
    :readonly="poured"
    @change="(alongside) => set(['burnout', 'alongside'], alongside)"
  />
</template>

<style scoped>
.wide {
  grid-column: span 2;
}
@media (max-width: 600px) {
  .wide {
    grid-column: span 1;
  }
}
</style>
