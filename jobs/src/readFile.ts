import { readPattern, type PatternMeasure, type UnitOption } from '@zero-pour/core';
import { z } from 'zod';
import { defineJob, typed, type JobResult } from './job';

export type FileReading =
  { status: 'unit needed'; options: UnitOption[] } | { status: 'read'; measure: PatternMeasure };

/** What a file that is not kept yet says of itself, or which unit has to be asked for. */
export const readFileJob = defineJob({
  name: 'read file',
  version: 1,
  input: z.strictObject({ file: z.string(), fileName: z.string(), unitMm: z.number().positive().nullable() }),
  output: typed<FileReading>(),
  async run({ file, fileName, unitMm }, context): Promise<JobResult<FileReading>> {
    const reading = readPattern(await context.blob(file), fileName, unitMm, context.report);
    if (reading.status === 'unit needed') return { output: reading };
    return { output: { status: 'read', measure: reading.measure } };
  },
});
