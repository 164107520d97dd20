import { z } from 'zod';

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
