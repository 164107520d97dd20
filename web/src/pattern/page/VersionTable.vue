<script setup lang="ts">
import type { Pattern } from '@zero-pour/contracts';
import {
  changeSentences,
  comparePatterns,
  formatPhrase,
  formatQuantity,
  hasChanged,
  type FindingContext,
  type Quantity,
} from '@zero-pour/core';
import { computed, watch } from 'vue';
import { useUnits } from '../../state/unitStore';
import { formatDay } from '../../time/formatMoment';
import { useAnalyses } from '../jobs/analysisStore';
import { findingsOf } from '../jobs/findingsOf';

/** The numbers of a version beside those of the one before, and what changed. */
const props = defineProps<{ before: Pattern; after: Pattern; context: FindingContext }>();
const units = useUnits();
const analyses = useAnalyses();
watch(
  () => props.before,
  (pattern) => void analyses.ensure(pattern, true),
  { immediate: true },
);

const readingOf = (pattern: Pattern) => {
  const state = analyses.of(pattern);
  return { measure: pattern.measure, analysis: state.status === 'analysed' ? state.analysis : undefined };
};
const rows = computed(() => comparePatterns(readingOf(props.before), readingOf(props.after)));
const show = (value: Quantity | null): string => (value ? formatQuantity(value, units.choice) : '–');
const findings = (pattern: Pattern) => findingsOf(pattern, analyses.of(pattern), props.context);
/** What is found in one version and not in the other, by rule. */
const onlyIn = (one: Pattern, other: Pattern): string =>
  findings(one)
    .filter(({ rule }) => !findings(other).some((found) => found.rule === rule))
    .map(({ lead }) => lead)
    .join(' ');
/** Two versions are compared once both are read: what is not read yet is neither gone nor new. */
const bothRead = computed(() =>
  [props.before, props.after].every((pattern) => analyses.of(pattern).status === 'analysed'),
);
const gone = computed(() => (bothRead.value ? onlyIn(props.before, props.after) : ''));
const fresh = computed(() => (bothRead.value ? onlyIn(props.after, props.before) : ''));
const sentences = computed(() => changeSentences(rows.value).map((s) => formatPhrase(s, units.choice)));
</script>

<template>
  <section>
    <h2>What changed since the version of {{ formatDay(Date.parse(before.createdAt)) }}</h2>
    <p v-if="!bothRead" class="mute">What was found is compared once both are read.</p>
    <p v-if="gone" class="gone"><b>Gone:</b> {{ gone }}</p>
    <p v-if="fresh" class="fresh"><b>New:</b> {{ fresh }}</p>
    <p>{{ sentences.length === 0 ? 'The numbers are the same.' : sentences.join(' ') }}</p>
    <table>
      <thead>
        <tr>
          <th></th>
          <th>
            <router-link :to="`/patterns/${before.id}`">before</router-link>
          </th>
          <th>now</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="row in rows" :key="row.name" :class="{ changed: hasChanged(row) }">
          <td>{{ row.name }}</td>
          <td class="num">{{ show(row.before) }}</td>
          <td class="num">{{ show(row.after) }}</td>
        </tr>
      </tbody>
    </table>
  </section>
</template>

<style scoped>
.gone {
  border-left: 4px solid var(--verd);
  background: var(--verd-tint);
  padding: 6px 10px;
}
.fresh {
  border-left: 4px solid var(--amber);
  background: var(--amber-tint);
  padding: 6px 10px;
}
table {
  border-collapse: collapse;
  width: 100%;
  font-size: 14px;
}
th {
  font-weight: 400;
  color: var(--mute);
  font-size: 13px;
}
th,
td {
  padding: 3px 0 3px 10px;
  border-bottom: 1px solid var(--line);
  text-align: right;
}
td:first-child {
  text-align: left;
  padding-left: 0;
}
.changed td {
  font-weight: 650;
}
</style>
