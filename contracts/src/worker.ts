import type { PatternMeasure, ReadingStep, UnitOption } from '@zero-pour/core';
import type { ErrorCode, ErrorDetail } from './errors';

/** What the mesh worker answers. Buffers are transferred; `hash` names the file's bytes. */
export type PatternAnswer =
  | { status: 'unit needed'; options: UnitOption[] }
  | {
      status: 'read';
      hash: string;
      measure: PatternMeasure;
      /** For the view: welded vertices (float32) and triangle indices. */
      positions: Float32Array;
      triangles: Uint32Array;
    }
  | { status: 'refused'; code: ErrorCode; detail: ErrorDetail };

export type PatternProgress = (step: ReadingStep) => void;
