import type { CouponSpec } from '@zero-pour/core';
import { z } from 'zod';
import { defineJob, typed } from './job';
import type { SaveFormat } from './savePart';
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
});

/** … and as a file. */
export const couponFileJob = defineJob({
  name: 'coupon file',
  version: 1,
  input: z.strictObject({ spec: specSchema, to: typed<SaveFormat>() }),
  output: typed<Uint8Array<ArrayBuffer>>(),
});
