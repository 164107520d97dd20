import { FLASK_WISHES, type ChosenFlasks, type HungAir, type HungClearance } from '@zero-pour/core';
import { z } from 'zod';
import { placeSchema } from './feed';
import { defineJob, typed } from './job';
import type { SaveFormat } from './savePart';
import { partSchema } from './part';

const positive = z.number().positive();
const atLeastZero = z.number().nonnegative();

/** A part that hangs, and the gate that it hangs by; `at` null: from the middle of its end along `normal`. mm as drawn. */
export const hangingPartSchema = z.strictObject({
  part: partSchema,
  scale: positive.max(3),
  volumeMm3: atLeastZero,
  gate: z.strictObject({
    at: placeSchema.nullable(),
    normal: placeSchema,
    lengthMm: atLeastZero,
    diameterMm: positive,
  }),
});
export type HangingPart = z.infer<typeof hangingPartSchema>;

const roomSchema = z.strictObject({
  innerDiameterMm: positive,
  heightMm: positive,
  coneHeightMm: atLeastZero,
});
/** Main sprue from the cone's top, and branches off it where there are any. */
const sprueSchema = z.strictObject({
  diameterMm: positive,
  lengthMm: atLeastZero,
  branchDiameterMm: positive.optional(),
});
const parts = z.array(hangingPartSchema).min(1).max(40);

const hangInputSchema = z.strictObject({
  parts,
  /** How many of each part. */
  counts: z.array(z.number().int().nonnegative()).max(40),
  /** Kinds of flask; the first is the one that was chosen. */
  rooms: z.array(roomSchema).min(1).max(60),
  wish: z.enum(FLASK_WISHES),
  arrangement: z.enum(['straight', 'rings', 'branches']),
  mainSprue: sprueSchema,
  tiltsDeg: z.array(z.number()).min(1).max(8),
  gaps: z.strictObject({
    wallMm: atLeastZero,
    topMm: atLeastZero,
    betweenMm: atLeastZero,
    sprueMm: atLeastZero,
  }),
});
export type HangInput = z.infer<typeof hangInputSchema>;

/** Hangs an order in flasks by the real shapes of its parts. */
export const hangJob = defineJob({
  name: 'hang',
  version: 2,
  input: hangInputSchema,
  output: typed<ChosenFlasks>(),
});

const hungInputSchema = z.strictObject({
  parts,
  pieces: z
    .array(
      z.strictObject({
        kind: z.number().int().nonnegative(),
        angleDeg: z.number(),
        awayMm: z.number(),
        heightMm: z.number(),
        tiltDeg: z.number(),
        spinDeg: z.number(),
        onBranch: z.boolean().optional(),
      }),
    )
    .min(1)
    .max(500),
  room: roomSchema,
  /** Null where all stand on the base. */
  sprue: sprueSchema.nullable(),
});
export type HungInput = z.infer<typeof hungInputSchema>;

const hungOutputSchema = z.strictObject({
  wallMm: z.number(),
  topMm: z.number(),
  baseMm: z.number(),
  sprueMm: z.number().nullable(),
  pairs: z.array(
    z.strictObject({ a: z.number().int(), b: z.number().int(), gapMm: z.number().nonnegative() }),
  ),
}) satisfies z.ZodType<HungClearance>;

/** Every gap of a tree as it hangs. */
export const hungJob = defineJob({
  name: 'hung',
  version: 1,
  input: hungInputSchema,
  output: hungOutputSchema,
});

/** A tree as one surface, in the flask's axes with its base at z = 0; the middle of each piece. */
export interface TreeShape {
  positions: Float32Array;
  triangles: Uint32Array;
  middles: [number, number, number][];
}
export const treeShapeJob = defineJob({
  name: 'tree shape',
  version: 1,
  input: hungInputSchema,
  output: typed<TreeShape>(),
});

/** The same as a file in mm: its bodies overlap where they meet, and are not united. */
export const saveTreeJob = defineJob({
  name: 'save tree',
  version: 1,
  input: z.strictObject({ tree: hungInputSchema, to: typed<SaveFormat>() }),
  output: typed<Uint8Array<ArrayBuffer>>(),
});

const airInputSchema = z.strictObject({
  part: partSchema,
  /** Out of the part, along the gate that it hangs by. */
  normal: placeSchema,
  tiltDeg: z.number(),
  spinDeg: z.number(),
});
export type AirInput = z.infer<typeof airInputSchema>;

/** What stays in a part as it stands on its gate, and in the stand that holds least. */
export interface AirAnswer {
  now: HungAir;
  best: HungAir;
}
const hungAirSchema = z.strictObject({
  tiltDeg: z.number(),
  spinDeg: z.number(),
  pockets: z
    .array(z.strictObject({ at: placeSchema, volumeMm3: atLeastZero, depthMm: atLeastZero }))
    .max(100),
  cellMm: positive,
  spots: z
    .array(z.strictObject({ kind: z.enum(['corner', 'tip']), at: placeSchema, lengthMm: atLeastZero }))
    .max(100),
}) satisfies z.ZodType<HungAir>;

export const airJob = defineJob({
  name: 'hung air',
  version: 1,
  input: airInputSchema,
  output: z.strictObject({ now: hungAirSchema, best: hungAirSchema }) satisfies z.ZodType<AirAnswer>,
});
