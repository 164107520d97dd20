<script setup lang="ts">
import type { TestSetRun } from '@zero-pour/contracts';
import { said } from '../../components/said';
import { computed } from 'vue';
import MomentField from '../../components/MomentField.vue';
import NoteField from '../../components/NoteField.vue';
import QuantityField from '../../components/QuantityField.vue';
import { useShop } from '../../state/shopStore';

/** How the set was printed and cast, and what it took. */
const props = defineProps<{ run: TestSetRun }>();
const emit = defineEmits<{ change: [fields: Partial<TestSetRun>] }>();
const shop = useShop();
const profiles = computed(() => shop.lists.profile.filter((p) => p.resinId === props.run.resinId));
function takeProfile(id: string): void {
  const profile = profiles.value.find((p) => p.id === id);
  if (profile)
    emit('change', {
      profileId: id,
      printerId: profile.printerId,
      layerMm: profile.layerMm,
      exposureS: profile.exposureS,
    });
}
</script>

<template>
  <div class="form-grid roomy">
    <v-select
      label="Printed by profile"
      :items="profiles.map((p) => ({ title: p.name, value: p.id }))"
      :model-value="run.profileId"
      no-data-text="No profile yet."
      @update:model-value="takeProfile"
    />
    <QuantityField
      v-bind="said('testSetRun', 'exposureS')"
      required
      :model-value="run.exposureS"
      @update:model-value="(s) => s !== undefined && emit('change', { exposureS: s })"
    />
    <MomentField
      past
      label="Printed"
      :model-value="run.printedAt"
      @update:model-value="(at) => at && emit('change', { printedAt: at })"
    />
    <v-select
      label="Cast in"
      :items="shop.lists.alloy.map((a) => ({ title: a.name, value: a.id }))"
      :model-value="run.castAlloyId"
      hint="one you know, by your usual recipe"
      persistent-hint
      no-data-text="No metal yet."
      @update:model-value="(id: string) => emit('change', { castAlloyId: id })"
    />
    <MomentField
      past
      label="Cast"
      :model-value="run.castAt ?? undefined"
      hint="not cast yet"
      @update:model-value="(at) => emit('change', { castAt: at ?? null })"
    />
    <QuantityField
      v-bind="said('testSetRun', 'handsH')"
      :model-value="run.handsH ?? undefined"
      @update:model-value="(h) => emit('change', { handsH: h ?? null })"
    />
    <QuantityField
      v-bind="said('testSetRun', 'resinG')"
      :model-value="run.resinG ?? undefined"
      @update:model-value="(g) => emit('change', { resinG: g ?? null })"
    />
    <QuantityField
      v-bind="said('testSetRun', 'spent')"
      :model-value="run.spent ?? undefined"
      @update:model-value="(m) => emit('change', { spent: m ?? null })"
    />
    <NoteField
      label="Note"
      :model-value="run.note"
      @update:model-value="(note) => emit('change', { note: note ?? '' })"
    />
  </div>
</template>
