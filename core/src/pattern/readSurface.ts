import { vertexNormals, type WeldedMesh } from '../mesh';
import { cellAt, entryOf, SIZE_PER_MM, type Bricks } from '../solid';
import { GAP_MAX_MM } from './grids';

type Mesh = Pick<WeldedMesh, 'positions' | 'triangles'>;

/** Values at each vertex, for colours. */
export interface SurfacePaint {
  /** Local thickness under the vertex, µm. */
  thicknessUm: Uint16Array;
  /** Gap over the vertex, µm; 0 where open. */
  gapUm: Uint16Array;
  /** Worst feed of the mass it belongs to, percent; 255 where not known. */
  feedPercent: Uint8Array;
}

export interface SurfaceReading {
  paint: SurfacePaint;
  /** For each bin, the middle of the face in it that has the narrowest gap; null when it has none. */
  gapPlaces: ([number, number, number] | null)[];
  /** Surface by gap over it, in bins of GAP_BIN_MM up to GAP_MAX_MM; open surface is not in it. mm². */
  gapAreaMm2: number[];
}

export const GAP_BIN_MM = 0.1;
const NO_GAP = 65535;
/** Values are read this far from the surface along the normal, so that the cell is surely on the right side. */
const OFF_SURFACE_CELLS = 0.8;

/** Reads the fields of a grid at every vertex, and the surface by gap. O(vertices). */
export function readSurface(
  mesh: Mesh,
  { bricks, inside }: { bricks: Bricks; inside: Uint16Array },
  fields: { thickness: Uint16Array; gap: Uint16Array; basin: Int32Array; feed: readonly number[] },
): SurfaceReading {
  const count = mesh.positions.length / 3;
  const normals = vertexNormals(mesh);
  const paint: SurfacePaint = {
    thicknessUm: new Uint16Array(count),
    gapUm: new Uint16Array(count),
    feedPercent: new Uint8Array(count).fill(255),
  };
  const off = OFF_SURFACE_CELLS * bricks.frame.cellMm;
  const cell = new Int32Array(3);
  const p = mesh.positions;
  const locate = (v: number, along: number): void => {
    const at = 3 * v;
    cellAt(
      bricks.frame,
      p[at]! + along * normals[at]!,
      p[at + 1]! + along * normals[at + 1]!,
      p[at + 2]! + along * normals[at + 2]!,
      cell,
    );
  };
  /** The solid cell there, or the thickest beside it where the corner is sharper than a cell. */
  const under = (): number => {
    const [x, y, z] = [cell[0]!, cell[1]!, cell[2]!];
    const direct = entryOf(bricks, x, y, z);
    if (direct >= 0 && inside[direct] !== 0) return direct;
    let best = -1;
    for (let n = 0; n < 27; n++) {
      const e = entryOf(bricks, x + (n % 3) - 1, y + (Math.floor(n / 3) % 3) - 1, z + Math.floor(n / 9) - 1);
      if (e >= 0 && inside[e] !== 0 && (best < 0 || fields.thickness[e]! > fields.thickness[best]!)) best = e;
    }
    return best;
  };
  for (let v = 0; v < count; v++) {
    locate(v, -off);
    const solid = under();
    if (solid >= 0) {
      paint.thicknessUm[v] = fields.thickness[solid]!;
      const owner = fields.basin[solid]!;
      if (owner >= 0) paint.feedPercent[v] = Math.round(100 * fields.feed[owner]!);
    }
    locate(v, off);
    // Right over the vertex: a neighbour may already be the open beside the gap.
    const over = entryOf(bricks, cell[0]!, cell[1]!, cell[2]!);
    if (over >= 0 && inside[over] === 0) paint.gapUm[v] = fields.gap[over]!;
  }
  return { paint, ...gapAreas(mesh, paint.gapUm) };
}

/** A face counts with the median gap of its corners: one corner in a crevice does not make it narrow. */
function gapAreas(
  { positions: p, triangles }: Mesh,
  gapUm: Uint16Array,
): Pick<SurfaceReading, 'gapAreaMm2' | 'gapPlaces'> {
  const bins = Math.ceil(GAP_MAX_MM / GAP_BIN_MM) + 1;
  const areas = new Float64Array(bins);
  const narrowest = new Uint16Array(bins).fill(NO_GAP);
  const faces = new Int32Array(bins).fill(-1);
  for (let t = 0; t < triangles.length; t += 3) {
    const ga = gapUm[triangles[t]!]! || NO_GAP, gb = gapUm[triangles[t + 1]!]! || NO_GAP, gc = gapUm[triangles[t + 2]!]! || NO_GAP; // prettier-ignore
    const gap = Math.max(Math.min(ga, gb), Math.min(Math.max(ga, gb), gc));
    if (gap === NO_GAP) continue;
    const a = 3 * triangles[t]!, b = 3 * triangles[t + 1]!, c = 3 * triangles[t + 2]!; // prettier-ignore
    const ux = p[b]! - p[a]!, uy = p[b + 1]! - p[a + 1]!, uz = p[b + 2]! - p[a + 2]!; // prettier-ignore
    const vx = p[c]! - p[a]!, vy = p[c + 1]! - p[a + 1]!, vz = p[c + 2]! - p[a + 2]!; // prettier-ignore
    const bin = Math.min(bins - 1, Math.floor(gap / SIZE_PER_MM / GAP_BIN_MM));
    areas[bin]! += Math.hypot(uy * vz - uz * vy, uz * vx - ux * vz, ux * vy - uy * vx) / 2;
    if (gap < narrowest[bin]!) [narrowest[bin], faces[bin]] = [gap, t];
  }
  const middle = (t: number): [number, number, number] =>
    [0, 1, 2].map((k) => (p[3 * triangles[t]! + k]! + p[3 * triangles[t + 1]! + k]! + p[3 * triangles[t + 2]! + k]!) / 3) as [number, number, number]; // prettier-ignore
  return {
    gapAreaMm2: Array.from(areas, (area) => Math.round(area * 1e3) / 1e3),
    gapPlaces: Array.from(faces, (t) => (t < 0 ? null : middle(t))),
  };
}
