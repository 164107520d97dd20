import type { Judgement } from '../judge';
import { measureBounds, type WeldedMesh } from '../mesh';
import { quantity, say } from '../numeric';
import { acrossAxis, rayHit, type TriangleTree } from '../solid';

type Place = [number, number, number];
type Mesh = Pick<WeldedMesh, 'positions' | 'triangles'>;

/** What is seen of a gate's place on the part. */
export interface GatePlace {
  /** From the surface. mm. */
  awayMm: number;
  /** It joins the part at a face that is to stay clean. */
  onShow: boolean;
  /** A saw gets at it: from some side its blade passes the gate's foot without touching the part. */
  sawn: boolean;
}

/** A gate further off the surface joins nothing. mm. */
const MIDAIR_MM = 0.3;
/** The blade is laid so far off the surface. Diameters; never nearer than that, mm. */
const BLADE_OFF = 0.35;
const BLADE_OFF_LEAST_MM = 0.4;
/** Sides that the saw is tried from, and places along its way in. */
const SIDES = 24;
const STEPS = 16;

/**
 * Whether a saw gets at a gate. The blade lies square to its way and square to the gate: along all of the way from outside to
 * the gate's far rim, nothing of the part lies on its line. O(sides × steps × log n).
 */
export function sawReaches(
  tree: TriangleTree,
  { radius, middle }: { radius: number; middle: Place },
  gate: { at: Place; normal: Place; diameterMm: number },
): boolean {
  const off = Math.max(BLADE_OFF_LEAST_MM, BLADE_OFF * gate.diameterMm);
  const foot = gate.at.map((v, k) => v + off * gate.normal[k]!) as Place;
  const [u, v] = acrossAxis(gate.normal);
  const reach = radius + Math.hypot(...foot.map((x, k) => x - middle[k]!));
  for (let side = 0; side < SIDES; side++) {
    const a = (2 * Math.PI * side) / SIDES;
    const from = [0, 1, 2].map((k) => Math.cos(a) * u[k]! + Math.sin(a) * v[k]!) as Place;
    const blade = [0, 1, 2].map((k) => Math.cos(a) * v[k]! - Math.sin(a) * u[k]!) as Place;
    const other = blade.map((x) => -x) as Place;
    let free = true;
    for (let step = 0; free && step <= STEPS; step++) {
      // Close steps near the gate, wide ones outside.
      const along = -gate.diameterMm / 2 + (reach + gate.diameterMm / 2) * (step / STEPS) ** 2;
      const at = foot.map((x, k) => x + along * from[k]!) as Place;
      free = rayHit(tree, at, blade) === Infinity && rayHit(tree, at, other) === Infinity;
    }
    if (free) return true;
  }
  return false;
}

/** Places of gates on a part; `show`: one byte a triangle, 1 for a face that is to stay clean. */
export function readGatePlaces(
  mesh: Mesh,
  tree: TriangleTree,
  gates: readonly { at: Place; normal: Place; diameterMm: number }[],
  show?: Uint8Array,
): GatePlace[] {
  const ball = ballRound(mesh);
  const found = { distance2: 0, x: 0, y: 0, z: 0, triangle: 0 };
  return gates.map((gate) => {
    tree.closest(...gate.at, Infinity, found);
    return {
      awayMm: Math.sqrt(found.distance2),
      onShow: show?.[found.triangle] === 1,
      sawn: sawReaches(tree, ball, gate),
    };
  });
}

/** A ball that holds the part. */
export function ballRound({ positions }: Pick<Mesh, 'positions'>): { radius: number; middle: Place } {
  const { min, max } = measureBounds(positions);
  const middle = [0, 1, 2].map((k) => (min[k]! + max[k]!) / 2) as Place;
  return { middle, radius: Math.hypot(...middle.map((v, k) => max[k]! - v)) };
}

/** Centre of mass of a closed surface, by signed tetrahedra round its first corner. mm. O(n). */
export function centreOfMass({ positions: p, triangles }: Mesh): Place {
  const sum = [0, 0, 0];
  let volume = 0;
  const o = [p[0]!, p[1]!, p[2]!];
  for (let t = 0; t < triangles.length; t += 3) {
    const a = 3 * triangles[t]!, b = 3 * triangles[t + 1]!, c = 3 * triangles[t + 2]!; // prettier-ignore
    const ax = p[a]! - o[0]!, ay = p[a + 1]! - o[1]!, az = p[a + 2]! - o[2]!; // prettier-ignore
    const bx = p[b]! - o[0]!, by = p[b + 1]! - o[1]!, bz = p[b + 2]! - o[2]!; // prettier-ignore
    const cx = p[c]! - o[0]!, cy = p[c + 1]! - o[1]!, cz = p[c + 2]! - o[2]!; // prettier-ignore
    const six = ax * (by * cz - bz * cy) + ay * (bz * cx - bx * cz) + az * (bx * cy - by * cx);
    volume += six;
    sum[0]! += six * (ax + bx + cx);
    sum[1]! += six * (ay + by + cy);
    sum[2]! += six * (az + bz + cz);
  }
  return sum.map((v, k) => o[k]! + v / (4 * (volume || 1))) as Place;
}

/** What is wrong with the places of gates. */
export function judgeGatePlaces(places: readonly GatePlace[]): Judgement[] {
  return places.flatMap(({ awayMm, onShow, sawn }, n): Judgement[] => {
    const gate = `Gate ${n + 1}`;
    if (awayMm > MIDAIR_MM)
      return [
        {
          rule: `gate mid-air ${n + 1}`,
          weight: 'fix',
          lead: `${gate} hangs in mid-air.`,
          why: say`It stands ${quantity(awayMm, 'mm', 1)} off the part: press on the part to place it anew.`,
        },
      ];
    return [
      ...(onShow
        ? [
            {
              rule: `gate on show ${n + 1}`,
              weight: 'watch',
              lead: `${gate} is on a show face.`,
              why: say`What is sawn off there is seen: move it, or reckon with filing and polishing it away.`,
            } as const,
          ]
        : []),
      ...(sawn
        ? []
        : [
            {
              rule: `gate unsawn ${n + 1}`,
              weight: 'watch',
              lead: `No straight saw cut reaches gate ${n + 1}.`,
              why: say`From every side that was tried the part lies in the blade's way: it has to be cut off in pieces or ground away.`,
            } as const,
          ]),
    ];
  });
}
