<script setup lang="ts">
import type { SizeTarget } from '@zero-pour/contracts';
import { formatQuantity, type SizeStage } from '@zero-pour/core';
import { stepName, type WhyOff } from '@zero-pour/plan';
import { computed } from 'vue';
import { formatPercents } from './formatPercents';
import { useShop } from '../state/shopStore';
import { useUnits } from '../state/unitStore';

/** Shares of what is off, likeliest first; a plain mistake before them when it fits; and the next print. */
const props = defineProps<{ why: WhyOff; target: SizeTarget; stage: SizeStage }>();
const shop = useShop();
const units = useUnits();
const mm = (value: number): string => formatQuantity({ value, unit: 'mm', digits: 2 }, units.choice);
const signed = (value: number): string =>
  `${value < 0 ? '−' : '+'}${formatQuantity({ value: Math.abs(value), unit: 'mm', digits: 3 }, units.choice)}`;
const side = (value: number): string => (value < 0 ? 'under' : 'over');

const STAGE_WORDS: Readonly<Record<SizeStage, string>> = {
  printed: 'off the printer',
  cured: 'cured',
  wax: 'in wax',
  cast: 'as cast',
  finished: 'finished',
};
const MISTAKES = {
  'not scaled': 'It looks as if the print was not scaled: the file went out at 100 %.',
  'scaled twice':
    'It looks as if the print was scaled twice: in the file, and again when the print was prepared.',
} as const;
const verdict = computed(() => props.why.verdict);
const beyond = computed(() => verdict.value.kind === 'beyond');
const shares = computed(() =>
  props.why.found.shares
    .filter((s) => s.chance >= 0.01 || Math.abs(s.mm) >= 0.01)
    .map((s) => ({
      ...s,
      name: s.key === null ? 'this piece, or the reading' : stepName(s.key, shop.lists),
    })),
);
const first = computed(() => shares.value[0]);
const measuredMm = computed(() => props.why.found.offMm + props.why.found.expectedMm);
const offWanted = computed(() => measuredMm.value - props.why.wantedThereMm);
</script>

<template>
  <section aria-label="Why it came out off">
    <div class="answer">
      <div>
        <span class="mute"
          >{{ target.name }} {{ mm(why.wantedMm) }} wanted{{
            stage === 'finished' ? '' : `: ${mm(why.wantedThereMm)} ${STAGE_WORDS[stage]}`
          }}, {{ mm(measuredMm) }} measured</span
        >
        <b class="big">{{ mm(Math.abs(offWanted)) }} {{ side(offWanted) }}</b>
      </div>
      <div>
        <span class="mute">Printed at {{ formatPercents(why.printedPercents) }}.</span>
        <template v-if="why.nextPercents">
          <span class="mute">Print next at</span>
          <b class="big num">{{ formatPercents(why.nextPercents) }}</b>
        </template>
        <b v-else class="big">Clear this up first</b>
      </div>
    </div>
    <p class="says">
      <template v-if="verdict.kind === 'mistake'">
        <b>{{ MISTAKES[verdict.mistake.key] }}</b> That would give {{ mm(verdict.mistake.expectedMm) }};
        {{ Math.round(100 * verdict.mistake.chance) }} in 100. Check the file that was printed before anything
        is changed: then the next print stays as planned.
      </template>
      <template v-else-if="verdict.kind === 'percent'">
        <b>The percent did it.</b> Printed at {{ formatPercents(why.printedPercents) }},
        {{ mm(why.found.expectedMm) }} was to be expected, give or take {{ mm(1.96 * why.found.sdMm) }}: the
        steps ask for more or less than that.
      </template>
      <template v-else-if="verdict.kind === 'usual'">
        <b>No step stands out.</b> Printed so, {{ mm(why.found.expectedMm) }} was to be expected, give or take
        {{ mm(1.96 * why.found.sdMm) }}: this piece lies within that.
      </template>
      <template v-else-if="first">
        <b>{{ beyond ? 'Farther off than these steps go.' : `Most likely: ${first.name}.` }}</b> Printed so,
        {{ mm(why.found.expectedMm) }} was to be expected, give or take {{ mm(1.96 * why.found.sdMm) }}; it is
        {{ mm(Math.abs(why.found.offMm)) }} {{ side(why.found.offMm) }} that.
        <template v-if="beyond">
          Look for what is not in the list: another file, another metal or resin than told, a slip of the
          calipers. If it was one of them, most likely {{ first.name }}.
        </template>
      </template>
    </p>
    <p v-if="why.onTheWay.length > 0" class="mute">
      Measured on the way:
      {{ why.onTheWay.map((r) => `${r.stage} ${mm(r.mm)}`).join(', ') }}. That clears or blames the steps
      before it.
    </p>
    <p v-else class="mute">
      Measure the next print cured, and the next casting before it is finished: that tells the steps apart.
    </p>
    <div class="scroll-x" tabindex="0">
      <table class="plain mt-3">
        <thead>
          <tr>
            <th>Step</th>
            <th class="chance">Largest part of it, times in 100</th>
            <th class="right">Its likely share</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="share in shares" :key="share.key ?? 'piece'">
            <td class="name">{{ share.name }}</td>
            <td class="chance">
              <span class="bar" :style="{ width: `${Math.max(1, 100 * share.chance * 0.7)}%` }" />
              <span class="num">{{ Math.round(100 * share.chance) }}</span>
            </td>
            <td class="num right">{{ signed(share.mm) }}</td>
          </tr>
        </tbody>
      </table>
    </div>
  </section>
</template>

<style scoped>
.answer {
  display: flex;
  flex-wrap: wrap;
  gap: 12px 48px;
  margin-bottom: 12px;
}
.answer .mute {
  display: block;
}
.big {
  font-size: 30px;
}
.says {
  max-width: 90ch;
  margin-bottom: 8px;
}
.name::first-letter {
  text-transform: capitalize;
}
.chance {
  width: 46%;
}
.bar {
  display: inline-block;
  height: 16px;
  margin-right: 8px;
  background: var(--wax);
  vertical-align: -2px;
}
</style>
