import {
  BEFORE_KEYS,
  BORIC_SCHOOLS,
  EXPECTATIONS,
  HAND_NAME_MAX,
  INVEST_CHECKS,
  LOOKS,
  PIECE_VERDICTS,
  PRINT_FAULT_KEYS,
} from '@zero-pour/core';
import { z } from 'zod';
import {
  atLeastZeroSchema,
  idSchema,
  keySchema,
  momentSchema,
  noteSchema,
  photosSchema,
  positiveSchema,
  ROOM_C,
  VAT_READ_C,
} from '../parts';
import { quantitySchema, readingSchema } from '../quantities';
import { RATIO, segmentSchema } from '../shop/casting';
import { cleanStepSchema } from '../shop/resin';
import { cureSetupSchema } from '../settings';
import { pieceKeySchema } from './pieces';
import { whySaidSchema } from './why';

/** Resin of one plate, ml. */
const RESIN_ML = [0.1, 10_000] as const;
/** Copies printed above the wanted count. */
const SPARES = [0, 500] as const;
const OVERRIDES = 'Overrides the estimate';

export const PIECE_OUTCOMES = ['good', 'flawed', 'lost'] as const;

/** Who made the supports, how heavy, and how they came off. */
export const SUPPORT_MAKERS = ['by the program', 'by hand', 'both'] as const;
export const SUPPORT_WEIGHTS = ['fine', 'middle', 'heavy'] as const;
export const SUPPORTS_CAME = ['clean', 'left marks', 'tore pits', 'broke detail'] as const;
const supportsSchema = z.strictObject({
  by: z.enum(SUPPORT_MAKERS).optional(),
  weight: z.enum(SUPPORT_WEIGHTS).optional(),
  tipMm: quantitySchema('Support tips', 'mm', [0.05, 5], { digits: 2 }).optional(),
  came: z.enum(SUPPORTS_CAME).optional(),
});

/** What is done at the printer when a print is off. */
export const AFTER_PRINT = [
  'plate wiped',
  'vat wiped',
  'bottle neck wiped',
  'resin filtered back',
  'resin left in the vat',
] as const;

/** The plate as it was reckoned when the print was started: later edits of a profile do not rewrite it. */
export const printedPlateSchema = z.strictObject({
  printerId: idSchema,
  profileId: idSchema,
  layers: z.number().int().positive(),
  /** Light of all layers, s. */
  exposureS: atLeastZeroSchema,
  /** How long it was to take. */
  hours: positiveSchema.optional(),
  /** When the vat that it was printed from was filled, where it was noted. */
  vatFilledAt: momentSchema.optional(),
  partsMl: positiveSchema,
  raftMl: atLeastZeroSchema,
  /** What hung on what, where the layers had been cut. */
  load: z
    .strictObject({ hangingG: positiveSchema, peakMm2: positiveSchema, heldMm2: positiveSchema })
    .optional(),
});
export type PrintedPlate = z.infer<typeof printedPlateSchema>;

