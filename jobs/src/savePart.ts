import {
  standAsPrinted,
  stretchAsPrinted,
  write3mf,
  writeBinaryStl,
  type AlongAxes,
  type Rotation,
} from '@zero-pour/core';
import { z } from 'zod';
import { defineJob, typed } from './job';
import { partSchema, readPart } from './part';

export type SaveFormat = 'stl' | '3mf';

/** Percents along the axes of a print. */
export interface Stretch {
  percents: AlongAxes;
  rotation: Rotation;
  /** Turned as it is printed, on the plate; else in the file's own axes. */
  standing: boolean;
}

/** A mesh as a file in mm. */
export const writeMesh = (
  positions: ArrayLike<number>,
  triangles: ArrayLike<number>,
  to: SaveFormat,
): Uint8Array<ArrayBuffer> =>
  (to === 'stl'
    ? writeBinaryStl(positions, triangles)
    : write3mf(positions, triangles)) as Uint8Array<ArrayBuffer>;

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
  async run({ part, stretch, to }, context) {
    const { positions, triangles } = (await readPart(part, context)).mesh;
    const place = stretch?.standing ? standAsPrinted : stretchAsPrinted;
    const placed = stretch ? place(positions, stretch.rotation, stretch.percents) : positions;
    return { output: writeMesh(placed, triangles, to) };
  },
});
