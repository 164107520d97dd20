import { CAST_CLASSES, FLAW_KINDS, OUTCOMES, POUR_WAYS, ROUTES } from '@zero-pour/core';
import { z } from 'zod';
import { idSchema, keySchema, momentSchema } from '../parts';
import { investStageSchema } from './making';
import { resultStageSchema } from './outcome';
import { pieceKeySchema } from './pieces';
import { briefLineSchema } from './planning';
import { openedSchema, pourStageSchema } from './pourFlask';
import { tryingSchema } from './why';

/** What one flask of a pour tells of how it was poured and opened. */
const castFlaskSchema = z.strictObject({
  key: keySchema,
  /** Pieces that hung in it; absent: all that hung in no other. */
  pieces: z.array(pieceKeySchema).max(500).optional(),
  pour: pourStageSchema.pick({
    way: true,
    flaskRead: true,
    metalRead: true,
    flaskOffsetC: true,
    outMin: true,
    vacuumKpa: true,
    quenchAfterMin: true,
    ran: true,
    opened: true,
  }),
});

/** What became of one casting: what it was in the end, and its flaws by kind. */
const castPieceSchema = z.strictObject({
  became: z.enum(OUTCOMES),
  flaws: z.array(z.enum(FLAW_KINDS)).max(30),
});

/** What a pour tells of its castings: with what, how hot, how it was opened, what came out, and why. */
export const pouredCastSchema = z.strictObject({
  pourId: idSchema,
  number: z.number().int().positive(),
  /** Of its last flask; null: not told. */
  pouredAt: momentSchema.nullable(),
  alloyId: idSchema.nullable(),
  resinId: idSchema.nullable(),
  profileId: idSchema.nullable(),
  powderId: idSchema.nullable(),
  programmeId: idSchema.nullable(),
  castClass: z.enum(CAST_CLASSES),
  route: z.enum(ROUTES),
  lines: z.array(briefLineSchema.pick({ key: true, patternId: true, count: true })),
  invest: investStageSchema.pick({ ratio: true, boric: true }),
  flasks: z.array(castFlaskSchema).max(12),
  /** By the piece's name. */
  castings: z.record(pieceKeySchema, castPieceSchema),
  why: resultStageSchema.shape.why,
  trying: tryingSchema.optional(),
});
export type PouredCast = z.infer<typeof pouredCastSchema>;
export const pouredCastsSchema = z.array(pouredCastSchema);

/** What the shop's other pours found behind flaws of castings: counts of causes, and how often each was found. */
export const castLessonsSchema = z.partialRecord(
  z.enum(FLAW_KINDS),
  z.strictObject({ counts: z.record(keySchema, z.number()), found: z.record(keySchema, z.number()) }),
);
export type CastLessons = z.infer<typeof castLessonsSchema>;

/** How one flask was opened, and whether something hardened its mix. */
export const openingsToldSchema = z.array(z.strictObject({ hardened: z.boolean(), opened: openedSchema }));
export type OpeningTold = z.infer<typeof openingsToldSchema>[number];

/** One temperature of a flask, with what came of its castings. */
const heatSchema = z.strictObject({
  tempC: z.number(),
  guessed: z.boolean(),
  castings: z.number().int().positive(),
  /** Did not fill … */
  cool: z.number().int().nonnegative(),
  /** … or came as of too much heat. */
  hot: z.number().int().nonnegative(),
});
/** What a poured flask tells of casting temperatures; null: not read, or nothing to be learnt from it. */
export const heatFlasksSchema = z.array(
  z.strictObject({
    number: z.number().int().positive(),
    way: z.enum(POUR_WAYS).nullable(),
    flask: heatSchema.nullable(),
    metal: heatSchema.nullable(),
  }),
);
export type HeatFlask = z.infer<typeof heatFlasksSchema>[number];