export const printStageSchema = z.strictObject({
  /** Printed above the wanted count, so that enough come out. */
  spares: quantitySchema('Spares of each pattern', 'count', SPARES, { whole: true }),
  /** … by line, where a pattern wants more or fewer than the others. */
  sparesOf: z.record(keySchema, quantitySchema('Spares', 'count', SPARES, { whole: true })).optional(),
  /** What the preparing program says; overrides the estimate. */
  hoursTyped: quantitySchema('Hours, as the printer says', 'h', [0.05, 500], { hint: OVERRIDES }).optional(),
  resinMlTyped: quantitySchema('Resin, as the printer says', 'ml', RESIN_ML, {
    digits: 1,
    hint: OVERRIDES,
  }).optional(),
  startedAt: momentSchema.optional(),
  finishedAt: momentSchema.optional(),
  /** Its hours are far from what was reckoned, and somebody said that they are right. */
  hoursRight: z.literal(true).optional(),
  plate: printedPlateSchema.optional(),
  /** What was done of the checklist before it. */
  before: z.partialRecord(z.enum(BEFORE_KEYS), momentSchema).optional(),
  /** Priming coats that were put on the plate. */
  primingCoats: quantitySchema('Priming coats put on', 'count', [0, 10], { whole: true }).optional(),
  /** Looked at part way, when the first real layers were out. */
  checkedAt: momentSchema.optional(),
  /** Resin that it took, off the bottle's weight or marks. */
  resinUsedMl: quantitySchema('Resin that it took', 'ml', RESIN_ML, {
    digits: 1,
    hint: 'Off the bottle; teaches the support share',
  }).optional(),
  /** Taken off the bottle's record for it: once. */
  fromBottleMl: positiveSchema.max(10000).optional(),
  roomC: readingSchema('Room', 'degC', ROOM_C).optional(),
  vatC: readingSchema('Resin in the vat', 'degC', VAT_READ_C).optional(),
  humidityPercent: readingSchema('Humidity', 'percent', [0, 100], { digits: 0 }).optional(),
  supports: supportsSchema.optional(),
  after: z.partialRecord(z.enum(AFTER_PRINT), momentSchema).optional(),
  /** By the piece's name. */
  pieces: z.record(
    pieceKeySchema,
    z.strictObject({
      outcome: z.enum(PIECE_OUTCOMES),
      note: z.string().max(400),
      /** What is wrong with it, where known, and how high from the plate. */
      fault: z.enum(PRINT_FAULT_KEYS).optional(),
      /** What else is wrong with it. */
      moreFaults: z.array(z.enum(PRINT_FAULT_KEYS)).max(6).optional(),
      /** Where wax mended it: a place to look at on the casting. */
      mended: z.string().max(200).optional(),
      photos: photosSchema.max(10).optional(),
      heightMm: quantitySchema('From the plate', 'mm', [0, 1000], { digits: 1 }).optional(),
    }),
  ),
  /** Pauses and knocks, by height: each may leave a ridge. */
  pausesMm: z.array(atLeastZeroSchema.max(1000)).max(40).optional(),
  /** What the shop found to be the cause, or not, by fault; once a pour. */
  why: z.partialRecord(z.enum(PRINT_FAULT_KEYS), whySaidSchema).optional(),
  note: noteSchema.optional(),
});

/** When a timed step was begun and over, or that it was left out: evidence later. */
export const stepRecordSchema = z.strictObject({
  startedAt: momentSchema.optional(),
  doneAt: momentSchema.optional(),
  skipped: z.boolean().optional(),
  /** How it looked, where the step is to look. */
  saw: z.enum(LOOKS).optional(),
});
export type StepRecord = z.infer<typeof stepRecordSchema>;
export const stepsSchema = z.record(z.string().max(60), stepRecordSchema);

export const cleanStageSchema = z.strictObject({
  steps: stepsSchema,
  /** They came washed and cured: nothing of it is on record here. */
  cameClean: momentSchema.optional(),
  /** The protocol as it stood when cleaning began, and what it was cured under. */
  begun: z
    .strictObject({
      name: z.string().max(120),
      version: z.number().int().positive(),
      protocol: z.array(cleanStepSchema).min(1).max(40),
      cure: cureSetupSchema,
    })
    .optional(),
  /** By the piece's name: what becomes of it, and what is expected of its casting. */
  pieces: z
    .record(pieceKeySchema, z.strictObject({ verdict: z.enum(PIECE_VERDICTS), expect: z.enum(EXPECTATIONS) }))
    .optional(),
  note: noteSchema.optional(),
});

/** A change of it is a change of the mix. */
export const WATER_KINDS = ['tap', 'filtered', 'distilled'] as const;

