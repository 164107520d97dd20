import type { Closest, TriangleTree } from './triangleTree';

/** Shrinking stops when the surface comes no nearer than this share of the radius. */
const SHRINK_TOLERANCE = 2e-3;
const SHRINK_STEPS = 12;
/** cos 30°: a second touch this close to the first is a neighbouring facet of a round surface, not another side. */
const FACET_COS = 0.866;

/** The ball that touches the surface where it is nearest to a point, and somewhere else. */
export class ShrinkingBall {
  x = 0;
  y = 0;
  z = 0;
  radius = 0;
  /** Cosine between the directions to the two touching points; 1 when there is only one. */
  cos = 1;
  /** From the centre towards where the two touching surfaces meet; its length is twice the sine of half their angle. */
  readonly tip: [number, number, number] = [0, 0, 0];
  private readonly hit: Closest = { distance2: 0, x: 0, y: 0, z: 0, triangle: 0 };

  constructor(private readonly tree: TriangleTree) {}

  /**
   * From a point near the surface (`nearMm` at most) the ball grows away from it. `tryMm` is the first radius;
   * it is never exceeded. False: no surface within reach, or the point lies on it.
   */
  from(x: number, y: number, z: number, nearMm: number, tryMm: number): boolean {
    const { hit, tree } = this;
    if (!tree.closest(x, y, z, nearMm * nearMm, hit)) return false;
    const away = Math.sqrt(hit.distance2);
    // On the surface itself there is no direction to grow in.
    if (away < 1e-4 * nearMm) return false;
    const [cx, cy, cz] = [hit.x, hit.y, hit.z];
    const [nx, ny, nz] = [(x - cx) / away, (y - cy) / away, (z - cz) / away];
    let radius = Math.max(tryMm, away);
    this.cos = 1;
    this.tip.fill(0);
    for (let step = 0; step < SHRINK_STEPS; step++) {
      const [mx, my, mz] = [cx + nx * radius, cy + ny * radius, cz + nz * radius];
      if (!tree.closest(mx, my, mz, (radius * (1 - SHRINK_TOLERANCE)) ** 2, hit)) break;
      const [dx, dy, dz] = [hit.x - cx, hit.y - cy, hit.z - cz];
      const along = dx * nx + dy * ny + dz * nz;
      const next = (dx * dx + dy * dy + dz * dz) / (2 * along);
      if (!(along > 0) || !(next < radius)) break;
      // Angle at the new centre between the way to c (−n) and the way to the hit (d − r·n).
      const cos = 1 - along / next;
      if (cos > FACET_COS) break;
      radius = next;
      this.cos = cos;
      this.tip[0] = dx / next - 2 * nx;
      this.tip[1] = dy / next - 2 * ny;
      this.tip[2] = dz / next - 2 * nz;
    }
    this.x = cx + nx * radius;
    this.y = cy + ny * radius;
    this.z = cz + nz * radius;
    this.radius = radius;
    return true;
  }

  /** Once more from the centre found: seen from there a facet's own tilt no longer turns the direction. */
  again(tryMm: number): boolean {
    return this.from(this.x, this.y, this.z, this.radius * 1.05, tryMm);
  }
}
