<script setup lang="ts">
import { becameOf, type Pour } from '@zero-pour/contracts';
import { betterChance, countOutcomes, flawWords, formatQuantity, STAGES } from '@zero-pour/core';
import { castPieces, comparePours, planPour, pourTitle, type PourFact, type PourPlan } from '@zero-pour/plan';
import { computed, watch } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { blobAddress } from '../api/request';
import { useKilnRuns } from '../state/kilnRunStore';
import { useNotices } from '../state/notices';
import { usePlanningShop } from '../state/planningStore';
import { usePours } from '../state/pourStore';
import { useUnits } from '../state/unitStore';
import CompareSide from './CompareSide.vue';

/** Two pours side by side: what came out, in pictures, and every number that is not the same. */
const route = useRoute();
const router = useRouter();
const pours = usePours();
const kilnRuns = useKilnRuns();
const planning = usePlanningShop();
const units = useUnits();
const notices = useNotices();

const idOf = (side: 'a' | 'b'): string | undefined => {
  const named = route.query[side];
  return typeof named === 'string' && /^[0-9a-f-]{36}$/.test(named) ? named : undefined;
};
const sides = computed(() => [idOf('a'), idOf('b')] as const);
const shown = computed(() => sides.value.map((id) => (id ? pours.pours.get(id) : undefined)));
watch(
  sides,
  async (ids) => {
    for (const id of ids)
      if (id)
        try {
          if (!pours.pours.has(id)) await pours.load(id);
          await kilnRuns.readOfPour(id);
        } catch (error) {
          notices.wrong(error);
        }
  },
  { immediate: true },
);
const choose = (side: 'a' | 'b', id: string): void =>
  void router.replace({ query: { ...route.query, [side]: id } });

const plans = computed(() => shown.value.map((pour) => pour && planPour(pour, planning.known)));
const both = computed(() => {
  const [a, b] = plans.value;
  return a && b ? ([a, b] as const) : undefined;
});
const groups = computed(() => {
  if (!both.value) return [];
  const found = comparePours(...both.value);
  return STAGES.map(({ key, name }) => ({ name, rows: found.filter(({ stage }) => stage === key) })).filter(
    ({ rows }) => rows.length > 0,
  );
});
const show = (fact: PourFact | undefined): string =>
  fact === undefined ? '–' : fact.kind === 'words' ? fact.words : formatQuantity(fact, units.choice);

/** How many of a pour's castings are sellable, of those that were looked at. */
function countOf(plan: PourPlan): { good: number; n: number } {
  const { context } = plan;
  const count = countOutcomes(castPieces(context).map(({ key }) => becameOf(context.doc.result.castings[key]))); // prettier-ignore
  return { good: count.sellable, n: count.judged };
}
const better = computed(() => {
  if (!both.value) return undefined;
  const [a, b] = both.value.map(countOf) as [ReturnType<typeof countOf>, ReturnType<typeof countOf>];
  return { a, b, chance: a.n > 0 && b.n > 0 ? betterChance(a, b) : undefined };
});

/** Pictures of a pour's castings and of their flaws, each with what it shows. */
function picturesOf(pour: Pour, plan: PourPlan) {
  return castPieces(plan.context).flatMap(({ key, name }) => {
    const casting = pour.doc.result.castings[key];
    if (!casting) return [];
    const kinds = casting.flaws.map(({ kind }) => flawWords(kind)).join(', ');
    const own = casting.photos.map((photo) => ({ ...photo, says: `${name}${kinds ? `: ${kinds}` : ''}` }));
    const ofFlaws = casting.flaws.flatMap((flaw) => (flaw.photos ?? []).map((photo) => ({ ...photo, says: `${name}: ${[flawWords(flaw.kind), flaw.zone, flaw.severity].filter(Boolean).join(', ')}` }))); // prettier-ignore
    return [...own, ...ofFlaws];
  });
}
const pictures = computed(() =>
  shown.value.map((pour, n) => {
    const plan = plans.value[n];
    return pour && plan ? picturesOf(pour, plan) : [];
  }),
);
const hasPictures = computed(() => pictures.value.some((list) => list.length > 0));
</script>

<template>
  <div class="page">
    <div class="page-head">
      <h1>Compare two pours</h1>
      <router-link to="/record">Record</router-link>
    </div>
    <div class="form-grid sides">
      <CompareSide label="Pour" :pour="shown[0]" @choose="(id) => choose('a', id)" />
      <CompareSide label="against pour" :pour="shown[1]" @choose="(id) => choose('b', id)" />
    </div>
    <template v-if="both && better">
      <p class="better">
        <b>{{ better.a.n > 0 ? `${better.a.good} of ${better.a.n}` : 'none looked at' }}</b> sellable in pour
        {{ shown[0]!.number }},
        <b>{{ better.b.n > 0 ? `${better.b.good} of ${better.b.n}` : 'none looked at' }}</b> in pour
        {{ shown[1]!.number
        }}<template v-if="better.chance !== undefined"
          >: {{ Math.round(100 * better.chance) }} in 100 that pour {{ shown[1]!.number }} is the better way,
          if nothing else is behind it</template
        >.
      </p>
      <div v-if="hasPictures" class="pictures">
        <section v-for="(list, n) in pictures" :key="n" :aria-label="`Pictures of pour ${shown[n]!.number}`">
          <figure v-for="photo in list" :key="photo.hash">
            <a :href="blobAddress(photo.hash)" target="_blank"
              ><img :src="blobAddress(photo.hash)" :alt="photo.says" loading="lazy"
            /></a>
            <figcaption>{{ photo.says }}</figcaption>
          </figure>
          <p v-if="list.length === 0" class="mute">No picture of it.</p>
        </section>
      </div>
      <div class="scroll-x" tabindex="0">
        <table class="plain">
          <thead>
            <tr>
              <th>Not the same</th>
              <th v-for="(plan, n) in both" :key="n">
                <router-link :to="`/pours/${shown[n]!.id}/result`">Pour {{ shown[n]!.number }}</router-link>
                <span class="of">{{ pourTitle(plan.context) }}</span>
              </th>
            </tr>
          </thead>
          <tbody v-for="group in groups" :key="group.name">
            <tr>
              <th colspan="3" scope="rowgroup" class="stage">{{ group.name }}</th>
            </tr>
            <tr v-for="row in group.rows" :key="row.key">
              <td>{{ row.label }}</td>
              <td class="num">{{ show(row.a) }}</td>
              <td class="num">{{ show(row.b) }}</td>
            </tr>
          </tbody>
        </table>
      </div>
      <p v-if="groups.length === 0" class="mute">Nothing that is on record differs between them.</p>
    </template>
    <p v-else class="sheet hint">Type the numbers of two pours, as they stand on their tickets.</p>
  </div>
</template>

<style scoped>
.sides {
  grid-template-columns: repeat(2, minmax(0, 220px));
}
.better {
  font-size: 18px;
}
.pictures {
  display: grid;
  grid-template-columns: repeat(2, minmax(0, 1fr));
  gap: 16px;
  margin: 12px 0;
}
.pictures section {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  align-content: start;
}
figure {
  margin: 0;
  max-width: 200px;
}
img {
  max-width: 100%;
  height: 150px;
  object-fit: cover;
  border: 1px solid var(--line2);
}
figcaption {
  font-size: 13.5px;
}
.of {
  display: block;
  font-weight: 400;
  font-size: 13.5px;
  color: var(--mute);
}
.stage {
  padding-top: 14px;
  font-size: 16px;
}
.hint {
  padding: 24px;
}
td.num {
  white-space: nowrap;
}
</style>
