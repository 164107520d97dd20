import { BORIC_SCHOOLS } from '@zero-pour/core';
import { z } from 'zod';
import { idSchema, nameSchema } from '../parts';
import { quantitySchema } from '../quantities';
import { RATIO, segmentSchema } from '../shop/casting';

/**
 * What a casting is made with (handbook 08, "Recipes"). A field that is absent is left to what the shop's things say: the
 * powder's usual ratio, the middle of the alloy's range for the class.
 */
export const recipeSaysSchema = z.strictObject({
  resinId: idSchema.optional(),
  printerId: idSchema.optional(),
  profileId: idSchema.optional(),
  /** How prints were cleaned: the resin's protocol as it stood then. */
  cleaned: z.strictObject({ name: z.string().max(120), version: z.number().int().positive() }).optional(),
  powderId: idSchema.optional(),
  ratio: quantitySchema('Water ÷ powder', 'ratio', RATIO, { digits: 3 }).optional(),
  boric: z.strictObject({ school: z.enum(BORIC_SCHOOLS), percent: z.number().min(0).max(20) }),
  programmeId: idSchema.optional(),
  /** The pour's own edit of the programme. */
  segments: z.array(segmentSchema).min(1).max(30).optional(),
  flaskTempC: quantitySchema('Flask', 'degC', [30, 1300]).optional(),
  metalTempC: quantitySchema('Metal', 'degC', [150, 1300]).optional(),
});
export type RecipeSays = z.infer<typeof recipeSaysSchema>;
export type RecipePart = keyof RecipeSays;

/** Its parts in the order of the work, as they are called. */
export const RECIPE_PARTS: Record<RecipePart, string> = {
  resinId: 'resin',
  printerId: 'printer',
  profileId: 'profile',
  cleaned: 'cleaning',
  powderId: 'powder',
  ratio: 'water ÷ powder',
  boric: 'additive',
  programmeId: 'programme',
  segments: 'steps of the programme',
  flaskTempC: 'flask temperature',
  metalTempC: 'metal temperature',
};

/** The version of a recipe that a pour uses, as it stood when it was taken. */
export const usedRecipeSchema = z.strictObject({
  id: idSchema,
  name: nameSchema,
  version: z.number().int().positive(),
  says: recipeSaysSchema,
});
export type UsedRecipe = z.infer<typeof usedRecipeSchema>;
