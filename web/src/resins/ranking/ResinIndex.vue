<script setup lang="ts">
import {
  formatQuantity,
  formatValue,
  TUNED_CLASSES,
  type FinestFeature,
  type Standing,
  type TunedClass,
} from '@zero-pour/core';
import { RANKED_HEIGHT_MM, rankResins } from '@zero-pour/plan';
import { useLocalStorage } from '@vueuse/core';
import { computed, shallowRef } from 'vue';
import { itemFrom, TEMPLATES } from '../../shop';
import { usePrints } from '../../state/printStore';
import { useRecords } from '../../state/recordStore';
import { useShop } from '../../state/shopStore';
import { useUnits } from '../../state/unitStore';
import { useThenOpen } from '../../state/useThenOpen';
import { CLASS_NAMES, seconds } from '../tune/words';
import { rankingColumns, type RankRow } from './rankingColumns';
import YieldBar from './YieldBar.vue';

/** The shop's resins, ranked by its own record, class by class. */
const shop = useShop();
const records = useRecords();
const prints = usePrints();
const thenOpen = useThenOpen();
const units = useUnits();

const castClass = useLocalStorage<TunedClass>('zp-rank-class', 'filigree');
const showRetired = shallowRef(false);
const retired = computed(() => shop.lists.resin.filter((r) => r.retired));
const rows = computed<RankRow[]>(() => {
  const ranked = rankResins(shop.lists, records.lists, records.yields, castClass.value, prints.known);
  return ranked.map((row) => ({ ...row, id: row.resin.id, name: row.resin.name }));
});
const printerName = (id: string | undefined): string =>
  shop.lists.printer.find((p) => p.id === id)?.name ?? '';
const mm = (value: number, digits = 2): string => formatQuantity({ value, unit: 'mm', digits }, units.choice);
const between = ({ q05Mm, q95Mm }: FinestFeature): string =>
  `${formatValue({ value: q05Mm, unit: 'mm' }, units.choice)} – ${mm(q95Mm)}`;
/** Prints and casts apart: a resin may print finer than it casts. */
const finestLines = (row: RankRow): { doing: string; finest: FinestFeature }[] => [
  ...(row.finest ? [{ doing: 'prints', finest: row.finest }] : []),
  ...(row.finestCast ? [{ doing: 'casts', finest: row.finestCast }] : []),
];
const words = (row: RankRow): string => {
  const { verdict } = row;
  const said =
    verdict &&
    [
      verdict.prints.says && `prints: ${verdict.prints.says}`,
      verdict.casts.says && `casts: ${verdict.casts.says}`,
    ]
      .filter(Boolean)
      .join(', ');
  return said || '';
};
const fewest = (standing: Standing): string =>
  standing.n === 0 ? 'no pieces yet' : `${standing.good} of ${standing.n}`;

const add = (template: (typeof TEMPLATES.resin)[number]): Promise<boolean> =>
  thenOpen(async () => {
    const kept = await shop.keepItem('resin', itemFrom<'resin'>(template, shop.lists.resin));
    return `/resins/${kept.id}/record`;
  });
</script>

