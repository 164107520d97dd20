import { acrossAxis } from '../solid';

type Place = readonly [number, number, number];
export interface SolidMesh {
  positions: Float32Array;
  triangles: Uint32Array;
}

/** Sides of a round sprue as it is printed: a flat is under a hundredth of a millimetre on a 3 mm one. */
export const ROUND_SIDES = 40;

/** Turned a little, its corners fall elsewhere. */
const TURN_RAD = (2 * Math.PI) / 7;

/**
 * A body of revolution: `outline` as [along the axis, radius] from one end to the other, mm; both ends are closed by a point
 * on the axis. Outward faces. O(corners). `turn`: its sides turned by so many seventh parts of one.
 */
export function roundSolid(
  at: Place,
  axis: Place,
  outline: readonly (readonly [number, number])[],
  turn = 0,
): SolidMesh {
  const sides = ROUND_SIDES;
  const [u, v] = acrossAxis(axis);
  const rings = outline.length;
  const positions = new Float32Array(3 * (rings * sides + 2));
  const put = (index: number, along: number, radius: number, angle: number): void => {
    const [c, s] = [radius * Math.cos(angle), radius * Math.sin(angle)];
    for (let k = 0; k < 3; k++) positions[3 * index + k] = at[k]! + along * axis[k]! + c * u[k]! + s * v[k]!;
  };
  outline.forEach(([along, radius], ring) => {
    for (let n = 0; n < sides; n++)
      put(ring * sides + n, along, radius, (2 * Math.PI * n + TURN_RAD * turn) / sides);
  });
  const [foot, tip] = [rings * sides, rings * sides + 1];
  put(foot, outline[0]![0], 0, 0);
  put(tip, outline.at(-1)![0], 0, 0);
  const triangles: number[] = [];
  for (let n = 0; n < sides; n++) {
    const next = (n + 1) % sides;
    triangles.push(foot, next, n, tip, (rings - 1) * sides + n, (rings - 1) * sides + next);
    for (let ring = 0; ring + 1 < rings; ring++) {
      const [a, b] = [ring * sides + n, ring * sides + next];
      triangles.push(a, b, b + sides, a, b + sides, a + sides);
    }
  }
  // Across, across and along are not always a right-handed set.
  const right = u[0]! * (v[1]! * axis[2] - v[2]! * axis[1]) + u[1]! * (v[2]! * axis[0] - v[0]! * axis[2]) + u[2]! * (v[0]! * axis[1] - v[1]! * axis[0]) > 0; // prettier-ignore
  if (!right)
    for (let t = 0; t < triangles.length; t += 3)
      [triangles[t + 1], triangles[t + 2]] = [triangles[t + 2]!, triangles[t + 1]!];
  return { positions, triangles: Uint32Array.from(triangles) };
}

/** Quarter circles of a fillet, as steps of the outline. */
const FILLET_STEPS = 6;

/** A gate's outline: sunk into the part, its fillet at the part's surface, then straight. mm. */
export function gateOutline(gate: {
  radiusMm: number;
  lengthMm: number;
  flareMm: number;
  sunkMm: number;
}): [number, number][] {
  const { radiusMm: r, lengthMm, sunkMm } = gate;
  const flare = Math.min(gate.flareMm, 0.9 * lengthMm);
  const outline: [number, number][] = [[-sunkMm, 0.6 * r]];
  for (let n = 0; n <= FILLET_STEPS && flare > 0; n++) {
    const angle = (Math.PI / 2) * (n / FILLET_STEPS);
    outline.push([flare * (1 - Math.cos(angle)), r + flare * (1 - Math.sin(angle))]);
  }
  if (flare === 0) outline.push([0, r]);
  outline.push([lengthMm, r]);
  return outline;
}

/** A round bar between two places with a ball at each end, so that bars that meet leave no gap. */
export function barBetween(from: Place, to: Place, radiusMm: number, turn = 0): SolidMesh {
  const way = [0, 1, 2].map((k) => to[k]! - from[k]!);
  const length = Math.hypot(...way);
  const axis = (length > 1e-9 ? way.map((v) => v / length) : [0, 0, 1]) as [number, number, number];
  const outline: [number, number][] = [];
  const steps = 8;
  for (let n = 0; n <= steps; n++) {
    const angle = (Math.PI / 2) * (n / steps);
    outline.push([-radiusMm * Math.cos(angle), Math.max(1e-3, radiusMm * Math.sin(angle))]);
  }
  for (let n = 0; n <= steps; n++) {
    const angle = (Math.PI / 2) * (n / steps);
    outline.push([length + radiusMm * Math.sin(angle), Math.max(1e-3, radiusMm * Math.cos(angle))]);
  }
  return roundSolid(from, axis, outline, turn);
}
