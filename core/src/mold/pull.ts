import { rotatePoints } from '../orient';
import type { WeldedMesh } from '../mesh';
import { acrossAxis } from '../solid';

export type Direction = readonly [number, number, number];
export type PartMesh = Pick<WeldedMesh, 'positions' | 'triangles'>;

/** A part turned so that its mold opens along z, and the turn that brought it there (row by row). mm. */
export interface PulledPart {
  positions: Float64Array;
  triangles: Uint32Array;
  turn: readonly number[];
}

/** Rows of the turn that brings a direction upright: right-handed, without stretch. */
export function uprightTurn(direction: Direction): number[] {
  const [u, v] = acrossAxis(direction);
  const right =
    u[0]! * (v[1]! * direction[2] - v[2]! * direction[1]) +
      u[1]! * (v[2]! * direction[0] - v[0]! * direction[2]) +
      u[2]! * (v[0]! * direction[1] - v[1]! * direction[0]) >
    0;
  const [a, b] = right ? [u, v] : [v, u];
  return [a[0]!, a[1]!, a[2]!, b[0]!, b[1]!, b[2]!, direction[0], direction[1], direction[2]];
}

/** The part as it lies in its mold. `scale`: how much larger the cavity is than the part is drawn. */
export function pullAlong({ positions, triangles }: PartMesh, direction: Direction, scale = 1): PulledPart {
  const length = Math.hypot(...direction) || 1;
  const unit = direction.map((v) => v / length) as unknown as Direction;
  const turn = uprightTurn(unit);
  const turned = rotatePoints(positions, turn);
  if (scale !== 1) for (let n = 0; n < turned.length; n++) turned[n]! *= scale;
  return { positions: turned, triangles, turn };
}

export type Place = [number, number, number];

/** A place in the axes of the pull back in the axes and the size that the part was drawn in: by the turn's columns. */
export const asDrawn = (at: Readonly<Place>, turn: readonly number[], scale: number): Place =>
  [0, 1, 2].map((k) => (turn[k]! * at[0] + turn[3 + k]! * at[1] + turn[6 + k]! * at[2]) / scale) as Place;
