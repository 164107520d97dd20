import { WordScanner } from './byteText';
import { GrowingFloats, GrowingIndices } from './growingArray';
import { MESH_LIMITS } from './limits';
import { MeshFileError } from './meshFileError';
import type { RawMesh } from './rawMesh';

/** Statements that say nothing about the shape. */
const IDLE = new Set(['vt', 'vn', 'vp', 'g', 'o', 's', 'usemtl', 'mtllib', 'l', 'p', '#', '']);

function readVertex(rest: string, line: number, into: GrowingFloats): void {
  const numbers = rest.trim().split(/\s+/).slice(0, 3).map(Number);
  const [x, y, z] = numbers;
  if (x === undefined || y === undefined || z === undefined || numbers.some(Number.isNaN)) {
    throw new MeshFileError('MESH_TEXT_BROKEN', { line, word: rest.trim().slice(0, 30) });
  }
  into.push3(x, y, z);
}

/** Index as written (1-based, or negative from the latest vertex) to 0-based. */
function vertexIndex(word: string, vertexCount: number, line: number): number {
  const written = Number.parseInt(word, 10);
  if (!Number.isInteger(written) || written === 0) {
    throw new MeshFileError('MESH_TEXT_BROKEN', { line, word: word.slice(0, 30) });
  }
  const index = written > 0 ? written - 1 : vertexCount + written;
  if (index < 0 || index >= MESH_LIMITS.vertices)
    throw new MeshFileError('MESH_INDEX_RANGE', { line, vertices: vertexCount });
  return index;
}

function readFace(rest: string, line: number, vertexCount: number, into: GrowingIndices): void {
  const corners = rest
    .trim()
    .split(/\s+/)
    .map((word) => vertexIndex(word, vertexCount, line));
  const first = corners[0];
  if (first === undefined || corners.length < 3) {
    throw new MeshFileError('MESH_TEXT_BROKEN', { line, word: rest.trim().slice(0, 30) });
  }
  for (let i = 1; i + 1 < corners.length; i++) into.push3(first, corners[i]!, corners[i + 1]!);
}

/** A line that ends in a backslash goes on in the next. */
function wholeLine(scanner: WordScanner): string {
  const parts = [scanner.restOfLine()];
  for (let last = parts[0]!; /\\\s*$/.test(last) && !scanner.atEnd; last = parts.at(-1)!) {
    parts[parts.length - 1] = last.replace(/\\\s*$/, ' ');
    if (parts.length > MESH_LIMITS.joinedLines)
      throw new MeshFileError('MESH_TEXT_BROKEN', { line: scanner.line, word: last.slice(0, 30) });
    parts.push(scanner.restOfLine());
  }
  return parts.join('');
}

/** OBJ: `v` and `f` statements (polygons become fans, negative indices count back); the rest is passed over. */
export function readObj(bytes: Uint8Array): RawMesh {
  const scanner = new WordScanner(bytes);
  const positions = new GrowingFloats();
  const triangles = new GrowingIndices();
  for (let word = scanner.next(); word !== ''; word = scanner.next()) {
    const { line } = scanner;
    const rest = wholeLine(scanner);
    if (word === 'v') readVertex(rest, line, positions);
    else if (word === 'f') readFace(rest, line, positions.length / 3, triangles);
    else if (!IDLE.has(word) && !word.startsWith('#')) {
      throw new MeshFileError('MESH_TEXT_BROKEN', { line, word: word.slice(0, 30) });
    }
  }
  return { format: 'obj', unitMm: null, positions: positions.take(), triangles: triangles.take() };
}
