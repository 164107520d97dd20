<script setup lang="ts">
import { washedSince } from '@zero-pour/plan';
import { computed } from 'vue';
import { useSlowNow } from '../../state/clock';
import { useNotices } from '../../state/notices';
import { usePrints } from '../../state/printStore';
import { useShop } from '../../state/shopStore';

/** The shop's baths: how many parts went through since each was filled, and a press when it is filled anew. */
const shop = useShop();
const prints = usePrints();
const notices = useNotices();
const now = useSlowNow();
const DAY_MS = 86_400_000;
const baths = computed(() =>
  shop.settings.baths.map((bath) => {
    const parts = washedSince(prints.known, bath.changedAt);
    const days = Math.floor((now.value - Date.parse(bath.changedAt)) / DAY_MS);
    return { ...bath, parts, days, due: parts >= bath.partsMost };
  }),
);
async function changed(key: string): Promise<void> {
  const next = shop.settings.baths.map((bath) =>
    bath.key === key ? { ...bath, changedAt: new Date().toISOString() } : bath,
  );
  await shop.keepSettings({ ...shop.settings, baths: next }).catch((error: unknown) => notices.wrong(error));
}
</script>

<template>
  <ul v-if="baths.length > 0" class="baths" aria-label="Baths">
    <li v-for="bath in baths" :key="bath.key" :class="{ due: bath.due }">
      <b>{{ bath.name }}</b>
      {{ bath.parts }} of {{ bath.partsMost }} parts in {{ bath.days }} {{ bath.days === 1 ? 'day' : 'days'
      }}{{ bath.due ? ': change it' : '' }}
      <button type="button" class="text-button" @click="changed(bath.key)">filled anew</button>
    </li>
  </ul>
  <p v-else class="mute">
    Baths that are named under <router-link to="/shop/settings">Shop</router-link> are counted here by parts.
  </p>
</template>

<style scoped>
.baths {
  list-style: none;
  margin: 0 0 10px;
  padding: 0;
  display: flex;
  flex-wrap: wrap;
  gap: 4px 28px;
}
.due {
  color: var(--amber-text);
}
</style>
