import type { Topology, WeldedMesh } from '../mesh';

/** The part of a boolean engine that a union needs; whoever loads the engine passes it in. */
export interface BooleanEngine<Solid> {
  /** A closed body from float32 vertices (3 each) and triangle indices. */
  create(positions: Float32Array, triangles: Uint32Array): Solid;
  union(bodies: readonly Solid[]): Solid;
  volumeMm3(body: Solid): number;
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

/**
 * Volume of the exact boolean union of a closed mesh's outward shells less its hollows: the cross-check of the
 * ray volume. Null when the engine refuses a shell (not closed by its own rules).
 */
export function exactUnionMm3<Solid>(
  mesh: WeldedMesh,
  topology: Topology,
  shellVolumesMm3: readonly number[],
  engine: BooleanEngine<Solid>,
): number | null {
  const bodies: Solid[] = [];
  try {
    splitShells(mesh, topology).forEach((shell, n) => {
      if (shellVolumesMm3[n]! > 0) bodies.push(engine.create(shell.positions, shell.triangles));
    });
    const union = engine.union(bodies);
    bodies.push(union);
    const hollows = shellVolumesMm3.filter((v) => v < 0).reduce((sum, v) => sum + v, 0);
    return engine.volumeMm3(union) + hollows;
  } catch {
    return null;
  } finally {
    for (const body of bodies) engine.release(body);
  }
}
