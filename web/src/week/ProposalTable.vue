<script setup lang="ts">
import { formatHours, HOUR_MS } from '@zero-pour/core';
import type { Proposed } from '@zero-pour/plan';
import { useSlowNow } from '../state/clock';
import { formatMoment } from '../time/formatMoment';

/** A plan beside what stands today: one line a pour or mold. */
defineProps<{ proposed: readonly Proposed[] }>();
const now = useSlowNow();
const at = (moment: number | undefined): string =>
  moment === undefined ? '' : formatMoment(moment, now.value);

/** Less than this is no move. */
const SAME_MS = 60_000;
function moved({ movedMs, zero }: Proposed): string {
  if (movedMs === undefined) return 'new';
  if (Math.abs(movedMs) < SAME_MS) return 'as now';
  const hours = formatHours(Math.abs(movedMs) / HOUR_MS);
  return zero > 0 && movedMs > 0 ? `${hours} later` : `${hours} earlier`;
}
function kilnWords({ kiln, kilnChanged, together }: Proposed): string {
  if (!kiln) return '';
  const shared = together.length > 0 ? `, with ${together.join(', ')}` : '';
  return `${kiln.kiln.name}${kilnChanged ? ', not as now' : ''}${shared}`;
}
const nextStep = ({ steps }: Proposed) =>
  steps.find(({ hands, from }) => hands && from >= now.value - SAME_MS);
const holds = ({ longer }: Proposed): string =>
  longer.map(({ segment, moreH }) => `${segment} ${formatHours(moreH)} longer`).join(', ');
</script>

<template>
  <table class="plain proposal">
    <thead>
      <tr>
        <th>Of</th>
        <th>Zero now</th>
        <th>Zero then</th>
        <th>Kiln</th>
        <th>Next for hands</th>
        <th>Holds</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="one in proposed" :key="one.subject.job.key">
        <td>
          <b>{{ one.subject.of }}</b>
        </td>
        <td class="num">{{ at(one.subject.row?.times?.zero ?? one.subject.mold?.times.zero) || 'none' }}</td>
        <td class="num">
          <b>{{ at(one.zero) }}</b> <span class="mute">{{ moved(one) }}</span>
        </td>
        <td>{{ kilnWords(one) }}</td>
        <td>
          <template v-if="nextStep(one)">{{ nextStep(one)!.name }}, {{ at(nextStep(one)!.from) }}</template>
          <span v-else class="mute">none left</span>
        </td>
        <td>{{ holds(one) || 'as they are' }}</td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
.proposal {
  width: 100%;
}
td {
  vertical-align: baseline;
}
</style>
