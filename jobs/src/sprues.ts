import type { PatternMeasure, RodBody, SprueCut, SprueMark, SprueSection } from '@zero-pour/core';
import { z } from 'zod';
import { defineJob, typed } from './job';
import { partSchema } from './part';

/** What the marks of sprues in a file make of it. */
export type FoundSprues =
  | Exclude<SprueCut, { status: 'cut' }>
  /** The bytes of the piece (STL, mm) come with it. */
  | {
      status: 'cut';
      sections: SprueSection[];
      pieceHash: string;
      piece: PatternMeasure;
      bytes: Uint8Array<ArrayBuffer>;
    }
  /** Nothing is marked: bodies that look like sprues. */
  | { status: 'unmarked'; rods: RodBody[] };

const spruesInput = z.strictObject({ part: partSchema, marks: typed<SprueMark[]>() });
export type SpruesInput = z.infer<typeof spruesInput>;

/** The piece without the sprues that its file holds; without marks, which bodies look like sprues. */
export const spruesJob = defineJob({
  name: 'sprues',
  version: 1,
  input: spruesInput,
  output: typed<FoundSprues>(),
});
