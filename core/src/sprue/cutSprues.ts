import { checkTopology, isClosed, measureBounds, measureSolid, type WeldedMesh } from '../mesh';
import { acrossAxis, joined, splitShells, uniteShells, type BooleanEngine } from '../solid';
import { faceAt, rodAt, type Point, type Rod } from './rodAt';

/** A sprue in the file, as the user marks it. */
export interface SprueMark {
  /** A body of its own, or a part of one body that is cut off where the place lies. */
  by: 'body' | 'cut';
  /** A place on its surface, in the file's mm. */
  at: Point;
  /** The cut moved along the sprue, away from the piece. mm. */
  shiftMm: number;
  /** The greater part is the sprue: a light piece on a heavy base. */
  greater?: boolean | undefined;
}

/** Where a sprue in the file meets the piece: the gate that is there already. */
export interface SprueSection {
  /** The middle of the cut; of a body, its place that was marked. */
  at: Point;
  /** Along the sprue, away from the piece. */
  axis: Point;
  /** Round bar with the same section. mm. */
  diameterMm: number;
  /** What is taken away there. */
  volumeMm3: number;
}

type Mesh = Pick<WeldedMesh, 'positions' | 'triangles'>;

export type SprueCut =
  | { status: 'cut'; piece: Mesh; sections: SprueSection[] }
  /**
   * A mark cannot be taken. 'no rod': nothing like a sprue there; 'open': a cut needs a closed surface; 'joined': what lies
   * beyond it joins the part elsewhere too; 'too much': it would take half of the part or more; 'twice': another mark takes
   * both sides of it.
   */
  | { status: 'refused'; mark: number; why: 'no rod' | 'open' | 'joined' | 'too much' | 'twice' };

/** A sprue is less than this share of the file. */
const SHARE_MAX = 0.5;
/** A cut takes out a disc twice so thick, and so much wider than the rod. mm; times its diameter. */
const HALF_CUT_MM = 2.5e-4;
const DISC_WIDE = 1.6;
/** A corner this near the plane lies on it: the engine's numbers are float32. mm. */
const ON_PLANE_MM = 1e-4;
/** A mark further than this from the surface is not on it. mm. */
const OFF_SURFACE_MM = 0.1;

const dot = (a: ArrayLike<number>, b: ArrayLike<number>): number =>
  a[0]! * b[0]! + a[1]! * b[1]! + a[2]! * b[2]!;
const roundDiameter = (areaMm2: number): number => Math.sqrt((4 * areaMm2) / Math.PI);

/**
 * The piece without the sprues that its file holds: bodies are left out, and what is of one body with the piece is cut
 * off across the rod that each mark lies on. All cuts are laid at once, so that a sprue with several feet comes off by
 * a mark on each; the largest part left is the piece, unless a mark says that it is the sprue. O(n log n).
 */
export function cutSprues(
  file: WeldedMesh,
  marks: readonly SprueMark[],
  engine: BooleanEngine<unknown>,
): SprueCut {
  const bodies = dropBodies(file, marks);
  if ('refused' in bodies) return { status: 'refused', ...bodies.refused };
  const { rest, dropped } = bodies;
  const cuts: { mark: number; rod: Rod; shiftMm: number }[] = [];
  for (const [mark, { by, at, shiftMm }] of marks.entries()) {
    if (by === 'body') continue;
    const rod = faceAt(rest, at).awayMm > OFF_SURFACE_MM ? null : rodAt(rest, at);
    if (!rod) return { status: 'refused', mark, why: 'no rod' };
    cuts.push({ mark, rod, shiftMm });
  }
  const sectionsOf = (found: ReadonlyMap<number, SprueSection>): SprueSection[] =>
    marks.map((_, n) => (dropped.get(n) ?? found.get(n))!);
  if (cuts.length === 0) return { status: 'cut', piece: rest, sections: sectionsOf(dropped) };
  const whole = closedBody(rest, engine);
  if (!whole) return { status: 'refused', mark: cuts[0]!.mark, why: 'open' };
  const made: unknown[] = [];
  const kit: Kit = {
    engine,
    keep: (solid) => {
      made.push(solid);
      return solid;
    },
  };
  try {
    const body = kit.keep(engine.create(Float32Array.from(whole.positions), whole.triangles));
    // Which way each sprue goes is known only once it has been cut.
    const greater = marks.some((mark) => mark.greater);
    const look = cutAll(body, cuts.map(({ mark, rod }) => ({ mark, ...rod })), greater, kit); // prettier-ignore
    if ('why' in look) return { status: 'refused', ...look };
    const moved = cuts.map(({ mark, rod, shiftMm }) => {
      const { axis } = look.sections.get(mark)!;
      return { mark, ...rod, axis, at: rod.at.map((v, k) => v + shiftMm * axis[k]!) as Point };
    });
    const found = cuts.every(({ shiftMm }) => shiftMm === 0) ? look : cutAll(body, moved, greater, kit);
    if ('why' in found) return { status: 'refused', ...found };
    // Moved past the middle, what was the piece is the lesser part.
    const turned = moved.find(({ mark, axis }) => dot(axis, found.sections.get(mark)!.axis) < 0);
    if (turned) return { status: 'refused', mark: turned.mark, why: 'too much' };
    return { status: 'cut', piece: engine.mesh(found.piece), sections: sectionsOf(found.sections) };
  } finally {
    for (const solid of made) engine.release(solid);
  }
}

