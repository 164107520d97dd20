import { segmentSchema } from '@zero-pour/contracts';
import type { FlaskHeat, ProgrammeFit } from '@zero-pour/core';
import { z } from 'zod';
import { defineJob, typed } from './job';

const flaskInput = z.strictObject({
  innerDiameterMm: z.number().min(10).max(400),
  heightMm: z.number().min(10).max(600),
  shellMm: z.number().min(0).max(10),
  /** Water to powder by weight. */
  ratio: z.number().min(0.1).max(2),
  /** Where the patterns hang, from the flask's axis. */
  patternsMm: z.number().min(0).max(200),
});
export type FlaskInput = z.infer<typeof flaskInput>;

const heatInput = flaskInput.extend({
  /** The kiln over the hours, straight between its points: hours, °C. */
  kiln: z
    .array(z.tuple([z.number().min(0).max(720), z.number().min(-60).max(1300)]))
    .min(1)
    .max(20_000),
  /** Minutes in air after it: on the way to the metal. */
  airMin: z.number().min(0).max(60).optional(),
  /** … of a room whose temperature is known. */
  airC: z.number().min(-60).max(80).optional(),
});
export type HeatInput = z.infer<typeof heatInput>;

/** A flask through a burnout: quick enough to be made anew wherever it is asked for. */
export const heatJob = defineJob({
  name: 'heat',
  version: 2,
  input: heatInput,
  output: typed<FlaskHeat>(),
});

const rates = z.array(z.object({ tempC: z.number(), cPerH: z.number().positive() })).max(30);
const fitInput = flaskInput.extend({
  segments: z.array(segmentSchema).min(1).max(30),
  castingC: z.number().min(30).max(1000),
  startC: z.number().min(-60).max(1300),
  pace: z.object({
    maxRampCPerH: z.number().positive(),
    coolTauH: z.number().positive(),
    openTauH: z.number().positive().nullish(),
    measured: z.object({ climbs: rates, cools: rates }).nullish(),
  }),
  cleanOutH: z.number().min(0).max(48),
  rampMaxCPerH: z.number().positive(),
  ceilingC: z.number().positive(),
  aim: z.enum(['mend', 'shortest']),
  /** It is to be over so many hours after kiln in: neither shorter nor longer, whatever is aimed at else. */
  withinH: z.number().positive().max(720).optional(),
  /** While it burns: what befell it, and how many of its segments have begun and ended. */
  cuts: z
    .array(z.strictObject({ atH: z.number(), hours: z.number().min(0), kind: z.enum(['power', 'door']) }))
    .max(30)
    .optional(),
  begun: z.number().int().min(0).optional(),
  ended: z.number().int().min(0).optional(),
});
export type FitInput = z.infer<typeof fitInput>;

/** The smallest change of a programme that keeps all that is judged of a flask's core, or the shortest programme that does. */
export const fitProgrammeJob = defineJob({
  name: 'fitProgramme',
  version: 2,
  input: fitInput,
  output: typed<ProgrammeFit>(),
});
