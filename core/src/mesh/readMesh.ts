import { plainBytes, textOf } from './byteText';
import { MESH_LIMITS } from './limits';
import { MeshFileError } from './meshFileError';
import { checkRawMesh, type RawMesh } from './rawMesh';
import { read3mf } from './read3mf';
import { readObj } from './readObj';
import { readPly } from './readPly';
import { binaryStlLength, readAsciiStl, readBinaryStl, statedTriangleCount } from './readStl';

/** As the rest of the application knows them. */
export const { fileBytes: FILE_BYTES_MAX, triangles: TRIANGLES_MAX } = MESH_LIMITS;

const isZip = (bytes: Uint8Array): boolean =>
  bytes[0] === 0x50 && bytes[1] === 0x4b && bytes[2] === 3 && bytes[3] === 4;

const isPly = (bytes: Uint8Array): boolean => /^ply[\r\n]/.test(textOf(bytes, 0, Math.min(bytes.length, 5)));

/** Names may be long. */
const HEAD_BYTES = 8192;

/** Text STL: starts with "solid" and speaks of facets early, and its length does not fit a binary count. */
function isAsciiStl(bytes: Uint8Array): boolean {
  const count = statedTriangleCount(bytes);
  if (count !== null && bytes.length === binaryStlLength(count)) return false;
  const head = textOf(bytes, 0, Math.min(bytes.length, HEAD_BYTES));
  return /^\s*solid/i.test(head) && (/facet/i.test(head) || /endsolid/i.test(head));
}

function readByContent(file: Uint8Array, fileName: string): RawMesh {
  const bytes = plainBytes(file);
  const extension = /\.([a-z0-9]+)$/i.exec(fileName)?.[1]?.toLowerCase() ?? '';
  if (isZip(bytes)) return read3mf(bytes);
  if (isPly(bytes)) return readPly(bytes);
  if (extension === '3mf') throw new MeshFileError('MESH_ZIP_BROKEN');
  if (extension === 'obj') return readObj(bytes);
  if (extension !== 'stl') throw new MeshFileError('MESH_FORMAT_UNKNOWN', { name: fileName });
  return isAsciiStl(bytes) ? readAsciiStl(bytes) : readBinaryStl(bytes);
}

/**
 * Reads STL (binary, also when it begins with "solid"; ASCII), OBJ, PLY or 3MF, decided by content before name.
 * Throws MeshFileError; never returns an empty or unchecked mesh. O(bytes).
 */
export function readMesh(bytes: Uint8Array, fileName: string): RawMesh {
  if (bytes.length === 0) throw new MeshFileError('MESH_EMPTY');
  if (bytes.length > FILE_BYTES_MAX) {
    throw new MeshFileError('MESH_TOO_LARGE', { megabytes: Math.round(bytes.length / 1e6) });
  }
  const mesh = checkRawMesh(readByContent(bytes, fileName));
  if (mesh.triangles.length / 3 > TRIANGLES_MAX) {
    throw new MeshFileError('MESH_TOO_LARGE', { triangles: mesh.triangles.length / 3 });
  }
  return mesh;
}
