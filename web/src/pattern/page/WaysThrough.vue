<script setup lang="ts">
import {
  formatNumber,
  formatQuantity,
  RING_SYSTEM_NAMES,
  ringSizesNear,
  type PatternAnalysis,
} from '@zero-pour/core';
import { computed } from 'vue';
import { useUnits } from '../../state/unitStore';

/** The finger hole in every ring system, and what else passes through the part. */
const props = defineProps<{ analysis: PatternAnalysis }>();
const units = useUnits();
const mm = (value: number): string => formatQuantity({ value, unit: 'mm', digits: 2 }, units.choice);
const sizes = computed(() => (props.analysis.bore ? ringSizesNear(props.analysis.bore.diameterMm) : []));
const off = (value: number): string => `${value > 0 ? '+' : ''}${formatNumber(value, 2)}`;
</script>

<template>
  <section>
    <h2>Ways through</h2>
    <template v-if="analysis.bore">
      <p>
        Bore <b class="num">{{ mm(analysis.bore.diameterMm) }}</b>, round within
        <span class="num">{{ mm(analysis.bore.residualMm) }}</span>
      </p>
      <table class="rings">
        <thead>
          <tr>
            <th>System</th>
            <th>Nearest size</th>
            <th>It is off by, mm</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="size in sizes" :key="size.system">
            <td>{{ RING_SYSTEM_NAMES[size.system] }}</td>
            <td class="num">{{ size.size }}</td>
            <td class="num">{{ off(-size.offMm) }}</td>
          </tr>
        </tbody>
      </table>
    </template>
    <p v-else-if="analysis.holes.length > 0" class="mute">No hole is round and wide enough for a finger.</p>
    <p v-if="analysis.holes.length > 0">
      {{ analysis.holes.length === 1 ? 'One hole' : `${analysis.holes.length} holes` }}, narrowest place
      <span class="num">{{
        analysis.holes
          .slice(0, 8)
          .map((h) => mm(h.widthMm))
          .join(', ')
      }}</span>{{ analysis.holes.length > 8 ? ' …' : '' }}
    </p>
    <p v-for="(chamber, n) in analysis.chambers" :key="n">
      Chamber <span class="num">{{ mm(chamber.widthMm) }}</span> wide behind an entrance of
      <span class="num">{{ mm(chamber.entranceMm) }}</span>
    </p>
    <p v-if="analysis.holes.length + analysis.chambers.length === 0" class="mute">
      None: nothing passes through it.
    </p>
  </section>
</template>

<style scoped>
.rings {
  border-collapse: collapse;
  font-size: 14px;
  width: 100%;
}
th {
  text-align: left;
  font-weight: 400;
  color: var(--mute);
  font-size: 13px;
}
th,
td {
  padding: 3px 10px 3px 0;
  border-bottom: 1px solid var(--line);
}
td:last-child,
th:last-child {
  text-align: right;
  padding-right: 0;
}
</style>
