import type { SizeTarget } from '@zero-pour/contracts';
import type { Estimate, ScaleTarget } from '@zero-pour/core';
import type { DrawnSize } from './drawnSize';

/** A wanted size with what it comes to. */
export interface PlannedSize {
  target: SizeTarget;
  scale: ScaleTarget;
  wantedMm: number;
  drawnMm: number;
  drawnFrom: DrawnSize['from'];
  /** Its direction in the file's axes, where it is known. */
  along: DrawnSize['along'];
  printMm: number;
  /** Finished size of a piece, with its 95 % interval; by what was read of this print, when it was. */
  finished: Estimate;
  foreseen: boolean;
  missMm: number;
  within: boolean;
}
