import { CAST_CLASSES } from '@zero-pour/core';
import { z } from 'zod';
import { idSchema } from '../parts';
import { metalLotSchema } from './metalLot';
import { moldSchema, moldTestSchema } from './mold';
import { recipeSchema } from './recipe';
import { testSetRunSchema } from './testSet';
import { scrapBatchSchema } from '../pour/scrap';
import { slipSchema } from './slip';
import { sizeSeriesSchema } from './sizeSeries';
import { cureTestSchema, trialSchema } from './trial';

/** What was tried, seen and measured with resins, and the metal that lies in the shop, by kind: each is one document. */
export const RECORD_SCHEMAS = {
  trial: trialSchema,
  cureTest: cureTestSchema,
  testSetRun: testSetRunSchema,
  sizeSeries: sizeSeriesSchema,
  metalLot: metalLotSchema,
  mold: moldSchema,
  moldTest: moldTestSchema,
  recipe: recipeSchema,
  slip: slipSchema,
  scrapBatch: scrapBatchSchema,
} as const;
export type RecordKind = keyof typeof RECORD_SCHEMAS;
export const RECORD_KINDS = Object.keys(RECORD_SCHEMAS) as RecordKind[];
export const recordKindSchema = z.enum(RECORD_KINDS as [RecordKind, ...RecordKind[]]);

/** A record's document, and with its id. */
export type RecordDoc<K extends RecordKind> = z.infer<(typeof RECORD_SCHEMAS)[K]>;
export type BenchRecord<K extends RecordKind> = RecordDoc<K> & { id: string };
export type Trial = BenchRecord<'trial'>;
export type CureTest = BenchRecord<'cureTest'>;
export type TestSetRun = BenchRecord<'testSetRun'>;
export type SizeSeries = BenchRecord<'sizeSeries'>;
export type MetalLot = BenchRecord<'metalLot'>;
export type Mold = BenchRecord<'mold'>;
export type MoldTest = BenchRecord<'moldTest'>;
export type Recipe = BenchRecord<'recipe'>;
export type Slip = BenchRecord<'slip'>;
export type ScrapBatch = BenchRecord<'scrapBatch'>;

const kept = <K extends RecordKind>(kind: K) =>
  RECORD_SCHEMAS[kind].safeExtend({ id: idSchema }) as unknown as z.ZodType<BenchRecord<K>>;

export const BENCH_RECORD_SCHEMAS: { [K in RecordKind]: z.ZodType<BenchRecord<K>> } = {
  trial: kept('trial'),
  cureTest: kept('cureTest'),
  testSetRun: kept('testSetRun'),
  sizeSeries: kept('sizeSeries'),
  metalLot: kept('metalLot'),
  mold: kept('mold'),
  moldTest: kept('moldTest'),
  recipe: kept('recipe'),
  slip: kept('slip'),
  scrapBatch: kept('scrapBatch'),
};

/** All records by kind, oldest first. */
export type RecordLists = { [K in RecordKind]: BenchRecord<K>[] };
export const recordListsSchema = z.strictObject({
  trial: z.array(BENCH_RECORD_SCHEMAS.trial),
  cureTest: z.array(BENCH_RECORD_SCHEMAS.cureTest),
  testSetRun: z.array(BENCH_RECORD_SCHEMAS.testSetRun),
  sizeSeries: z.array(BENCH_RECORD_SCHEMAS.sizeSeries),
  // Files written before these were kept have none.
  metalLot: z.array(BENCH_RECORD_SCHEMAS.metalLot).default([]),
  mold: z.array(BENCH_RECORD_SCHEMAS.mold).default([]),
  moldTest: z.array(BENCH_RECORD_SCHEMAS.moldTest).default([]),
  recipe: z.array(BENCH_RECORD_SCHEMAS.recipe).default([]),
  slip: z.array(BENCH_RECORD_SCHEMAS.slip).default([]),
  scrapBatch: z.array(BENCH_RECORD_SCHEMAS.scrapBatch).default([]),
}) as unknown as z.ZodType<RecordLists>;
export const emptyRecords = (): RecordLists => ({
  trial: [],
  cureTest: [],
  testSetRun: [],
  sizeSeries: [],
  metalLot: [],
  mold: [],
  moldTest: [],
  recipe: [],
  slip: [],
  scrapBatch: [],
});

/** What the shop's recorded pours say of a resin in a class: pieces and castings looked at, and how many were good. */
export const pourYieldSchema = z.strictObject({
  resinId: idSchema,
  castClass: z.enum(CAST_CLASSES),
  printedGood: z.number().int(),
  printedOf: z.number().int(),
  castGood: z.number().int(),
  castOf: z.number().int(),
});
export const pourYieldsSchema = z.array(pourYieldSchema);
export type PourYield = z.infer<typeof pourYieldSchema>;
