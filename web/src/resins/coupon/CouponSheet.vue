<script setup lang="ts">
import type { CouponLayout, CouponSpec } from '@zero-pour/core';
import { CLASS_NAMES } from '../tune/words';
import CouponPlan from './CouponPlan.vue';

/** One page for the bench: what to print, the plan, and boxes for the counts of the next coupons. */
defineProps<{
  title: string;
  spec: CouponSpec;
  layout: CouponLayout;
  /** Exposure to print at, per class, as far as it is known. */
  next: string;
}>();
const LINES = 4;
</script>

<template>
  <article class="coupon-sheet">
    <h1>{{ title }}</h1>
    <p>
      Print {{ next }}; all else as in the coupon before. Change one thing at a time. Wash and dry it, then
      count under the lamp before curing.
    </p>
    <div class="drawing"><CouponPlan :layout="layout" /></div>
    <table>
      <thead>
        <tr>
          <th>Trial</th>
          <th>Seconds</th>
          <template v-for="row in spec.classes" :key="row.castClass">
            <th>{{ CLASS_NAMES[row.castClass] }} {{ row.featureMm }} mm<br />struts of {{ row.struts }}</th>
            <th><br />slots of {{ row.slots }}</th>
          </template>
          <th>Base s × n</th>
          <th>Base: fell off, held, hard to free, curled</th>
          <th>Vat °C</th>
          <th>Seen</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="n in LINES" :key="n">
          <td>{{ n }}</td>
          <td v-for="cell in 5 + 2 * spec.classes.length" :key="cell" />
        </tr>
      </tbody>
    </table>
    <p>
      Cannot count? Write all, most, half, few or none. Liquid resin: gloves, eye protection, ventilation.
      Check your local code for waste.
    </p>
  </article>
</template>

<style scoped>
.coupon-sheet {
  display: none;
  color: var(--ink);
}
@media print {
  .coupon-sheet {
    display: block;
  }
  .drawing {
    height: 70mm;
    margin: 4mm 0;
  }
  table {
    width: 100%;
    border-collapse: collapse;
    font-size: 10.5pt;
    margin: 4mm 0;
  }
  th,
  td {
    border: 1px solid var(--ink);
    padding: 2mm 1.5mm;
    text-align: left;
    vertical-align: top;
  }
  tbody td {
    height: 13mm;
  }
}
</style>
