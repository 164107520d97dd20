import type {
  ModelledGate,
  ModelledSprue,
  ModelledSprues,
  PatternMeasure,
  RodBody,
  SprueCut,
  SprueMark,
  SprueSection,
} from '@zero-pour/core';
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

/** What drawing sprues into a part makes of it. */
export type DrawnSprues =
  | Extract<ModelledSprues, { status: 'refused' }>
  /** The new file and the piece without its sprues (STL, mm), with their bytes. */
  | {
      status: 'made';
      file: { hash: string; measure: PatternMeasure; bytes: Uint8Array<ArrayBuffer> };
      piece: { hash: string; measure: PatternMeasure; bytes: Uint8Array<ArrayBuffer> };
      marks: SprueMark[];
      sections: SprueSection[];
    };

const modelInput = z.strictObject({
  part: partSchema,
  gates: typed<ModelledGate[]>(),
  sprue: typed<ModelledSprue | null>(),
});
export type ModelSpruesInput = z.infer<typeof modelInput>;

/** Gates, sprue and base united with the part: a file that prints with its sprues. */
export const modelSpruesJob = defineJob({
  name: 'model sprues',
  version: 1,
  input: modelInput,
  output: typed<DrawnSprues>(),
});
