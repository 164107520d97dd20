<script setup lang="ts">
import { profileName, type Profile } from '@zero-pour/contracts';
import { said } from '../../components/said';
import { CAST_CLASSES, type CastClass } from '@zero-pour/core';
import QuantityField from '../../components/QuantityField.vue';
import { ItemForm, useItemEdit } from '../../shop';
import { useShop } from '../../state/shopStore';

/** Figures of one profile. Class and layer height belong to what it is: its name follows them. */
const props = defineProps<{ profile: Profile }>();
const shop = useShop();
const { item, change } = useItemEdit(
  () => 'profile' as const,
  () => props.profile,
);
function set(fields: { castClass?: CastClass; layerMm?: number }): void {
  if (!item.value) return;
  const changed = { ...item.value, ...fields };
  const resin = shop.lists.resin.find((r) => r.id === changed.resinId);
  const printer = shop.lists.printer.find((p) => p.id === changed.printerId);
  if (resin && printer)
    change({
      ...changed,
      name: profileName(resin, printer, changed.castClass, changed.layerMm, changed.version),
    });
}
</script>

<template>
  <div v-if="item">
    <div class="form-grid what">
      <v-select
        label="Class"
        :items="[...CAST_CLASSES]"
        :model-value="item.castClass"
        @update:model-value="(castClass: CastClass) => set({ castClass })"
      />
      <QuantityField
        v-bind="said('profile', 'layerMm')"
        required
        :model-value="item.layerMm"
        @update:model-value="(layerMm) => layerMm !== undefined && set({ layerMm })"
      />
    </div>
    <ItemForm kind="profile" :item="item" @change="change" />
  </div>
</template>

<style scoped>
.what {
  margin-bottom: 12px;
}
</style>
