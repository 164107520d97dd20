import { ELEMENT_DENSITIES, type Element } from '@zero-pour/core';
import { z } from 'zod';
import { momentSchema, nameSchema, newMetalSchema, noteSchema, PRICE } from '../parts';
import { quantitySchema } from '../quantities';

/** Water ÷ powder by weight. */
export const RATIO = [0.2, 1] as const;

export const segmentSchema = z.strictObject({
  name: nameSchema,
  rampCPerH: quantitySchema('Climb', 'degCPerH', [1, 5000]).nullable(),
  targetC: quantitySchema('Target', 'degC', [30, 1100]).nullable(),
  holdH: quantitySchema('Hold', 'h', [0, 72], { digits: 2 }),
  flaskWay: z.enum(['button down', 'button up']),
  /** It falls with the vent or the door opened. */
  vented: z.boolean().optional(),
  hands: z
    .array(
      z.strictObject({
        afterH: quantitySchema('Hands after', 'h', [0, 100], { digits: 2 }),
        what: nameSchema,
      }),
    )
    .max(20),
  note: noteSchema,
});

/** The burnout that a maker prescribes, and which powder (or resin) it was written for. */
export const makerProgrammeSchema = z.strictObject({
  segments: z.array(segmentSchema).min(1).max(30),
  assumes: z.string().trim().max(200),
});
export type MakerProgramme = z.infer<typeof makerProgrammeSchema>;

const EMPTY = { hint: 'empty: not known' };

export const powderSchema = z
  .strictObject({
    name: nameSchema,
    grade: z.enum(['standard', 'resin']),
    /** Water ÷ powder by weight. */
    ratioLeast: quantitySchema('Water ÷ powder, least', 'ratio', RATIO),
    ratioUsual: quantitySchema('Water ÷ powder, usual', 'ratio', RATIO),
    ratioMost: quantitySchema('Water ÷ powder, most', 'ratio', RATIO),
    workingMinAt22C: quantitySchema('Working time at 22 °C', 'min', [1, 60], { digits: 1 }),
    /** … and at another water, from which the rest follows. */
    otherWaterC: quantitySchema('Working time known at another water', 'degC', [5, 45], EMPTY).nullish(),
    workingMinAtOther: quantitySchema('Working time there', 'min', [0.5, 120], {
      ...EMPTY,
      digits: 1,
    }).nullish(),
    setH: quantitySchema('Set, undisturbed', 'h', [0.25, 72]),
    ceilingC: quantitySchema('Ceiling', 'degC', [500, 1300]),
    pricePerKg: quantitySchema('Price a kilogram', 'money', PRICE),
    strengthKpa: quantitySchema('Strength, set', 'kPa', [50, 100_000], { ...EMPTY, digits: 0 }).nullish(),
    settingPercent: quantitySchema('Grows while it sets', 'percent', [-2, 5], {
      ...EMPTY,
      digits: 2,
    }).nullish(),
    thermalPercent: quantitySchema('Grows when hot', 'percent', [-2, 5], { ...EMPTY, digits: 2 }).nullish(),
    /** When the bag in use was opened: damp powder sets slowly and weak. */
    openedAt: momentSchema.nullish(),
    makerProgramme: makerProgrammeSchema.nullish(),
    note: noteSchema,
  })
  .refine((p) => p.ratioLeast <= p.ratioUsual && p.ratioUsual <= p.ratioMost, {
    path: ['ratioUsual'],
    message: 'the usual ratio lies between the least and the most',
  });

export const flaskSchema = z.strictObject({
  name: nameSchema,
  innerDiameterMm: quantitySchema('Inner diameter', 'mm', [15, 400]),
  heightMm: quantitySchema('Height', 'mm', [15, 600]),
  /** Sprue base cone: the button. */
  coneDiameterMm: quantitySchema('Sprue base cone, diameter', 'mm', [3, 400]),
  coneHeightMm: quantitySchema('Sprue base cone, height', 'mm', [1, 200]),
  perforated: z.boolean(),
  note: noteSchema,
});

const rangeSchema = z.strictObject({
  lowC: quantitySchema('Lowest', 'degC', [20, 1300]),
  highC: quantitySchema('Highest', 'degC', [20, 1300]),
});
const byClassSchema = z.strictObject({ filigree: rangeSchema, standard: rangeSchema, heavy: rangeSchema });

const ESTIMATED = { hint: 'Empty: estimated from the composition' };
const WAIT_MIN = [0, 1440] as const;
const ELEMENTS = Object.keys(ELEMENT_DENSITIES) as [Element, ...Element[]];

/** Shares may be off by rounding, not by a missing metal. */
export const COMPOSITION_OFF = 0.005;
export const compositionSum = (composition: Partial<Record<Element, number>>): number =>
  Object.values(composition).reduce((sum, share) => sum + share, 0);

/** Shares of its metals by mass; they sum to 1. Empty: not known. */
export const compositionSchema = z.partialRecord(z.enum(ELEMENTS), z.number().min(0).max(1));

export const alloySchema = z.strictObject({
  name: nameSchema,
  composition: compositionSchema,
  densityGPerCm3: quantitySchema('Density', 'gPerCm3', [1, 25]),
  liquidusC: quantitySchema('Liquidus', 'degC', [30, 1300]),
  solidusC: quantitySchema('Solidus', 'degC', [30, 1300]),
  flask: byClassSchema,
  metal: byClassSchema,
  shrinkPercent: quantitySchema('Size change, freezing to room', 'percent', [-10, 10], {
    hint: 'minus shrinks',
  }),
  lossPercent: quantitySchema('Melt loss', 'percent', [0, 50], { digits: 1 }),
  divest: z.enum(['quench', 'break out']),
  quenchWaitMin: z.strictObject({
    least: quantitySchema('Wait before opening, least', 'min', WAIT_MIN),
    most: quantitySchema('Wait before opening, most', 'min', WAIT_MIN),
  }),
  /** Of the melt; null: estimated from the composition. */
  latentJPerG: quantitySchema('Heat of melting', 'jPerG', [10, 2000], ESTIMATED).nullish(),
  heatJPerGK: quantitySchema('Heat of the melt', 'jPerGK', [0.05, 3], { ...ESTIMATED, digits: 3 }).nullish(),
  surfaceNPerM: quantitySchema('Surface tension', 'nPerM', [0.1, 3], { ...ESTIMATED, digits: 2 }).nullish(),
  /** New metal in a charge of it; null: as the shop does. */
  newPercent: newMetalSchema.nullish(),
  pricePerG: quantitySchema('Price a gram', 'money', PRICE),
  caution: noteSchema,
  note: noteSchema,
});

export const programmeSchema = z.strictObject({
  name: nameSchema,
  suits: z.string().max(200),
  flaskMaxMm: quantitySchema('Largest flask', 'mm', [20, 400], { digits: 0 }),
  segments: z.array(segmentSchema).min(1).max(30),
  note: noteSchema,
});
