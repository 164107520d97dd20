<script setup lang="ts">
import type { CauseTable } from '@zero-pour/contracts';
import { computed } from 'vue';
import { useNotices } from '../state/notices';
import { useShop } from '../state/shopStore';
import { formatDay } from '../time/formatMoment';

/** Findings of other shops that this one's odds begin with; each can be let go. */
const shop = useShop();
const notices = useNotices();
const tables = computed(() => shop.settings.causeTables ?? []);
const findings = ({ told }: CauseTable): number => told.reduce((sum, { times }) => sum + times, 0);

function letGo(table: CauseTable): void {
  const before = tables.value;
  shop.keepSettings({ ...shop.settings, causeTables: before.filter((one) => one !== table) });
  notices.tell(`What ${table.from} found counts here no more.`, {
    label: 'Undo',
    run: () => shop.keepSettings({ ...shop.settings, causeTables: before }),
  });
}
</script>

<template>
  <section v-if="tables.length > 0" class="stage-block" aria-label="What other shops found">
    <h2>What other shops found behind flaws</h2>
    <p class="mute">
      Odds of causes begin with it instead of with the book’s alone, and weigh no more than the book does:
      what you find yourself goes on top.
    </p>
    <ul>
      <li v-for="table in tables" :key="table.key">
        <b>{{ table.from }}</b> {{ findings(table) }} answers, of {{ formatDay(Date.parse(table.at)) }}
        <button type="button" class="text-button" @click="letGo(table)">Let it go</button>
      </li>
    </ul>
  </section>
</template>

<style scoped>
ul {
  list-style: none;
  margin: 8px 0 0;
  padding: 0;
}
li {
  display: flex;
  gap: 14px;
  padding: 4px 0;
}
</style>
