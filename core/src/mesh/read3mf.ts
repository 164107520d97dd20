import { XMLParser, XMLValidator } from 'fast-xml-parser';
import { strFromU8, unzipSync } from 'fflate';
import { GrowingFloats, GrowingIndices } from './growingArray';
import { MESH_LIMITS } from './limits';
import { MeshFileError } from './meshFileError';
import { takeModelApart, type ModelText } from './modelText';
import type { RawMesh } from './rawMesh';
import { crc32, statedChecksums } from './zipChecksums';

const UNITS_MM: Readonly<Record<string, number>> = {
  micron: 0.001,
  millimeter: 1,
  centimeter: 10,
  inch: 25.4,
  foot: 304.8,
  meter: 1000,
};

type Attributes = Record<string, string>;
interface ObjectNode {
  id: string;
  /** What it is for: a part by default; supports and other helpers are no part. */
  type?: string;
  /** Its lists, by their place among the model's. */
  mesh?: { vertices?: { list?: string }; triangles?: { list?: string } };
  components?: { component?: Attributes[] };
}
interface ModelNode {
  unit?: string;
  requiredextensions?: string;
  /** Namespace declarations, by prefix: the parser drops "xmlns:". */
  [prefix: string]: unknown;
  resources?: { object?: ObjectNode[] };
  build?: { item?: Attributes[] };
}

/** Row-major 4×3 matrix as the file writes it: x' = x·m0 + y·m3 + z·m6 + m9. */
type Transform = readonly number[];
const IDENTITY: Transform = [1, 0, 0, 0, 1, 0, 0, 0, 1, 0, 0, 0];

function readTransform(text: string | undefined): Transform {
  if (text === undefined) return IDENTITY;
  const numbers = text.trim().split(/\s+/).map(Number);
  if (numbers.length !== 12 || !numbers.every(Number.isFinite)) {
    throw new MeshFileError('MESH_XML_BROKEN', { what: 'a transform that is not twelve numbers' });
  }
  return numbers;
}

const scaling = (by: number): Transform => [by, 0, 0, 0, by, 0, 0, 0, by, 0, 0, 0];

/** First `inner`, then `outer`. */
function combine(inner: Transform, outer: Transform): Transform {
  const out: number[] = [];
  for (let row = 0; row < 4; row++) {
    for (let column = 0; column < 3; column++) {
      let sum = row === 3 ? outer[9 + column]! : 0;
      for (let k = 0; k < 3; k++) sum += inner[3 * row + k]! * outer[3 * k + column]!;
      out.push(sum);
    }
  }
  return out;
}

function determinant(m: Transform): number {
  const [a, b, c, d, e, f, g, h, i] = m as [
    number,
    number,
    number,
    number,
    number,
    number,
    number,
    number,
    number,
  ];
  return a * (e * i - f * h) - b * (d * i - f * g) + c * (d * h - e * g);
}

/** Objects in other files of the package are found by it; every other required extension changes what is solid. */
const PRODUCTION = 'http://schemas.microsoft.com/3dmanufacturing/production/2015/06';

/** The model files of a package by their path, the root model first. */
interface Package {
  root: string;
  parts: Record<string, Uint8Array>;
}

const pathOf = (name: string): string => name.replace(/^\/+/, '').toLowerCase();

function unpackModels(bytes: Uint8Array): Package {
  let tooLarge = false;
  let total = 0;
  let parts: Record<string, Uint8Array>;
  try {
    parts = unzipSync(bytes, {
      filter: (file) => {
        if (!/\.(model|rels)$/i.test(file.name)) return false;
        total += file.originalSize;
        if (total > MESH_LIMITS.modelBytes) tooLarge = true;
        if (/\.rels$/i.test(file.name) && file.originalSize > MESH_LIMITS.relationsBytes) tooLarge = true;
        return !tooLarge;
      },
    });
  } catch {
    throw new MeshFileError('MESH_ZIP_BROKEN');
  }
  if (tooLarge) throw new MeshFileError('MESH_ZIP_EXPANDS');
  // A flipped byte unpacks to other numbers without a word: the directory's checksums tell.
  const stated = statedChecksums(bytes);
  for (const [name, part] of Object.entries(parts))
    if (stated.get(name) !== crc32(part)) throw new MeshFileError('MESH_ZIP_BROKEN');
  const models = Object.fromEntries(Object.entries(parts).map(([name, part]) => [pathOf(name), part]));
  const names = Object.keys(models)
    .filter((name) => name.endsWith('.model'))
    .sort((x, y) => x.split('/').length - y.split('/').length);
  const wanted = [pathOf(namedRoot(models['_rels/.rels'])), '3d/3dmodel.model', names[0] ?? ''];
  const root = wanted.find((name) => name in models);
  if (root === undefined) throw new MeshFileError('MESH_ZIP_BROKEN');
  return { root, parts: models };
}

/** The model that the package's list of parts names; '' where it names none, or does not read. */
function namedRoot(relations: Uint8Array | undefined): string {
  if (!relations) return '';
  const text = strFromU8(relations);
  if (XMLValidator.validate(text) !== true) return '';
  const read = new XMLParser({ ignoreAttributes: false, attributeNamePrefix: '', removeNSPrefix: true, processEntities: false, isArray: (name) => name === 'Relationship' }).parse(text) as { Relationships?: { Relationship?: Attributes[] } }; // prettier-ignore
  const named = read.Relationships?.Relationship?.find(({ Type = '', Target = '' }) => /3dmodel$/i.test(Type) && /\.model$/i.test(Target)); // prettier-ignore
  return named?.['Target'] ?? '';
}

const LISTS = new Set(['object', 'component', 'item']);

