import { z } from 'zod';

/** A number that somebody at the bench may have measured, guessed, or not taken at all. */
export const readingSchema = z.discriminatedUnion('state', [
  z.strictObject({ state: z.literal('measured'), value: z.number() }),
  z.strictObject({ state: z.literal('guessed'), value: z.number() }),
  z.strictObject({ state: z.literal('not measured') }),
  /** Temperatures: what the hand or the eye said. */
  z.strictObject({ state: z.literal('felt'), felt: z.enum(['cold', 'right', 'hot']) }),
]);
export type Reading = z.infer<typeof readingSchema>;

/** The number of a reading, when it has one. */
export function readingValue(reading: Reading | undefined): number | undefined {
  return reading && 'value' in reading ? reading.value : undefined;
}
