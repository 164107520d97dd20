import { recipeOf, type Pour, type Recipe } from '@zero-pour/contracts';
import { demoId } from './demoId';

interface RecipeStory {
  name: string;
  /** Its versions: the pour that each was kept from, what it changed, and the pours that used it. */
  versions: readonly { from: number; change: string; usedBy: readonly number[] }[];
}

const RECIPES: readonly RecipeStory[] = [
  {
    name: 'Heavy bronze in Clear-Out',
    versions: [
      { from: 18, change: '', usedBy: [18, 19] },
      { from: 20, change: 'other than in version 1: powder', usedBy: [20] },
    ],
  },
  {
    name: 'Open work in silver',
    versions: [{ from: 22, change: '', usedBy: [22, 23, 28, 30] }],
  },
];

/** The shop's recipes, and its pours with those that used one saying so. */
export function demoRecipes(pours: readonly Pour[]): { recipes: Recipe[]; pours: Pour[] } {
  const recipes: Recipe[] = [];
  const used = new Map<number, Recipe>();
  for (const { name, versions } of RECIPES) {
    let former: Recipe | undefined;
    for (const { from, change, usedBy } of versions) {
      const pour = pours.find(({ number }) => number === from)!;
      const recipe: Recipe = {
        id: demoId(`recipe ${name} ${from}`),
        name,
        version: (former?.version ?? 0) + 1,
        formerId: former?.id ?? null,
        madeAt: pour.createdAt,
        fromNumber: from,
        castClass: pour.doc.brief.castClass,
        alloyId: pour.doc.brief.alloyId ?? null,
        says: recipeOf(pour.doc),
        change,
        retired: false,
        note: '',
      };
      recipes.push(recipe);
      for (const number of usedBy) used.set(number, recipe);
      former = recipe;
    }
  }
  return {
    recipes,
    pours: pours.map((pour) => {
      const recipe = used.get(pour.number);
      if (!recipe) return pour;
      const { id, name, version, says } = recipe;
      const brief = { ...pour.doc.brief, recipe: { id, name, version, says } };
      return { ...pour, doc: { ...pour.doc, brief } };
    }),
  };
}