function parseModel(xml: string): ModelNode {
  const validity = XMLValidator.validate(xml);
  if (validity !== true) {
    throw new MeshFileError('MESH_XML_BROKEN', { what: validity.err.msg, line: validity.err.line });
  }
  const parser = new XMLParser({
    ignoreAttributes: false,
    attributeNamePrefix: '',
    removeNSPrefix: true,
    processEntities: false,
    isArray: (name) => LISTS.has(name),
  });
  const root: unknown = parser.parse(xml);
  const model = (root as { model?: ModelNode }).model;
  if (!model || typeof model !== 'object')
    throw new MeshFileError('MESH_XML_BROKEN', { what: 'no model in it' });
  // The parser drops the prefixes' own declarations with the prefixes.
  const root3mf = /<(?:\w+:)?model\b[^>]*>/.exec(xml)?.[0] ?? '';
  const spaces = new Map(
    [...root3mf.matchAll(/xmlns:(\w+)\s*=\s*["']([^"']*)["']/g)].map((m) => [m[1], m[2]]),
  );
  const required = (model.requiredextensions ?? '').split(/\s+/).filter(Boolean);
  const unknown = required.find((prefix) => spaces.get(prefix) !== PRODUCTION);
  if (unknown !== undefined) throw new MeshFileError('MESH_EXTENSION_UNKNOWN', { extension: unknown });
  return model;
}

interface Part {
  text: ModelText;
  unitMm: number;
  objects: Map<string, ObjectNode>;
  build: Attributes[];
}

const isPart = ({ type = 'model' }: ObjectNode): boolean => type === 'model' || type === 'surface';
const isPrinted = ({ printable = '1' }: Attributes): boolean => !['0', 'false'].includes(printable);

class ModelAssembler {
  readonly positions = new GrowingFloats();
  readonly triangles = new GrowingIndices();
  readonly root: Part;
  private readonly parts = new Map<string, Part>();
  private instances = 0;

  constructor(private readonly files: Package) {
    this.root = this.part(files.root);
  }

  /** A model file of the package, parsed when first asked for. */
  private part(path: string): Part {
    const known = this.parts.get(path);
    if (known) return known;
    const bytes = this.files.parts[path];
    if (!bytes) throw new MeshFileError('MESH_XML_BROKEN', { what: `the part ${path} is missing` });
    const text = takeModelApart(bytes);
    const model = parseModel(text.structure);
    const unitMm = UNITS_MM[model.unit ?? 'millimeter'];
    if (unitMm === undefined) throw new MeshFileError('MESH_XML_BROKEN', { what: `unit “${model.unit}”` });
    const part: Part = {
      text,
      unitMm,
      objects: new Map((model.resources?.object ?? []).map((object) => [object.id, object])),
      build: model.build?.item ?? [],
    };
    this.parts.set(path, part);
    return part;
  }

  /** An item or component: its object may lie in another file, in that file's unit. */
  add(reference: Attributes, within: Part, outer: Transform, depth = 0): void {
    const path = reference['path'];
    const part = path === undefined ? within : this.part(pathOf(path));
    const object = part.objects.get(reference['objectid'] ?? '');
    if (++this.instances > MESH_LIMITS.instances)
      throw new MeshFileError('MESH_TOO_LARGE', { instances: MESH_LIMITS.instances });
    if (!object || depth > MESH_LIMITS.componentDepth) {
      throw new MeshFileError('MESH_XML_BROKEN', {
        what: `object ${reference['objectid'] ?? '?'} cannot be resolved`,
      });
    }
    if (!isPart(object)) return;
    const here = combine(readTransform(reference['transform']), outer);
    const transform = part === within ? here : combine(scaling(part.unitMm / within.unitMm), here);
    if (object.mesh) this.addMesh(object.mesh, part.text, transform);
    for (const component of object.components?.component ?? [])
      this.add(component, part, transform, depth + 1);
  }

  private addMesh(mesh: NonNullable<ObjectNode['mesh']>, text: ModelText, m: Transform): void {
    const base = this.positions.length / 3;
    const vertices = text.vertices[Number(mesh.vertices?.list)] ?? new Float64Array();
    const triangles = text.triangles[Number(mesh.triangles?.list)] ?? new Uint32Array();
    for (let v = 0; v < vertices.length; v += 3) {
      const [x, y, z] = [vertices[v]!, vertices[v + 1]!, vertices[v + 2]!];
      this.positions.push3(
        x * m[0]! + y * m[3]! + z * m[6]! + m[9]!,
        x * m[1]! + y * m[4]! + z * m[7]! + m[10]!,
        x * m[2]! + y * m[5]! + z * m[8]! + m[11]!,
      );
    }
    // A mirroring transform turns every face inside out: swap two corners to keep it outward.
    const mirrored = determinant(m) < 0;
    const count = vertices.length / 3;
    for (let t = 0; t < triangles.length; t += 3) {
      const [a, b, c] = [triangles[t]!, triangles[t + 1]!, triangles[t + 2]!];
      if (a >= count || b >= count || c >= count)
        throw new MeshFileError('MESH_INDEX_RANGE', { vertices: count });
      if (mirrored) this.triangles.push3(base + a, base + c, base + b);
      else this.triangles.push3(base + a, base + b, base + c);
    }
  }
}

/** 3MF: units, components with transforms, mirrored ones, several build items, parts in other files of the package. */
export function read3mf(bytes: Uint8Array): RawMesh {
  const assembler = new ModelAssembler(unpackModels(bytes));
  for (const item of assembler.root.build.filter(isPrinted)) assembler.add(item, assembler.root, IDENTITY);
  return {
    format: '3mf',
    unitMm: assembler.root.unitMm,
    positions: assembler.positions.take(),
    triangles: assembler.triangles.take(),
  };
}
