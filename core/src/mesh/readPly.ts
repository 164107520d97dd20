import { numberOf, textOf } from './byteText';
import { GrowingFloats, GrowingIndices } from './growingArray';
import { MESH_LIMITS } from './limits';
import { MeshFileError } from './meshFileError';
import type { RawMesh } from './rawMesh';

const SIZES: Readonly<Record<string, number>> = {
  char: 1, uchar: 1, int8: 1, uint8: 1, short: 2, ushort: 2, int16: 2, uint16: 2,
  int: 4, uint: 4, int32: 4, uint32: 4, float: 4, float32: 4, double: 8, float64: 8,
}; // prettier-ignore

interface Property {
  name: string;
  type: string;
  /** Type of the count in front of a list; absent for a single value. */
  countType?: string;
}
interface Element {
  name: string;
  count: number;
  properties: Property[];
}
interface Header {
  kind: 'ascii' | 'little' | 'big';
  elements: Element[];
  /** First byte after the header. */
  end: number;
}

const KINDS: Readonly<Record<string, Header['kind']>> = {
  ascii: 'ascii',
  binary_little_endian: 'little',
  binary_big_endian: 'big',
};

/** A face that is one has a triangle at least. */
const COUNTS_MOST: Readonly<Record<string, number>> = {
  vertex: MESH_LIMITS.vertices,
  face: MESH_LIMITS.triangles,
};
const HEADER_BYTES_MAX = 64 * 1024;

const broken = (line: number, word: string): MeshFileError =>
  new MeshFileError('MESH_TEXT_BROKEN', { line, word: word.slice(0, 30) });

const damaged = (word: string): MeshFileError =>
  new MeshFileError('MESH_DATA_BROKEN', { word: word.slice(0, 30) });

function readHeader(bytes: Uint8Array): Header {
  const text = textOf(bytes, 0, Math.min(bytes.length, HEADER_BYTES_MAX));
  const close = /end_header[ \t]*(?:\r\n|[\r\n])/.exec(text);
  if (!close) throw new MeshFileError('MESH_TRUNCATED', { bytes: bytes.length });
  const header: Header = { kind: 'ascii', elements: [], end: close.index + close[0].length };
  text
    .slice(0, close.index)
    .split(/\r\n|[\r\n]/)
    .forEach((line, n) => readHeaderLine(line.trim().split(/\s+/), n + 1, header));
  return header;
}

function readHeaderLine(words: readonly string[], line: number, header: Header): void {
  switch (words[0]) {
    case 'format': {
      const kind = KINDS[words[1] ?? ''];
      if (!kind) throw broken(line, words[1] ?? '');
      header.kind = kind;
      return;
    }
    case 'element': {
      const count = Number(words[2]);
      if (!Number.isInteger(count) || count < 0) throw broken(line, words[2] ?? '');
      if (count > (COUNTS_MOST[words[1] ?? ''] ?? Infinity))
        throw new MeshFileError('MESH_TOO_LARGE', { count });
      header.elements.push({ name: words[1] ?? '', count, properties: [] });
      return;
    }
    case 'property': {
      const list = words[1] === 'list';
      const [type, name] = list ? [words[3], words[4]] : [words[1], words[2]];
      const countType = list ? words[2] : undefined;
      const element = header.elements.at(-1);
      const known = type !== undefined && type in SIZES && (countType === undefined || countType in SIZES);
      if (!element || !known || name === undefined) throw broken(line, words.join(' '));
      element.properties.push(countType === undefined ? { name, type } : { name, type, countType });
    }
  }
}

/** Hands out the values of the body one by one, whatever they are written in. */
interface Values {
  next(type: string): number;
}

class BinaryValues implements Values {
  private at: number;
  private readonly view: DataView;

  constructor(
    private readonly bytes: Uint8Array,
    header: Header,
    private readonly little = header.kind === 'little',
  ) {
    this.at = header.end;
    this.view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  }

