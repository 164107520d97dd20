import type { BlockForm, CutLine, MoldBlock, PatternMeasure, ReleaseReading } from '@zero-pour/core';
import { z } from 'zod';
import { placeSchema } from './feed';
import { defineJob, typed } from './job';
import { partSchema } from './part';
import type { ViewMesh } from './shape';

const scale = z.number().positive().max(3);

const undercutsInput = z.strictObject({
  part: partSchema,
  scale,
  /** Which way it opens; null: the way that catches least. */
  pull: placeSchema.nullable(),
});
export type UndercutsInput = z.infer<typeof undercutsInput>;

/** What is caught along a pull; places in the file's axes and size. */
export interface PullReading extends ReleaseReading {
  pull: [number, number, number];
  /** Where a mold of it is cut open. */
  line: CutLine;
}
export interface Undercuts {
  asked: PullReading;
  /** The pull that was found to catch least, where another was asked for. */
  best: PullReading | null;
}

/** What two halves would not let go of. */
export const undercutsJob = defineJob({
  name: 'undercuts',
  version: 2,
  input: undercutsInput,
  output: typed<Undercuts>(),
});

const shadesInput = z.strictObject({
  part: partSchema,
  pull: placeSchema,
  /** Name of bytes that hold x, y, z by turns as 32-bit floats, in the file's mm. */
  places: z.string(),
});
export type ShadesInput = z.infer<typeof shadesInput>;

/** How deep what is caught at each vertex lies, mm; 0: nothing, infinite: a core's. */
export const undercutShadesJob = defineJob({
  name: 'undercut shades',
  version: 1,
  input: shadesInput,
  output: typed<Float32Array>(),
});

const blockInput = z.strictObject({
  part: partSchema,
  scale,
  pull: placeSchema,
  form: typed<BlockForm>(),
});
export type BlockInput = z.infer<typeof blockInput>;

/** A half as it prints: its flat outside down; STL, mm. */
export interface HalfFile {
  hash: string;
  measure: PatternMeasure;
  bytes: Uint8Array<ArrayBuffer>;
}
type Made = Extract<MoldBlock, { status: 'made' }>;
export type MadeBlock =
  | Exclude<MoldBlock, { status: 'made' }>
  | (Omit<Made, 'lower' | 'upper'> & {
      lower: HalfFile;
      upper: HalfFile;
      /** As they close, their pull upright; the part between them. */
      shown: { lower: ViewMesh; upper: ViewMesh; part: ViewMesh };
    });

/** A part's mold in two halves. */
export const moldBlockJob = defineJob({
  name: 'mold block',
  version: 1,
  input: blockInput,
  output: typed<MadeBlock>(),
});
