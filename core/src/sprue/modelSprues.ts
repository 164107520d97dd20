import {
  checkTopology,
  isClosed,
  measureBounds,
  measureSolid,
  weldEqual,
  type Topology,
  type WeldedMesh,
} from '../mesh';
import { acrossAxis, joined, rayHit, splitShells, TriangleTree, type BooleanEngine } from '../solid';
import type { SprueMark, SprueSection } from './cutSprues';
import { barBetween, gateOutline, roundSolid, type SolidMesh } from './roundSolid';
import type { Point } from './rodAt';

/** A gate that is drawn into the print. mm, in the file's axes. */
export interface ModelledGate {
  at: Point;
  /** Away from the part; unit vector. */
  direction: Point;
  diameterMm: number;
  lengthMm: number;
  flareMm: number;
}

/** The sprue that the gates lead to; without it each gate ends by itself. */
export interface ModelledSprue {
  diameterMm: number;
  lengthMm: number;
  /** A cone at its end, that it stands on. */
  base: { diameterMm: number; heightMm: number } | null;
}

type Mesh = Pick<WeldedMesh, 'positions' | 'triangles'>;

export type ModelledSprues =
  | {
      status: 'made';
      united: Mesh;
      volumeMm3: number;
      /** Sprues that the united file holds, as they would be marked by hand. */
      marks: SprueMark[];
      sections: SprueSection[];
    }
  /**
   * 'open': only a closed part can be united; 'mid-air': the gate does not touch the part; 'into the part': it, or its way to
   * the sprue, runs into the part again; 'not one': the engine left what does not hold together.
   */
  | { status: 'refused'; gate: number; why: 'open' | 'mid-air' | 'into the part' | 'not one' };

/** Further off the surface, a gate joins nothing. mm. */
const MIDAIR_MM = 0.3;
/** A gate goes in by half of the wall at most, so that it never comes out behind. */
const SUNK_SHARE = 0.5;
/** The wall opposite is deeper than this. mm. */
const SKIN_MM = 0.05;
/**
 * A bar is thicker than its gate by this, and a ball than its bar: surfaces that all but coincide leave slivers that float32 tears.
 * Where one is torn all the same, the round bodies are turned a little and united anew, so many times.
 */
const BAR_OVER = 1.03;
const TURNS = 4;
/** Bars keep this far from the part beyond the gate's own foot. mm. */
const KEEP_OFF_MM = 0.3;

/**
 * Gates, the way of each to one sprue, the sprue and its base as round solids, united exactly with the part (handbook 05,
 * "Sprues into the print"). The sprue runs on from the middle of the gates' ends, along their mean direction.
 * O(n log n) by the engine.
 */
export function modelSprues(
  part: WeldedMesh,
  gates: readonly ModelledGate[],
  sprue: ModelledSprue | null,
  engine: BooleanEngine<unknown>,
): ModelledSprues {
  const topology = checkTopology(part);
  if (!isClosed(topology)) return { status: 'refused', gate: 0, why: 'open' };
  const tree = new TriangleTree(part.positions, part.triangles);
  const run = sprue && runOf(gates, sprue);
  for (const [n, gate] of gates.entries()) {
    const why = cannot(tree, gate, run);
    if (why) return { status: 'refused', gate: n, why };
  }
  const prepared = prepare(part, topology);
  for (let turn = 0; turn < TURNS; turn++) {
    const bodies = [
      ...gates.flatMap((gate) => [
        gateSolid(tree, gate, turn),
        ...(run ? [barBetween(endOf(gate), run.joint, (BAR_OVER * gate.diameterMm) / 2, turn)] : []),
      ]),
      ...(run && sprue ? sprueSolids(run, sprue, turn) : []),
    ];
    const found = unite(prepared, bodies, gates, engine);
    if (found.status === 'made' || found.why !== 'not one') return found;
  }
  return { status: 'refused', gate: 0, why: 'not one' };
}

const endOf = ({ at, direction, lengthMm }: ModelledGate): Point =>
  at.map((v, k) => v + lengthMm * direction[k]!) as Point;

interface Run {
  /** Where the gates meet the sprue. */
  joint: Point;
  axis: Point;
}

