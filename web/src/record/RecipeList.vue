<script setup lang="ts">
import { emptyPourDoc, withRecipe, type MadeWith, type Recipe } from '@zero-pour/contracts';
import { estimateShare } from '@zero-pour/core';
import { computed } from 'vue';
import { useNewPour } from '../state/useNewPour';
import { useNotices } from '../state/notices';
import { useRecords } from '../state/recordStore';
import { useShop } from '../state/shopStore';
import { formatDay } from '../time/formatMoment';

/** The shop's recipes with their versions, how many came out by each, and a pour begun by one. */
const props = defineProps<{ madeWith: readonly MadeWith[] }>();
const records = useRecords();
const shop = useShop();
const notices = useNotices();
const newPour = useNewPour();

const percent = (share: number): string => `${Math.round(100 * share)} %`;
const rows = computed(() =>
  [...records.lists.recipe]
    .sort((a, b) => a.name.localeCompare(b.name) || b.version - a.version)
    .map((recipe) => {
      const of = props.madeWith.filter(({ recipeId }) => recipeId === recipe.id);
      const [sellable, looked, pours] = (['sellable', 'looked', 'pours'] as const).map((field) =>
        of.reduce((sum, made) => sum + made[field], 0),
      ) as [number, number, number];
      const { low, high } = estimateShare(sellable, looked);
      return {
        recipe,
        followed: records.lists.recipe.some(({ formerId }) => formerId === recipe.id),
        metal: shop.lists.alloy.find(({ id }) => id === recipe.alloyId)?.name ?? 'any metal',
        yields: looked === 0 ? 'nothing looked at yet' : `${sellable} of ${looked}, 9 in 10 between ${percent(low)} and ${percent(high)}`, // prettier-ignore
        pours,
      };
    }),
);

async function begin({ id, name, version, says, castClass, alloyId }: Recipe): Promise<void> {
  const doc = emptyPourDoc();
  const brief = { ...doc.brief, castClass, ...(alloyId ? { alloyId } : {}) };
  await newPour(withRecipe({ ...doc, brief }, { id, name, version, says }));
}
const retire = (recipe: Recipe, retired: boolean): void =>
  void records.keep('recipe', { ...recipe, retired }).catch((error: unknown) => notices.wrong(error));
</script>

<template>
  <section class="stage-block" aria-label="Recipes of the shop">
    <h2>Recipes of the shop</h2>
    <p v-if="rows.length === 0" class="mute">
      None yet. A pour’s brief, or its result, keeps what it was made with as a recipe.
    </p>
    <div v-else class="scroll-x" tabindex="0">
      <table class="plain">
        <thead>
          <tr>
            <th>Recipe</th>
            <th>For</th>
            <th>Came out</th>
            <th class="right">Pours</th>
            <th></th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="{ recipe, followed, metal, yields, pours } in rows" :key="recipe.id">
            <td>
              <b>{{ recipe.name }}, version {{ recipe.version }}</b>
              <span class="mute line">
                kept {{ formatDay(Date.parse(recipe.madeAt))
                }}{{ recipe.fromNumber ? ` from pour ${recipe.fromNumber}` : ''
                }}{{ recipe.change ? `; ${recipe.change}` : ''
                }}{{ recipe.retired ? '; not used any more' : '' }}
              </span>
            </td>
            <td>{{ recipe.castClass }}, {{ metal }}</td>
            <td class="num">{{ yields }}</td>
            <td class="num right">{{ pours }}</td>
            <td class="acts">
              <v-btn
                v-if="!followed && !recipe.retired"
                size="small"
                :aria-label="`Begin a pour by ${recipe.name}, version ${recipe.version}`"
                @click="begin(recipe)"
                >Begin a pour</v-btn
              >
              <button
                v-if="!followed"
                type="button"
                class="text-button"
                :aria-label="`${recipe.retired ? 'Use' : 'Retire'} ${recipe.name}, version ${recipe.version}`"
                @click="retire(recipe, !recipe.retired)"
              >
                {{ recipe.retired ? 'Use again' : 'Retire' }}
              </button>
            </td>
          </tr>
        </tbody>
      </table>
    </div>
  </section>
</template>

<style scoped>
.line {
  display: block;
  font-size: 13.5px;
}
td {
  vertical-align: middle;
}
.acts {
  white-space: nowrap;
}
.acts > * + * {
  margin-left: 14px;
}
</style>
