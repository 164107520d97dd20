import type { BooleanEngine } from '../solid';
import type { CouponSpec } from './couponSpec';
import { layCoupon } from './layCoupon';
import { meshOf, type Primitive } from './primitives';

/** A finished coupon as one closed mesh, mm. */
export interface CouponMesh {
  positions: Float64Array;
  triangles: Uint32Array;
  volumeMm3: number;
}

/** Builds the coupon as one closed solid by exact boolean operations of the engine. */
export function buildCoupon<Solid>(spec: CouponSpec, engine: BooleanEngine<Solid>): CouponMesh {
  const layout = layCoupon(spec);
  const made: Solid[] = [];
  const keep = (solid: Solid): Solid => {
    made.push(solid);
    return solid;
  };
  const bodies = (list: readonly Primitive[]): Solid[] =>
    list.map((solid) => {
      const { positions, triangles } = meshOf(solid);
      return keep(engine.create(positions, triangles));
    });
  try {
    const body = keep(engine.union(bodies(layout.add)));
    const whole =
      layout.cut.length > 0 ? keep(engine.subtract(body, keep(engine.union(bodies(layout.cut))))) : body;
    return { ...engine.mesh(whole), volumeMm3: engine.volumeMm3(whole) };
  } finally {
    for (const solid of made) engine.release(solid);
  }
}
