<script setup lang="ts">
import { ALONG, POINT_KINDS, recordPointsSchema, type Along, type PointKind, type RecordPoint } from '@zero-pour/contracts'; // prettier-ignore
import { formatQuantity, type Unit } from '@zero-pour/core';
import { TREND_DAYS, trendOf } from '@zero-pour/plan';
import { refDebounced } from '@vueuse/core';
import { computed, reactive, shallowRef } from 'vue';
import { useAsked } from '../api/useAsked';
import { useShop } from '../state/shopStore';
import { useUnits } from '../state/unitStore';
import { queryOf, recordFilter, type RecordFilter } from './recordFilter';
import RecordFilters from './RecordFilters.vue';
import { called, unitOf, USUAL_DRAWINGS } from './recordWords';
import TrendChart from './TrendChart.vue';

/** One number of the record over time, or over another number. */
const shop = useShop();
const units = useUnits();
const filter = recordFilter();
const drawn = reactive<{ of: PointKind; along: Along }>({ of: 'sharePercent', along: 'day' });
const splitBy = shallowRef<'alloy' | 'resin' | 'class' | null>('alloy');

const address = refDebounced(
  computed(() => `/pours/points?${queryOf(filter, { of: drawn.of, along: drawn.along })}`),
  200,
);
const { told, notRead } = useAsked(recordPointsSchema, () => address.value);
const change = (fields: Partial<RecordFilter>): void => void Object.assign(filter, fields);

const nameOf = (point: RecordPoint): string => {
  if (splitBy.value === 'class') return point.castClass;
  const kind = splitBy.value;
  if (!kind) return 'All';
  const id = kind === 'alloy' ? point.alloyId : point.resinId;
  return shop.lists[kind].find((item) => item.id === id)?.name ?? 'not told';
};
const groups = computed(() => {
  const by = new Map<string, RecordPoint[]>();
  for (const point of told.value?.points ?? []) by.set(nameOf(point), [...(by.get(nameOf(point)) ?? []), point]); // prettier-ignore
  return [...by].sort(([, a], [, b]) => b.length - a.length).map(([name, points]) => ({ name, points }));
});
/** A change of a temperature is none itself. */
const spanOf = (unit: Unit): Unit => (unit === 'degC' ? 'degCSpan' : unit);
const trends = computed(() => {
  const alongDays = drawn.along === 'day';
  const step = alongDays ? `${TREND_DAYS} days` : `for each ${formatQuantity({ value: 1, unit: spanOf(unitOf(drawn.along)) }, units.choice)} more`; // prettier-ignore
  const shown = (value: number): string => formatQuantity({ value, unit: spanOf(unitOf(drawn.of)), digits: 2 }, units.choice); // prettier-ignore
  return groups.value.map(({ name, points }) => {
    const trend = trendOf(points, alongDays);
    const pours = `${trend.n} ${trend.n === 1 ? 'pour' : 'pours'}`;
    if (trend.status === 'too few') return { name, says: `${pours}: too few for a trend` };
    if (trend.status === 'not told') return { name, says: `${pours}: no trend can be told` };
    return { name, says: `${pours}: ${trend.status} by ${shown(trend.perStep)} ${alongDays ? 'in ' : ''}${step}, give or take ${shown(trend.giveOrTake)}` }; // prettier-ignore
  });
});
const choices = (list: readonly (PointKind | Along)[]) => list.map((value) => ({ title: called(value), value })); // prettier-ignore
</script>

<template>
  <div class="page">
    <div class="page-head">
      <h1>Trends</h1>
      <router-link to="/record">Record</router-link>
    </div>
    <p class="usual">
      <v-btn
        v-for="one in USUAL_DRAWINGS"
        :key="one.name"
        size="small"
        :variant="one.of === drawn.of && one.along === drawn.along ? 'flat' : undefined"
        :aria-pressed="one.of === drawn.of && one.along === drawn.along"
        @click="Object.assign(drawn, { of: one.of, along: one.along })"
        >{{ one.name }}</v-btn
      >
    </p>
    <div class="form-grid choose">
      <v-select v-model="drawn.of" label="What" :items="choices(POINT_KINDS)" />
      <v-select v-model="drawn.along" label="Along" :items="choices(ALONG)" />
      <v-select
        v-model="splitBy"
        label="Apart by"
        clearable
        :items="[
          { title: 'Metal', value: 'alloy' },
          { title: 'Resin', value: 'resin' },
          { title: 'Class', value: 'class' },
        ]"
      />
    </div>
    <RecordFilters :filter="filter" @change="change" />
    <p v-if="notRead" role="alert">The record could not be read: {{ notRead }}</p>
    <p v-else-if="told && told.points.length === 0" class="sheet nothing">
      No pour {{ drawn.along === 'day' ? 'tells it' : 'tells both of them' }}: nothing is drawn.
    </p>
    <template v-else-if="told">
      <TrendChart :groups="groups" :of="drawn.of" :along="drawn.along" />
      <ul class="says">
        <li v-for="one in trends" :key="one.name">
          <b>{{ one.name }}</b> {{ one.says }}.
        </li>
      </ul>
      <p class="mute">
        One point a pour; pours that do not know {{ drawn.along === 'day' ? 'it' : 'both' }} are not drawn. A
        trend is the straight line through the points; it says what goes together, not what comes of what.
        {{ told.more ? 'Only the newest 2000 are drawn.' : '' }}
      </p>
    </template>
  </div>
</template>

<style scoped>
.usual {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  margin-bottom: 12px;
}
.choose {
  max-width: 900px;
  margin-bottom: 10px;
}
.nothing {
  padding: 24px;
}
.says {
  margin: 12px 0;
  padding: 0;
  list-style: none;
}
.says li {
  padding: 3px 0;
}
</style>
