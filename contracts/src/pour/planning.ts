import { CAST_CLASSES, FINISHES, GATE_MAKINGS, ROUTES } from '@zero-pour/core';
import { z } from 'zod';
import { idSchema, keySchema, momentSchema, noteSchema, positiveSchema } from '../parts';
import { quantitySchema } from '../quantities';
import { lineKeySchema } from './pieces';
import { usedRecipeSchema } from './recipe';
import { sizeTargetSchema } from './sizes';
import { tryingSchema } from './why';

/** One line of the brief: so many of a pattern, printed and gated alike. A pattern may stand on several lines. */
export const briefLineSchema = z.strictObject({
  key: lineKeySchema,
  patternId: idSchema,
  count: quantitySchema('Castings wanted', 'count', [1, 500], { whole: true }),
  /** The order or the customer that it is for. */
  order: z.string().max(120).optional(),
});
export type BriefLine = z.infer<typeof briefLineSchema>;

export const briefSchema = z.strictObject({
  lines: z.array(briefLineSchema).max(40),
  alloyId: idSchema.optional(),
  castClass: z.enum(CAST_CLASSES),
  /** Sizes that are wanted of the finished piece, the first of the brief first. */
  sizes: z.array(sizeTargetSchema).max(20),
  finish: z.enum(FINISHES),
  dueAt: momentSchema.optional(),
  /** Wanted moment of the pour. */
  zeroAt: momentSchema.optional(),
  /** No plan moves it. */
  zeroPinned: z.literal(true).optional(),
  route: z.enum(ROUTES),
  /** Mold that its waxes come from. */
  moldId: idSchema.optional(),
  recipe: usedRecipeSchema.optional(),
  /** What is done differently from the pour this one repeats. */
  statedChange: z.string().max(400).optional(),
  againOf: z.number().int().positive().optional(),
  /** … and the flaw that it is to help against. */
  trying: tryingSchema.optional(),
  note: noteSchema.optional(),
});

export const resinStageSchema = z.strictObject({
  resinId: idSchema.optional(),
  printerId: idSchema.optional(),
  profileId: idSchema.optional(),
});

const pointSchema = z.tuple([z.number(), z.number(), z.number()]);

/** One gate where it stands on the model: place and direction in the file's mm and axes. */
export const gateSchema = z.strictObject({
  key: keySchema,
  placeMm: pointSchema,
  normal: pointSchema,
  /** Round, or as wide as it is high where it joins the part. */
  section: z.strictObject({ widthMm: positiveSchema.max(30), heightMm: positiveSchema.max(30) }),
  lengthMm: quantitySchema('Length', 'mm', [0.5, 100], {
    digits: 1,
    hint: 'Short: 1 to 2 diameters',
  }).optional(),
  flareMm: quantitySchema('Fillet', 'mm', [0, 10], {
    digits: 1,
    hint: 'At least a quarter of it',
  }).optional(),
  leanDeg: quantitySchema('Leans by', 'deg', [0, 75], { digits: 0 }).optional(),
  towardDeg: quantitySchema('Towards', 'deg', [0, 360], { digits: 0 }).optional(),
  making: z.enum(GATE_MAKINGS).optional(),
  dips: quantitySchema('Dips in wax', 'count', [0, 20], { whole: true }).optional(),
});
export type PourGate = z.infer<typeof gateSchema>;

export const gatesSchema = z.strictObject({
  count: quantitySchema('How many', 'count', [0, 40], { whole: true }),
  diameterMm: quantitySchema('Diameter', 'mm', [0.3, 30], { digits: 2 }),
  lengthMm: quantitySchema('Length', 'mm', [0, 100], { digits: 1, hint: 'Short: 1 to 2 diameters' }),
  /** Those that were placed on the model. */
  placed: z.array(gateSchema).max(40).optional(),
});
const angleSchema = (label: string) => quantitySchema(label, 'deg', [-360, 360]);
export const rotationSchema = z.strictObject({
  xDeg: angleSchema('About X'),
  yDeg: angleSchema('About Y'),
  zDeg: angleSchema('About Z'),
});

/** How the parts of one line of the brief stand and are fed. */
export const standingLineSchema = z.strictObject({
  rotation: rotationSchema.optional(),
  gates: gatesSchema.optional(),
  /** Points picked on the faces that must stay clean, in the file's mm. */
  clean: z.array(pointSchema).max(20).optional(),
  /** The file already carries its supports: it prints as it lies. */
  supported: z.boolean().optional(),
});

export const wayUpSchema = z.strictObject({
  /** By the key of the brief's line. */
  lines: z.record(lineKeySchema, standingLineSchema),
});

/** What a plan of the shop's weeks that was taken says of a pour: when its steps begin, and who does them. */
export const plannedWeekSchema = z.strictObject({
  /** The pour it was made for: once that is moved, the plan is none any more. */
  zeroAt: momentSchema,
  /** By the step's name. */
  steps: z.record(
    z.string().min(1).max(120),
    z.strictObject({ at: momentSchema, who: keySchema.optional() }),
  ),
});
export type PlannedWeek = z.infer<typeof plannedWeekSchema>;
