import type { PrintDirection, StepsReading } from '@zero-pour/core';
import type { LayersInput } from '@zero-pour/jobs';

/** A part cut into layers for one way up, and how its steps show where that is known. */
export interface PartInLayers {
  direction: PrintDirection;
  input: LayersInput;
  steps: StepsReading | null;
}
