import { strFromU8 } from 'fflate';
import { numberOf, textOf } from './byteText';
import { GrowingFloats, GrowingIndices } from './growingArray';
import { MESH_LIMITS } from './limits';
import { MeshFileError } from './meshFileError';

const [LT, GT, SLASH, BANG, COLON, EQUALS] = [60, 62, 47, 33, 58, 61];
const [QUOTE, APOSTROPHE] = [34, 39];

const broken = (what: string): MeshFileError => new MeshFileError('MESH_XML_BROKEN', { what });

/** A model's lists, apart from the rest of it: `structure` names each list by its place (attribute `list`) and holds none of its rows. */
export interface ModelText {
  structure: string;
  vertices: Float64Array[];
  triangles: Uint32Array[];
}

const isNameByte = (byte: number): boolean =>
  (byte >= 97 && byte <= 122) || (byte >= 65 && byte <= 90) || (byte >= 48 && byte <= 57) || byte === 95 || byte === 45 || byte === 46 || byte > 127; // prettier-ignore

/** Walks the bytes of a model once. */
class Walker {
  at = 0;
  constructor(readonly bytes: Uint8Array) {}

  /** Steps over a comment or unparsed text that begins here; nothing else that begins so is taken. */
  skipAside(): void {
    const { bytes, at } = this;
    const [open, close] = bytes[at + 2] === 45 ? ['<!--', '-->'] : ['<![CDATA[', ']]>'];
    if (textOf(bytes, at, at + open!.length) !== open) throw new MeshFileError('MESH_XML_ENTITIES');
    const last = close!.charCodeAt(2);
    const before = close!.charCodeAt(0);
    for (let k = at + open!.length; k + 2 < bytes.length; k++)
      if (bytes[k + 2] === last && bytes[k] === before && bytes[k + 1] === before) {
        this.at = k + 3;
        return;
      }
    throw broken('a comment without an end');
  }

  private nameFrom = 0;
  private nameTo = 0;
  /** Steps over the name after a "<" or "</" here; its prefix does not count. Returns its length, with the prefix. */
  stepName(): number {
    const { bytes, at: begun } = this;
    this.nameFrom = begun;
    let to = begun;
    for (; to < bytes.length; to++) {
      const byte = bytes[to]!;
      if (byte === COLON) this.nameFrom = to + 1;
      else if (!isNameByte(byte)) break;
      if (to - begun > MESH_LIMITS.wordBytes) throw broken('a name without an end');
    }
    this.nameTo = this.at = to;
    return to - begun;
  }
  name(): string {
    this.stepName();
    return this.lastName;
  }
  get lastName(): string {
    return textOf(this.bytes, this.nameFrom, this.nameTo);
  }
  /** Whether the last name is this one, without making a text of it. */
  isName(name: string): boolean {
    const { bytes, nameFrom } = this;
    if (this.nameTo - nameFrom !== name.length) return false;
    for (let k = 0; k < name.length; k++) if (bytes[nameFrom + k] !== name.charCodeAt(k)) return false;
    return true;
  }

  skipSpace(): void {
    while (this.at < this.bytes.length && this.bytes[this.at]! <= 32) this.at++;
  }

  /** Steps over the value of an attribute whose "=" comes next; it lies between `valueFrom` and `valueTo`. */
  value(): void {
    const { bytes } = this;
    this.skipSpace();
    if (bytes[this.at++] !== EQUALS) throw broken('an attribute without a value');
    this.skipSpace();
    const quote = bytes[this.at++];
    if (quote !== QUOTE && quote !== APOSTROPHE) throw broken('an attribute without quotes');
    const from = this.at;
    let at = from;
    while (at < bytes.length && bytes[at] !== quote) {
      at++;
      if (at - from > MESH_LIMITS.wordBytes) throw broken('an attribute without an end');
    }
    if (at >= bytes.length) throw broken('an attribute without an end');
    this.valueFrom = from;
    this.valueTo = at;
    this.at = at + 1;
  }
  private valueFrom = 0;
  private valueTo = 0;
  /** The number that the last value is; what is missing or empty is none. */
  get number(): number {
    let [from, to] = [this.valueFrom, this.valueTo];
    while (from < to && this.bytes[from]! <= 32) from++;
    while (to > from && this.bytes[to - 1]! <= 32) to--;
    return from === to ? Number.NaN : numberOf(this.bytes, from, to);
  }
}

interface Rows {
  list: string;
  row: string;
  names: readonly [string, string, string];
}
const VERTICES: Rows = { list: 'vertices', row: 'vertex', names: ['x', 'y', 'z'] };
const TRIANGLES: Rows = { list: 'triangles', row: 'triangle', names: ['v1', 'v2', 'v3'] };

