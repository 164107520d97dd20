import {
  buildCoupon,
  standAsPrinted,
  stretchAsPrinted,
  write3mf,
  writeBinaryStl,
  type CouponSpec,
} from '@zero-pour/core';
import type { CouponShape } from '../coupon';
import type { PartInput } from '../part';
import type { SaveFormat, Stretch } from '../savePart';
import type { Run } from './context';
import { readPart } from './readPart';

/** A mesh as a file in mm. */
export const writeMesh = (
  positions: ArrayLike<number>,
  triangles: ArrayLike<number>,
  to: SaveFormat,
): Uint8Array<ArrayBuffer> =>
  (to === 'stl'
    ? writeBinaryStl(positions, triangles)
    : write3mf(positions, triangles)) as Uint8Array<ArrayBuffer>;

interface SaveInput {
  part: PartInput;
  stretch: Stretch | null;
  to: SaveFormat;
}
export const savePart: Run<SaveInput, Uint8Array<ArrayBuffer>> = async ({ part, stretch, to }, context) => {
  const { positions, triangles } = (await readPart(part, context)).mesh;
  const place = stretch?.standing ? standAsPrinted : stretchAsPrinted;
  const placed = stretch ? place(positions, stretch.rotation, stretch.percents) : positions;
  return { output: writeMesh(placed, triangles, to) };
};

export const showCoupon: Run<{ spec: CouponSpec }, CouponShape> = async ({ spec }, context) => {
  const { positions, triangles, volumeMm3 } = buildCoupon(spec, await context.engine());
  return { output: { positions: Float32Array.from(positions), triangles, volumeMm3 } };
};

type CouponFile = { spec: CouponSpec; to: SaveFormat };
export const saveCoupon: Run<CouponFile, Uint8Array<ArrayBuffer>> = async ({ spec, to }, context) => {
  const { positions, triangles } = buildCoupon(spec, await context.engine());
  return { output: writeMesh(positions, triangles, to) };
};
