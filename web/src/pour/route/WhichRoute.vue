<script setup lang="ts">
import { costPerGood, formatQuantity, USUAL_RATES, type RouteInput } from '@zero-pour/core';
import { planRoutes } from '@zero-pour/plan';
import { computed, shallowRef, useTemplateRef } from 'vue';
import { axisTitle, BASE_LAYOUT, CHART_AXIS, usePlot, type Data, type Layout } from '../../chart';
import OnDemand from '../../components/OnDemand.vue';
import QuantityField from '../../components/QuantityField.vue';
import { said } from '../../components/said';
import { useNotices } from '../../state/notices';
import { useRecords } from '../../state/recordStore';
import { useShop } from '../../state/shopStore';
import { TYPING_PAUSE_MS } from '../../state/unsent';
import { useUnits } from '../../state/unitStore';
import { usePour } from '../../state/usePour';
import { COLOURS } from '../../theme/colours';
import RouteMinutes from './RouteMinutes.vue';

/** What each route would cost for this pour's part, against how many are wanted. */
const { plan, set } = usePour();
const records = useRecords();
const shop = useShop();
const units = useUnits();
const notices = useNotices();
void records.load().catch((error: unknown) => notices.wrong(error));

const ordered = computed(() => plan.value.context.parts.reduce((sum, { count }) => sum + count, 0));
const typedCount = shallowRef<number>();
const count = computed(() => typedCount.value ?? Math.max(1, ordered.value));
const most = computed(() => Math.max(60, 3 * count.value));
function setRate(perHandsHour: number | undefined): void {
  const { perHandsHour: _, ...others } = shop.settings.routeTimes ?? { minutes: {} };
  const routeTimes = perHandsHour === undefined ? others : { ...others, perHandsHour };
  void shop.keepSettings({ ...shop.settings, routeTimes }, TYPING_PAUSE_MS).catch(notices.wrong);
}
const routes = computed(() =>
  planRoutes(
    plan.value.context,
    { yields: records.yields, molds: records.lists.mold },
    { count: count.value, most: most.value },
  ),
);
const money = (value: number): string => value.toFixed(2);
const minutes = (value: number): string => formatQuantity({ value, unit: 'min' }, units.choice);
const mm = (value: number): string => formatQuantity({ value, unit: 'mm', digits: 2 }, units.choice);

const INPUTS: Record<RouteInput, string> = {
  'mold.handsMin': 'hands-on minutes of the mold',
  'mold.material': 'material of the mold',
  'mold.machineH': 'machine hours of the mold',
  life: 'how many waxes the mold gives',
  moldYield: 'how many molds turn out',
  'piece.handsMin': 'hands-on minutes of each piece',
  'piece.material': 'material of each piece',
  'piece.machineH': 'machine hours of each piece',
  pieceYield: 'how many pieces are good',
};
const turns = computed(() =>
  routes.value.crossings
    .slice(0, 5)
    .map(({ from, route }) => `from ${from} on ${route}`)
    .join(', '),
);
const box = useTemplateRef<HTMLElement>('box');
const INKS = [COLOURS.meltText, COLOURS.wax, COLOURS.ink, COLOURS.mute];
const DASHES = ['solid', 'dash', 'dot', 'dashdot'] as const;
const data = computed<Data[]>(() => {
  const x = Array.from({ length: most.value }, (_, n) => n + 1);
  return routes.value.rows.map(
    ({ route, costs }, n) =>
      ({
        type: 'scatter',
        mode: 'lines',
        name: route,
        x,
        y: x.map((wanted) => costPerGood(costs, routes.value.rates, wanted)),
        line: { color: INKS[n], dash: DASHES[n], width: 2.4 },
      }) as Data,
  );
});
const layout = computed<Partial<Layout>>(() => ({
  ...BASE_LAYOUT,
  height: 260,
  showlegend: true,
  legend: { orientation: 'h', y: 1.18, x: 0 },
  xaxis: { ...CHART_AXIS, title: axisTitle('good castings wanted'), range: [1, most.value] },
  yaxis: {
    ...CHART_AXIS,
    title: axisTitle('cost of each, without metal'),
    range: [0, 2.2 * Math.max(...routes.value.rows.map(({ perGood }) => Math.min(perGood, 60)))],
  },
  shapes: [
    {
      type: 'line',
      x0: count.value,
      x1: count.value,
      yref: 'paper',
      y0: 0,
      y1: 1,
      line: { color: COLOURS.mute, width: 1 },
    },
  ],
}));
usePlot(
  box,
  () => data.value,
  () => layout.value,
);
</script>

<template>
  <div class="form-grid">
    <QuantityField
      v-model="typedCount"
      label="Good castings wanted"
      unit="count"
      :digits="0"
      :min="1"
      :max="5000"
      :standard="Math.max(1, ordered)"
      standard-from="as ordered here"
    />
    <QuantityField
      v-bind="said('settings', 'routeTimes', 'perHandsHour')"
      :standard="USUAL_RATES.perHandsHour"
      standard-from="shop default"
      :model-value="shop.settings.routeTimes?.perHandsHour"
      @update:model-value="setRate"
    />
  </div>
  <div ref="box" class="chart" role="img" :aria-label="`Cost of each good casting by route: ${turns}`" />
  <p>
    The cheapest: <b>{{ turns }}</b>.
    <template v-if="routes.decides">
      What decides at {{ count }} is {{ INPUTS[routes.decides.input] }} of “{{ routes.decides.route }}”{{
        routes.decides.turns ? ': a quarter otherwise turns it.' : '; a quarter otherwise does not turn it.'
      }}
    </template>
  </p>
  <div class="scroll">
    <table class="plain">
      <thead>
        <tr>
          <th>Route</th>
          <th class="num">Each</th>
          <th class="num">Hands each</th>
          <th class="num">Days to the first</th>
          <th class="num">Finest kept</th>
          <th class="num">Sizes spread</th>
          <th />
        </tr>
      </thead>
      <tbody>
        <tr v-for="row in routes.rows" :key="row.route" :class="{ best: row.route === routes.best }">
          <td>
            {{ row.route }}<br /><span class="mute">{{
              row.fromRecord.length > 0 ? row.fromRecord.join(', ') : 'by shop defaults'
            }}</span>
          </td>
          <td class="num">{{ money(row.perGood) }}</td>
          <td class="num">{{ minutes(row.handsMin) }}</td>
          <td class="num">{{ row.days }}</td>
          <td class="num">{{ mm(row.finestMm) }}</td>
          <td class="num">± {{ row.spreadPercent.toFixed(1) }} %</td>
          <td>
            <v-btn size="small" @click="set(['brief', 'route'], row.route)">Take it</v-btn>
          </td>
        </tr>
      </tbody>
    </table>
  </div>
  <p class="mute mt-2">
    Without the metal. Detail and spread are shop defaults; so are minutes until you type your own, and yields
    and mold life until shots and castings are on record.
  </p>
  <OnDemand title="Your own minutes" line="kept for the shop">
    <RouteMinutes :rows="routes.rows" />
  </OnDemand>
</template>

<style scoped>
.chart {
  margin: 8px 0;
}
.scroll {
  overflow-x: auto;
}
.best td {
  background: var(--paper);
}
th.num,
td.num {
  text-align: right;
}
</style>
