<script setup lang="ts">
import { GROUPED_BY, recordGroupsSchema, type GroupedBy } from '@zero-pour/contracts';
import { refDebounced } from '@vueuse/core';
import { computed, shallowRef } from 'vue';
import { useAsked } from '../api/useAsked';
import { useRecords } from '../state/recordStore';
import GroupTable from './GroupTable.vue';
import { queryOf, recordFilter, type RecordFilter } from './recordFilter';
import RecordFilters from './RecordFilters.vue';
import { GROUP_NAMES } from './recordWords';

/** The record, taken together by month, metal, resin, class, recipe or flaw. */
void useRecords()
  .load()
  .catch(() => undefined);
const filter = recordFilter();
const by = shallowRef<GroupedBy>('month');
const address = refDebounced(
  computed(() => `/pours/groups?${queryOf(filter, { by: by.value })}`),
  200,
);
const { told, notRead } = useAsked(recordGroupsSchema, () => address.value);
/* The answer is of what was asked, which the choice may be ahead of. */
const answered = computed<GroupedBy>(
  () => GROUPED_BY.find((one) => address.value.includes(`by=${one}`)) ?? 'month',
);
const change = (fields: Partial<RecordFilter>): void => void Object.assign(filter, fields);
</script>

<template>
  <div class="page">
    <div class="page-head">
      <h1>Months and groups</h1>
      <router-link to="/record">Record</router-link>
    </div>
    <v-btn-toggle v-model="by" mandatory aria-label="Taken together by" class="mb-3">
      <v-btn v-for="one in GROUPED_BY" :key="one" :value="one">{{ GROUP_NAMES[one] }}</v-btn>
    </v-btn-toggle>
    <RecordFilters :filter="filter" @change="change" />
    <p v-if="notRead" role="alert">The record could not be read: {{ notRead }}</p>
    <p v-else-if="told && told.length === 0" class="sheet nothing">
      No pour that was poured {{ by === 'flaw' ? 'has a flaw' : 'is here' }}.
    </p>
    <template v-else-if="told">
      <GroupTable :by="answered" :groups="told" />
      <p class="mute mt-2">
        Weights and minutes are sums of what was weighed and timed; pours that do not tell add nothing.
        {{ answered === 'flaw' ? 'A pour with several flaws stands in several rows.' : '' }}
      </p>
    </template>
  </div>
</template>

<style scoped>
.nothing {
  padding: 24px;
}
</style>
