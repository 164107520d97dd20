<script setup lang="ts">
import { MOLD_MATERIAL_NAMES } from '@zero-pour/contracts';
import { castsWax, formatNumber, MOLD_MATERIALS, printsNegative } from '@zero-pour/core';
import { usualMold, type ScaleChain } from '@zero-pour/plan';
import { computed } from 'vue';
import { usePour } from '../../state/usePour';
import PourField from '../PourField.vue';

/** Every step with what it is taken as, where from and how sure; and own values in their place. */
const props = defineProps<{ chain: ScaleChain; held: boolean }>();
const { pour, set } = usePour();
const own = computed(() => pour.value.doc.scale);
const brief = computed(() => pour.value.doc.brief);
const molded = computed(() => castsWax(brief.value.route) && !printsNegative(brief.value.route));
const materials = computed(() =>
  MOLD_MATERIAL_NAMES.filter(
    (name) => name.includes('silicone') === brief.value.route.includes('silicone'),
  ).map((name) => ({ title: `${name}, ${formatNumber(MOLD_MATERIALS[name].percent, 1)} %`, value: name })),
);
const signed = (percent: number): string => `${percent > 0 ? '+' : ''}${formatNumber(percent, 2)} %`;
const spread = (sd: number): string => `± ${formatNumber(1.96 * sd, 2)}`;
const rows = computed(() => props.chain.steps);
</script>

<template>
  <div class="scroll-x" tabindex="0">
    <table class="plain">
      <thead>
        <tr>
          <th>Step</th>
          <th class="right">Changes size by</th>
          <th class="right">Sure to</th>
          <th>Your own</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="row in rows" :key="row.step">
          <td>
            {{ row.given.name }}
            <span class="from">
              {{ row.given.source
              }}<template v-if="row.count > 0 && !row.typed"
                >; the book said {{ signed(row.bookPercent) }}</template
              >
            </span>
          </td>
          <td class="num right">{{ signed(row.given.value) }}</td>
          <td class="num right mute">{{ spread(row.sdPercent) }}</td>
          <td class="own">
            <PourField :at="['scale', 'own', row.step]" />
          </td>
        </tr>
      </tbody>
    </table>
  </div>
  <div class="form-grid mt-4">
    <v-select
      v-if="molded"
      label="The mold is of"
      :items="materials"
      :model-value="own.moldMaterial ?? usualMold(brief.route)"
      @update:model-value="(m) => set(['scale', 'moldMaterial'], m)"
    />
    <PourField
      v-if="molded"
      :at="['scale', 'masterAddsMm']"
      :standard="0"
      standard-from="minus when sanding takes more"
    />
    <PourField
      v-if="held"
      :at="['scale', 'skinMm']"
      :standard="chain.givens.skin.value"
      :standard-from="`${chain.givens.skin.source}; 0.1 when layers show, 0 in recesses`"
    />
    <PourField
      v-if="held"
      :at="['scale', 'printAddsMm']"
      :standard="chain.givens.adds.value"
      :standard-from="chain.givens.adds.source"
    />
  </div>
  <p class="mute mt-3">
    A percent multiplies; skin and bleed are fixed amounts, so thin walls and bores move opposite ways.
    <router-link to="/sizes">Sizes that your shop measured</router-link>
  </p>
</template>

<style scoped>
.num {
  white-space: nowrap;
}
.from {
  display: block;
  font-size: 13.5px;
  color: var(--mute);
}
.own {
  width: 120px;
}
</style>
