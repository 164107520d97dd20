<script setup lang="ts">
import {
  FACT_NUMBERS,
  recordLinesSchema,
  type FactName,
  type RecordLine,
  type RecordQuery,
  type Unread,
} from '@zero-pour/contracts';
import { formatQuantity } from '@zero-pour/core';
import { watchDebounced } from '@vueuse/core';
import { computed, shallowRef } from 'vue';
import { useRouter } from 'vue-router';
import { request } from '../api/request';
import UnreadLines from '../components/UnreadLines.vue';
import { useRepeated } from '../state/useNewPour';
import { useNotices } from '../state/notices';
import { useUnits } from '../state/unitStore';
import { formatDay } from '../time/formatMoment';
import { narrows, queryOf, recordColumns, recordFilter, type RecordFilter } from './recordFilter';
import RecordFilters from './RecordFilters.vue';
import { recordRow } from './recordRow';
import { scrapDay } from '../time/scrapDay';

/** More than a window shows. */
const PAGE = 25;
const units = useUnits();
const notices = useNotices();
const router = useRouter();
const repeat = useRepeated();

const filter = recordFilter();
const columns = recordColumns();
const lines = shallowRef<RecordLine[]>([]);
const unread = shallowRef<Unread[]>([]);
const total = shallowRef(0);
const asked = shallowRef(false);
const change = (fields: Partial<RecordFilter>): void => void Object.assign(filter, fields);

async function fetchLines(offset: number): Promise<void> {
  const query = queryOf(filter, { limit: String(PAGE), offset: String(offset) });
  try {
    const found = await request(recordLinesSchema, 'GET', `/record?${query}`);
    // What was typed meanwhile asks anew: an older answer does not take its place.
    if (String(query) !== String(queryOf(filter, { limit: String(PAGE), offset: String(offset) }))) return;
    lines.value = offset === 0 ? found.lines : [...lines.value, ...found.lines];
    unread.value = offset === 0 ? found.unread : [...unread.value, ...found.unread];
    total.value = found.total;
    asked.value = true;
  } catch (error) {
    notices.wrong(error);
  }
}
watchDebounced(filter, () => fetchLines(0), { debounce: 200, immediate: true });

/** By a press on its head; another press turns the order round. */
function sortBy(sort: RecordQuery['sort']): void {
  change({ sort, down: filter.sort === sort ? !filter.down : true });
}
const sorted = (sort: RecordQuery['sort']): 'ascending' | 'descending' | undefined =>
  filter.sort === sort ? (filter.down ? 'descending' : 'ascending') : undefined;
const csv = computed(() => `/api/pours.csv?${queryOf(filter)}`);

/** A number of a row; of a flask that was felt, how it felt. */
function shownFact({ facts, felt }: RecordLine, name: FactName): string {
  const value = facts[name];
  if (value !== undefined) return formatQuantity({ value, unit: FACT_NUMBERS[name].unit }, units.choice);
  return name === 'flaskC' && felt !== null ? `felt ${felt}` : '–';
}
function dayOf({ scrap, pouredAt, zeroAt }: RecordLine): string {
  if (scrap) return scrapDay(scrap);
  if (pouredAt) return formatDay(Date.parse(pouredAt));
  return zeroAt ? `for ${formatDay(Date.parse(zeroAt))}` : 'no day yet';
}
function changeOf({ change: said }: RecordLine): string {
  if (!said) return '';
  return said.againOf === null ? said.stated : `from ${said.againOf}: ${said.stated}`;
}
const rows = computed(() =>
  lines.value.map((line) => ({
    ...recordRow(line),
    day: dayOf(line),
    state: line.isDone ? '' : line.pouredAt ? 'poured, not looked at' : 'in work',
    numbers: columns.value.map((name) => shownFact(line, name)),
    change: changeOf(line),
  })),
);
const isFiltered = computed(() => narrows(filter));
const addressOf = ({ id, anyPoured }: RecordLine): string => `/pours/${id}${anyPoured ? '/result' : ''}`;
const open = (line: RecordLine): void => void router.push(addressOf(line));
</script>

