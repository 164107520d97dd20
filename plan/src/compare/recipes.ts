import {
  pourDiffers,
  RECIPE_PARTS,
  recipeDiffers,
  recipeOf,
  type PourDoc,
  type Recipe,
  type RecipeSays,
  type ShopLists,
} from '@zero-pour/contracts';
import type { CastClass } from '@zero-pour/core';

/** Versions that new pours may use: the newest of each recipe, unless it is retired; those of this class and metal first. */
export function recipesAtHand(
  recipes: readonly Recipe[],
  { castClass, alloyId }: { castClass: CastClass; alloyId?: string | undefined },
): Recipe[] {
  const followed = new Set(recipes.flatMap(({ formerId }) => formerId ?? []));
  const fits = (recipe: Recipe): number =>
    Number(recipe.castClass === castClass) + Number(recipe.alloyId === null || recipe.alloyId === alloyId);
  return recipes
    .filter(({ id, retired }) => !retired && !followed.has(id))
    .sort((a, b) => fits(b) - fits(a) || a.name.localeCompare(b.name));
}

const THINGS = [
  ['resinId', 'resin'],
  ['printerId', 'printer'],
  ['profileId', 'profile'],
  ['powderId', 'powder'],
  ['programmeId', 'programme'],
] as const;
/** What a recipe names that the shop does not have any more. */
export const goneOf = (says: RecipeSays, lists: ShopLists): string[] =>
  THINGS.flatMap(([part, kind]) =>
    says[part] !== undefined && !lists[kind].some(({ id }) => id === says[part]) ? [RECIPE_PARTS[part]] : [],
  );

/** Where a pour stands to recipes. */
export type RecipeState =
  /** Too little is decided to be kept as one. */
  | { status: 'none'; lacks: string[] }
  | { status: 'as it is' }
  /** Does this otherwise, and so does not count for it. */
  | { status: 'otherwise'; parts: string[] };

/** What a recipe has to name at the least. */
const NEEDED = ['resinId', 'powderId', 'programmeId'] as const;

export function recipeState(doc: PourDoc): RecipeState {
  const differs = pourDiffers(doc);
  if (differs?.length === 0) return { status: 'as it is' };
  if (differs) return { status: 'otherwise', parts: differs.map((part) => RECIPE_PARTS[part]) };
  const says = recipeOf(doc);
  const needed = doc.brief.route === 'burn out the print' ? NEEDED : NEEDED.slice(1);
  return {
    status: 'none',
    lacks: needed.filter((part) => says[part] === undefined).map((part) => RECIPE_PARTS[part]),
  };
}

/**
 * A recipe's next version, or the first of a new one, as a pour is made. The one it comes after stays for the pours that used it.
 */
export function recipeFrom(
  { number, doc }: { number: number; doc: PourDoc },
  given: { id: string; name: string; at: string },
  recipes: readonly Recipe[],
): Recipe {
  const used = doc.brief.recipe;
  const says = recipeOf(doc);
  // Versions count on from the newest of that name's line, whichever of them this pour used.
  const line = used ? lineOf(recipes, used.id) : [];
  const newest = line.reduce<Recipe | undefined>((a, b) => (a && a.version > b.version ? a : b), undefined);
  const change = used ? recipeDiffers(used.says, says).map((part) => RECIPE_PARTS[part]) : [];
  return {
    id: given.id,
    name: used?.name ?? given.name,
    version: (newest?.version ?? used?.version ?? 0) + 1,
    formerId: newest?.id ?? null,
    madeAt: given.at,
    fromNumber: number,
    castClass: doc.brief.castClass,
    alloyId: doc.brief.alloyId ?? null,
    says,
    change: change.length > 0 ? `other than in version ${used!.version}: ${change.join(', ')}` : '',
    retired: false,
    note: '',
  };
}

/** All versions that lead to, or come after, one of them. */
function lineOf(recipes: readonly Recipe[], id: string): Recipe[] {
  const ids = new Set([id]);
  for (let grew = true; grew;) {
    const before = ids.size;
    for (const recipe of recipes) {
      if (recipe.formerId !== null && (ids.has(recipe.formerId) || ids.has(recipe.id)))
        ids.add(recipe.id).add(recipe.formerId);
    }
    grew = ids.size > before;
  }
  return recipes.filter((recipe) => ids.has(recipe.id));
}