/** Most bowls that one pour is mixed in. */
const BOWLS = [1, 20] as const;
/** A bowl that was mixed before the one at hand. */
const bowlSchema = z.strictObject({
  powderInAt: momentSchema.optional(),
  glossOffAt: momentSchema.optional(),
  steps: stepsSchema,
  weighedPowderG: positiveSchema.max(50_000).optional(),
  weighedWaterG: positiveSchema.max(50_000).optional(),
  weighedBoricG: atLeastZeroSchema.max(5000).optional(),
});
export type MixedBowl = z.infer<typeof bowlSchema>;

export const investStageSchema = z.strictObject({
  powderId: idSchema.optional(),
  ratio: quantitySchema('Water ÷ powder', 'ratio', RATIO, { digits: 3 }).optional(),
  boric: z.strictObject({
    school: z.enum(BORIC_SCHOOLS),
    percent: quantitySchema('Percent', 'percent', [0, 20], { digits: 1 }),
  }),
  waterTempC: readingSchema('Water temperature', 'degC', [2, 60]).optional(),
  waterKind: z.enum(WATER_KINDS).optional(),
  /** As the balance said, in the bowl. */
  weighedPowderG: quantitySchema('Powder, weighed', 'g', [1, 50_000], { digits: 0 }).optional(),
  weighedWaterG: quantitySchema('Water, weighed', 'g', [1, 50_000], { digits: 0 }).optional(),
  weighedBoricG: quantitySchema('Boric acid, weighed', 'g', [0, 5000], { digits: 1 }).optional(),
  /** Mixed in so many bowls; absent: in as few as hold it and leave time. */
  bowls: quantitySchema('Bowls', 'count', BOWLS, { whole: true }).optional(),
  /** Those of them that are mixed: what is noted above and below is of the one at hand. */
  earlierBowls: z.array(bowlSchema).max(20).optional(),
  powderInAt: momentSchema.optional(),
  steps: stepsSchema,
  /** What was looked over before the mix. */
  checks: z.partialRecord(z.enum(INVEST_CHECKS), momentSchema).optional(),
  /** The slurry lost its shine: it sets. */
  glossOffAt: momentSchema.optional(),
  doneAt: momentSchema.optional(),
  note: noteSchema.optional(),
});

/** "segment › what is to be done", told apart by "~2" where it comes twice. */
const handNameSchema = z.string().min(1).max(HAND_NAME_MAX);

/** What befalls a burnout: the first three stop or cool the kiln, the others are told for the record. */
export const BURN_EVENTS = ['power out', 'door open', 'fault', 'turned', 'moved'] as const;
export type BurnEvent = (typeof BURN_EVENTS)[number];
const burnEventSchema = z.strictObject({
  key: keySchema,
  kind: z.enum(BURN_EVENTS),
  at: momentSchema,
  /** When it was over; absent: it lasts, or took no time. */
  until: momentSchema.optional(),
});

export const burnoutStageSchema = z.strictObject({
  kilnId: idSchema.optional(),
  /** Burnt out and poured by a casting house; absent: here. */
  houseKey: keySchema.optional(),
  programmeId: idSchema.optional(),
  /** The pour's own edit of the programme; absent means as the programme stands. */
  segments: z.array(segmentSchema).min(1).max(30).optional(),
  /** Kiln temperature at loading; absent means cold. */
  loadedAtC: quantitySchema('Kiln at loading', 'degC', [0, 1300]).optional(),
  /** Prints of other resins that hang in the flask too, and wax that is to drain. */
  alongside: z.strictObject({ resinIds: z.array(idSchema).max(10), wax: z.boolean() }).optional(),
  startedAt: momentSchema.optional(),
  /** Hands-on moments ticked off, by their name in the programme (core's handNames). */
  hands: z.record(handNameSchema, momentSchema),
  /** Of these somebody said that they may fall outside bench hours. */
  anyHour: z.array(handNameSchema).max(60).optional(),
  events: z.array(burnEventSchema).max(30).optional(),
  note: noteSchema.optional(),
});
