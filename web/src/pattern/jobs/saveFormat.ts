import type { AlongAxes, Rotation } from '@zero-pour/core';

export type SaveFormat = 'stl' | '3mf';

/** Percents along the axes of a print. */
export interface Stretch {
  percents: AlongAxes;
  rotation: Rotation;
  /** Turned as it is printed, on the plate; else in the file's own axes. */
  standing: boolean;
}
