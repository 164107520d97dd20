<script setup lang="ts" generic="K extends ShopKind">
import type { ShopItem, ShopKind } from '@zero-pour/contracts';
import { computed } from 'vue';
import { useShop } from '../state/shopStore';
import { useUnits } from '../state/unitStore';
import { changeWords } from './fieldWords';

/** What a thing that was begun as another has otherwise by now: found by comparing the two as they stand. */
const props = defineProps<{ kind: K; item: ShopItem<K> }>();
const shop = useShop();
const units = useUnits();

const former = computed(() =>
  (shop.lists[props.kind] as ShopItem<K>[]).find(({ id }) => id === props.item.againOfId),
);
/** Its own name and standing differ in any case and say nothing of it. */
const comparable = (item: ShopItem<K>): Record<string, unknown> => {
  const OWN = ['id', 'name', 'againOfId', 'version', 'formerId', 'replaced', 'protocolVersion', 'retired', 'bottles', 'vats', 'events', 'foundAt', 'tested', 'provenance']; // prettier-ignore
  return Object.fromEntries(Object.entries(item).filter(([field]) => !OWN.includes(field)));
};
const words = computed(() =>
  former.value ? changeWords(props.kind, comparable(former.value), comparable(props.item), units.choice) : [],
);
</script>

<template>
  <p v-if="former" class="otherwise" role="status">
    <template v-if="words.length > 0"
      ><b>Otherwise than {{ former.name }}:</b> {{ words.join('; ') }}.</template
    >
    <template v-else>As {{ former.name }} in everything, until something is changed here.</template>
  </p>
  <p v-else-if="item.againOfId" class="otherwise mute">
    What it was begun as is not in the shop any more: what differs cannot be told.
  </p>
</template>

<style scoped>
.otherwise {
  margin: 6px 0 10px;
  padding: 6px 12px;
  border-left: 4px solid var(--wax-mid);
  background: var(--paper);
  font-size: 14.5px;
}
</style>
