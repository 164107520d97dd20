<script setup lang="ts">
import type { SizeSeries } from '@zero-pour/contracts';
import { driftOf, formatNumber, formatQuantity, lotMeans, plusMinus } from '@zero-pour/core';
import { fitGroup, type MeasuredSize, type SizeGroup } from '@zero-pour/plan';
import { computed } from 'vue';
import NumberList from '../components/NumberList.vue';
import { useNotices } from '../state/notices';
import { useRecords } from '../state/recordStore';
import { useUnits } from '../state/unitStore';
import { formatDay } from '../time/formatMoment';
import ResidualChart from './ResidualChart.vue';

/** One slope and one offset through sizes that went the same way, what is left, and whether it drifts. */
const props = defineProps<{ group: SizeGroup }>();
const units = useUnits();
const records = useRecords();
const notices = useNotices();

const found = computed(() => fitGroup(props.group));
const drift = computed(() => driftOf(found.value.residuals));
const lots = computed(() => lotMeans(found.value.residuals));
const mm = (value: number, digits = 3): string => formatQuantity({ value, unit: 'mm', digits }, units.choice);
const percent = (slope: number): string =>
  `${slope < 1 ? '−' : '+'}${formatNumber(Math.abs(100 * (slope - 1)), 2)} %`;

const numbers = computed<[string, string][]>(() => {
  const { fit, bookSlope } = found.value;
  return [
    ['All steps together', `${percent(fit.slope.value)} ± ${formatNumber(100 * plusMinus(fit.slope), 2)}`],
    ['The book says', percent(bookSlope)],
    [
      'Fixed amount besides',
      fit.offsetSeparable
        ? `${mm(fit.offsetMm.value)} ± ${mm(plusMinus(fit.offsetMm))}`
        : 'cannot be told apart',
    ],
    ['One size scatters by', `± ${mm(1.96 * fit.noiseSdMm)}`],
    ['Sizes', String(fit.n)],
  ];
});
const signed = (value: number): string => `${value < 0 ? '−' : '+'}${formatNumber(Math.abs(value), 2)} %`;
const driftWords = computed(() => {
  if (!drift.value) return 'Whether it drifts takes five sizes on three days over more than a week.';
  const { perMonth, plain } = drift.value;
  const range = `${signed(perMonth.interval[0])} to ${signed(perMonth.interval[1])}`;
  return plain
    ? `It drifts: ${signed(perMonth.value)} in thirty days (${range}). Look at the bottle, the lamp and the bath.`
    : `No plain drift: ${signed(perMonth.value)} in thirty days (${range}).`;
});
const lotWords = computed(() =>
  lots.value.length < 2 ? '' : lots.value.map((l) => `${l.lot} ${signed(l.percent)} (${l.n})`).join(', '),
);

const place = (size: MeasuredSize): number => found.value.counted.indexOf(size);
const residual = (size: MeasuredSize): number | undefined => found.value.fit.residualsMm[place(size)];
const isOutlier = (size: MeasuredSize): boolean => found.value.fit.outliers.includes(place(size));
const seriesOf = ({ from }: MeasuredSize): SizeSeries | undefined =>
  from.kind === 'series' ? records.lists.sizeSeries.find((s) => s.id === from.id) : undefined;
function leaveOut(size: MeasuredSize, leftOut: boolean): void {
  const series = seriesOf(size);
  const { from } = size;
  if (!series || from.kind !== 'series') return;
  const pairs = series.pairs.map((pair) => (pair.key === from.pair ? { ...pair, leftOut } : pair));
  void records.keep('sizeSeries', { ...series, pairs }).catch(notices.wrong);
}
</script>

<template>
  <div class="top">
    <ResidualChart
      :sizes="found.counted"
      :residuals-mm="found.fit.residualsMm"
      :outliers="found.fit.outliers"
    />
    <NumberList :rows="numbers" />
  </div>
  <p v-if="!found.fit.offsetSeparable" class="mute">
    A fixed amount (bleed) is told from a percent only when the largest size is twice the smallest.
  </p>
  <p class="mute">{{ driftWords }} {{ lotWords ? `By bottle: ${lotWords}.` : '' }}</p>
  <div class="scroll-x" tabindex="0">
    <table class="plain mt-3">
      <thead>
        <tr>
          <th>No.</th>
          <th class="right">Printed</th>
          <th class="right">Measured</th>
          <th class="right">Off the fit</th>
          <th>When, what</th>
          <th></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="(size, i) in group.sizes" :key="i" :class="{ out: size.leftOut }">
          <td class="num">{{ place(size) >= 0 ? place(size) + 1 : '' }}</td>
          <td class="num right">{{ mm(size.printMm) }}</td>
          <td class="num right">{{ mm(size.measuredMm) }}</td>
          <td class="num right">{{ residual(size) === undefined ? 'left out' : mm(residual(size)!) }}</td>
          <td>
            {{ formatDay(size.at.getTime()) }}{{ size.lot ? `, ${size.lot}` : '' }},
            <router-link v-if="size.from.kind === 'pour'" :to="`/pours/${size.from.id}/result`"
              >pour {{ size.from.number }}</router-link
            >
            <router-link v-else :to="`/sizes/series/${size.from.id}`">series</router-link>
            <b v-if="isOutlier(size)" class="odd"> does not belong with the others</b>
          </td>
          <td>
            <button
              v-if="size.from.kind === 'series'"
              type="button"
              class="text-button"
              :aria-label="`${size.leftOut ? 'Count' : 'Leave out'} ${mm(size.printMm)}`"
              @click="leaveOut(size, !size.leftOut)"
            >
              {{ size.leftOut ? 'count' : 'leave out' }}
            </button>
          </td>
        </tr>
      </tbody>
    </table>
  </div>
</template>

<style scoped>
.top {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 250px;
  gap: 16px;
  margin: 12px 0 8px;
}
p + p {
  margin-top: 6px;
}
td.right,
td .text-button {
  white-space: nowrap;
}
.out td {
  color: var(--mute);
}
.odd {
  color: var(--melt-text);
}
@media (max-width: 1180px) {
  .top {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
