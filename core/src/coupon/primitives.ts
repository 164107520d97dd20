/** A box from `from` to `to`, mm. */
export interface Box {
  kind: 'box';
  from: readonly [number, number, number];
  to: readonly [number, number, number];
}

/** A regular prism standing on z, its corners on the circle of this diameter, mm. */
export interface Pin {
  kind: 'pin';
  centre: readonly [number, number];
  fromZ: number;
  toZ: number;
  diameterMm: number;
}

/** The same lying along y, for holes through a wall. */
export interface Bore {
  kind: 'bore';
  centre: readonly [number, number];
  fromY: number;
  toY: number;
  diameterMm: number;
}
export type Primitive = Box | Pin | Bore;

/** Sides of a round: a 0.3 mm pin of 24 sides is round to a two-hundredth of its diameter. */
const SIDES = 24;

/** Area of a round's outline over its circle's diameter squared. */
export const ROUND_AREA = (SIDES / 8) * Math.sin((2 * Math.PI) / SIDES);

export const box = (from: Box['from'], to: Box['to']): Box => ({ kind: 'box', from, to });

/** Closed surface of one primitive: float32 vertices and triangles, faces outward. */
export function meshOf(solid: Primitive): { positions: Float32Array; triangles: Uint32Array } {
  if (solid.kind === 'box') return boxMesh(solid);
  const along = solid.kind === 'pin' ? [solid.fromZ, solid.toZ] : [solid.fromY, solid.toY];
  const ring = Array.from({ length: SIDES }, (_, i) => {
    const angle = (2 * Math.PI * i) / SIDES;
    return [
      solid.centre[0] + (solid.diameterMm / 2) * Math.cos(angle),
      solid.centre[1] + (solid.diameterMm / 2) * Math.sin(angle),
    ] as const;
  });
  const positions: number[] = [];
  for (const height of along) {
    for (const [u, v] of ring) positions.push(...(solid.kind === 'pin' ? [u, v, height!] : [u, height!, v]));
  }
  return { positions: Float32Array.from(positions), triangles: prismTriangles(solid.kind === 'bore') };
}

/** Two rings of SIDES corners joined; turned over for a prism whose axes are a left-handed set. */
function prismTriangles(turned: boolean): Uint32Array {
  const out: number[] = [];
  for (let i = 0; i < SIDES; i++) {
    const j = (i + 1) % SIDES;
    out.push(i, j, SIDES + i, j, SIDES + j, SIDES + i);
    if (i > 0 && j > 0) out.push(0, j, i, SIDES, SIDES + i, SIDES + j);
  }
  if (turned) for (let t = 0; t < out.length; t += 3) [out[t], out[t + 1]] = [out[t + 1]!, out[t]!];
  return Uint32Array.from(out);
}

const BOX_TRIANGLES = [0, 2, 1, 1, 2, 3, 4, 5, 6, 5, 7, 6, 0, 1, 4, 1, 5, 4, 2, 6, 3, 3, 6, 7, 0, 4, 2, 2, 4, 6, 1, 3, 5, 3, 7, 5]; // prettier-ignore

function boxMesh({ from, to }: Box): { positions: Float32Array; triangles: Uint32Array } {
  const positions = new Float32Array(24);
  for (let i = 0; i < 8; i++) {
    for (let k = 0; k < 3; k++) positions[3 * i + k] = (i >> k) & 1 ? to[k]! : from[k]!;
  }
  return { positions, triangles: Uint32Array.from(BOX_TRIANGLES) };
}
