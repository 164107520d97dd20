import type { GatePlace, HotSpot, SpotFeed, SuggestedGate } from '@zero-pour/core';
import { z } from 'zod';
import { defineJob, typed } from './job';
import { partSchema } from './part';

export const placeSchema = z.tuple([z.number(), z.number(), z.number()]);
const sectionFields = {
  at: placeSchema,
  widthMm: z.number().nonnegative(),
  modulusMm: z.number().nonnegative(),
};

/** A part on a grid: as fine as this, with half of its volume thinner than that. mm. */
export const fieldInput = {
  part: partSchema,
  cellMm: z.number().min(0.02).max(2),
  medianMm: z.number().nonnegative(),
};

const feedInputSchema = z.strictObject({
  ...fieldInput,
  gates: z.array(z.strictObject({ at: placeSchema, diameterMm: z.number().positive() })).max(40),
});
export type FeedInput = z.infer<typeof feedInputSchema>;

/** A mass of the part, without what it hangs on. */
export type Mass = Pick<HotSpot, 'at' | 'widthMm' | 'modulusMm'>;

export interface FeedAnswer {
  /** The cell it came to: coarser where the part would not fit. */
  cellMm: number;
  masses: Mass[];
  feeds: SpotFeed[];
}

const feedAnswerSchema = z.strictObject({
  cellMm: z.number().positive(),
  masses: z.array(z.strictObject(sectionFields)).max(100),
  feeds: z
    .array(
      z.strictObject({
        spot: z.number().int().nonnegative(),
        gate: z.number().int().min(-1),
        gateRatio: z.number().nonnegative(),
        neckRatio: z.number().nonnegative(),
        neck: z.strictObject(sectionFields).nullable(),
      }),
    )
    .max(100),
}) satisfies z.ZodType<FeedAnswer>;

/** Whether gates feed the masses of a part. */
export const feedJob = defineJob({
  name: 'feed',
  version: 3,
  input: feedInputSchema,
  output: feedAnswerSchema,
});

const placesInputSchema = z.strictObject({
  part: partSchema,
  gates: z
    .array(z.strictObject({ at: placeSchema, normal: placeSchema, diameterMm: z.number().positive() }))
    .max(40),
  cleanPoints: z.array(placeSchema).max(20),
});
export type PlacesInput = z.infer<typeof placesInputSchema>;

/** The part's centre of mass, and what is seen of each gate's place. */
export interface PlacesAnswer {
  centreMm: [number, number, number];
  places: GatePlace[];
}

/** Where gates stand on the surface: in mid-air, on a show face, out of a saw's reach. */
export const placesJob = defineJob({
  name: 'gate places',
  version: 1,
  input: placesInputSchema,
  output: z.strictObject({
    centreMm: placeSchema,
    places: z
      .array(z.strictObject({ awayMm: z.number().nonnegative(), onShow: z.boolean(), sawn: z.boolean() }))
      .max(40),
  }) satisfies z.ZodType<PlacesAnswer>,
});

/** Fewest gates, heavy ones; or one on every mass, each as thick as its own mass asks. */
export const GATE_SCHOOLS = ['fewest', 'one each'] as const;
export type GateSchool = (typeof GATE_SCHOOLS)[number];

const suggestInputSchema = z.strictObject({
  ...fieldInput,
  cleanPoints: z.array(placeSchema).max(20),
  school: z.enum(GATE_SCHOOLS),
});
export type SuggestInput = z.infer<typeof suggestInputSchema>;

/** The fewest gates that feed every mass, off the faces that must stay clean. */
export const suggestGatesJob = defineJob({
  name: 'suggest gates',
  version: 4,
  input: suggestInputSchema,
  output: typed<SuggestedGate[]>(),
});
