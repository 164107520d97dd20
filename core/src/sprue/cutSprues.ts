import { checkTopology, isClosed, measureBounds, measureSolid, type WeldedMesh } from '../mesh';
import { joined, splitShells, uniteShells, type BooleanEngine } from '../solid';
import { faceAt, rodAt, type Point } from './rodAt';

/** A sprue in the file, as the user marks it. */
export interface SprueMark {
  /** A body of its own, or a part of one body that is cut off where the place lies. */
  by: 'body' | 'cut';
  /** A place on its surface, in the file's mm. */
  at: Point;
  /** The cut moved along the sprue, away from the piece. mm. */
  shiftMm: number;
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
   * Mark `n` cannot be taken. 'no rod': nothing like a sprue there; 'open': a cut needs a closed surface; 'too much': it
   * would take half of the part or more; 'twice': what it marks is gone with another mark.
   */
  | { status: 'refused'; mark: number; why: 'no rod' | 'open' | 'too much' | 'twice' };

/** A sprue is less than this share of the file. */
const SHARE_MAX = 0.5;
/** A corner this near the plane lies on it: the engine's numbers are float32. mm. */
const ON_PLANE_MM = 1e-3;
/** A mark further than this from what is left lay on what another mark took away. mm. */
const OFF_SURFACE_MM = 0.1;

const dot = (a: ArrayLike<number>, b: ArrayLike<number>): number =>
  a[0]! * b[0]! + a[1]! * b[1]! + a[2]! * b[2]!;
const roundDiameter = (areaMm2: number): number => Math.sqrt((4 * areaMm2) / Math.PI);

/**
 * The piece without the sprues that its file holds: bodies are left out, and what is of one body with the piece is cut
 * off across the rod that each mark lies on, exactly. Only what hangs together at the cut goes, whatever else the plane
 * meets. O(n log n).
 */
export function cutSprues(
  file: WeldedMesh,
  marks: readonly SprueMark[],
  engine: BooleanEngine<unknown>,
): SprueCut {
  const bodies = dropBodies(file, marks);
  if ('refused' in bodies) return { status: 'refused', ...bodies.refused };
  const { rest, dropped } = bodies;
  const sections: (SprueSection | undefined)[] = marks.map((_, n) => dropped.get(n));
  if (marks.every(({ by }) => by === 'body'))
    return { status: 'cut', piece: rest, sections: sections as SprueSection[] };
  const first = marks.findIndex(({ by }) => by === 'cut');
  const topology = checkTopology(rest);
  const closed = isClosed(topology) && topology.crowdedEdges === 0;
  const { shellVolumesMm3 } = measureSolid(rest, topology, measureBounds(rest.positions));
  const whole = closed ? uniteShells(rest, topology, shellVolumesMm3, engine) : null;
  if (!whole) return { status: 'refused', mark: first, why: 'open' };
  const made: unknown[] = [];
  const keep = <T>(solid: T): T => {
    made.push(solid);
    return solid;
  };
  try {
    let body = keep(engine.create(Float32Array.from(whole.positions), whole.triangles));
    for (const [mark, { by, at, shiftMm }] of marks.entries()) {
      if (by === 'body') continue;
      const now = engine.mesh(body);
      if (faceAt(now, at).awayMm > OFF_SURFACE_MM) return { status: 'refused', mark, why: 'twice' };
      const rod = rodAt(now, at);
      if (!rod) return { status: 'refused', mark, why: 'no rod' };
      const off = cutOff(body, { ...rod, shiftMm }, engine, keep);
      if (!off || off.volumeMm3 > SHARE_MAX * whole.volumeMm3)
        return { status: 'refused', mark, why: 'too much' };
      sections[mark] = off.section;
      body = off.rest;
    }
    return { status: 'cut', piece: engine.mesh(body), sections: sections as SprueSection[] };
  } finally {
    for (const solid of made) engine.release(solid);
  }
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

interface CutAt {
  at: Point;
  axis: Point;
  diameterMm: number;
  shiftMm: number;
}

/** Cuts the lesser of the two parts that meet at the plane off the body. Null when there are no two such parts. */
function cutOff(
  body: unknown,
  { at, axis, diameterMm, shiftMm }: CutAt,
  engine: BooleanEngine<unknown>,
  keep: <T>(solid: T) => T,
): { rest: unknown; section: SprueSection; volumeMm3: number } | null {
  const parts = (along: Point, offsetMm: number): unknown[][] =>
    engine
      .split(body, along, offsetMm)
      .map(keep)
      .map((half) => engine.pieces(half).map(keep));
  /** The piece that meets the plane nearest the rod's axis. */
  const met = (half: readonly unknown[], along: Point, offsetMm: number) =>
    half
      .map((piece, n) => ({
        piece,
        n,
        ...facesOn(engine.mesh(piece), along, offsetMm, { at, withinMm: diameterMm }),
      }))
      .filter(({ areaMm2 }) => areaMm2 > 0)
      .sort((a, b) => a.awayMm - b.awayMm)[0];
  const sidesAt = (along: Point, offsetMm: number) => {
    const halves = parts(along, offsetMm);
    const sides = halves.map((half) => met(half, along, offsetMm));
    return { halves, sides };
  };
  const volumeOf = (side: { piece: unknown } | undefined): number =>
    side ? engine.volumeMm3(side.piece) : Infinity;
  // Which way the sprue goes is known only once it has been cut.
  const look = sidesAt(axis, dot(axis, at));
  if (look.sides.includes(undefined)) return null;
  const turn = volumeOf(look.sides[0]) <= volumeOf(look.sides[1]) ? 1 : -1;
  const away = axis.map((v) => v * turn) as Point;
  const { halves, sides } = sidesAt(away, dot(away, at) + shiftMm);
  const [sprue] = sides;
  if (!sprue || !sides[1]) return null;
  const others = halves[0]!.filter((_, n) => n !== sprue.n);
  const rest = keep(engine.union([...halves[1]!, ...others]));
  const volumeMm3 = engine.volumeMm3(sprue.piece);
  return {
    rest,
    volumeMm3,
    section: { at: sprue.middle, axis: away, diameterMm: roundDiameter(sprue.areaMm2), volumeMm3 },
  };
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
