<script setup lang="ts">
import { knownPartsSchema, pieceMeasure, type KnownPart, type ListedPattern } from '@zero-pour/contracts';
import { formatQuantity } from '@zero-pour/core';
import { useIntersectionObserver } from '@vueuse/core';
import { computed, onMounted, onScopeDispose, shallowRef, useTemplateRef, watch } from 'vue';
import { request } from '../../api/request';
import { useNamedPatterns } from '../../state/useNamedPatterns';
import { useShop } from '../../state/shopStore';
import { useUnits } from '../../state/unitStore';
import { formatDay } from '../../time/formatMoment';
import { useAnalyses } from '../jobs/analysisStore';
import PartSilhouette from '../view/PartSilhouette.vue';

/** Every pattern of the shop on a line; those that were not read yet are read while nobody waits. */
const shop = useShop();
const units = useUnits();
const analyses = useAnalyses();
const known = shallowRef(new Map<string, KnownPart>());
const current = computed(() => {
  const followed = new Set(shop.patterns.map(({ formerId }) => formerId));
  return shop.patterns.filter(({ id }) => !followed.has(id));
});

/** Lines drawn at once; the next ones when the last are reached. */
const STEP = 50;
const drawn = shallowRef(STEP);
const words = shallowRef('');
const fitting = computed(() => {
  const wanted = (words.value ?? '').toLowerCase().split(/\s+/).filter(Boolean);
  return wanted.length === 0 ? current.value : current.value.filter(({ name, fileName, note }) => wanted.every((word) => `${name} ${fileName} ${note}`.toLowerCase().includes(word))); // prettier-ignore
});
watch(words, () => (drawn.value = STEP));
const rows = computed(() => fitting.value.slice(0, drawn.value));
// Each is drawn by its own points; of those that are out of sight nothing is fetched.
useNamedPatterns(() => rows.value.map(({ id }) => id));
const more = (): void => void (drawn.value += STEP);
useIntersectionObserver(useTemplateRef<HTMLElement>('rest'), ([entry]) => entry?.isIntersecting && more(), { rootMargin: '600px' }); // prettier-ignore

async function loadKnown(): Promise<void> {
  const { parts } = await request(knownPartsSchema, 'GET', '/patterns/known').catch(() => ({ parts: [] }));
  known.value = new Map(parts.map((part) => [part.patternId, part]));
}
let left = false;
onScopeDispose(() => (left = true));
onMounted(async () => {
  await loadKnown();
  for (const pattern of current.value) {
    if (left) return;
    if (!known.value.has(pattern.id)) await analyses.ensure(pattern, true);
  }
});
watch(() => shop.patterns, loadKnown);

const show = (value: number, unit: 'mm' | 'cm3', digits: number): string =>
  formatQuantity({ value, unit, digits }, units.choice);
function stateOf(pattern: ListedPattern): string {
  const state = analyses.of(pattern);
  if (state.status === 'working') return `reading, ${Math.round(100 * state.share)} %`;
  if (state.status === 'waiting') return 'waiting to be read';
  if (state.status === 'too open') return 'too open';
  if (state.status === 'failed') return 'not read';
  return '';
}
const castings = (part: KnownPart | undefined): string =>
  !part || part.castings === 0
    ? ''
    : `${part.clean} of ${part.castings} clean${part.broke > 0 ? `, ${part.broke} broke` : ''}`;
</script>

<template>
  <div v-if="current.length > STEP" class="find">
    <v-text-field v-model="words" label="Name, file, note" autocomplete="off" clearable hide-details />
    <span class="mute" role="status">{{ fitting.length }} of {{ current.length }}</span>
  </div>
  <p v-if="fitting.length === 0" class="mute">No pattern has these words. Take one away.</p>
  <table v-else class="index">
    <thead>
      <tr>
        <th>Pattern</th>
        <th class="right">Longest side</th>
        <th class="right">Metal volume</th>
        <th>Class</th>
        <th class="right">Thinnest</th>
        <th>Castings</th>
        <th class="right">Kept</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="pattern in rows" :key="pattern.id">
        <td>
          <div class="pattern">
            <PartSilhouette :pattern="pattern" />
            <div>
              <router-link :to="`/patterns/${pattern.id}`">{{ pattern.name }}</router-link>
              <span class="mute">{{
                pattern.formerId ? `${pattern.fileName}, a later version` : pattern.fileName
              }}</span>
            </div>
          </div>
        </td>
        <td class="right num">{{ show(Math.max(...pieceMeasure(pattern).sizeMm), 'mm', 1) }}</td>
        <td class="right num">{{ show(pieceMeasure(pattern).volumeMm3 / 1000, 'cm3', 3) }}</td>
        <td>
          {{ pattern.classOverride ?? known.get(pattern.id)?.partClass ?? '' }}
          <span v-if="!known.has(pattern.id)" class="mute">{{ stateOf(pattern) }}</span>
        </td>
        <td class="right num">
          {{ known.has(pattern.id) ? show(known.get(pattern.id)!.thinnestMm, 'mm', 2) : '' }}
        </td>
        <td>{{ castings(known.get(pattern.id)) }}</td>
        <td class="right num">{{ formatDay(Date.parse(pattern.createdAt)) }}</td>
      </tr>
    </tbody>
  </table>
  <div v-if="rows.length < fitting.length" ref="rest">
    <v-btn class="mt-4" @click="more">{{ fitting.length - rows.length }} more</v-btn>
  </div>
</template>

<style scoped>
.find {
  display: flex;
  gap: 14px;
  align-items: center;
  max-width: 560px;
  margin-top: 18px;
}
.index {
  width: 100%;
  border-collapse: collapse;
  margin-top: 18px;
}
th {
  text-align: left;
  font-size: 13px;
  font-weight: 400;
  color: var(--mute);
  border-bottom: 1px solid var(--line2);
}
th,
td {
  padding: 8px 12px 8px 0;
}
td {
  border-bottom: 1px solid var(--line);
  vertical-align: top;
}
.pattern {
  display: flex;
  gap: 12px;
  align-items: center;
}
td:first-child .mute {
  display: block;
  font-size: 13px;
}
td:first-child a {
  font-weight: 650;
}
.right {
  text-align: right;
}
@media (max-width: 700px) {
  th:nth-child(2),
  td:nth-child(2),
  th:nth-child(6),
  td:nth-child(6),
  th:nth-child(7),
  td:nth-child(7) {
    display: none;
  }
}
</style>
