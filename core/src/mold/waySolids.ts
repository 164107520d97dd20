import { roundSolid, type SolidMesh } from '../sprue';
import { VENT_WIDTH_MM, type SprueForm } from './channels';
import type { Channel } from './partingSurface';
import type { Direction } from './pull';

/** The seat of the nozzle takes so much of the way's end, at most. mm. */
const SEAT_MM = 6;

/** The way of the wax as a body: its neck, and the seat that widens to the block's edge. */
export function sprueSolid({ from, to }: Channel, { neckMm, nozzleMm }: SprueForm): SolidMesh {
  const axis = [to[0] - from[0], to[1] - from[1], to[2] - from[2]] as const;
  const length = Math.hypot(...axis);
  const seat = Math.min(SEAT_MM, length / 2);
  const unit = axis.map((v) => v / length) as unknown as Direction;
  return roundSolid(from, unit, [[0, neckMm / 2], [length - seat, neckMm / 2], [length, nozzleMm / 2]]); // prettier-ignore
}

/** A vent is as deep as wax does not follow. mm. */
const VENT_DEPTH_MM = 0.3;

/** The way of the air as a flat bar, half of it in each half of the mold. */
export function ventSolid({ from, to }: Channel): SolidMesh {
  const [dx, dy] = [to[0] - from[0], to[1] - from[1]];
  const length = Math.hypot(dx, dy) || 1;
  const [sx, sy] = [(-dy / length) * (VENT_WIDTH_MM / 2), (dx / length) * (VENT_WIDTH_MM / 2)];
  const h = VENT_DEPTH_MM / 2;
  const positions = [from, to].flatMap(([x, y, z]) => [
    x + sx, y + sy, z - h, x - sx, y - sy, z - h, x - sx, y - sy, z + h, x + sx, y + sy, z + h,
  ]); // prettier-ignore
  const triangles = [0, 1, 2, 0, 2, 3, 4, 6, 5, 4, 7, 6];
  for (let n = 0; n < 4; n++) {
    const m = (n + 1) % 4;
    triangles.push(n, 4 + m, m, n, 4 + n, 4 + m);
  }
  return { positions: Float32Array.from(positions), triangles: Uint32Array.from(triangles) };
}