/** An engine that remembers what it made. */
interface Kit {
  engine: BooleanEngine<unknown>;
  keep: <T>(solid: T) => T;
}

/** The mesh as one closed body, or null. */
function closedBody(mesh: WeldedMesh, engine: BooleanEngine<unknown>): Mesh | null {
  const topology = checkTopology(mesh);
  if (!isClosed(topology) || topology.crowdedEdges > 0) return null;
  const { shellVolumesMm3 } = measureSolid(mesh, topology, measureBounds(mesh.positions));
  return uniteShells(mesh, topology, shellVolumesMm3, engine);
}

interface Cut extends Rod {
  mark: number;
}

/** Lays all cuts; what they part from the largest piece is sprue, or the largest itself where `greater` says so. */
function cutAll(
  body: unknown,
  cuts: readonly Cut[],
  greater: boolean,
  { engine, keep }: Kit,
):
  | { piece: unknown; sections: Map<number, SprueSection> }
  | { mark: number; why: 'joined' | 'too much' | 'twice' } {
  const discs = cuts.map((cut) => keep(disc(cut, engine)));
  const parts = engine
    .pieces(keep(engine.subtract(body, keep(engine.union(discs)))))
    .map((solid) => ({ solid: keep(solid), mesh: engine.mesh(solid), volumeMm3: engine.volumeMm3(solid) }))
    .sort((a, b) => b.volumeMm3 - a.volumeMm3);
  const piece = parts[greater ? 1 : 0];
  const gone = new Set<(typeof parts)[number]>();
  const sections = new Map<number, SprueSection>();
  for (const { mark, axis, at, diameterMm } of cuts) {
    const sides = [1, -1].map((turn) => {
      const away = axis.map((v) => v * turn) as Point;
      const offsetMm = dot(away, at) + HALF_CUT_MM;
      const touching = parts
        .map((part) => ({ part, away, ...facesOn(part.mesh, away, offsetMm, { at, withinMm: diameterMm }) }))
        .filter(({ areaMm2 }) => areaMm2 > 0);
      return touching.sort((a, b) => b.areaMm2 - a.areaMm2)[0];
    });
    const [one, other] = sides;
    if (!one || !other || one.part === other.part)
      return { mark, why: one && one.part !== piece ? 'twice' : 'joined' };
    const off = one.part === piece || (other.part !== piece && other.part.volumeMm3 < one.part.volumeMm3) ? other : one; // prettier-ignore
    const volumeMm3 = gone.has(off.part) ? 0 : off.part.volumeMm3;
    gone.add(off.part);
    sections.set(mark, {
      at: off.middle,
      axis: off.away,
      diameterMm: roundDiameter(off.areaMm2),
      volumeMm3,
    });
  }
  const left = parts.filter((part) => !gone.has(part)).map(({ solid }) => solid);
  const lost = [...gone].reduce((sum, { volumeMm3 }) => sum + volumeMm3, 0);
  if (!greater && lost > SHARE_MAX * engine.volumeMm3(body)) return { mark: cuts[0]!.mark, why: 'too much' };
  return { piece: left.length === 1 ? left[0] : keep(engine.union(left)), sections };
}

