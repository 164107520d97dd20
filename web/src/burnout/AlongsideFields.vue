<script setup lang="ts">
import type { PourDoc, Resin } from '@zero-pour/contracts';
import { computed } from 'vue';

type Alongside = NonNullable<PourDoc['burnout']['alongside']>;
/** What else burns in the flask: prints of other resins, and wax that is to drain. */
const props = defineProps<{
  alongside: Alongside | undefined;
  resins: readonly Resin[];
  readonly: boolean;
}>();
const emit = defineEmits<{ change: [alongside: Alongside] }>();
const now = computed<Alongside>(() => props.alongside ?? { resinIds: [], wax: false });
</script>

<template>
  <v-select
    label="Other resins in the flask"
    :items="resins.map(({ id, name }) => ({ title: name, value: id }))"
    :model-value="now.resinIds"
    :readonly="readonly"
    multiple
    placeholder="none"
    persistent-placeholder
    no-data-text="No other resin in the shop."
    @update:model-value="(resinIds) => emit('change', { ...now, resinIds })"
  />
  <v-checkbox
    label="Wax hangs in it too"
    :model-value="now.wax"
    :readonly="readonly"
    hide-details
    @update:model-value="(wax) => emit('change', { ...now, wax: wax === true })"
  />
</template>
