import { z } from 'zod';
import { idSchema, momentSchema, nameSchema, noteSchema } from '../parts';
import { quantitySchema } from '../quantities';
import { compositionSchema } from '../shop/casting';

/** Where the metal of a lot came from. */
export const LOT_ORIGINS = ['bought', 'reused', 'button', 'scrap', 'filings', 'alloyed here'] as const;
/** What moved metal into a lot or out of it. */
export const LOT_MOVES = [
  'bought',
  'poured',
  'came back',
  'alloyed',
  'sold or refined',
  'weighed anew',
] as const;

/** Names a move: "pour id/flask" for those of a pour, so that each is booked once. */
const moveKeySchema = z.string().min(1).max(80);

/** Metal in (more than 0) or out of a lot, g. */
export const lotMoveSchema = z.strictObject({
  key: moveKeySchema,
  at: momentSchema,
  what: z.enum(LOT_MOVES),
  massG: z.number().min(-1e6).max(1e6),
  /** Pour that it was for. */
  pour: z.number().int().positive().optional(),
});
export type LotMoveRow = z.infer<typeof lotMoveSchema>;

/** Metal that lies together: one alloy, one history. Its weight is the sum of its moves. */
export const metalLotSchema = z.strictObject({
  name: nameSchema,
  /** The alloy that it is, or was bought as; null: of none on record. */
  alloyId: idSchema.nullable(),
  origin: z.enum(LOT_ORIGINS),
  /** How often it was molten here or before; 0 is new. */
  melts: quantitySchema('Times molten', 'count', [0, 100], { whole: true }),
  composition: compositionSchema,
  moves: z.array(lotMoveSchema).max(5000),
  note: noteSchema,
});
