<script setup lang="ts">
import type { GroupedBy, RecordGroup } from '@zero-pour/contracts';
import { formatQuantity, type Unit } from '@zero-pour/core';
import { useUnits } from '../state/unitStore';
import { GROUP_NAMES } from './recordWords';
import { useGroupNames } from './useGroupNames';

/** Pours taken together: how many, what came out, metal and minutes as far as they are told. */
defineProps<{ by: GroupedBy; groups: readonly RecordGroup[] }>();
const units = useUnits();
const { nameOf, cameOut } = useGroupNames();
const shown = (value: number | null, unit: Unit): string =>
  value === null ? '–' : formatQuantity({ value, unit }, units.choice);
</script>

<template>
  <div class="scroll-x" tabindex="0">
    <table class="plain">
      <thead>
        <tr>
          <th>{{ GROUP_NAMES[by] }}</th>
          <th class="right">Pours</th>
          <th class="right">Sellable (9 in 10 between)</th>
          <th class="right">Charge, as weighed</th>
          <th class="right">Back</th>
          <th class="right">Clearing</th>
          <th class="right">Finishing</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="group in groups" :key="String(group.key)">
          <td>
            <router-link v-if="by === 'month' && group.key" :to="`/record/month/${group.key}`">{{
              nameOf(by, group.key)
            }}</router-link>
            <template v-else>{{ nameOf(by, group.key) }}</template>
          </td>
          <td class="num right">{{ group.pours }}</td>
          <td class="num right">{{ cameOut(group) }}</td>
          <td class="num right">{{ shown(group.chargeG, 'g') }}</td>
          <td class="num right">{{ shown(group.backG, 'g') }}</td>
          <td class="num right">{{ shown(group.clearedMin, 'min') }}</td>
          <td class="num right">{{ shown(group.finishingMin, 'min') }}</td>
        </tr>
      </tbody>
    </table>
  </div>
</template>
