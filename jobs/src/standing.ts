import { SUPPORT_POINT_WEIGHTS, type SupportAdvice } from '@zero-pour/core';
import { z } from 'zod';
import { defineJob } from './job';
import { partSchema } from './part';

const pointSchema = z.tuple([z.number(), z.number(), z.number()]);
const mm2 = z.number().nonnegative();
const index = z.number().int().nonnegative();

/** How a part stands and in what layers it is cut. */
export const standingInputSchema = z.strictObject({
  part: partSchema,
  rotation: z.strictObject({ xDeg: z.number(), yDeg: z.number(), zDeg: z.number() }),
  layerMm: z.number().positive(),
});
export type StandingInput = z.infer<typeof standingInputSchema>;

const directionSchema = z.strictObject({
  heightMm: mm2,
  areaMm2: z.array(mm2),
  perimeterMm: z.array(mm2),
  overhangByLayerMm2: z.array(mm2),
  overhangMm2: mm2,
  firstLayerMm2: mm2,
  peak: z.strictObject({ layer: index, areaMm2: mm2 }),
  meanAreaMm2: mm2,
  jump: z.strictObject({ layer: index, changeMm2: z.number() }),
  islands: z.array(z.strictObject({ layer: index, at: pointSchema, areaMm2: mm2 })),
  cups: z.array(
    z.strictObject({
      firstLayer: index,
      lastLayer: index,
      areaMm2: mm2,
      volumeMm3: mm2,
      at: pointSchema,
    }),
  ),
});

/** Core's advice, as it is sent and kept. */
const adviceSchema = z.strictObject({
  points: z.array(
    z.strictObject({
      at: pointSchema,
      why: z.enum(['island', 'overhang', 'other side']),
      weight: z.enum(SUPPORT_POINT_WEIGHTS),
      anchor: z.boolean(),
      cut: z.enum(['free', 'hard', 'closed in']),
      onPart: z.boolean(),
    }),
  ),
  islands: z.array(pointSchema),
  bothSides: z.boolean(),
  more: z.boolean(),
  direction: directionSchema,
}) satisfies z.ZodType<SupportAdvice>;

/** Turns closer than this are one, °: what a field shows. */
const SAME_DEG = 0.01;
const rounded = (deg: number): number => Math.round(deg / SAME_DEG) / Math.round(1 / SAME_DEG) + 0;

/** The same wish has one wording, however the angle was typed. */
export const standingInput = ({ part, rotation, layerMm }: StandingInput): StandingInput => ({
  part,
  rotation: { xDeg: rounded(rotation.xDeg), yDeg: rounded(rotation.yDeg), zDeg: rounded(rotation.zDeg) },
  layerMm,
});

/** What the layers of a part say as it stands: islands, cups, overhang, areas, and the supports that it asks for. */
export const standingJob = defineJob({
  name: 'standing',
  version: 1,
  input: standingInputSchema,
  output: adviceSchema,
});
