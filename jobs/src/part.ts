import { readPattern, type PatternMeasure, type WeldedMesh } from '@zero-pour/core';
import { z } from 'zod';
import type { JobContext } from './job';

/** A part by the bytes of its file and the unit they are read in: whichever patterns have them. */
export const partSchema = z.strictObject({
  file: z.string().regex(/^[0-9a-f]{64}$/),
  format: z.enum(['stl', 'obj', 'ply', '3mf']),
  unitMm: z.number().positive(),
});
export type PartInput = z.infer<typeof partSchema>;

/** A pattern as the jobs name it. */
export function partOf(pattern: {
  fileHash: string;
  fileName: string;
  measure: { unitMm: number };
}): PartInput {
  const format = /\.(stl|obj|ply|3mf)$/i.exec(pattern.fileName)?.[1]?.toLowerCase() ?? 'stl';
  return {
    file: pattern.fileHash,
    format: format as PartInput['format'],
    unitMm: pattern.measure.unitMm,
  };
}

export interface ReadPart {
  mesh: WeldedMesh;
  measure: PatternMeasure;
}

/** The part, welded, outward, in mm; read once for all jobs of it that one runner does. Throws MeshFileError. */
export const readPart = ({ file, format, unitMm }: PartInput, context: JobContext): Promise<ReadPart> =>
  context.memo(`part ${file} ${format} ${unitMm}`, async () => {
    const bytes = await context.blob(file);
    const reading = readPattern(bytes, `part.${format}`, unitMm, context.report);
    if (reading.status === 'unit needed') throw new Error('The unit of a part is given with it.');
    return { mesh: reading.mesh, measure: reading.measure };
  });
