import { KEY_SHAPES, MOLD_KINDS, RUBBER, TEST_RESULTS, USUAL_KEYS, WAX_FAULT_KEYS } from '@zero-pour/core';
import { z } from 'zod';
import {
  hashSchema,
  idSchema,
  keySchema,
  momentSchema,
  nameSchema,
  noteSchema,
  photosSchema,
} from '../parts';
import { stepsSchema } from '../pour/making';
import { quantitySchema } from '../quantities';

/** What becomes of a mold. */
export const MOLD_STATES = ['planned', 'being made', 'good', 'worn', 'retired'] as const;
export type MoldState = (typeof MOLD_STATES)[number];

/** One injection of wax, and what came out. */
export const shotSchema = z.strictObject({
  key: keySchema,
  at: momentSchema,
  /** The pour that they are for; absent: for none yet. */
  pourId: idSchema.optional(),
  /** Waxes of this shot, and how many of them were good. */
  waxes: quantitySchema('Waxes', 'count', [1, 200], { whole: true }),
  good: quantitySchema('Good', 'count', [0, 200], { whole: true }),
  flaws: z.array(z.enum(WAX_FAULT_KEYS)).max(WAX_FAULT_KEYS.length),
  waxC: quantitySchema('Wax', 'degC', [40, 120]).optional(),
  pressureKpa: quantitySchema('Pressure', 'kPa', [1, 400]).optional(),
  restMin: quantitySchema('In the mold', 'min', [0, 120], { digits: 1 }).optional(),
});
export type Shot = z.infer<typeof shotSchema>;

/** How the printed block, or the frame, is made. */
export const moldFormSchema = z.strictObject({
  wallMm: quantitySchema('Wall round the part', 'mm', [2, 60], { digits: 1, hint: '8 and more' }),
  keyShape: z.enum(KEY_SHAPES),
  keyPercent: quantitySchema('Keys, of the longer side', 'percent', [0, 20], { digits: 1 }),
  clearanceMm: quantitySchema('Room round a key', 'mm', [0, 1], { digits: 2 }),
  neckMm: quantitySchema('Neck at the part', 'mm', [0.5, 12], { digits: 1 }),
  nozzleMm: quantitySchema('Seat of the nozzle', 'mm', [1, 30], { digits: 1 }),
  vents: z.boolean(),
});

/** A mold of the shop: its master, how it is made, what it gave, where it lies (handbook 06). */
export const moldSchema = z.strictObject({
  number: z.number().int().positive(),
  name: nameSchema,
  kind: z.enum(MOLD_KINDS),
  state: z.enum(MOLD_STATES),
  /** What is molded, and the resin of the master or of the printed mold. */
  patternId: idSchema.nullable(),
  resinId: idSchema.nullable(),
  scalePercent: quantitySchema('Cavity against the file', 'percent', [50, 300], { digits: 2 }),
  /** What is known of the master; absent: nobody has said. */
  master: z.strictObject({
    sprued: z.boolean().optional(),
    sanded: z.boolean().optional(),
    cured: z.boolean().optional(),
  }),
  /** Which way it opens, in the file's axes; null: not chosen. */
  pull: z.tuple([z.number(), z.number(), z.number()]).nullable(),
  form: moldFormSchema,
  /** Both halves as files, once they were made: so the last good block is kept. */
  halves: z.strictObject({ lower: hashSchema, upper: hashSchema, madeAt: momentSchema }).nullable(),
  /** Inside of the frame; for rubber and silicone. */
  frame: z.strictObject({
    lengthMm: quantitySchema('Frame, length', 'mm', [5, 400], { digits: 1 }),
    widthMm: quantitySchema('Frame, width', 'mm', [5, 400], { digits: 1 }),
    heightMm: quantitySchema('Frame, height', 'mm', [3, 200], { digits: 1 }),
  }),
  pressC: quantitySchema('Press', 'degC', [40, 250]),
  /** Parts of a silicone's mix, by weight. */
  mixParts: z.tuple([z.number().positive().max(1000), z.number().positive().max(1000)]),
  /** When a mold job is to be at its zero: the mold closed, to take its first wax. Absent: made when a pour asks for it, or nobody has said. */
  zeroAt: momentSchema.optional(),
  /** What only its maker, or the printer, can tell of the time that it takes. */
  cureH: quantitySchema('Cures, as its maker says', 'h', [0.1, 200], { digits: 1 }).optional(),
  printH: quantitySchema('Both halves on the printer', 'h', [0.1, 200], { digits: 1 }).optional(),
  /** What was done of its making, by the steps' keys. */
  steps: stepsSchema,
  wax: z.strictObject({
    usualC: quantitySchema('Wax, as its maker says', 'degC', [40, 120]).optional(),
    usualKpa: quantitySchema('Pressure, as usual', 'kPa', [1, 400]).optional(),
    restMin: quantitySchema('Rest in the mold', 'min', [0, 120], { digits: 1 }).optional(),
    perHour: quantitySchema('Waxes an hour', 'count', [1, 600], { digits: 0 }).optional(),
    pieceG: quantitySchema('A wax on the balance', 'g', [0.001, 1e4], { digits: 2 }).optional(),
  }),
  /** How far the halves warp on a flat plate. */
  warpMm: quantitySchema('Warp on a flat plate', 'mm', [0, 20], { digits: 2 }).optional(),
  shots: z.array(shotSchema).max(5000),
  photos: photosSchema.max(40),
  place: z.string().max(120),
  note: noteSchema,
});

/** A mold nothing of which is decided: shop defaults of handbook 06. */
export const emptyMold = (number: number): z.infer<typeof moldSchema> => ({
  number,
  name: `Mold ${number}`,
  kind: 'rubber',
  state: 'planned',
  patternId: null,
  resinId: null,
  scalePercent: 100,
  master: {},
  pull: null,
  form: {
    wallMm: 8,
    keyShape: USUAL_KEYS.shape,
    keyPercent: 100 * USUAL_KEYS.share,
    clearanceMm: USUAL_KEYS.clearanceMm,
    neckMm: 3,
    nozzleMm: 8,
    vents: true,
  },
  halves: null,
  frame: { lengthMm: 73, widthMm: 48, heightMm: 25.6 },
  pressC: RUBBER.hotC,
  mixParts: [10, 1],
  steps: {},
  wax: {},
  shots: [],
  photos: [],
  place: '',
  note: '',
});

/** How a silicone or rubber took to a resin, tried on a scrap (handbook 06). */
export const moldTestSchema = z.strictObject({
  resinId: idSchema,
  kind: z.enum(['rubber', 'silicone']),
  /** The rubber or silicone, as the shop calls it. */
  product: z.string().max(120),
  /** Barrier coat that was on it; empty: none. */
  coat: z.string().max(120),
  result: z.enum(TEST_RESULTS),
  at: momentSchema,
  note: noteSchema,
});
