import { dequal } from 'dequal/lite';
import { applyChanges } from './change';
import { POUR_VERSION, pourDocSchema, type PourDoc } from './pourDoc';
import type { PourPath } from './pourPath';
import { RECIPE_PARTS, type RecipePart, type RecipeSays, type UsedRecipe } from './recipe';

const present = <T extends object>(fields: T): T =>
  Object.fromEntries(Object.entries(fields).filter(([, value]) => value !== undefined)) as T;

/** What a pour is made with, as a recipe would say it. */
export function recipeOf({ resin, clean, invest, burnout, flasks }: PourDoc): RecipeSays {
  const { flaskTempC, metalTempC } = flasks[0]!.pour;
  const { begun } = clean;
  // No additive is no additive, whatever percent the field would begin with.
  const boric = invest.boric.school === 'none' ? { school: 'none' as const, percent: 0 } : invest.boric;
  return present<RecipeSays>({
    resinId: resin.resinId,
    printerId: resin.printerId,
    profileId: resin.profileId,
    cleaned: begun && { name: begun.name, version: begun.version },
    powderId: invest.powderId,
    ratio: invest.ratio,
    boric,
    programmeId: burnout.programmeId,
    segments: burnout.segments,
    flaskTempC,
    metalTempC,
  });
}

/** What two recipes do not have alike. Cleaning is compared once it was begun. */
export function recipeDiffers(says: RecipeSays, other: RecipeSays): RecipePart[] {
  return (Object.keys(RECIPE_PARTS) as RecipePart[]).filter(
    (part) => !(part === 'cleaned' && (!says.cleaned || !other.cleaned)) && !dequal(says[part], other[part]),
  );
}

/** What a pour does otherwise than the recipe that it uses; undefined: it uses none. */
export const pourDiffers = (doc: PourDoc): RecipePart[] | undefined =>
  doc.brief.recipe && recipeDiffers(doc.brief.recipe.says, recipeOf(doc));

/** Where a recipe's parts stand in a pour, with what it says there: taken together, in one step. */
export function recipeChanges(doc: PourDoc, recipe: UsedRecipe): { path: PourPath; value: unknown }[] {
  const { says } = recipe;
  const temperatures = doc.flasks.flatMap(({ key }): [PourPath, unknown][] => [
    [['flasks', key, 'pour', 'flaskTempC'], says.flaskTempC],
    [['flasks', key, 'pour', 'metalTempC'], says.metalTempC],
  ]);
  const changes: [PourPath, unknown][] = [
    [['brief', 'recipe'], recipe],
    [['resin', 'resinId'], says.resinId],
    [['resin', 'printerId'], says.printerId],
    [['resin', 'profileId'], says.profileId],
    [['invest', 'powderId'], says.powderId],
    [['invest', 'ratio'], says.ratio],
    [['invest', 'boric'], says.boric],
    [['burnout', 'programmeId'], says.programmeId],
    [['burnout', 'segments'], says.segments],
    ...temperatures,
  ];
  return changes.map(([path, value]) => ({ path, value }));
}

/** The pour, made as a recipe says. */
export const withRecipe = (doc: PourDoc, recipe: UsedRecipe): PourDoc =>
  pourDocSchema.parse(
    applyChanges(
      doc,
      recipeChanges(doc, recipe).map(({ path, value }) => ({
        path: [...path],
        value: (value ?? null) as never,
        version: POUR_VERSION,
      })),
    ),
  );
