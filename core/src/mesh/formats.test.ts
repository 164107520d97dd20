import fc from 'fast-check';
import { strToU8, zipSync } from 'fflate';
import { describe, expect, it } from 'vitest';
import { outcomeOf } from '../testing/outcomeOf';
import { ply } from '../testing/ply';
import { asciiStl, bytesOf, cube, sphere, torus, type TestMesh } from '../testing/solids';
import { MeshFileError, readMesh, write3mf, writeBinaryStl } from './index';

/** Corners of the triangles in order: what a format must carry, whatever it does to the list of vertices. */
const corners = ({
  positions,
  triangles,
}: {
  positions: ArrayLike<number>;
  triangles: ArrayLike<number>;
}): number[] =>
  Array.from(triangles).flatMap((v) => [positions[3 * v]!, positions[3 * v + 1]!, positions[3 * v + 2]!]);
/** Coordinates that float32 holds, so that nothing is lost on the way. */
const rounded = ({ positions, triangles }: TestMesh): TestMesh => ({
  positions: positions.map(Math.fround),
  triangles,
});
const part = rounded(torus(7, 2, 24, 12));

describe('PLY', () => {
  it.each(['ascii', 'binary_little_endian', 'binary_big_endian'] as const)(
    'as %s gives the mesh back',
    (kind) => {
      const mesh = readMesh(ply(part, kind), 'part.ply');
      expect(mesh.format).toBe('ply');
      expect(corners(mesh)).toEqual(corners(part));
    },
  );
  it('polygons are split, other elements passed over', () => {
    const text = `ply\nformat ascii 1.0\nelement vertex 4\nproperty float x\nproperty float y\nproperty float z\nelement edge 1\nproperty int vertex1\nproperty int vertex2\nelement face 1\nproperty list uchar uint vertex_index\nend_header\n0 0 0\n1 0 0\n1 1 0\n0 1 0\n0 1\n4 0 1 2 3\n`;
    expect([...readMesh(bytesOf(text), 'q.ply').triangles]).toEqual([0, 1, 2, 0, 2, 3]);
  });
  it.each([
    ['cut off', (b: Uint8Array) => b.slice(0, b.length - 7), 'MESH_TRUNCATED'],
    ['a header without an end', () => bytesOf('ply\nformat ascii 1.0\nelement vertex 3\n'), 'MESH_TRUNCATED'],
    ['no faces', () => ply({ positions: part.positions, triangles: [] }, 'ascii'), 'MESH_NO_TRIANGLES'],
    ['a face that names a missing point', () => ply({ ...cube(1), triangles: [0, 1, 99] }, 'binary_big_endian'), 'MESH_INDEX_RANGE'],
    ['a coordinate that is no number', () => ply({ ...cube(1), positions: cube(1).positions.map((v, i) => (i === 4 ? Number.NaN : v)) }, 'binary_little_endian'), 'MESH_NOT_FINITE'],
  ])('%s is refused by name', (_what, damage, code) => {
    expect(outcomeOf(damage(ply(part, 'binary_little_endian')), 'part.ply')).toBe(code);
  }); // prettier-ignore
});

describe('writing', () => {
  it('binary STL comes back exactly', () => {
    expect(corners(readMesh(writeBinaryStl(part.positions, part.triangles), 'a.stl'))).toEqual(corners(part));
  });
  it('3MF comes back exactly, double coordinates too, in mm', () => {
    const fine = sphere(5, 3);
    const mesh = readMesh(write3mf(fine.positions, fine.triangles), 'a.3mf');
    expect(corners(mesh)).toEqual(corners(fine));
    expect(mesh.unitMm).toBe(1);
  });
});

