import { measureBounds } from '../mesh';

/** Rings of directions between the equator and each pole; 14 gives about 360 directions. */
const RINGS = 14;

/** Vertices that share one box; neighbours in a file are mostly neighbours in space. */
const BLOCK = 48;

/**
 * The points of a part that lie furthest out in about 360 evenly spread directions: enough to know its
 * height and footprint for any rotation without its mesh. Directions are at most 0.1 rad from the nearest
 * sample, so an extent is short by at most r·(1 − cos 0.1) = 0.5 % of the part's radius (handbook 04).
 * positions and result: xyz triples. Boxes round blocks of vertices spare most of the products; the worst case
 * is O(vertices × directions).
 */
export function pickSupportPoints(positions: Float64Array): number[] {
  const directions = spreadDirections();
  const boxes = blockBoxes(positions);
  const chosen = new Set<number>();
  let last = 0;
  for (let d = 0; d < directions.length; d += 3) {
    // The last direction's vertex is a good first guess for its neighbour: most boxes are ruled out by it.
    last = furthestAlong(positions, boxes, directions[d]!, directions[d + 1]!, directions[d + 2]!, last);
    chosen.add(last);
  }
  const points: number[] = [];
  for (const v of chosen) points.push(positions[v]!, positions[v + 1]!, positions[v + 2]!);
  return points;
}

/** Middle and half size of each block's box: [mx my mz hx hy hz | …]. */
function blockBoxes(positions: Float64Array): Float64Array {
  const stride = 3 * BLOCK;
  const boxes = new Float64Array(Math.ceil(positions.length / stride) * 6);
  for (let b = 0, from = 0; from < positions.length; b += 6, from += stride) {
    const { min, max } = measureBounds(positions.subarray(from, from + stride));
    for (let k = 0; k < 3; k++) {
      boxes[b + k] = (min[k]! + max[k]!) / 2;
      boxes[b + 3 + k] = (max[k]! - min[k]!) / 2;
    }
  }
  return boxes;
}

/** Offset of the vertex that reaches furthest in a direction, looking only into boxes that could beat the guess. */
function furthestAlong(
  positions: Float64Array,
  boxes: Float64Array,
  dx: number,
  dy: number,
  dz: number,
  guess: number,
): number {
  let at = guess;
  let best = positions[at]! * dx + positions[at + 1]! * dy + positions[at + 2]! * dz;
  const [ax, ay, az] = [Math.abs(dx), Math.abs(dy), Math.abs(dz)];
  for (let b = 0, from = 0; b < boxes.length; b += 6, from += 3 * BLOCK) {
    const middle = boxes[b]! * dx + boxes[b + 1]! * dy + boxes[b + 2]! * dz;
    if (middle + boxes[b + 3]! * ax + boxes[b + 4]! * ay + boxes[b + 5]! * az <= best) continue;
    const end = Math.min(from + 3 * BLOCK, positions.length);
    for (let v = from; v < end; v += 3) {
      const reach = positions[v]! * dx + positions[v + 1]! * dy + positions[v + 2]! * dz;
      if (reach > best) {
        best = reach;
        at = v;
      }
    }
  }
  return at;
}

/** Directions on rings of latitude, spaced alike along and between the rings. */
function spreadDirections(): Float64Array {
  const step = Math.PI / (2 * RINGS);
  const directions: number[] = [0, 0, 1, 0, 0, -1, 1, 0, 0, -1, 0, 0, 0, 1, 0, 0, -1, 0];
  for (let ring = -RINGS + 1; ring < RINGS; ring++) {
    const latitude = ring * step;
    const count = Math.max(4, Math.round((2 * Math.PI * Math.cos(latitude)) / (step * 1.4)));
    for (let i = 0; i < count; i++) {
      const longitude = (2 * Math.PI * i) / count;
      directions.push(
        Math.cos(latitude) * Math.cos(longitude),
        Math.cos(latitude) * Math.sin(longitude),
        Math.sin(latitude),
      );
    }
  }
  return Float64Array.from(directions);
}