/** Gates of a part meet where each comes in at 45° or steeper. */
function runOf(gates: readonly ModelledGate[], { diameterMm }: ModelledSprue): Run {
  const sum = [0, 1, 2].map((k) => gates.reduce((s, { direction }) => s + direction[k]!, 0));
  const length = Math.hypot(...sum);
  // Gates that look against each other have no direction in common: the sprue leaves downward.
  const axis = (length > 0.2 * gates.length ? sum.map((v) => v / length) : [0, 0, -1]) as Point;
  const ends = gates.map(endOf);
  const middle = [0, 1, 2].map((k) => ends.reduce((s, end) => s + end[k]! / ends.length, 0)) as Point;
  const along = (p: Point): number => p.reduce((s, v, k) => s + (v - middle[k]!) * axis[k]!, 0);
  const aside = (p: Point): number => Math.hypot(...p.map((v, k) => v - middle[k]! - along(p) * axis[k]!));
  const ahead = Math.max(0, ...ends.map((end) => along(end) + aside(end)));
  const joint = middle.map((v, k) => v + (ahead + (gates.length > 1 ? diameterMm / 4 : 0)) * axis[k]!);
  return { joint: joint as Point, axis };
}

function cannot(
  tree: TriangleTree,
  gate: ModelledGate,
  run: Run | null,
): 'mid-air' | 'into the part' | undefined {
  const found = { distance2: 0, x: 0, y: 0, z: 0, triangle: 0 };
  const far = (p: Point): number => (tree.closest(...p, Infinity, found) ? Math.sqrt(found.distance2) : 0);
  if (far(gate.at) > MIDAIR_MM) return 'mid-air';
  const radius = gate.diameterMm / 2;
  const start = gate.at.map((v, k) => v + MIDAIR_MM * gate.direction[k]!) as Point;
  if (rayHit(tree, start, gate.direction) < gate.lengthMm) return 'into the part';
  if (!run) return undefined;
  const end = endOf(gate);
  const way = run.joint.map((v, k) => v - end[k]!);
  const steps = Math.max(2, Math.ceil(Math.hypot(...way) / Math.max(0.2, radius / 2)));
  for (let n = 0; n <= steps; n++) {
    const p = end.map((v, k) => v + (way[k]! * n) / steps) as Point;
    // Near its own foot a short gate is bound to be near the part.
    const fromFoot = Math.hypot(...p.map((v, k) => v - gate.at[k]!));
    if (far(p) < Math.min(radius + KEEP_OFF_MM, 0.7 * fromFoot)) return 'into the part';
  }
  return undefined;
}

/** The solid of one gate on a part; for whoever unites it himself. */
export const gateSolidOf = (part: Mesh, gate: ModelledGate): SolidMesh =>
  gateSolid(new TriangleTree(part.positions, part.triangles), gate, 0);

function gateSolid(
  tree: TriangleTree,
  { at, direction, diameterMm, lengthMm, flareMm }: ModelledGate,
  turn: number,
): SolidMesh {
  const inward = direction.map((v) => -v) as Point;
  const found = { distance2: 0, x: 0, y: 0, z: 0, triangle: 0 };
  tree.closest(...at, Infinity, found);
  // A place that was pressed lies a hair off the surface: the wall begins where the surface is.
  const offMm = Math.sqrt(found.distance2);
  const wall = rayHit(tree, [found.x, found.y, found.z], inward, SKIN_MM);
  const radiusMm = diameterMm / 2;
  const sunkMm = offMm + Math.min(Number.isFinite(wall) ? SUNK_SHARE * wall : Infinity, radiusMm + flareMm);
  return roundSolid(at, direction, gateOutline({ radiusMm, lengthMm, flareMm, sunkMm }), turn);
}

function sprueSolids(
  { joint, axis }: Run,
  { diameterMm, lengthMm, base }: ModelledSprue,
  turn: number,
): SolidMesh[] {
  const bar = roundSolid(
    joint,
    axis,
    [
      [0, diameterMm / 2],
      [lengthMm, diameterMm / 2],
    ],
    turn,
  );
  // A ball at the joint takes in bars that come from all sides.
  const ball = barBetween(joint, joint, (BAR_OVER ** 2 * diameterMm) / 2, turn);
  if (!base) return [bar, ball];
  // The bar ends inside of the cone, so that no two ends coincide.
  const cone = roundSolid(
    joint.map((v, k) => v + lengthMm * axis[k]!) as Point,
    axis,
    [
      [-base.heightMm, (BAR_OVER * diameterMm) / 2],
      [0.01, Math.max(base.diameterMm, BAR_OVER * diameterMm) / 2],
    ],
    turn,
  );
  return [bar, ball, cone];
}

