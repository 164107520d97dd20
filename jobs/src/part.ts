import { z } from 'zod';

/** A part by the bytes of its file and the unit they are read in: whichever patterns have them. */
export const partSchema = z.strictObject({
  file: z.string().regex(/^[0-9a-f]{64}$/),
  format: z.enum(['stl', 'obj', 'ply', '3mf']),
  unitMm: z.number().positive(),
});
export type PartInput = z.infer<typeof partSchema>;

interface PatternFile {
  fileHash: string;
  fileName: string;
  measure: { unitMm: number };
  sprues?: { pieceHash: string } | null | undefined;
}

const formatOf = (fileName: string): PartInput['format'] =>
  (/\.(stl|obj|ply|3mf)$/i.exec(fileName)?.[1]?.toLowerCase() ?? 'stl') as PartInput['format'];

/** What is printed of a pattern: the whole file, sprues in it and all. */
export const partOf = ({ fileHash, fileName, measure }: PatternFile): PartInput => ({
  file: fileHash,
  format: formatOf(fileName),
  unitMm: measure.unitMm,
});

/** What is sold of a pattern: the file without the sprues in it, which is kept as bytes of its own. */
export const pieceOf = (pattern: PatternFile): PartInput =>
  pattern.sprues ? { file: pattern.sprues.pieceHash, format: 'stl', unitMm: 1 } : partOf(pattern);
