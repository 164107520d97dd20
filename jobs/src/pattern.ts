import { patternReadingSchema } from '@zero-pour/contracts';
import { ANALYSIS_VERSION } from '@zero-pour/core';
import type { z } from 'zod';
import { defineJob } from './job';
import { partSchema } from './part';

/** What an analysis says, and the measure that was read with it. */
export type PatternOutput = z.infer<typeof patternReadingSchema>;

/** Everything about one pattern file, with its painted shape as bytes. Throws MeshFileError when the file is bad. */
export const patternJob = defineJob({
  name: 'pattern',
  version: ANALYSIS_VERSION,
  input: partSchema,
  output: patternReadingSchema,
});
