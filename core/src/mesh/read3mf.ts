import { XMLParser, XMLValidator } from 'fast-xml-parser';
import { strFromU8, unzipSync } from 'fflate';
import { GrowingFloats, GrowingIndices } from './growingArray';
import { MeshFileError } from './meshFileError';
import type { RawMesh } from './rawMesh';

/** A model part larger than this when unpacked is refused (a zip can claim anything). */
const MODEL_BYTES_MAX = 600_000_000;
/** Nested components deeper than this are a loop or a mistake. */
const DEPTH_MAX = 16;

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
  mesh?: { vertices?: { vertex?: Attributes[] }; triangles?: { triangle?: Attributes[] } };
  components?: { component?: Attributes[] };
}
interface ModelNode {
  unit?: string;
  requiredextensions?: string;
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

function unpackModel(bytes: Uint8Array): string {
  let tooLarge = false;
  let parts: Record<string, Uint8Array>;
  try {
    parts = unzipSync(bytes, {
      filter: (file) => {
        if (!/\.model$/i.test(file.name)) return false;
        if (file.originalSize > MODEL_BYTES_MAX) tooLarge = true;
        return !tooLarge;
      },
    });
  } catch {
    throw new MeshFileError('MESH_ZIP_BROKEN');
  }
  if (tooLarge) throw new MeshFileError('MESH_ZIP_EXPANDS');
  const names = Object.keys(parts).sort((a, b) => a.split('/').length - b.split('/').length);
  const main = names.find((name) => /^\/?3d\/3dmodel\.model$/i.test(name)) ?? names[0];
  if (main === undefined) throw new MeshFileError('MESH_ZIP_BROKEN');
  return strFromU8(parts[main]!);
}

const LISTS = new Set(['object', 'vertex', 'triangle', 'component', 'item']);

function parseModel(xml: string): ModelNode {
  if (/<!(DOCTYPE|ENTITY)/i.test(xml)) throw new MeshFileError('MESH_XML_ENTITIES');
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
  if ((model.requiredextensions ?? '').trim() !== '') {
    throw new MeshFileError('MESH_EXTENSION_UNKNOWN', { extension: model.requiredextensions ?? '' });
  }
  return model;
}

class ModelAssembler {
  readonly positions = new GrowingFloats();
  readonly triangles = new GrowingIndices();
  private readonly objects: Map<string, ObjectNode>;

  constructor(model: ModelNode) {
    this.objects = new Map((model.resources?.object ?? []).map((object) => [object.id, object]));
  }

  addObject(id: string | undefined, transform: Transform, depth = 0): void {
    const object = id === undefined ? undefined : this.objects.get(id);
    if (!object || depth > DEPTH_MAX) {
      throw new MeshFileError('MESH_XML_BROKEN', { what: `object ${id ?? '?'} cannot be resolved` });
    }
    if (object.mesh) this.addMesh(object.mesh, transform);
    for (const component of object.components?.component ?? []) {
      this.addObject(
        component['objectid'],
        combine(readTransform(component['transform']), transform),
        depth + 1,
      );
    }
  }

  private addMesh(mesh: NonNullable<ObjectNode['mesh']>, m: Transform): void {
    const base = this.positions.length / 3;
    const vertices = mesh.vertices?.vertex ?? [];
    for (const vertex of vertices) {
      const [x, y, z] = [Number(vertex['x']), Number(vertex['y']), Number(vertex['z'])];
      this.positions.push3(
        x * m[0]! + y * m[3]! + z * m[6]! + m[9]!,
        x * m[1]! + y * m[4]! + z * m[7]! + m[10]!,
        x * m[2]! + y * m[5]! + z * m[8]! + m[11]!,
      );
    }
    // A mirroring transform turns every face inside out: swap two corners to keep it outward.
    const mirrored = determinant(m) < 0;
    for (const triangle of mesh.triangles?.triangle ?? []) {
      const corners = [Number(triangle['v1']), Number(triangle['v2']), Number(triangle['v3'])];
      if (corners.some((v) => !Number.isInteger(v) || v < 0 || v >= vertices.length)) {
        throw new MeshFileError('MESH_INDEX_RANGE', { vertices: vertices.length });
      }
      const [a, b, c] = corners as [number, number, number];
      if (mirrored) this.triangles.push3(base + a, base + c, base + b);
      else this.triangles.push3(base + a, base + b, base + c);
    }
  }
}

/** 3MF: units, components with transforms, mirrored ones, several build items. One part file. */
export function read3mf(bytes: Uint8Array): RawMesh {
  const model = parseModel(unpackModel(bytes));
  const unitMm = UNITS_MM[model.unit ?? 'millimeter'];
  if (unitMm === undefined) throw new MeshFileError('MESH_XML_BROKEN', { what: `unit “${model.unit}”` });
  const assembler = new ModelAssembler(model);
  for (const item of model.build?.item ?? []) {
    assembler.addObject(item['objectid'], readTransform(item['transform']));
  }
  return {
    format: '3mf',
    unitMm,
    positions: assembler.positions.take(),
    triangles: assembler.triangles.take(),
  };
}
