import { readPattern, type PatternMeasure, type WeldedMesh } from '@zero-pour/core';
import type { PartInput } from '../part';
import type { JobContext } from './context';

export interface ReadPart {
  mesh: WeldedMesh;
  measure: PatternMeasure;
}

/** What is kept of a part that was read: a file that was only looked at so far may be kept under it too. */
export const memoName = ({ format, unitMm }: Omit<PartInput, 'file'>): string => `part ${format} ${unitMm}`;

/** The part, welded, outward, in mm; read once for all jobs of it that one runner does. Throws MeshFileError. */
export const readPart = ({ file, format, unitMm }: PartInput, context: JobContext): Promise<ReadPart> =>
  context.memo(file, memoName({ format, unitMm }), async () => {
    const bytes = await context.blob(file);
    const reading = readPattern(bytes, `part.${format}`, unitMm, context.report);
    if (reading.status === 'unit needed') throw new Error('The unit of a part is given with it.');
    return { mesh: reading.mesh, measure: reading.measure };
  });
