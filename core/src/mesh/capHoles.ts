import { eachEdge } from './topology';
import type { WeldedMesh } from './weld';

/** A mesh whose openings are shut by flat fans. */
export interface CappedMesh {
  mesh: WeldedMesh;
  openings: number;
  capAreaMm2: number;
  /** How far the volume may be off, since nobody knows how the surface went on there. mm³. */
  plusMinusMm3: number;
}

/** Over an opening the surface may on the whole rise by so much of its radius (shop default; a hemisphere's is two thirds). */
const RISE_SHARE = 0.3;

/**
 * Shuts each open loop of a mesh by a fan round its middle. The sum over the faces then is the volume up to what the surface
 * did over the openings, and nothing at all where they were flat. Null where faces are turned over: then nobody knows
 * which side is out. O(edges).
 */
export function capHoles(mesh: WeldedMesh): CappedMesh | null {
  const vertexCount = mesh.positions.length / 3;
  /** Edges that a cap must have, by where they begin. */
  const wanted = new Map<number, number[]>();
  let turned = false;
  const want = (from: number, to: number): void =>
    void (wanted.get(from)?.push(to) ?? wanted.set(from, [to]));
  eachEdge(mesh.triangles, vertexCount, (low, high, faces, forward) => {
    const net = 2 * forward - faces;
    if (faces === 2 && net !== 0) turned = true;
    const [from, to] = net > 0 ? [high, low] : [low, high];
    for (let n = 0; n < Math.abs(net); n++) want(from, to);
  });
  if (turned) return null;
  const loops = [...loopMiddles(mesh, wanted)];
  if (loops.length === 0) return null;
  const points = new Float64Array(mesh.positions.length + 3 * loops.length);
  points.set(mesh.positions);
  const faces: number[] = [];
  let capAreaMm2 = 0;
  let plusMinusMm3 = 0;
  loops.forEach(({ middle, loop }, i) => {
    points.set(middle, mesh.positions.length + 3 * i);
    let area = 0;
    for (let k = 0; k < loop.length; k++) {
      const [a, b] = [loop[k]!, loop[(k + 1) % loop.length]!];
      faces.push(a, b, vertexCount + i);
      area += areaOf(points, a, b, vertexCount + i);
    }
    capAreaMm2 += area;
    plusMinusMm3 += RISE_SHARE * area * Math.sqrt(area / Math.PI);
  });
  const triangles = new Uint32Array(mesh.triangles.length + faces.length);
  triangles.set(mesh.triangles);
  triangles.set(faces, mesh.triangles.length);
  return {
    mesh: { ...mesh, positions: points, triangles },
    openings: loops.length,
    capAreaMm2,
    plusMinusMm3,
  };
}

/** The loops of edges that lack a face, each with its middle. Every vertex has as many that end as begin: each walk comes back. */
function* loopMiddles({ positions: p }: WeldedMesh, wanted: Map<number, number[]>) {
  for (const start of wanted.keys()) {
    while ((wanted.get(start)?.length ?? 0) > 0) {
      const loop: number[] = [];
      let at = start;
      do {
        loop.push(at);
        const next = wanted.get(at)?.pop();
        if (next === undefined) break;
        at = next;
      } while (at !== start);
      const middle: [number, number, number] = [0, 0, 0];
      for (const v of loop) for (let k = 0; k < 3; k++) middle[k]! += p[3 * v + k]! / loop.length;
      yield { loop, middle };
    }
  }
}

function areaOf(p: ArrayLike<number>, a: number, b: number, c: number): number {
  const d = [0, 1, 2].map((k) => [p[3 * b + k]! - p[3 * a + k]!, p[3 * c + k]! - p[3 * a + k]!]);
  const [[ux, vx], [uy, vy], [uz, vz]] = d as [[number, number], [number, number], [number, number]];
  return Math.hypot(uy * vz - uz * vy, uz * vx - ux * vz, ux * vy - uy * vx) / 2;
}