describe('3MF packages', () => {
  const ns = 'xmlns="http://schemas.microsoft.com/3dmanufacturing/core/2015/02"';
  const production = 'xmlns:p="http://schemas.microsoft.com/3dmanufacturing/production/2015/06"';
  const tetra = `<mesh><vertices><vertex x="0" y="0" z="0"/><vertex x="1" y="0" z="0"/><vertex x="0" y="1" z="0"/><vertex x="0" y="0" z="1"/></vertices><triangles><triangle v1="0" v2="2" v3="1"/><triangle v1="0" v2="1" v3="3"/><triangle v1="1" v2="2" v3="3"/><triangle v1="2" v2="0" v3="3"/></triangles></mesh>`;
  const pack = (files: Record<string, string>): Uint8Array =>
    zipSync(Object.fromEntries(Object.entries(files).map(([name, text]) => [name, strToU8(text)])));
  const widest = (mesh: { positions: ArrayLike<number> }): number => Math.max(...Array.from(mesh.positions));

  it('find their parts in other files, each in its own unit', () => {
    const bytes = pack({
      '3D/3dmodel.model': `<model unit="millimeter" ${ns} ${production} requiredextensions="p"><resources><object id="1"><components><component objectid="7" p:path="/3D/Objects/part.model" transform="2 0 0 0 2 0 0 0 2 10 0 0"/></components></object></resources><build><item objectid="1"/></build></model>`,
      '3D/Objects/part.model': `<model unit="centimeter" ${ns}><resources><object id="7" type="model">${tetra}</object></resources></model>`,
    });
    const mesh = readMesh(bytes, 'a.3mf');
    expect(mesh.triangles).toHaveLength(12);
    expect(widest(mesh) * (mesh.unitMm ?? 1)).toBeCloseTo(10 + 20, 9);
  });
  it('that name a file which is not there, or an extension that is not known, are refused', () => {
    const missing = pack({
      '3D/3dmodel.model': `<model ${ns} ${production}><resources><object id="1"><components><component objectid="7" p:path="/3D/gone.model"/></components></object></resources><build><item objectid="1"/></build></model>`,
    });
    expect(outcomeOf(missing, 'a.3mf')).toMatch(/^MESH_(ZIP|XML)_BROKEN$/);
    const unknown = pack({
      '3D/3dmodel.model': `<model ${ns} xmlns:q="http://unknown.invalid/x" requiredextensions="q"><resources><object id="1">${tetra}</object></resources><build><item objectid="1"/></build></model>`,
    });
    expect(outcomeOf(unknown, 'a.3mf')).toBe('MESH_EXTENSION_UNKNOWN');
  });
  it('leave out supports, helpers, and what is not to be printed', () => {
    const bytes = pack({
      '3D/3dmodel.model': `<model ${ns}><resources><object id="1">${tetra}</object><object id="2" type="support">${tetra}</object><object id="3" type="other">${tetra}</object><object id="4"><components><component objectid="1"/><component objectid="2"/></components></object></resources><build><item objectid="1"/><item objectid="2"/><item objectid="3"/><item objectid="4"/><item objectid="1" printable="0"/></build></model>`,
    });
    expect(readMesh(bytes, 'a.3mf').triangles).toHaveLength(24);
  });
  it('with a flipped byte that still unpacks are refused', () => {
    const text = `<model ${ns}><resources><object id="1">${tetra}</object></resources><build><item objectid="1"/></build></model>`;
    const bytes = zipSync({ '3D/3dmodel.model': [strToU8(text), { level: 0 }] });
    expect(outcomeOf(bytes, 'a.3mf')).toBe('read');
    const at = bytes.findIndex((_, n) => new TextDecoder().decode(bytes.subarray(n, n + 5)) === 'x="1"') + 3;
    bytes[at] = '9'.charCodeAt(0);
    expect(outcomeOf(bytes, 'a.3mf')).toBe('MESH_ZIP_BROKEN');
  });
  it('that would unpack to far more than they should are refused', () => {
    const bomb = pack({ '3D/3dmodel.model': `<model ${ns}/>` });
    const directory = bomb.findLastIndex(
      (_, n) => bomb[n] === 0x50 && bomb[n + 1] === 0x4b && bomb[n + 2] === 1,
    );
    // What the directory says of the size is believed before a byte is unpacked.
    new DataView(bomb.buffer).setUint32(directory + 24, 700_000_000, true);
    expect(outcomeOf(bomb, 'a.3mf')).toBe('MESH_ZIP_EXPANDS');
  });
});

