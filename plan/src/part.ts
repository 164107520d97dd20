import type { Pattern } from '@zero-pour/contracts';
import type { Rotation, Stance } from '@zero-pour/core';

/** One line of the brief with its pattern, as it stands on the plate. */
export interface Part {
  /** Key of the line. */
  key: string;
  pattern: Pattern;
  count: number;
  /** How many are printed, spares apart: a master is printed once. */
  prints: number;
  rotation: Rotation;
  stance: Stance;
}
