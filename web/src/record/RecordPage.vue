<script setup lang="ts">
import {
  anyPoured,
  becameOf,
  pouredAt,
  pourListSchema,
  repeatPourDoc,
  type Pour,
  type Unread,
} from '@zero-pour/contracts';
import { countOutcomes, FLAW_KINDS, flawWords, formatQuantity, type FlawKind } from '@zero-pour/core';
import { castPieces, planPour, pourTitle, valueOf, type PourPlan } from '@zero-pour/plan';
import { watchDebounced } from '@vueuse/core';
import { computed, shallowRef } from 'vue';
import { useRouter } from 'vue-router';
import { request } from '../api/request';
import UnreadLines from '../components/UnreadLines.vue';
import { useNewPour } from '../state/useNewPour';
import { useNotices } from '../state/notices';
import { usePlanningShop } from '../state/planningStore';
import { useShop } from '../state/shopStore';
import { useUnits } from '../state/unitStore';
import { formatDay } from '../time/formatMoment';

const PAGE = 50;
const planning = usePlanningShop();
const shop = useShop();
const units = useUnits();
const notices = useNotices();
const router = useRouter();
const newPour = useNewPour();

const text = shallowRef('');
const alloyId = shallowRef<string | null>(null);
const flaw = shallowRef<FlawKind | null>(null);
const pours = shallowRef<Pour[]>([]);
const unread = shallowRef<Unread[]>([]);
const total = shallowRef(0);
const asked = shallowRef(false);

async function fetchPours(offset: number): Promise<void> {
  const query = new URLSearchParams({ text: text.value.trim(), limit: String(PAGE), offset: String(offset) });
  if (alloyId.value) query.set('alloyId', alloyId.value);
  if (flaw.value) query.set('flaw', flaw.value);
  try {
    const found = await request(pourListSchema, 'GET', `/pours?${query}`);
    pours.value = offset === 0 ? found.pours : [...pours.value, ...found.pours];
    unread.value = offset === 0 ? found.unread : [...unread.value, ...found.unread];
    total.value = found.total;
    asked.value = true;
  } catch (error) {
    notices.wrong(error);
  }
}
watchDebounced([text, alloyId, flaw], () => fetchPours(0), { debounce: 200, immediate: true });

/** Metal of all its flasks, once all are planned. */
function chargeOf({ flasks }: PourPlan): number | undefined {
  const charges = flasks.flatMap(({ charge }) => valueOf(charge)?.total.value ?? []);
  return charges.length === flasks.length ? charges.reduce((sum, g) => sum + g, 0) : undefined;
}
const rows = computed(() =>
  pours.value.map((pour) => {
    const plan = planPour(pour, planning.known);
    const { doc } = pour;
    const count = countOutcomes(
      castPieces(plan.context).map(({ key }) => becameOf(doc.result.castings[key])),
    );
    const flaws = [...new Set(Object.values(doc.result.castings).flatMap((c) => c.flaws.map((f) => f.kind)))];
    const poured = pouredAt(doc);
    const read = doc.flasks[0]?.pour.flaskRead;
    const flask =
      read && 'value' in read
        ? formatQuantity({ value: read.value, unit: 'degC' }, units.choice)
        : read?.state === 'felt'
          ? `felt ${read.felt}`
          : '–';
    return {
      pour,
      title: pourTitle(plan.context),
      alloy: plan.context.alloy?.name ?? '–',
      resin: plan.context.resin?.name ?? '–',
      day: poured
        ? formatDay(Date.parse(poured))
        : doc.brief.zeroAt
          ? `for ${formatDay(Date.parse(doc.brief.zeroAt))}`
          : 'no day yet',
      state: doc.result.doneAt ? '' : poured ? 'poured, not looked at' : 'in work',
      result: count.judged > 0 ? `${count.sellable} of ${count.total}` : '–',
      flaws,
      flask,
      charge: chargeOf(plan),
      change: doc.brief.statedChange ? `from ${doc.brief.againOf}: ${doc.brief.statedChange}` : '',
    };
  }),
);
const isFiltered = computed(() => text.value.trim() !== '' || alloyId.value !== null || flaw.value !== null);
const addressOf = (pour: Pour): string => `/pours/${pour.id}${anyPoured(pour.doc) ? '/result' : ''}`;
const open = (pour: Pour): void => void router.push(addressOf(pour));
const again = (pour: Pour): void => void newPour(repeatPourDoc(pour.doc, pour.number, ''));
</script>