/** The part as the engine takes it: its bodies as one, and its hollows, which stay as they are. */
interface Prepared {
  bodies: readonly Mesh32[];
  hollows: readonly Mesh32[];
  hollowMm3: number;
}
type Mesh32 = { positions: Float32Array; triangles: Uint32Array };

function prepare(part: WeldedMesh, topology: Topology): Prepared {
  const { shellVolumesMm3 } = measureSolid(part, topology, measureBounds(part.positions));
  // One body is taken as it is: splitting it copies every corner.
  const shells =
    topology.shells === 1
      ? [{ positions: Float32Array.from(part.positions), triangles: part.triangles }]
      : splitShells(part, topology);
  const isHollow = (n: number): boolean => shellVolumesMm3[n]! < 0;
  return {
    bodies: shells.filter((_, n) => !isHollow(n)),
    hollows: shells.filter((_, n) => isHollow(n)),
    hollowMm3: shellVolumesMm3.filter((v) => v < 0).reduce((sum, v) => sum + v, 0),
  };
}

function unite(
  { bodies, hollows, hollowMm3 }: Prepared,
  sprues: readonly SolidMesh[],
  gates: readonly ModelledGate[],
  engine: BooleanEngine<unknown>,
): ModelledSprues {
  const made: unknown[] = [];
  const keep = (body: unknown): unknown => {
    made.push(body);
    return body;
  };
  const take = ({ positions, triangles }: Mesh32): unknown => keep(engine.create(positions, triangles));
  try {
    const own = bodies.map(take);
    const piece = own.length === 1 ? own[0] : keep(engine.union(own));
    const whole = keep(engine.union([piece, ...sprues.map(take)]));
    const one = asOne(engine.mesh(whole), bodies.length);
    if (!one) return { status: 'refused', gate: 0, why: 'not one' };
    const { filledMm3, ...mesh } = one;
    const volumeMm3 = engine.volumeMm3(whole) + filledMm3;
    const added = (volumeMm3 - engine.volumeMm3(piece)) / gates.length;
    return {
      status: 'made',
      united: hollows.length > 0 ? joined([mesh, ...hollows]) : mesh,
      volumeMm3: volumeMm3 + hollowMm3,
      marks: gates.map(markOf),
      sections: gates.map(({ at, direction, diameterMm }) => ({
        at,
        axis: direction,
        diameterMm,
        volumeMm3: added,
      })),
    };
  } catch {
    return { status: 'refused', gate: 0, why: 'open' };
  } finally {
    for (const body of made) engine.release(body);
  }
}

/**
 * The union as a file holds it: in float32, where corners that became equal are one. Crevices that a fillet closes off are filled. Null
 * where it is torn, or where a gate hangs beside the part.
 */
function asOne(mesh: Mesh, bodies: number): (Mesh & { filledMm3: number }) | null {
  const welded = weldEqual({ positions: Float32Array.from(mesh.positions), triangles: mesh.triangles }, 1);
  const topology = checkTopology(welded);
  if (!isClosed(topology)) return null;
  if (topology.shells <= bodies) return { ...welded, filledMm3: 0 };
  const { shellVolumesMm3 } = measureSolid(welded, topology, measureBounds(welded.positions));
  const outer = splitShells(welded, topology).filter((_, n) => shellVolumesMm3[n]! > 0);
  const filledMm3 = shellVolumesMm3.reduce((sum, v) => sum - Math.min(0, v), 0);
  return outer.length <= bodies ? { ...joined(outer), filledMm3 } : null;
}

/** Where the gate would be pressed to cut it off again: on its side, past the fillet. */
function markOf({ at, direction, diameterMm, lengthMm, flareMm }: ModelledGate): SprueMark {
  const past = Math.min(flareMm + 0.1, 0.95 * lengthMm);
  const along = (past + lengthMm) / 2;
  const [u] = acrossAxis(direction);
  return {
    by: 'cut',
    at: at.map((v, k) => v + along * direction[k]! + (diameterMm / 2) * u[k]!) as Point,
    shiftMm: 0,
  };
}
