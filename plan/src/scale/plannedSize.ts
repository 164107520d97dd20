import type { SizeTarget } from '@zero-pour/contracts';
import type { Estimate, ScaleTarget } from '@zero-pour/core';

/** A wanted size with what it comes to. */
export interface PlannedSize {
  target: SizeTarget;
  scale: ScaleTarget;
  wantedMm: number;
  drawnMm: number;
  printMm: number;
  /** Finished size of a piece, with its 95 % interval; by what was read of this print, when it was. */
  finished: Estimate;
  foreseen: boolean;
  missMm: number;
  within: boolean;
}