<template>
  <div class="page">
    <div class="page-head">
      <h1>Resins</h1>
      <span v-if="shop.lists.resin.length > 0" class="mute">ranked by what they did here</span>
      <span class="spacer" />
      <router-link v-if="shop.lists.profile.length > 1" to="/resins/compare">Compare for a plate</router-link>
      <v-menu>
        <template #activator="{ props: activator }"><v-btn v-bind="activator">Add a resin</v-btn></template>
        <v-list>
          <v-list-item
            v-for="template in TEMPLATES.resin"
            :key="template.family"
            :title="template.family"
            @click="add(template)"
          />
        </v-list>
      </v-menu>
    </div>
    <template v-if="shop.lists.resin.length === 0">
      <p>
        No resin yet. Add one by its family: the figures are usual ones, to be overwritten from its maker’s
        sheet.
      </p>
      <p class="mute mt-2">
        Then Tune tells what to print, reads the counts, and finds its seconds in a few coupons.
      </p>
    </template>
    <template v-else>
      <div class="class-tabs" role="tablist" aria-label="Class of parts">
        <button
          v-for="kind in TUNED_CLASSES"
          :key="kind"
          type="button"
          role="tab"
          :aria-selected="kind === castClass"
          @click="castClass = kind"
        >
          {{ CLASS_NAMES[kind] }}
        </button>
      </div>
      <v-data-table
        class="ranking"
        :headers="rankingColumns"
        :items="rows"
        :items-per-page="-1"
        :sort-by="[{ key: 'prints', order: 'asc' }]"
        sort-asc-icon="$sortDesc"
        sort-desc-icon="$sortAsc"
        hide-default-footer
        density="comfortable"
      >
        <template #[`item.name`]="{ item }">
          <router-link :to="`/resins/${item.id}/${item.profile ? 'tune' : 'record'}`" class="name">{{
            item.name
          }}</router-link>
          <span class="mute"
            >{{ item.resin.family }}{{ item.resin.forBurnout ? '' : ', not for burnout' }}</span
          >
        </template>
        <template #[`item.prints`]="{ item }"
          ><YieldBar :standing="item.prints" :words="fewest(item.prints)"
        /></template>
        <template #[`item.casts`]="{ item }"
          ><YieldBar :standing="item.casts" :words="fewest(item.casts)"
        /></template>
        <template #[`item.finest`]="{ item }">
          <span v-for="{ doing, finest } in finestLines(item)" :key="doing" class="finest">
            <span class="num">{{ mm(finest.q50Mm) }}</span> <span class="doing">{{ doing }}</span>
            <span class="mute num">{{ between(finest) }}</span>
          </span>
          <span v-if="finestLines(item).length === 0" class="mute">not known</span>
        </template>
        <template #[`item.exposure`]="{ item }">
          <template v-if="item.profile">
            <span class="num">{{ seconds(item.profile.exposureS) }} s</span>
            <span class="mute"
              >{{ printerName(item.profile.printerId) }}, {{ mm(item.profile.layerMm, 3) }}</span
            >
          </template>
          <router-link v-else :to="`/resins/${item.id}/tune`">not tuned</router-link>
        </template>
        <template #[`item.hours`]="{ item }">
          <span class="num">{{
            item.hours === undefined
              ? '–'
              : formatQuantity({ value: item.hours, unit: 'h', digits: 1 }, units.choice)
          }}</span>
        </template>
        <template #[`item.pricePerMl`]="{ item }"
          ><span class="num">{{ item.pricePerMl.toFixed(2) }}</span></template
        >
        <template #[`item.verdict`]="{ item }">{{ words(item) || '–' }}</template>
      </v-data-table>
      <p class="mute foot">
        Bars: the shop’s own share with its 90 % interval; ranked by the low end. Hatched: fewer than five
        pieces, no rank. Hours: a part
        {{ mm(RANKED_HEIGHT_MM, 0) }} tall by the tested profile.
      </p>
      <p v-if="retired.length > 0" class="mt-3">
        <button type="button" class="text-button" @click="showRetired = !showRetired">
          {{ retired.length }} retired
        </button>
        <template v-if="showRetired">
          <router-link
            v-for="resin in retired"
            :key="resin.id"
            class="ml-2"
            :to="`/resins/${resin.id}/record`"
            >{{ resin.name }}</router-link
          >
        </template>
      </p>
    </template>
  </div>
</template>

<style scoped>
.ranking {
  background: var(--sheet);
  border: 1px solid var(--line);
  font-size: 14.5px;
}
.ranking :deep(th) {
  font-size: 13px;
  font-weight: 700;
  color: var(--mute);
}
.ranking .mute {
  display: block;
  font-size: 13px;
  white-space: nowrap;
}
.ranking :deep(td) {
  padding-top: 6px !important;
  padding-bottom: 6px !important;
}
.finest {
  display: block;
  white-space: nowrap;
}
.doing {
  font-size: 13px;
}
.ranking .name {
  color: var(--ink);
  font-weight: 600;
}
.foot {
  margin-top: 8px;
  font-size: 13px;
}
</style>