/** Reads the rows of a list up to its end tag, which the cursor then stands before. */
function readRows(
  walker: Walker,
  { list, row, names }: Rows,
  push: (a: number, b: number, c: number) => void,
): void {
  const { bytes } = walker;
  const found: [number, number, number] = [Number.NaN, Number.NaN, Number.NaN];
  for (;;) {
    walker.skipSpace();
    if (walker.at >= bytes.length) throw broken(`a list of ${list} without an end`);
    if (bytes[walker.at] !== LT) throw broken(`text among ${list}`);
    if (bytes[walker.at + 1] === SLASH) return;
    if (bytes[walker.at + 1] === BANG) {
      walker.skipAside();
      continue;
    }
    walker.at++;
    walker.stepName();
    if (!walker.isName(row)) throw broken(`<${walker.lastName.slice(0, 30)}> among ${list}`);
    found.fill(Number.NaN);
    for (walker.skipSpace(); bytes[walker.at] !== SLASH && bytes[walker.at] !== GT; walker.skipSpace()) {
      if (walker.at >= bytes.length) throw broken(`a ${row} without an end`);
      if (walker.stepName() === 0) throw broken(`a ${row} that cannot be read`);
      const place = walker.isName(names[0]) ? 0 : walker.isName(names[1]) ? 1 : 2;
      walker.value();
      if (place < 2 || walker.isName(names[2])) found[place] = walker.number;
    }
    if (bytes[walker.at] === SLASH) walker.at += 2;
    else {
      walker.at++;
      walker.skipSpace();
      walker.at += 2;
      walker.stepName();
      if (!walker.isName(row)) throw broken(`something within a ${row}`);
      walker.at++;
    }
    push(found[0], found[1], found[2]);
  }
}

/**
 * Takes a 3MF model apart: vertices and triangles as numbers, straight from the bytes, and what is left of the text for an XML reader.
 * Indices that are no whole numbers from 0 become 2³² − 1, which no list is long enough for. Throws MESH_XML_BROKEN, MESH_XML_ENTITIES,
 * MESH_TOO_LARGE. O(bytes).
 */
export function takeModelApart(bytes: Uint8Array): ModelText {
  const walker = new Walker(bytes);
  const out: string[] = [];
  const model: ModelText = { structure: '', vertices: [], triangles: [] };
  let [from, length] = [0, 0];
  const copy = (to: number, extra = ''): void => {
    length += to - from;
    if (length > MESH_LIMITS.modelStructureBytes) throw new MeshFileError('MESH_ZIP_EXPANDS');
    out.push(utf8(bytes, from, to), extra);
    from = to;
  };
  while (walker.at < bytes.length) {
    if (bytes[walker.at] !== LT) {
      walker.at++;
      continue;
    }
    if (bytes[walker.at + 1] === BANG) {
      walker.skipAside();
      continue;
    }
    walker.at++;
    const name = walker.name();
    if (name !== 'vertices' && name !== 'triangles') continue;
    const isList = skipToRows(walker);
    if (!isList) continue;
    const lists = model[name];
    copy(walker.at - 1, ` list="${lists.length}">`);
    lists.push((name === 'vertices' ? readVertices(walker) : readTriangles(walker)) as never);
    from = walker.at;
  }
  copy(bytes.length);
  model.structure = out.join('');
  return model;
}

/** From behind the name of a list's tag to its first row; false for a tag that closes itself. */
function skipToRows(walker: Walker): boolean {
  const { bytes } = walker;
  for (walker.skipSpace(); bytes[walker.at] !== GT; walker.skipSpace()) {
    if (bytes[walker.at] === SLASH) return false;
    if (walker.stepName() === 0) throw broken('a list that cannot be read');
    walker.value();
  }
  walker.at++;
  return true;
}

function readVertices(walker: Walker): Float64Array {
  const floats = new GrowingFloats();
  readRows(walker, VERTICES, (x, y, z) => floats.push3(x, y, z));
  return floats.take();
}

const NO_INDEX = 0xffffffff;
const indexOf = (value: number): number =>
  Number.isInteger(value) && value >= 0 && value < NO_INDEX ? value : NO_INDEX;
function readTriangles(walker: Walker): Uint32Array {
  const indices = new GrowingIndices();
  readRows(walker, TRIANGLES, (a, b, c) => indices.push3(indexOf(a), indexOf(b), indexOf(c)));
  return indices.take();
}

/** Names may have letters of any alphabet. */
const utf8 = (bytes: Uint8Array, from: number, to: number): string => strFromU8(bytes.subarray(from, to));
