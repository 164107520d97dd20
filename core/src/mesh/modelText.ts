import { strFromU8 } from 'fflate';
import { textOf } from './byteText';
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

  /** The name after a "<" or "</" here, without its prefix; the cursor stands behind it. */
  name(): string {
    const { bytes } = this;
    let from = this.at;
    let to = from;
    while (to < bytes.length && (isNameByte(bytes[to]!) || bytes[to] === COLON)) {
      if (bytes[to] === COLON) from = to + 1;
      to++;
      if (to - this.at > MESH_LIMITS.wordBytes) throw broken('a name without an end');
    }
    this.at = to;
    return textOf(bytes, from, to);
  }

  skipSpace(): void {
    while (this.at < this.bytes.length && this.bytes[this.at]! <= 32) this.at++;
  }

  /** The value of an attribute whose "=" comes next. */
  value(): string {
    const { bytes } = this;
    this.skipSpace();
    if (bytes[this.at++] !== EQUALS) throw broken('an attribute without a value');
    this.skipSpace();
    const quote = bytes[this.at++];
    if (quote !== QUOTE && quote !== APOSTROPHE) throw broken('an attribute without quotes');
    const from = this.at;
    while (this.at < bytes.length && bytes[this.at] !== quote) {
      this.at++;
      if (this.at - from > MESH_LIMITS.wordBytes) throw broken('an attribute without an end');
    }
    if (this.at >= bytes.length) throw broken('an attribute without an end');
    return textOf(bytes, from, this.at++);
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
  const found: [string, string, string] = ['', '', ''];
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
    const name = walker.name();
    if (name !== row) throw broken(`<${name.slice(0, 30)}> among ${list}`);
    found.fill('');
    for (walker.skipSpace(); bytes[walker.at] !== SLASH && bytes[walker.at] !== GT; walker.skipSpace()) {
      if (walker.at >= bytes.length) throw broken(`a ${row} without an end`);
      const begun = walker.at;
      const attribute = walker.name();
      if (walker.at === begun) throw broken(`a ${row} that cannot be read`);
      const value = walker.value();
      const place = names.indexOf(attribute);
      if (place >= 0) found[place] = value;
    }
    if (bytes[walker.at] === SLASH) walker.at += 2;
    else {
      walker.at++;
      walker.skipSpace();
      walker.at += 2;
      if (walker.name() !== row) throw broken(`something within a ${row}`);
      walker.at++;
    }
    push(numberOf(found[0]), numberOf(found[1]), numberOf(found[2]));
  }
}
/** What is missing is no number, and is found so where the mesh is checked. */
const numberOf = (text: string): number => (text.trim() === '' ? Number.NaN : Number(text));

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
    const begun = walker.at;
    walker.name();
    if (walker.at === begun) throw broken('a list that cannot be read');
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
