import { MeshFileError } from './meshFileError';

export const MESH_FORMATS = ['stl-binary', 'stl-ascii', 'obj', 'ply', '3mf'] as const;
export type MeshFormat = (typeof MESH_FORMATS)[number];

/** Units that a file, or the person who drops it, may state. */
export const FILE_UNITS_MM = { mm: 1, cm: 10, inch: 25.4, m: 1000 } as const;
export type FileUnit = keyof typeof FILE_UNITS_MM;

/**
 * Triangles as a file states them: nothing welded, nothing checked beyond finite numbers and index range.
 * positions: [x0 y0 z0 | x1 y1 z1 | …] in the file's own unit; triangles: three vertex indices each.
 */
export interface RawMesh {
  format: MeshFormat;
  /** Millimetres per file unit when the file states it; null for STL, OBJ and PLY, which carry none. */
  unitMm: number | null;
  positions: Float32Array | Float64Array;
  triangles: Uint32Array;
}

/** Throws unless there are triangles, all coordinates are finite and all indices exist. */
export function checkRawMesh(mesh: RawMesh): RawMesh {
  const { positions, triangles } = mesh;
  if (triangles.length === 0) throw new MeshFileError('MESH_NO_TRIANGLES');
  const vertexCount = positions.length / 3;
  for (let i = 0; i < triangles.length; i++) {
    if (triangles[i]! >= vertexCount) {
      throw new MeshFileError('MESH_INDEX_RANGE', { triangle: Math.floor(i / 3) + 1, vertices: vertexCount });
    }
  }
  for (let i = 0; i < positions.length; i++) {
    if (!Number.isFinite(positions[i]!)) {
      throw new MeshFileError('MESH_NOT_FINITE', { vertex: Math.floor(i / 3) + 1 });
    }
  }
  return mesh;
}
