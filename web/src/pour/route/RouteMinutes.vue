<script setup lang="ts">
import type { RouteTimes } from '@zero-pour/contracts';
import type { Route } from '@zero-pour/core';
import type { RouteRow } from '@zero-pour/plan';
import QuantityField from '../../components/QuantityField.vue';
import { said } from '../../components/said';
import { useNotices } from '../../state/notices';
import { useShop } from '../../state/shopStore';
import { TYPING_PAUSE_MS } from '../../state/unsent';

/** What each route takes of hands in this shop, in place of what is usual; kept with the shop. */
defineProps<{ rows: readonly RouteRow[] }>();
const shop = useShop();
const notices = useNotices();
const times = (): RouteTimes => shop.settings.routeTimes ?? { minutes: {} };
function set(route: Route, field: 'moldHandsMin' | 'pieceHandsMin', value: number | undefined): void {
  const { [field]: _, ...others } = times().minutes[route] ?? {};
  const own = value === undefined ? others : { ...others, [field]: value };
  const routeTimes = { ...times(), minutes: { ...times().minutes, [route]: own } };
  void shop.keepSettings({ ...shop.settings, routeTimes }, TYPING_PAUSE_MS).catch(notices.wrong);
}
</script>

<template>
  <fieldset v-for="{ route, usual } in rows" :key="route" class="of">
    <legend>{{ route }}</legend>
    <div class="form-grid">
      <QuantityField
        v-if="usual.mold"
        v-bind="said('settings', 'routeTimes', 'minutes', route, 'moldHandsMin')"
        :standard="usual.mold.handsMin"
        standard-from="shop default"
        :model-value="shop.settings.routeTimes?.minutes[route]?.moldHandsMin"
        @update:model-value="(v) => set(route, 'moldHandsMin', v)"
      />
      <QuantityField
        v-bind="said('settings', 'routeTimes', 'minutes', route, 'pieceHandsMin')"
        :standard="usual.piece.handsMin"
        standard-from="shop default"
        :model-value="shop.settings.routeTimes?.minutes[route]?.pieceHandsMin"
        @update:model-value="(v) => set(route, 'pieceHandsMin', v)"
      />
    </div>
  </fieldset>
</template>

<style scoped>
.of {
  border: 0;
  padding: 0;
  margin: 0 0 10px;
}
legend {
  font-weight: 650;
  padding: 0 0 4px;
}
</style>
