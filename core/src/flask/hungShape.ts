import { InputError } from '../numeric';
import { TriangleTree } from '../solid';
import { frameRoundAxis, hangingPose, posed, type Hanging, type HangingGate, type Pose } from './pose';

/** A part with the gate that it hangs by, as large as it hangs in the flask. */
export interface HungShape {
  gate: HangingGate;
  gateDiameterMm: number;
  /** Surface of the part. */
  tree: TriangleTree;
  /** Surface of the gate; undefined for a gate without length. */
  bar: TriangleTree | undefined;
  /** Ball round both, in the part's axes. */
  middle: readonly [number, number, number];
  radiusMm: number;
  volumeMm3: number;
}

/** A gate is a bar of so many sides round its circle: never thinner than it is. */
const GATE_SIDES = 8;

/**
 * Part and gate for gaps. `scale`: how much larger it hangs than it is drawn; the gate's length and diameter are those of the wax
 * and do not scale.
 */
export function makeHungShape(
  mesh: { positions: ArrayLike<number>; triangles: Uint32Array },
  gate: HangingGate & { diameterMm: number },
  { scale, volumeMm3 }: { scale: number; volumeMm3: number },
): HungShape {
  if (!(scale > 0)) throw new InputError('scale', 'more than 0', scale);
  const at = gate.at.map((v) => v * scale) as [number, number, number];
  const tree = new TriangleTree(
    Float64Array.from(mesh.positions, (v) => v * scale),
    mesh.triangles,
  );
  const bar = gateBar({ ...gate, at });
  return {
    gate: { at, normal: gate.normal, lengthMm: gate.lengthMm },
    gateDiameterMm: gate.diameterMm,
    tree,
    bar,
    ...ballRound([tree.positions, ...(bar ? [bar.positions] : [])]),
    volumeMm3: volumeMm3 * scale ** 3,
  };
}

/** A ball round the box of some corners: not the least, but round all of them. */
function ballRound(corners: readonly Float64Array[]): Pick<HungShape, 'middle' | 'radiusMm'> {
  const low = [Infinity, Infinity, Infinity];
  const high = [-Infinity, -Infinity, -Infinity];
  for (const p of corners)
    for (let v = 0; v < p.length; v++) {
      if (p[v]! < low[v % 3]!) low[v % 3] = p[v]!;
      if (p[v]! > high[v % 3]!) high[v % 3] = p[v]!;
    }
  const middle = [0, 1, 2].map((k) => (low[k]! + high[k]!) / 2) as [number, number, number];
  let radius2 = 0;
  for (const p of corners)
    for (let v = 0; v < p.length; v += 3) {
      const away2 = (p[v]! - middle[0]) ** 2 + (p[v + 1]! - middle[1]) ** 2 + (p[v + 2]! - middle[2]) ** 2;
      if (away2 > radius2) radius2 = away2;
    }
  return { middle, radiusMm: Math.sqrt(radius2) };
}

/** Corners this near the furthest one are one end. mm. */
const END_MM = 0.2;

/** Where a gate along a direction leaves a part that has no place for it: the middle of its end there. */
export function endOf(
  positions: ArrayLike<number>,
  normal: readonly [number, number, number],
): [number, number, number] {
  const along = (v: number): number =>
    normal[0] * positions[v]! + normal[1] * positions[v + 1]! + normal[2] * positions[v + 2]!;
  let furthest = -Infinity;
  for (let v = 0; v < positions.length; v += 3) furthest = Math.max(furthest, along(v));
  const low = [Infinity, Infinity, Infinity];
  const high = [-Infinity, -Infinity, -Infinity];
  for (let v = 0; v < positions.length; v += 3) {
    if (along(v) < furthest - END_MM) continue;
    for (let k = 0; k < 3; k++) {
      low[k] = Math.min(low[k]!, positions[v + k]!);
      high[k] = Math.max(high[k]!, positions[v + k]!);
    }
  }
  return [0, 1, 2].map((k) => (low[k]! + high[k]!) / 2) as [number, number, number];
}

/** The gate as a bar along its direction; without length there is none. */
function gateBar({
  at,
  normal,
  lengthMm,
  diameterMm,
}: HangingGate & { diameterMm: number }): TriangleTree | undefined {
  if (!(lengthMm > 0) || !(diameterMm > 0)) return undefined;
  const length = Math.hypot(...normal) || 1;
  const along = normal.map((v) => v / length) as [number, number, number];
  const [u, w] = frameRoundAxis(along);
  const radius = diameterMm / 2 / Math.cos(Math.PI / GATE_SIDES);
  const positions: number[] = [];
  for (const end of [0, lengthMm])
    for (let n = 0; n < GATE_SIDES; n++) {
      const [c, s] = [Math.cos((2 * Math.PI * n) / GATE_SIDES), Math.sin((2 * Math.PI * n) / GATE_SIDES)];
      for (let k = 0; k < 3; k++) positions.push(at[k]! + end * along[k]! + radius * (c * u[k]! + s * w[k]!));
    }
  const triangles: number[] = [];
  for (let n = 0; n < GATE_SIDES; n++) {
    const m = (n + 1) % GATE_SIDES;
    triangles.push(n, m, GATE_SIDES + n, m, GATE_SIDES + m, GATE_SIDES + n);
    if (n > 1) triangles.push(0, n, n - 1, GATE_SIDES, GATE_SIDES + n - 1, GATE_SIDES + n);
  }
  return new TriangleTree(Float64Array.from(positions), Uint32Array.from(triangles));
}

/** How far a shape reaches as it hangs: from the flask's axis, and between which heights. Exact: corners reach furthest. */
export function reachOf(
  { gate, tree: { positions } }: HungShape,
  hanging: Hanging,
): {
  reachMm: number;
  lowestMm: number;
  highestMm: number;
} {
  const { turn: m, at } = hangingPose(gate, hanging);
  let [reach2, lowestMm, highestMm] = [0, Infinity, -Infinity];
  for (let v = 0; v < positions.length; v += 3) {
    const [px, py, pz] = [positions[v]!, positions[v + 1]!, positions[v + 2]!];
    const x = m[0]! * px + m[1]! * py + m[2]! * pz + at[0];
    const y = m[3]! * px + m[4]! * py + m[5]! * pz + at[1];
    const z = m[6]! * px + m[7]! * py + m[8]! * pz + at[2];
    const away2 = x * x + y * y;
    if (away2 > reach2) reach2 = away2;
    if (z < lowestMm) lowestMm = z;
    if (z > highestMm) highestMm = z;
  }
  return { reachMm: Math.sqrt(reach2), lowestMm, highestMm };
}

/** The middle of its ball as it hangs. */
export const middleOf = (shape: HungShape, pose: Pose): readonly [number, number, number] =>
  posed(pose, shape.middle);
