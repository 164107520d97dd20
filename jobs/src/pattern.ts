import { keptAnalysisSchema } from '@zero-pour/contracts';
import { ANALYSIS_VERSION, analysePattern, writeShape } from '@zero-pour/core';
import { z } from 'zod';
import { defineJob, type JobResult } from './job';
import { sha256 } from './key';
import { partSchema, readPart } from './part';

/** What an analysis says, and the measure that was read with it. */
export const patternOutputSchema = keptAnalysisSchema.pick({ measure: true, result: true });
export type PatternOutput = z.infer<typeof patternOutputSchema>;

/** Everything about one pattern file, with its painted shape as bytes. Throws MeshFileError when the file is bad. */
export const patternJob = defineJob({
  name: 'pattern',
  version: ANALYSIS_VERSION,
  input: partSchema,
  output: patternOutputSchema,
  async run(input, context): Promise<JobResult<PatternOutput>> {
    const { mesh, measure } = await readPart(input, context);
    const engine = measure.closed && measure.overlapMm3 > 0 ? await context.engine() : undefined;
    const found = analysePattern(mesh, measure, context.report, engine);
    if (found.status === 'too open')
      return { output: { measure, result: { status: 'too open', openShare: found.openShare } } };
    const shape = writeShape(found.painted, found.painted.paint);
    const shapeHash = await sha256(shape);
    return {
      output: { measure, result: { status: 'analysed', analysis: found.analysis, shapeHash } },
      blobs: new Map([[shapeHash, shape]]),
    };
  },
});
