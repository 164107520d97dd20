import { buildCoupon, type CouponSpec } from '@zero-pour/core';
import { z } from 'zod';
import { defineJob, typed } from './job';
import { writeMesh, type SaveFormat } from './savePart';
import type { ViewMesh } from './shape';

/** A finished coupon for the view. */
export interface CouponShape extends ViewMesh {
  volumeMm3: number;
}

const specSchema = typed<CouponSpec>();

/** A coupon as one solid. */
export const couponJob = defineJob({
  name: 'coupon',
  version: 1,
  input: z.strictObject({ spec: specSchema }),
  output: typed<CouponShape>(),
  async run({ spec }, context) {
    const { positions, triangles, volumeMm3 } = buildCoupon(spec, await context.engine());
    return { output: { positions: Float32Array.from(positions), triangles, volumeMm3 } };
  },
});

/** … and as a file. */
export const couponFileJob = defineJob({
  name: 'coupon file',
  version: 1,
  input: z.strictObject({ spec: specSchema, to: typed<SaveFormat>() }),
  output: typed<Uint8Array<ArrayBuffer>>(),
  async run({ spec, to }, context) {
    const { positions, triangles } = buildCoupon(spec, await context.engine());
    return { output: writeMesh(positions, triangles, to) };
  },
});
