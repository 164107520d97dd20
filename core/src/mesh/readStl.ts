import { WordScanner } from './byteText';
import { GrowingFloats } from './growingArray';
import { MeshFileError } from './meshFileError';
import type { RawMesh } from './rawMesh';

const HEADER_BYTES = 84;
const TRIANGLE_BYTES = 50;

/** 0, 1, 2 …: every corner of a soup is a vertex of its own. */
function sequence(count: number): Uint32Array {
  const numbers = new Uint32Array(count);
  for (let i = 0; i < count; i++) numbers[i] = i;
  return numbers;
}

/** Length in bytes that a binary STL with this triangle count must have. */
export const binaryStlLength = (triangles: number): number => HEADER_BYTES + TRIANGLE_BYTES * triangles;

/** Triangle count stated in the header, or null when the file is shorter than a header. */
export function statedTriangleCount(bytes: Uint8Array): number | null {
  if (bytes.length < HEADER_BYTES) return null;
  return new DataView(bytes.buffer, bytes.byteOffset).getUint32(80, true);
}

/**
 * Binary STL: 80 header bytes, uint32 count, then per triangle a normal (ignored: windings decide),
 * nine float32 coordinates and two attribute bytes. All little endian.
 * Throws MESH_TRUNCATED or MESH_COUNT_MISMATCH when the length contradicts the count.
 */
export function readBinaryStl(bytes: Uint8Array): RawMesh {
  const count = statedTriangleCount(bytes);
  if (count === null) throw new MeshFileError('MESH_TRUNCATED', { bytes: bytes.length });
  const wanted = binaryStlLength(count);
  const present = Math.floor((bytes.length - HEADER_BYTES) / TRIANGLE_BYTES);
  if (bytes.length < wanted) {
    throw new MeshFileError('MESH_TRUNCATED', { bytes: bytes.length, stated: count, present });
  }
  // A few bytes after the last triangle are no triangle: padding of whoever wrote it.
  if (present > count) throw new MeshFileError('MESH_COUNT_MISMATCH', { stated: count, present });
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  const positions = new Float32Array(count * 9);
  for (let t = 0, at = HEADER_BYTES + 12, out = 0; t < count; t++, at += TRIANGLE_BYTES) {
    for (let k = 0; k < 36; k += 4) positions[out++] = view.getFloat32(at + k, true);
  }
  return { format: 'stl-binary', unitMm: null, positions, triangles: sequence(count * 3) };
}

function readCoordinate(scanner: WordScanner): number {
  const word = scanner.next();
  if (word === '') throw new MeshFileError('MESH_TRUNCATED', { line: scanner.line });
  const value = Number(word);
  if (Number.isNaN(value) && !/^[-+]?nan/i.test(word)) {
    throw new MeshFileError('MESH_TEXT_BROKEN', { line: scanner.line, word: word.slice(0, 30) });
  }
  return value;
}

/** What comes after a name, where all is in one line. */
const FACET = (head: string): number => head.search(/\bfacet\s+normal\b/i);
/** Of another solid, where facets follow it. */
const SOLID = (head: string): number => {
  const facet = FACET(head);
  return facet < 0 ? -1 : head.slice(0, facet).search(/\bsolid\b/i);
};

/** "normal x y z": read over, since windings decide. */
function readNormal(scanner: WordScanner): void {
  const word = scanner.next();
  if (word.toLowerCase() !== 'normal')
    throw word === ''
      ? new MeshFileError('MESH_TRUNCATED', { line: scanner.line })
      : new MeshFileError('MESH_TEXT_BROKEN', { line: scanner.line, word: word.slice(0, 30) });
  for (let k = 0; k < 3; k++) scanner.next();
}

/**
 * ASCII STL with one or several solids. Every loop must have exactly three vertices.
 * Throws MESH_TEXT_BROKEN with the line, or MESH_TRUNCATED when the last solid is not ended.
 */
export function readAsciiStl(bytes: Uint8Array): RawMesh {
  const scanner = new WordScanner(bytes);
  const positions = new GrowingFloats();
  let inLoop = 0;
  let open = false;
  let naming = false;
  for (let word = scanner.next(); word !== ''; word = scanner.next()) {
    switch (word.toLowerCase()) {
      case 'solid':
        open = true;
        naming = true;
        scanner.restOfLine(FACET);
        break;
      case 'endsolid':
        open = false;
        scanner.restOfLine(SOLID);
        break;
      case 'vertex':
        positions.push3(readCoordinate(scanner), readCoordinate(scanner), readCoordinate(scanner));
        inLoop++;
        break;
      case 'endloop':
        if (inLoop !== 3) {
          throw new MeshFileError('MESH_TEXT_BROKEN', { line: scanner.line, word: `loop of ${inLoop}` });
        }
        inLoop = 0;
        break;
      case 'facet':
        naming = false;
        readNormal(scanner);
        break;
      case 'outer':
      case 'loop':
      case 'endfacet':
        break;
      default:
        // A name may go on over the next line.
        if (naming) break;
        // Half a word at the very end: the file was cut off, not miswritten.
        if (scanner.atEnd && open) throw new MeshFileError('MESH_TRUNCATED', { line: scanner.line });
        throw new MeshFileError('MESH_TEXT_BROKEN', { line: scanner.line, word: word.slice(0, 30) });
    }
  }
  if (open || inLoop !== 0) throw new MeshFileError('MESH_TRUNCATED', { line: scanner.line });
  const taken = positions.take();
  return { format: 'stl-ascii', unitMm: null, positions: taken, triangles: sequence(taken.length / 3) };
}