describe('text as programs write it', () => {
  const square = { positions: [0, 0, 0, 10, 0, 0, 0, 10, 0, 0, 0, 10], triangles: [0, 2, 1, 0, 1, 3, 1, 2, 3, 2, 0, 3] };
  const stl = asciiStl(square, 'part 1');
  const wide = (text: string, little: boolean): Uint8Array =>
    Uint8Array.from([...`\ufeff${text}`].flatMap((c) => {
      const code = c.charCodeAt(0);
      return little ? [code & 255, code >> 8] : [code >> 8, code & 255];
    }));
  it.each([
    ['all in one line', bytesOf(stl.replace(/\s+/g, ' '))],
    ['facets in one line each', bytesOf(stl.replace(/\s+(outer|vertex|endloop|endfacet)/g, ' $1'))],
    ['lines that end in CR alone', bytesOf(stl.replaceAll('\n', '\r'))],
    ['a byte order mark', Uint8Array.from([0xef, 0xbb, 0xbf, ...bytesOf(stl)])],
    ['two-byte text, little end first', wide(stl, true)],
    ['two-byte text, big end first', wide(stl, false)],
    ['a name over two lines', bytesOf(stl.replace('solid part 1\n', 'solid part 1\nof the set, facets\n'))],
  ])('STL with %s is read whole', (_, bytes) => {
    expect(corners(readMesh(bytes, 'a.stl'))).toEqual(corners(square));
  });
  it('STL of three bodies with odd names, in one line or many', () => {
    const names = ['solid', 'endsolid 2', `${'long '.repeat(400)}name`];
    const text = names.map((name) => asciiStl(square, name)).join('');
    expect(readMesh(bytesOf(text), 'a.stl').triangles).toHaveLength(36);
    expect(readMesh(bytesOf(text.replaceAll('\n', '\r')), 'a.stl').triangles).toHaveLength(36);
    const short = ['a', 'b', ''].map((name) => asciiStl(square, name)).join('').replace(/\s+/g, ' ');
    expect(readMesh(bytesOf(short), 'a.stl').triangles).toHaveLength(36);
  });
  it('binary STL with a few bytes after its last triangle; with a whole one more it is refused', () => {
    const whole = writeBinaryStl(part.positions, part.triangles);
    expect(corners(readMesh(Uint8Array.from([...whole, 1, 2, 3]), 'a.stl'))).toEqual(corners(part));
    expect(outcomeOf(Uint8Array.from([...whole, ...new Array<number>(50).fill(0)]), 'a.stl')).toBe('MESH_COUNT_MISMATCH');
  });
  it('OBJ with lines that go on', () => {
    const text = 'v 0 0 0\nv 1 0 \\\n0\nv 0 1 0\nv 0 0 1\nf 1 3 \\\n2\nf 1 2 4\nf 2 3 4\nf 3 1 4\n';
    expect([...readMesh(bytesOf(text), 'a.obj').triangles]).toEqual([0, 2, 1, 0, 1, 3, 1, 2, 3, 2, 0, 3]);
  });
  it('a number that is none is told without a line that is not there', () => {
    const bad = new TextDecoder().decode(ply(cube(1), 'ascii')).replace('\n1 0 0 200\n', '\n1 0 zero 200\n');
    expect(outcomeOf(bytesOf(bad), 'a.ply')).toBe('MESH_DATA_BROKEN');
  });
}); // prettier-ignore

describe('damaged bytes', () => {
  const files: [string, Uint8Array][] = [
    ['a.ply', ply(cube(3), 'ascii')],
    ['b.ply', ply(cube(3), 'binary_little_endian')],
    ['c.ply', ply(cube(3), 'binary_big_endian')],
    ['d.3mf', write3mf(cube(3).positions, cube(3).triangles)],
    ['e.stl', writeBinaryStl(cube(3).positions, cube(3).triangles)],
  ];
  it.each(files)('of %s are a mesh of finite points or a named refusal', (name, whole) => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.nat(whole.length - 1), fc.nat(255)), { minLength: 1, maxLength: 6 }),
        fc.nat(whole.length),
        fc.boolean(),
        (changes, end, cut) => {
          const bytes = whole.slice(0, cut ? end : whole.length);
          for (const [at, value] of changes) if (at < bytes.length) bytes[at] = value;
          let mesh;
          try {
            mesh = readMesh(bytes, name);
          } catch (error) {
            if (!(error instanceof MeshFileError)) throw error;
            return;
          }
          expect(mesh.triangles.length % 3).toBe(0);
          expect(Math.max(...mesh.triangles)).toBeLessThan(mesh.positions.length / 3);
          expect(mesh.positions.every(Number.isFinite)).toBe(true);
        },
      ),
      { numRuns: 150, seed: 7 },
    );
  });
});
