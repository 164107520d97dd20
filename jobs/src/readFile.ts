import type { PatternMeasure, UnitOption } from '@zero-pour/core';
import { z } from 'zod';
import { defineJob, typed } from './job';

export type FileReading =
  { status: 'unit needed'; options: UnitOption[] } | { status: 'read'; measure: PatternMeasure };

const fileInputSchema = z.strictObject({
  file: z.string(),
  fileName: z.string(),
  unitMm: z.number().positive().nullable(),
});
export type FileInput = z.infer<typeof fileInputSchema>;

/** What a file that is not kept yet says of itself, or which unit has to be asked for. */
export const readFileJob = defineJob({
  name: 'read file',
  version: 1,
  input: fileInputSchema,
  output: typed<FileReading>(),
});
