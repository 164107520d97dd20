import { z } from 'zod';
import { momentSchema } from '../parts';

/** How an item of the shop stood before it was changed, and when that was; newest first. */
export const historySchema = z.array(
  z.strictObject({ at: momentSchema, before: z.record(z.string(), z.unknown()) }),
);
export type History = z.infer<typeof historySchema>;

/** Names of the fields that differ between two states of an item. */
export function changedFields(before: Record<string, unknown>, after: Record<string, unknown>): string[] {
  const keys = new Set([...Object.keys(before), ...Object.keys(after)]);
  return [...keys].filter((key) => JSON.stringify(before[key]) !== JSON.stringify(after[key]));
}