  next(type: string): number {
    const { at, view, little } = this;
    const size = SIZES[type]!;
    if (at + size > this.bytes.length)
      throw new MeshFileError('MESH_TRUNCATED', { bytes: this.bytes.length });
    this.at += size;
    switch (type) {
      case 'char': case 'int8': return view.getInt8(at);
      case 'uchar': case 'uint8': return view.getUint8(at);
      case 'short': case 'int16': return view.getInt16(at, little);
      case 'ushort': case 'uint16': return view.getUint16(at, little);
      case 'int': case 'int32': return view.getInt32(at, little);
      case 'uint': case 'uint32': return view.getUint32(at, little);
      case 'float': case 'float32': return view.getFloat32(at, little);
      default: return view.getFloat64(at, little);
    } // prettier-ignore
  }
}

class TextValues implements Values {
  private at: number;

  constructor(
    private readonly bytes: Uint8Array,
    header: Header,
  ) {
    this.at = header.end;
  }

  next(): number {
    const { bytes } = this;
    let from = this.at;
    while (from < bytes.length && bytes[from]! <= 32) from++;
    let to = from;
    while (to < bytes.length && bytes[to]! > 32) to++;
    if (from === to) throw new MeshFileError('MESH_TRUNCATED', { bytes: bytes.length });
    this.at = to;
    if (to - from > MESH_LIMITS.wordBytes) throw damaged(textOf(bytes, from, from + 30));
    const value = numberOf(bytes, from, to);
    if (!Number.isNaN(value)) return value;
    const word = textOf(bytes, from, to);
    if (!/^[-+]?nan/i.test(word)) throw damaged(word);
    return value;
  }
}

/**
 * PLY, text or binary of both byte orders: x, y, z of `vertex`, the index list of `face` (polygons become fans);
 * other elements and properties are stepped over. Throws MESH_TRUNCATED, MESH_TEXT_BROKEN or MESH_INDEX_RANGE.
 */
export function readPly(bytes: Uint8Array): RawMesh {
  const header = readHeader(bytes);
  const values: Values =
    header.kind === 'ascii' ? new TextValues(bytes, header) : new BinaryValues(bytes, header);
  const positions = new GrowingFloats();
  const triangles = new GrowingIndices();
  for (const element of header.elements) {
    // Without properties nothing is read for an entry, and a count alone could go on for ever.
    if (element.count > 0 && element.properties.length === 0)
      throw damaged(`${element.name} without properties`);
    for (let n = 0; n < element.count; n++) {
      if (element.name === 'vertex') readVertex(element, values, positions);
      else if (element.name === 'face') readFace(element, values, triangles);
      else element.properties.forEach((property) => readProperty(property, values));
    }
  }
  return { format: 'ply', unitMm: null, positions: positions.take(), triangles: triangles.take() };
}

function readProperty(property: Property, values: Values): number[] {
  if (property.countType === undefined) return [values.next(property.type)];
  const count = values.next(property.countType);
  if (!(count >= 0) || count > MESH_LIMITS.corners) throw damaged(`a face of ${count} corners`);
  const list: number[] = [];
  for (let n = 0; n < count; n++) list.push(values.next(property.type));
  return list;
}

function readVertex({ properties }: Element, values: Values, into: GrowingFloats): void {
  let x = Number.NaN;
  let y = Number.NaN;
  let z = Number.NaN;
  for (const property of properties) {
    const value =
      property.countType === undefined ? values.next(property.type) : readProperty(property, values)[0]!;
    if (property.name === 'x') x = value;
    else if (property.name === 'y') y = value;
    else if (property.name === 'z') z = value;
  }
  into.push3(x, y, z);
}

function readFace({ properties }: Element, values: Values, into: GrowingIndices): void {
  for (const property of properties) {
    const list = readProperty(property, values);
    if (property.name !== 'vertex_index' && property.name !== 'vertex_indices') continue;
    for (const index of list) if (!(index >= 0)) throw new MeshFileError('MESH_INDEX_RANGE', { index });
    for (let n = 1; n + 1 < list.length; n++) into.push3(list[0]!, list[n]!, list[n + 1]!);
  }
}