/** A thin disc across a rod. */
function disc({ at, axis, diameterMm }: Rod, engine: BooleanEngine<unknown>): unknown {
  const [u, v] = acrossAxis(axis);
  const around = 32;
  const radius = (DISC_WIDE * diameterMm) / 2;
  const positions: number[] = [];
  for (const side of [-1, 1]) {
    for (let n = 0; n < around; n++) {
      const a = (2 * Math.PI * n) / around;
      for (let k = 0; k < 3; k++)
        positions.push(
          at[k]! + side * HALF_CUT_MM * axis[k]! + radius * (Math.cos(a) * u[k]! + Math.sin(a) * v[k]!),
        );
    }
  }
  const triangles: number[] = [];
  for (let n = 0; n < around; n++) {
    const next = (n + 1) % around;
    triangles.push(n, next, around + n, next, around + next, around + n);
    if (n > 0 && n + 1 < around) triangles.push(0, next, n, around, around + n, around + next);
  }
  return engine.create(Float32Array.from(positions), Uint32Array.from(triangles));
}

/** The mesh without the bodies that marks lie on. */
function dropBodies(
  file: WeldedMesh,
  marks: readonly SprueMark[],
):
  | { refused: { mark: number; why: 'too much' | 'twice' } }
  | { rest: WeldedMesh; dropped: Map<number, SprueSection> } {
  const topology = checkTopology(file);
  const { shellOfTriangle, shells } = topology;
  const { shellVolumesMm3 } = measureSolid(file, topology, measureBounds(file.positions));
  const all = shellVolumesMm3.reduce((sum, v) => sum + Math.max(0, v), 0);
  const dropped = new Map<number, SprueSection>();
  const gone = new Set<number>();
  for (const [mark, { by, at }] of marks.entries()) {
    if (by === 'cut') continue;
    const shell = shellOfTriangle[faceAt(file, at).triangle]!;
    if (gone.has(shell)) return { refused: { mark, why: 'twice' } };
    gone.add(shell);
    const volumeMm3 = shellVolumesMm3[shell]!;
    const left = all - [...gone].reduce((sum, one) => sum + Math.max(0, shellVolumesMm3[one]!), 0);
    if (gone.size === shells || left < SHARE_MAX * all) return { refused: { mark, why: 'too much' } };
    const rod = rodAt(file, at);
    dropped.set(mark, {
      at: rod?.at ?? at,
      axis: rod?.axis ?? [0, 0, 1],
      diameterMm: rod?.diameterMm ?? Math.cbrt((6 * volumeMm3) / Math.PI),
      volumeMm3,
    });
  }
  if (gone.size === 0) return { rest: file, dropped };
  const kept = splitShells(file, topology).filter((_, shell) => !gone.has(shell));
  return { rest: { ...joined(kept), degenerateCount: 0 }, dropped };
}

/** Faces that lie on the plane near a place of it: their area, its middle, and how far that is from the place. */
function facesOn(
  { positions: p, triangles }: Mesh,
  normal: Point,
  offsetMm: number,
  near: { at: Point; withinMm: number },
): { areaMm2: number; middle: Point; awayMm: number } {
  let areaMm2 = 0;
  const sum: Point = [0, 0, 0];
  const level = dot(normal, near.at) - offsetMm;
  const foot = near.at.map((v, k) => v - level * normal[k]!);
  const awayOf = (place: readonly number[]): number => Math.hypot(...place.map((v, k) => v - foot[k]!));
  const corner = (i: number): number[] => [0, 1, 2].map((k) => p[3 * triangles[i]! + k]!);
  for (let t = 0; t < triangles.length; t += 3) {
    const [a, b, c] = [corner(t), corner(t + 1), corner(t + 2)];
    if ([a, b, c].some((v) => Math.abs(dot(v, normal) - offsetMm) > ON_PLANE_MM)) continue;
    const middle = a.map((v, k) => (v + b[k]! + c[k]!) / 3);
    if (awayOf(middle) > near.withinMm) continue;
    const [u, v] = [b, c].map((q) => q.map((x, k) => x - a[k]!)) as [number[], number[]];
    const twice = [0, 1, 2].map((k) => u[(k + 1) % 3]! * v[(k + 2) % 3]! - u[(k + 2) % 3]! * v[(k + 1) % 3]!);
    const area = Math.hypot(...twice) / 2;
    areaMm2 += area;
    for (let k = 0; k < 3; k++) sum[k]! += area * middle[k]!;
  }
  const middle = sum.map((v) => v / (areaMm2 || 1)) as Point;
  return { areaMm2, middle, awayMm: awayOf(middle) };
}
