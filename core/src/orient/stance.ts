import { InputError } from '../numeric';
import { measureBounds, sizeOf } from '../mesh';
import { rotatePoints, rotationMatrix, type Rotation } from './rotation';

/** How a turned part stands: what the printer, the plate and the flask need to know of it. */
export interface Stance {
  heightMm: number;
  footprintMm: readonly [number, number];
  footprintMm2: number;
  /** Of the upright cylinder round the box centre that holds the part (never too small). */
  cylinderDiameterMm: number;
}

/** Height, footprint and bounding cylinder of a part from its support points, for one rotation. O(points). */
export function measureStance(supportPointsMm: ArrayLike<number>, rotation: Rotation): Stance {
  if (supportPointsMm.length < 3)
    throw new InputError('supportPointsMm', 'at least one point', supportPointsMm.length);
  const turned = rotatePoints(supportPointsMm, rotationMatrix(rotation));
  const bounds = measureBounds(turned);
  const [width, depth, heightMm] = sizeOf(bounds);
  const cx = (bounds.min[0] + bounds.max[0]) / 2;
  const cy = (bounds.min[1] + bounds.max[1]) / 2;
  let reach = 0;
  for (let i = 0; i < turned.length; i += 3) {
    reach = Math.max(reach, Math.hypot(turned[i]! - cx, turned[i + 1]! - cy));
  }
  return {
    heightMm,
    footprintMm: [width, depth],
    footprintMm2: width * depth,
    cylinderDiameterMm: 2 * reach,
  };
}
