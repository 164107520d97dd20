import type { AlongAxes, Rotation } from '@zero-pour/core';
import { z } from 'zod';
import { defineJob, typed } from './job';
import { partSchema } from './part';

export type SaveFormat = 'stl' | '3mf';

/** Percents along the axes of a print. */
export interface Stretch {
  percents: AlongAxes;
  rotation: Rotation;
  /** Turned as it is printed, on the plate; else in the file's own axes. */
  standing: boolean;
}

/** The part as it was read (welded, outward, in mm) in another format, and at print size when it is to be stretched. */
export const savePartJob = defineJob({
  name: 'save part',
  version: 1,
  input: z.strictObject({
    part: partSchema,
    stretch: typed<Stretch | null>(),
    to: typed<SaveFormat>(),
  }),
  output: typed<Uint8Array<ArrayBuffer>>(),
});
