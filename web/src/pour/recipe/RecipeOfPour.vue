<script setup lang="ts">
import { recipeChanges, type Recipe } from '@zero-pour/contracts';
import { goneOf, recipeFrom, recipesAtHand, recipeState } from '@zero-pour/plan';
import { computed, shallowRef } from 'vue';
import { useNotices } from '../../state/notices';
import { usePours } from '../../state/pourStore';
import { useRecords } from '../../state/recordStore';
import { useShop } from '../../state/shopStore';
import { usePour } from '../../state/usePour';

/** The recipe that a pour uses, whether it is made as that says, and the way to keep what it is made with. */
const props = defineProps<{ choose?: boolean }>();
const { pour, set } = usePour();
const pours = usePours();
const records = useRecords();
const shop = useShop();
const notices = useNotices();
void records.load().catch(() => undefined);

const used = computed(() => pour.value.doc.brief.recipe);
const state = computed(() => recipeState(pour.value.doc));
const choices = computed(() =>
  recipesAtHand(records.lists.recipe, pour.value.doc.brief).map((recipe) => ({
    title: `${recipe.name}, version ${recipe.version} · ${recipe.castClass} · ${metalOf(recipe)}`,
    value: recipe.id,
  })),
);
const metalOf = ({ alloyId }: Recipe): string =>
  alloyId === null
    ? 'any metal'
    : (shop.lists.alloy.find(({ id }) => id === alloyId)?.name ?? 'a metal that is gone');
/** A newer version than the one that is used. */
const newer = computed(() =>
  records.lists.recipe.find(({ formerId }) => used.value !== undefined && formerId === used.value.id),
);
const gone = computed(() => (used.value ? goneOf(used.value.says, shop.lists) : []));

function take(id: string | null): void {
  const recipe = records.lists.recipe.find((one) => one.id === id);
  if (!recipe) return;
  const { name, version, says } = recipe;
  const changes = recipeChanges(pour.value.doc, { id: recipe.id, name, version, says });
  pours.setAll(changes.map((change) => ({ id: pour.value.id, ...change })));
  notices.tell(`Made as ${name}, version ${version}.`, { label: 'Undo', run: () => pours.undo() });
}

const name = shallowRef('');
/* Versions that are not read would be numbered anew. */
const canKeep = computed(() => records.ready && (used.value !== undefined || name.value.trim() !== ''));
async function keep(): Promise<void> {
  const given = { id: crypto.randomUUID(), name: name.value.trim(), at: new Date().toISOString() };
  const recipe = recipeFrom(pour.value, given, records.lists.recipe);
  try {
    await records.add('recipe', recipe);
    set(['brief', 'recipe'], {
      id: recipe.id,
      name: recipe.name,
      version: recipe.version,
      says: recipe.says,
    });
    name.value = '';
  } catch (error) {
    notices.wrong(error);
  }
}
</script>

<template>
  <section class="stage-block" aria-label="Recipe">
    <h2>Recipe</h2>
    <v-select
      v-if="props.choose && choices.length > 0"
      class="choice"
      label="Make it by a recipe"
      :items="choices"
      :model-value="null"
      hint="Sets resin, profile, powder, ratio, additive, programme and temperatures"
      persistent-hint
      @update:model-value="take"
    />
    <p v-if="used && state.status === 'as it is'">
      <b>As {{ used.name }}, version {{ used.version }}.</b> What comes of it counts for the recipe.
    </p>
    <p v-else-if="used && state.status === 'otherwise'" class="tone watch" role="status">
      <b>{{ used.name }}, version {{ used.version }}, but otherwise in {{ state.parts.join(', ') }}.</b>
      It does not count for the recipe.
    </p>
    <p v-if="gone.length > 0" class="tone watch" role="status">
      <b>The shop has no more of what it names:</b> {{ gone.join(', ') }}.
    </p>
    <p v-if="newer && used" class="mute">
      Version {{ newer.version }} came after it{{ newer.change ? ` (${newer.change})` : '' }}.
      <button v-if="props.choose" type="button" class="text-button" @click="take(newer.id)">
        Take version {{ newer.version }}
      </button>
    </p>
    <div v-if="state.status === 'otherwise'" class="acts">
      <v-btn size="small" :disabled="!canKeep" @click="keep">Keep it as the next version</v-btn>
      <v-btn v-if="props.choose" size="small" @click="set(['brief', 'recipe'], undefined)"
        >Use no recipe</v-btn
      >
    </div>
    <template v-else-if="state.status === 'none'">
      <p v-if="state.lacks.length > 0" class="mute">
        Made as its stages say. To be kept as a recipe it lacks: {{ state.lacks.join(', ') }}.
      </p>
      <div v-else class="acts">
        <v-text-field v-model="name" class="name" label="Keep what it is made with, as" maxlength="120" />
        <v-btn :disabled="!canKeep" @click="keep">Keep as a recipe</v-btn>
      </div>
    </template>
  </section>
</template>

<style scoped>
.choice {
  max-width: 560px;
  margin-bottom: 10px;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  align-items: center;
  margin-top: 8px;
}
.name {
  max-width: 360px;
}
</style>
