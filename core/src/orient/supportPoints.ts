/** Rings of directions between the equator and each pole; 14 gives about 360 directions. */
const RINGS = 14;

/**
 * The points of a part that lie furthest out in about 360 evenly spread directions: enough to know its
 * height and footprint for any rotation without its mesh. Directions are at most 0.1 rad from the nearest
 * sample, so an extent is short by at most r·(1 − cos 0.1) = 0.5 % of the part's radius (handbook 04).
 * positions and result: xyz triples. O(vertices × directions).
 */
export function pickSupportPoints(positions: Float64Array): number[] {
  const directions = spreadDirections();
  const chosen = new Set<number>();
  for (let d = 0; d < directions.length; d += 3) {
    chosen.add(furthestAlong(positions, directions[d]!, directions[d + 1]!, directions[d + 2]!));
  }
  const points: number[] = [];
  for (const v of chosen) points.push(positions[v]!, positions[v + 1]!, positions[v + 2]!);
  return points;
}

/** Offset of the vertex that reaches furthest in a direction. */
function furthestAlong(positions: Float64Array, dx: number, dy: number, dz: number): number {
  let best = -Infinity;
  let at = 0;
  for (let v = 0; v < positions.length; v += 3) {
    const reach = positions[v]! * dx + positions[v + 1]! * dy + positions[v + 2]! * dz;
    if (reach > best) {
      best = reach;
      at = v;
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
