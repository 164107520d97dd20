import type { Topology, WeldedMesh } from '../mesh';

/** The part of a boolean engine that is needed here; whoever loads the engine passes it in. */
export interface BooleanEngine<Solid> {
  /** A closed body from float32 vertices (3 each) and triangle indices. */
  create(positions: Float32Array, triangles: Uint32Array): Solid;
  union(bodies: readonly Solid[]): Solid;
  subtract(body: Solid, cutter: Solid): Solid;
  /** Its parts that do not touch each other. */
  pieces(body: Solid): Solid[];
  volumeMm3(body: Solid): number;
  mesh(body: Solid): { positions: Float64Array; triangles: Uint32Array };
  release(body: Solid): void;
}

/** Each shell as a mesh of its own, its vertices renumbered. O(n). */
export function splitShells(
  mesh: WeldedMesh,
  topology: Topology,
): { positions: Float32Array; triangles: Uint32Array }[] {
  const counts = new Uint32Array(topology.shells);
  for (const shell of topology.shellOfTriangle) counts[shell]!++;
  const parts = Array.from(counts, (count) => ({
    triangles: new Uint32Array(3 * count),
    at: 0,
    vertices: [] as number[],
  }));
  const renamed = new Int32Array(mesh.positions.length / 3).fill(-1);
  for (let t = 0; t < topology.shellOfTriangle.length; t++) {
    const part = parts[topology.shellOfTriangle[t]!]!;
    for (let n = 0; n < 3; n++) {
      const v = mesh.triangles[3 * t + n]!;
      // Shells share no vertex, so one table of new numbers serves all.
      if (renamed[v]! < 0) renamed[v] = part.vertices.push(v) - 1;
      part.triangles[part.at++] = renamed[v]!;
    }
  }
  return parts.map(({ triangles, vertices }) => ({
    triangles,
    positions: Float32Array.from(
      vertices.flatMap((v) => [
        mesh.positions[3 * v]!,
        mesh.positions[3 * v + 1]!,
        mesh.positions[3 * v + 2]!,
      ]),
    ),
  }));
}

/** The bodies of a mesh as one, its inner faces gone. */
export interface ExactUnion {
  volumeMm3: number;
  positions: Float64Array;
  triangles: Uint32Array;
}

/**
 * Exact boolean union of a closed mesh's outward shells; hollows are put back as they were. Null when the engine
 * refuses a shell (not closed by its own rules), or no shell is turned outward.
 */
export function uniteShells<Solid>(
  mesh: WeldedMesh,
  topology: Topology,
  shellVolumesMm3: readonly number[],
  engine: BooleanEngine<Solid>,
): ExactUnion | null {
  const made: Solid[] = [];
  try {
    const shells = splitShells(mesh, topology);
    const bodies = shells.filter((_, n) => shellVolumesMm3[n]! > 0);
    if (bodies.length === 0) return null;
    for (const { positions, triangles } of bodies) made.push(engine.create(positions, triangles));
    const union = engine.union(made);
    made.push(union);
    const hollows = shells.filter((_, n) => shellVolumesMm3[n]! < 0);
    const hollowMm3 = shellVolumesMm3.filter((v) => v < 0).reduce((sum, v) => sum + v, 0);
    return { volumeMm3: engine.volumeMm3(union) + hollowMm3, ...joined([engine.mesh(union), ...hollows]) };
  } catch {
    return null;
  } finally {
    for (const body of made) engine.release(body);
  }
}

/** Several meshes as one, nothing joined. */
export function joined(
  parts: readonly { positions: ArrayLike<number>; triangles: Uint32Array }[],
): Pick<ExactUnion, 'positions' | 'triangles'> {
  const count = (key: 'positions' | 'triangles'): number =>
    parts.reduce((sum, part) => sum + part[key].length, 0);
  const positions = new Float64Array(count('positions'));
  const triangles = new Uint32Array(count('triangles'));
  let [atPosition, atTriangle] = [0, 0];
  for (const part of parts) {
    positions.set(part.positions, atPosition);
    for (const index of part.triangles) triangles[atTriangle++] = index + atPosition / 3;
    atPosition += part.positions.length;
  }
  return { positions, triangles };
}