<template>
  <div class="page">
    <div class="page-head">
      <h1>Record</h1>
      <span class="mute"
        >{{ total }} {{ total === 1 ? 'pour' : 'pours' }}{{ isFiltered ? ' match' : '' }}</span
      >
      <router-link to="/record/compare">Compare two pours</router-link>
      <router-link to="/record/recipes">Recipes</router-link>
      <router-link to="/record/groups">Months and groups</router-link>
      <router-link to="/record/trends">Trends</router-link>
      <router-link to="/record/pictures">Pictures</router-link>
      <router-link to="/record/old">Take in old records</router-link>
      <a v-if="total > 0" :href="csv" download="record.csv">Save as a table (CSV)</a>
    </div>
    <RecordFilters v-model:columns="columns" :filter="filter" @change="change" />
    <UnreadLines :unread="unread" />
    <div class="scroll-x" tabindex="0">
      <table v-if="rows.length > 0" class="plain pours">
        <thead>
          <tr>
            <th :aria-sort="sorted('number')">
              <button type="button" class="sort" @click="sortBy('number')">Pour</button>
            </th>
            <th>Day</th>
            <th>Castings</th>
            <th>Metal</th>
            <th>Resin</th>
            <th v-for="name in columns" :key="name" class="right" :aria-sort="sorted(name)">
              <button type="button" class="sort" @click="sortBy(name)">{{ FACT_NUMBERS[name].label }}</button>
            </th>
            <th class="right" :aria-sort="sorted('sharePercent')">
              <button type="button" class="sort" @click="sortBy('sharePercent')">Sellable</button>
            </th>
            <th>Flaws</th>
            <th><span class="visually-hidden">Again</span></th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="row in rows" :key="row.line.id" @click="open(row.line)">
            <td class="num number">
              <router-link :to="addressOf(row.line)" @click.stop>{{ row.line.number }}</router-link>
            </td>
            <td class="day">
              {{ row.day }} <span v-if="row.state" class="state">{{ row.state }}</span>
            </td>
            <td>
              {{ row.title }} <span v-if="row.change" class="change">{{ row.change }}</span>
            </td>
            <td>{{ row.alloy }}</td>
            <td>{{ row.resin }}</td>
            <td v-for="(number, n) in row.numbers" :key="n" class="num right nowrap">{{ number }}</td>
            <td class="num right nowrap">{{ row.result }}</td>
            <td class="flaws">{{ row.flaws }}</td>
            <td>
              <v-btn
                size="small"
                :aria-label="`Pour ${row.line.number} again`"
                @click.stop="repeat(row.line.id)"
                >Same again</v-btn
              >
            </td>
          </tr>
        </tbody>
      </table>
    </div>
    <p v-if="asked && rows.length === 0 && unread.length === 0" class="sheet nothing">
      <template v-if="isFiltered"
        >No pour matches. Take a word away, or choose another metal, flaw or number.</template
      >
      <template v-else>Nothing is recorded yet. Your first pour comes here when its result is in.</template>
    </p>
    <v-btn
      v-if="rows.length + unread.length < total"
      class="mt-4"
      @click="fetchLines(rows.length + unread.length)"
      >{{ total - rows.length - unread.length }} more</v-btn
    >
  </div>
</template>

<style scoped>
.pours tbody tr {
  cursor: pointer;
}
.pours tbody tr:hover {
  background: var(--sheet);
}
.sort {
  padding: 6px 0;
  border: none;
  background: none;
  font: inherit;
  color: inherit;
  cursor: pointer;
  text-align: inherit;
}
th[aria-sort='descending'] .sort::after {
  content: ' ↓';
}
th[aria-sort='ascending'] .sort::after {
  content: ' ↑';
}
.number a {
  font-size: 18px;
  font-weight: 700;
  color: var(--ink);
}
.day {
  white-space: nowrap;
}
.nowrap {
  white-space: nowrap;
}
.state,
.change {
  display: block;
  font-size: 13px;
  color: var(--melt-text);
}
.change {
  color: var(--mute);
}
.flaws {
  font-size: 13.5px;
  max-width: 170px;
}
.nothing {
  padding: 24px;
}
</style>
