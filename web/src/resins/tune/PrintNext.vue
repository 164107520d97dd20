<script setup lang="ts">
import type { TuningAnswer } from '@zero-pour/jobs';
import type { CouponCounts } from '@zero-pour/core';
import type { TuningOf } from '@zero-pour/plan';
import { computed } from 'vue';
import { outcomeSentence, seconds } from './words';

/** The one thing to do now: print the next coupon, or take the exposure. */
const props = defineProps<{
  answer: TuningAnswer;
  of: TuningOf;
  counts: CouponCounts;
  coupons: number;
  /** Coupons of other settings that are counted in. */
  carriedOver: number;
  couponAt: string;
  /** The figure is of the counts before: newer ones are being worked out. */
  outdated: boolean;
  busy: boolean;
}>();
const emit = defineEmits<{ enter: []; parts: []; accept: [] }>();

const settled = computed(() => props.answer.verdict.kind !== 'next coupon');
const usable = computed(() => settled.value && props.answer.verdict.kind !== 'not this resin');
const figure = computed(() => (settled.value ? props.answer.recommended : props.answer.next).exposureS);
const outcomes = computed(() => props.answer.outcomes.filter((o) => o.chance >= 0.04).slice(0, 3));
const percent = (share: number): string => `${Math.round(100 * share)} %`;
</script>

<template>
  <section class="next" aria-label="What to do next" :aria-busy="outdated">
    <h2>{{ settled ? (usable ? 'Best exposure' : 'Best of no good ones') : 'Print next' }}</h2>
    <p class="figure">
      <b data-testid="figure">{{ seconds(figure) }} s</b>
      <span v-if="outdated" class="mute">counting …</span>
      <span v-else-if="!settled && coupons > 0" class="mute">all else as trial {{ coupons }}</span>
      <span v-else-if="settled" class="mute">after {{ coupons }} coupons</span>
      <span v-if="carriedOver > 0" class="mute">{{ carriedOver }} carried over</span>
    </p>
    <ul v-if="!settled" class="outcomes">
      <li v-for="outcome in outcomes" :key="outcome.kind">
        {{ outcomeSentence(outcome, of, counts) }} <span class="mute num">{{ percent(outcome.chance) }}</span>
      </li>
    </ul>
    <div class="buttons">
      <v-btn v-if="usable" variant="flat" :loading="busy" :disabled="outdated" @click="emit('accept')">
        {{ of === 'base' ? 'Take these base seconds' : 'Take it into a profile' }}
      </v-btn>
      <v-btn :variant="usable ? 'outlined' : 'flat'" @click="emit('enter')">Enter counts <kbd>E</kbd></v-btn>
      <v-btn :to="couponAt">Coupon file</v-btn>
      <v-btn @click="emit('parts')">Parts failed, or stood</v-btn>
    </div>
  </section>
</template>

<style scoped>
.next {
  background: var(--paper);
  border: 1px solid var(--line);
  padding: 16px 18px 18px;
}
.figure {
  display: flex;
  align-items: baseline;
  gap: 14px;
}
.figure b {
  font-size: 54px;
  line-height: 1.1;
  letter-spacing: -0.02em;
  font-variant-numeric: tabular-nums;
}
[aria-busy='true'] .figure b,
[aria-busy='true'] .outcomes {
  opacity: 0.4;
}
.outcomes {
  margin: 8px 0 0;
  padding: 0;
  list-style: none;
  display: grid;
  gap: 6px;
}
.outcomes .num {
  font-size: 13px;
}
.buttons {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  margin-top: 14px;
}
.buttons kbd {
  margin-left: 8px;
  color: inherit;
  background: none;
  border-color: currentColor;
}
</style>