<template>
  <div class="page">
    <div class="page-head">
      <h1>Record</h1>
      <span class="mute"
        >{{ total }} {{ total === 1 ? 'pour' : 'pours' }}{{ isFiltered ? ' match' : '' }}</span
      >
      <router-link to="/record/compare">Compare two pours</router-link>
    </div>
    <div class="form-grid filters" role="search">
      <v-text-field
        v-model="text"
        label="Number, pattern, metal, resin, note"
        autocomplete="off"
        clearable
        @click:clear="text = ''"
      />
      <v-select
        v-model="alloyId"
        label="Metal"
        clearable
        :items="shop.lists.alloy.map((a) => ({ title: a.name, value: a.id }))"
      />
      <v-select
        v-model="flaw"
        label="With this flaw"
        clearable
        :items="FLAW_KINDS.map((kind) => ({ title: flawWords(kind), value: kind }))"
      />
    </div>
    <UnreadLines :unread="unread" />
    <div class="scroll-x">
      <table v-if="rows.length > 0" class="plain pours">
        <thead>
          <tr>
            <th>Pour</th>
            <th>Day</th>
            <th>Castings</th>
            <th>Metal</th>
            <th>Resin</th>
            <th class="right">Flask</th>
            <th class="right">Metal, planned</th>
            <th class="right">Sellable</th>
            <th>Flaws</th>
            <th><span class="visually-hidden">Again</span></th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="row in rows" :key="row.pour.id" @click="open(row.pour)">
            <td class="num number">
              <router-link :to="addressOf(row.pour)" @click.stop>{{ row.pour.number }}</router-link>
            </td>
            <td class="day">
              {{ row.day }} <span v-if="row.state" class="state">{{ row.state }}</span>
            </td>
            <td>
              {{ row.title }} <span v-if="row.change" class="change">{{ row.change }}</span>
            </td>
            <td>{{ row.alloy }}</td>
            <td>{{ row.resin }}</td>
            <td class="num right nowrap">{{ row.flask }}</td>
            <td class="num right nowrap">
              {{
                row.charge === undefined
                  ? '–'
                  : formatQuantity({ value: row.charge, unit: 'g' }, units.choice)
              }}
            </td>
            <td class="num right nowrap">{{ row.result }}</td>
            <td class="flaws">{{ row.flaws.map(flawWords).join(', ') }}</td>
            <td>
              <v-btn size="small" :aria-label="`Pour ${row.pour.number} again`" @click.stop="again(row.pour)"
                >Same again</v-btn
              >
            </td>
          </tr>
        </tbody>
      </table>
    </div>
    <p v-if="asked && rows.length === 0 && unread.length === 0" class="sheet nothing">
      <template v-if="isFiltered"
        >No pour matches. Take a word away, or choose another metal or flaw.</template
      >
      <template v-else>Nothing is recorded yet. Your first pour comes here when its result is in.</template>
    </p>
    <v-btn
      v-if="rows.length + unread.length < total"
      class="mt-4"
      @click="fetchPours(rows.length + unread.length)"
      >{{ total - rows.length - unread.length }} more</v-btn
    >
  </div>
</template>

<style scoped>
.filters {
  grid-template-columns: minmax(0, 2fr) minmax(0, 1fr) minmax(0, 1fr);
  margin-bottom: 14px;
}
.pours tbody tr {
  cursor: pointer;
}
.pours tbody tr:hover {
  background: var(--sheet);
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
@media (max-width: 700px) {
  .filters {
    grid-template-columns: 1fr;
  }
}
</style>
