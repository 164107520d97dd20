/** Rings of directions between the equator and each pole; 14 gives about 360 directions. */
const RINGS = 14;

/**
 * The points of a part that lie furthest out in about 360 evenly spread directions: enough to know its
 * height and footprint for any rotation without its mesh. Directions are at most 0.1 rad from the nearest
 * sample, so an extent is short by at most r·(1 − cos 0.1) = 0.5 % of the part's radius (handbook 04).
 * positions and result: xyz triples. O(vertices × directions).
 */
export function pickSupportPoints(positions: ArrayLike<number>): number[] {
  const directions = spreadDirections();
  const best = new Float64Array(directions.length / 3).fill(-Infinity);
  const chosen = new Uint32Array(best.length);
  for (let v = 0; v < positions.length; v += 3) {
    const x = positions[v]!;
    const y = positions[v + 1]!;
    const z = positions[v + 2]!;
    for (let d = 0; d < best.length; d++) {
      const reach = x * directions[3 * d]! + y * directions[3 * d + 1]! + z * directions[3 * d + 2]!;
      if (reach > best[d]!) {
        best[d] = reach;
        chosen[d] = v;
      }
    }
  }
  const points: number[] = [];
  for (const v of new Set(chosen)) points.push(positions[v]!, positions[v + 1]!, positions[v + 2]!);
  return points;
}

/** Directions on rings of latitude, spaced alike along and between the rings. */
function spreadDirections(): Float64Array {
  const step = Math.PI / (2 * RINGS);
  const directions: number[] = [0, 0, 1, 0, 0, -1];
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
