import { WEEK_GOALS, WISHES, type ClashAnswer, type WeekAnswer } from '@zero-pour/core';
import { z } from 'zod';
import { defineJob, typed } from './job';

const moment = z.number().int();
const span = z.object({ from: z.number(), to: z.number() });
const minutes = z.number().min(0).max(1e7);
const task = z.object({
  key: z.string(),
  minutes: z.number().positive().max(1e6),
  handsMin: minutes,
  breakable: z.boolean().optional(),
  who: z.array(z.string()).max(40),
  machines: z.array(z.string()).max(40).optional(),
  at: z.number().optional(),
  notBefore: z.number().optional(),
  notAfter: z.number().optional(),
});
const gap = z.object({ leastMin: minutes, mostMin: minutes, nowMin: minutes.optional(), fresh: z.boolean().optional() }); // prettier-ignore
const way = z.object({
  kiln: z.string().optional(),
  programme: z.string().optional(),
  castingC: z.number().optional(),
  share: z.number().positive().optional(),
  tasks: z.array(task).min(1).max(80),
  gaps: z.array(gap).max(80),
  kilnIn: z.number().int().optional(),
  zero: z.number().int(),
});
const problem = z.object({
  from: moment,
  to: moment,
  slotMin: z.number().positive(),
  jobs: z
    .array(
      z.object({
        key: z.string(),
        ways: z.array(way).min(1).max(20),
        wanted: z.number().optional(),
        kiln: z.string().optional(),
      }),
    ) // prettier-ignore
    .max(200),
  people: z.array(z.object({ key: z.string(), spans: z.array(span).max(400) })).max(40),
  civil: z.array(span).max(400),
  goal: z.enum(WEEK_GOALS),
});

const weekInput = z.object({ problem, effort: z.enum(['first', 'full']) });
export type WeekInput = z.infer<typeof weekInput>;

/** The shop's weeks planned: a first answer at once, or the best there is time for. */
export const weekJob = defineJob({ name: 'week', version: 1, input: weekInput, output: typed<WeekAnswer>() });

const clashInput = z.object({
  problem,
  wishes: z.array(z.object({ job: z.string(), kind: z.enum(WISHES) })).max(2000),
});
export type ClashInput = z.infer<typeof clashInput>;

/** Whether everything can be as it is wished, and if not what clashes, and every single way out. */
export const clashJob = defineJob({
  name: 'clash',
  version: 1,
  input: clashInput,
  output: typed<ClashAnswer>(),
});
