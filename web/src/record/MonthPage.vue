<script setup lang="ts">
import { recordGroupsSchema, recordLinesSchema } from '@zero-pour/contracts';
import { formatQuantity } from '@zero-pour/core';
import { computed } from 'vue';
import { useAsked } from '../api/useAsked';
import { useShop } from '../state/shopStore';
import { useUnits } from '../state/unitStore';
import { clockTime, dayStart } from '../time/shopClock';
import GroupTable from './GroupTable.vue';
import { recordRow } from './recordRow';
import { monthName } from './useGroupNames';

/** One month of the record on a page that prints: its pours, its metals, its flaws. */
const props = defineProps<{ month: string }>();
const shop = useShop();
const units = useUnits();
const MOST = 200;
const span = computed(() => {
  const [since, until] = [dayStart(props.month), dayStart(props.month, 1)];
  if (since === undefined || until === undefined) return undefined;
  return `since=${new Date(since).toISOString()}&until=${new Date(until).toISOString()}`;
});
const asked = (at: string) => (span.value === undefined ? undefined : `${at}${span.value}`);
const pours = useAsked(recordLinesSchema, () => asked(`/record?limit=${MOST}&down=false&`));
const metals = useAsked(recordGroupsSchema, () => asked('/pours/groups?by=alloy&'));
const flaws = useAsked(recordGroupsSchema, () => asked('/pours/groups?by=flaw&'));
const notRead = computed(() => pours.notRead.value || metals.notRead.value || flaws.notRead.value);

const rows = computed(() =>
  (pours.told.value?.lines ?? []).map((line) => {
    const charge = line.facts.chargeG;
    return {
      ...recordRow(line),
      day: clockTime(Date.parse(line.pouredAt ?? line.createdAt), 'd MMM'),
      charge: charge === undefined ? '–' : formatQuantity({ value: charge, unit: 'g' }, units.choice),
    };
  }),
);
const print = (): void => window.print();
</script>

<template>
  <div class="page">
    <div class="page-head">
      <h1>{{ span ? monthName(month) : 'No such month' }}</h1>
      <span class="mute">{{ shop.settings.shopName }}</span>
      <router-link to="/record/groups" class="no-print">Months and groups</router-link>
      <v-btn size="small" class="no-print" @click="print">Print</v-btn>
    </div>
    <p v-if="notRead" role="alert">The record could not be read: {{ notRead }}</p>
    <p v-else-if="pours.told.value && rows.length === 0" class="mute">Nothing was poured in it.</p>
    <template v-else-if="pours.told.value">
      <table class="plain">
        <thead>
          <tr>
            <th>Pour</th>
            <th>Day</th>
            <th>Castings</th>
            <th>Metal</th>
            <th class="right">Charge</th>
            <th class="right">Sellable</th>
            <th>Flaws</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="row in rows" :key="row.line.id">
            <td class="num">
              <router-link :to="`/pours/${row.line.id}/result`">{{ row.line.number }}</router-link>
            </td>
            <td>{{ row.day }}</td>
            <td>{{ row.title }}</td>
            <td>{{ row.alloy }}</td>
            <td class="num right">{{ row.charge }}</td>
            <td class="num right">{{ row.result }}</td>
            <td>{{ row.flaws }}</td>
          </tr>
        </tbody>
      </table>
      <p v-if="pours.told.value.total > rows.length" class="mute">
        The first {{ rows.length }} of {{ pours.told.value.total }} pours.
      </p>
      <section v-if="metals.told.value?.length" class="stage-block">
        <h2>By metal</h2>
        <GroupTable by="alloy" :groups="metals.told.value" />
      </section>
      <section v-if="flaws.told.value?.length" class="stage-block">
        <h2>By flaw</h2>
        <GroupTable by="flaw" :groups="flaws.told.value" />
      </section>
    </template>
  </div>
</template>
