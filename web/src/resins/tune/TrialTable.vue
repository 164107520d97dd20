<script setup lang="ts">
import { readingValue, type Trial } from '@zero-pour/contracts';
import { formatPhrase, formatQuantity } from '@zero-pour/core';
import type { GatheredTrials, TuningOf, UsedTrial } from '@zero-pour/plan';
import { computed } from 'vue';
import { useUnits } from '../../state/unitStore';
import { seenText } from './readSeen';
import { seconds } from './words';

/** The coupons that speak here, newest first; a press opens one again. Below, those left out and why. */
const props = defineProps<{ gathered: GatheredTrials; of: TuningOf; pool: boolean }>();
const emit = defineEmits<{ open: [trial: Trial]; pool: [on: boolean] }>();
const units = useUnits();

const rows = computed(() => [...props.gathered.used].reverse());
const others = computed(
  () => props.gathered.used.some((t) => t.laws.length > 0) || props.gathered.leftOut.length > 0,
);
const vat = (trial: Trial): string => {
  const value = readingValue(trial.vatC);
  return value === undefined ? '–' : formatQuantity({ value, unit: 'degC' }, units.choice);
};
function counted(row: UsedTrial, of: 'struts' | 'slots'): string {
  if (props.of === 'base') return '';
  const { part } = row.trial;
  if (part) return of === 'struts' ? `${part.good} / ${part.of}` : '–';
  const on = row.trial.coupon.classes.find((c) => c.castClass === props.of);
  const seen = seenText(row.trial.counts[props.of]?.[of]);
  return on && seen ? (/\d/.test(seen) ? `${seen} / ${on[of]}` : seen) : '–';
}
</script>

<template>
  <div class="scroll-x" tabindex="0">
    <table v-if="rows.length > 0" class="plain trials">
      <thead>
        <tr>
          <th>Trial</th>
          <th class="right">Exposure</th>
          <template v-if="of !== 'base'">
            <th class="right">Struts</th>
            <th class="right">Slots</th>
          </template>
          <th class="right">Base</th>
          <th>Base came out</th>
          <th class="right">Vat</th>
          <th>Seen</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="row in rows" :key="row.trial.id">
          <td>
            <button type="button" class="text-button num" @click="emit('open', row.trial)">
              {{ row.trial.part?.name ?? (row.number > 0 ? row.number : 'carried over') }}
            </button>
          </td>
          <td class="num right">
            {{ seconds(of === 'base' ? row.trial.exposureS : row.exposureS) }} s
            <small v-if="row.laws.length > 0" class="mute"
              >from {{ seconds(row.trial.exposureS) }} s,
              {{ row.laws.map((law) => formatPhrase(law, units.choice)).join('; ') }}</small
            >
          </td>
          <template v-if="of !== 'base'">
            <td class="num right">{{ counted(row, 'struts') }}</td>
            <td class="num right">{{ counted(row, 'slots') }}</td>
          </template>
          <td class="num right">{{ seconds(row.trial.baseExposureS) }} s × {{ row.trial.baseLayers }}</td>
          <td>{{ row.trial.base ?? '–' }}</td>
          <td class="num right">{{ vat(row.trial) }}</td>
          <td>{{ [...row.trial.flaws, row.trial.note].filter(Boolean).join(', ') || '–' }}</td>
        </tr>
      </tbody>
    </table>
  </div>
  <p v-if="gathered.pieces.length > 0 && of !== 'base'" class="mute mt-2">
    Test sets add {{ gathered.pieces.length }} {{ gathered.pieces.length === 1 ? 'piece' : 'pieces' }}, each
    counted as one strut.
  </p>
  <div v-if="others" class="others">
    <v-checkbox
      v-if="of !== 'base'"
      label="Count trials at other settings in, where a law carries them over"
      :model-value="pool"
      @update:model-value="(on) => emit('pool', on === true)"
    />
    <p v-for="{ trial, why } in gathered.leftOut" :key="trial.id" class="mute">
      Left out: {{ trial.part ? `${trial.part.name}, ${trial.part.good} of ${trial.part.of}, ` : ''
      }}{{ seconds(trial.exposureS) }} s at
      {{ formatQuantity({ value: trial.layerMm, unit: 'mm', digits: 3 }, units.choice) }}.
      {{ formatPhrase(why, units.choice) }}
    </p>
  </div>
</template>

<style scoped>
.trials {
  margin-top: 14px;
}
.right {
  text-align: right;
}
td.num {
  white-space: nowrap;
}
small {
  max-width: 250px;
  white-space: normal;
  display: block;
  font-family: var(--text);
  font-size: 12.5px;
}
.others {
  margin-top: 8px;
  font-size: 14px;
}
</style>
