import type { BenchConflict, CivilZero } from '@zero-pour/core';
import type { Moment } from '../moment';
import type { Block } from './block';

/** A pour on the clock. */
export interface TimePlan {
  zero: number;
  /** As the brief wants it; undefined when only the kiln's start is known. */
  wanted: number | undefined;
  kilnIn: number;
  kilnEnds: number;
  kilnStarted: boolean;
  poured: boolean;
  blocks: Block[];
  moments: Moment[];
  conflicts: BenchConflict[];
  /** Pour times at which hands are there, where some would not be. */
  civilZero: CivilZero;
  /** When the first step that is left must begin. */
  start: number;
}
