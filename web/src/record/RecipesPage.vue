<script setup lang="ts">
import { madeWithListSchema } from '@zero-pour/contracts';
import { rankMadeWith, type RankedMaking } from '@zero-pour/plan';
import { computed } from 'vue';
import { useAsked } from '../api/useAsked';
import { useRepeated } from '../state/useNewPour';
import { useNotices } from '../state/notices';
import { useRecords } from '../state/recordStore';
import { useShop } from '../state/shopStore';
import RecipeList from './RecipeList.vue';
import { useGoodCosts } from './useGoodCosts';

/** What castings of each metal and class were made with, the best first; a pour begun from it; and the shop's recipes. */
const shop = useShop();
const records = useRecords();
const notices = useNotices();
const repeat = useRepeated();
void records.load().catch((error: unknown) => notices.wrong(error));
const { told, notRead } = useAsked(madeWithListSchema, () => '/casts/made-with');
const groups = computed(() => rankMadeWith(told.value ?? []));
const nameIn = (kind: 'alloy' | 'resin' | 'powder' | 'programme', id: string | null): string =>
  (id && shop.lists[kind].find((item) => item.id === id)?.name) || 'not told';
function recipeName(id: string | null): string {
  if (id === null) return 'none';
  const recipe = records.lists.recipe.find((one) => one.id === id);
  return recipe ? `${recipe.name}, version ${recipe.version}` : 'one that is gone';
}
const percent = (share: number): string => `${Math.round(100 * share)} %`;
const { costs, asking, ask } = useGoodCosts();
const currency = computed(() => shop.settings.currency);

const begin = ({ made }: RankedMaking): void => void repeat(made.lastPourId);
</script>

<template>
  <div class="page">
    <div class="page-head">
      <h1>Recipes, and what came out best</h1>
      <router-link to="/record">Record</router-link>
    </div>
    <p v-if="notRead" role="alert">The record could not be read: {{ notRead }}</p>
    <p v-else-if="told && groups.length === 0" class="sheet nothing">
      Nothing to rank yet: no recorded pour has castings that were looked at.
    </p>
    <section v-for="group in groups" :key="`${group.alloyId} ${group.castClass}`" class="stage-block">
      <h2>{{ nameIn('alloy', group.alloyId) }}, {{ group.castClass }}</h2>
      <p class="mute">
        {{ group.says }}
        <v-btn size="small" :disabled="asking" class="ml-2" @click="ask(group.rows)"
          >What a good one costs</v-btn
        >
      </p>
      <div class="scroll-x" tabindex="0">
        <table class="plain">
          <thead>
            <tr>
              <th>Recipe</th>
              <th>Resin</th>
              <th>Powder</th>
              <th>Programme</th>
              <th class="right">Sellable</th>
              <th class="right">9 in 10 between</th>
              <th class="right">Pours</th>
              <th v-if="group.rows.some((one) => costs.has(one.made.lastPourId))" class="right">
                A good one{{ currency ? `, ${currency}` : '' }}
              </th>
              <th></th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="(one, n) in group.rows" :key="n">
              <td>{{ recipeName(one.made.recipeId) }}</td>
              <td>{{ nameIn('resin', one.made.resinId) }}</td>
              <td>{{ nameIn('powder', one.made.powderId) }}</td>
              <td>{{ nameIn('programme', one.made.programmeId) }}</td>
              <td class="num right">{{ one.made.sellable }} of {{ one.made.looked }}</td>
              <td class="num right">{{ percent(one.share.low) }} to {{ percent(one.share.high) }}</td>
              <td class="num right">{{ one.made.pours }}, last {{ one.made.lastNumber }}</td>
              <td v-if="costs.has(one.made.lastPourId)" class="num right">
                {{ costs.get(one.made.lastPourId)?.toFixed(2) ?? 'not reckoned' }}
              </td>
              <td>
                <v-btn
                  size="small"
                  :aria-label="`Begin a pour like pour ${one.made.lastNumber}`"
                  @click="begin(one)"
                  >Begin a pour like it</v-btn
                >
              </td>
            </tr>
          </tbody>
        </table>
      </div>
      <p v-if="group.rows.some((one) => costs.has(one.made.lastPourId))" class="mute">
        What the last pour of each cost a casting at today’s prices, all but metal, shared over the sellable
        ones that its counts let expect.
      </p>
    </section>
    <RecipeList :made-with="told ?? []" />
  </div>
</template>

<style scoped>
.nothing {
  padding: 24px;
}
td {
  vertical-align: middle;
}
</style>
