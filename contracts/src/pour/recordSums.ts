import { FLAW_KINDS } from '@zero-pour/core';
import { z } from 'zod';
import { idSchema } from '../parts';
import { FACT_NAMES, recordQuerySchema } from './recordFacts';

/** What is drawn of the record: a number, or the share of castings with a flaw, along days or along another number. */
export const POINT_KINDS = [...FACT_NAMES, ...FLAW_KINDS] as const;
export type PointKind = (typeof POINT_KINDS)[number];
export const ALONG = ['day', ...FACT_NAMES] as const;
export type Along = (typeof ALONG)[number];
export const pointsQuerySchema = recordQuerySchema.extend({ of: z.enum(POINT_KINDS), along: z.enum(ALONG) });
export type PointsQuery = z.infer<typeof pointsQuerySchema>;

/** One pour as a point; a day is in milliseconds since 1970. */
export const recordPointsSchema = z.strictObject({
  points: z.array(
    z.strictObject({
      id: idSchema,
      number: z.number().int().positive(),
      x: z.number(),
      y: z.number(),
      alloyId: idSchema.nullable(),
      resinId: idSchema.nullable(),
      castClass: z.string(),
    }),
  ),
  /** Older ones are left out. */
  more: z.boolean(),
});
export type RecordPoints = z.infer<typeof recordPointsSchema>;
export type RecordPoint = RecordPoints['points'][number];

/** What pours are taken together by. */
export const GROUPED_BY = ['month', 'alloy', 'resin', 'class', 'recipe', 'flaw'] as const;
export type GroupedBy = (typeof GROUPED_BY)[number];
export const groupsQuerySchema = recordQuerySchema.extend({ by: z.enum(GROUPED_BY) });
export type GroupsQuery = z.infer<typeof groupsQuerySchema>;

const sum = z.number().nullable();
/** Pours that are alike in it, taken together; null: none of them tells. */
export const recordGroupsSchema = z.array(
  z.strictObject({
    /** Month as 2026-11, id of the thing, the class or the flaw; null: not told. */
    key: z.string().nullable(),
    pours: z.number().int().positive(),
    looked: z.number().int(),
    sellable: z.number().int(),
    chargeG: sum,
    backG: sum,
    finishingMin: sum,
    clearedMin: sum,
  }),
);
export type RecordGroup = z.infer<typeof recordGroupsSchema>[number];
