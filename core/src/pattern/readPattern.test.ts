import fc from 'fast-check';
import { strToU8, zipSync } from 'fflate';
import { describe, expect, it } from 'vitest';
import geometry from '../../reference/geometry.json';
import { MeshFileError, writeBinaryStl } from '../mesh';
import {
  asciiStl,
  bytesOf,
  cube,
  insideOut,
  obj,
  sphere,
  together,
  torus,
  type TestMesh,
} from '../testing/solids';
import { readPattern, type PatternMeasure } from './readPattern';

const stl = ({ positions, triangles }: TestMesh): Uint8Array => writeBinaryStl(positions, triangles);
const measure = (bytes: Uint8Array, name = 'part.stl', unitMm: number | null = 1): PatternMeasure => {
  const reading = readPattern(bytes, name, unitMm);
  if (reading.status !== 'read') throw new Error(reading.status);
  return reading.measure;
};
const codeOf = (bytes: Uint8Array, name = 'part.stl'): string => {
  try {
    return readPattern(bytes, name, null).status;
  } catch (error) {
    if (error instanceof MeshFileError) return error.code;
    throw error;
  }
};

/** A 3MF package around a model. */
const threeMf = (model: string): Uint8Array => zipSync({ '3D/3dmodel.model': strToU8(model) });
const model = (inside: string, attributes = 'unit="millimeter"'): string =>
  `<?xml version="1.0"?><model ${attributes} xmlns="http://schemas.microsoft.com/3dmanufacturing/core/2015/02">${inside}</model>`;
function objectOf({ positions, triangles }: TestMesh, id = 1): string {
  const vertices: string[] = [];
  for (let i = 0; i < positions.length; i += 3)
    vertices.push(`<vertex x="${positions[i]}" y="${positions[i + 1]}" z="${positions[i + 2]}"/>`);
  const faces: string[] = [];
  for (let i = 0; i < triangles.length; i += 3)
    faces.push(`<triangle v1="${triangles[i]}" v2="${triangles[i + 1]}" v3="${triangles[i + 2]}"/>`);
  return `<object id="${id}" type="model"><mesh><vertices>${vertices.join('')}</vertices><triangles>${faces.join('')}</triangles></mesh></object>`;
}

describe('closed forms', () => {
  it('measures a cube exactly, from every format', () => {
    const part = cube(10);
    const files: [Uint8Array, string][] = [
      [stl(part), 'a.stl'],
      [bytesOf(asciiStl(part)), 'a.stl'],
      [bytesOf(obj(part)), 'a.obj'],
      [
        threeMf(model(`<resources>${objectOf(part)}</resources><build><item objectid="1"/></build>`)),
        'a.3mf',
      ],
    ];
    for (const [bytes, name] of files) {
      const m = measure(bytes, name);
      expect(m.volumeMm3).toBeCloseTo(1000, 9);
      expect(m.areaMm2).toBeCloseTo(600, 9);
      expect([m.closed, m.shells, m.triangles, m.vertices, ...m.sizeMm]).toEqual([
        true,
        1,
        12,
        8,
        10,
        10,
        10,
      ]);
    }
  });

  it('measures a torus and a sphere within their faceting, which shrinks with its square', () => {
    const exact = geometry.torus;
    const coarse = measure(stl(torus(10, 1.5, 120, 48)));
    const fine = measure(stl(torus(10, 1.5, 240, 96)));
    expect(fine.volumeMm3).toBeLessThan(exact.volume);
    expect((exact.volume - coarse.volumeMm3) / (exact.volume - fine.volumeMm3)).toBeCloseTo(4, 1);
    expect(fine.areaMm2 / exact.area).toBeCloseTo(1, 2);
    const ball = measure(stl(sphere(5, 6)));
    expect(ball.volumeMm3 / ((4 / 3) * Math.PI * 125)).toBeCloseTo(1, 3);
    expect(ball.areaMm2 / (4 * Math.PI * 25)).toBeCloseTo(1, 3);
  });

  it('does not lose digits far from the origin', () => {
    const { positions, triangles } = cube(2, [1e5, -1e5, 1e5]);
    const text = obj({ positions, triangles });
    expect(measure(bytesOf(text), 'a.obj').volumeMm3).toBeCloseTo(8, 6);
  });
});

describe('what a file claims', () => {
  it('reads a binary STL that begins with “solid”', () => {
    const bytes = stl(cube(4));
    bytes.set(bytesOf('solid facet endsolid '), 0);
    expect(measure(bytes).format).toBe('stl-binary');
  });

  it('reads several solids of one ASCII file, polygons and negative indices of OBJ', () => {
    const two = `${asciiStl(cube(3), 'one')}${asciiStl(cube(3, [5, 0, 0]), 'two')}`;
    expect(measure(bytesOf(two)).shells).toBe(2);
    const box = ['v 0 0 0', 'v 2 0 0', 'v 2 2 0', 'v 0 2 0', 'v 0 0 2', 'v 2 0 2', 'v 2 2 2', 'v 0 2 2',
      'f -8 -5 -6 -7', 'f 5/1 6/2 7/3 8/4', 'f 1 2 6 5', 'f 2//1 3//1 7//1 6//1', 'f 3 4 8 7', 'f 4 1 5 8'].join('\n'); // prettier-ignore
    expect(measure(bytesOf(box), 'a.obj').volumeMm3).toBeCloseTo(8, 9);
  });

  it('takes 3MF units, components and mirrors', () => {
    const build = `<resources>${objectOf(cube(1))}<object id="2"><components>
      <component objectid="1" transform="-1 0 0 0 1 0 0 0 1 0 0 0"/>
      <component objectid="1" transform="1 0 0 0 1 0 0 0 1 4 0 0"/></components></object></resources>
      <build><item objectid="2" transform="2 0 0 0 2 0 0 0 2 0 0 0"/></build>`;
    const m = measure(threeMf(model(build, 'unit="centimeter"')), 'a.3mf', null);
    expect(m.volumeMm3).toBeCloseTo(2 * 8 * 1000, 6);
    expect([m.unitMm, m.inwardShells, m.sizeMm[0]]).toEqual([10, 0, 120]);
  });

  it('asks for the unit when the size is implausible, and takes the answer', () => {
    const bytes = stl(cube(0.8));
    const reading = readPattern(bytes, 'a.stl', null);
    expect(
      reading.status === 'unit needed' && reading.options.find((o) => o.unit === 'inch')?.sizeMm[0],
    ).toBeCloseTo(20.32, 4);
    expect(measure(bytes, 'a.stl', 25.4).sizeMm[0]).toBeCloseTo(20.32, 4);
    expect(readPattern(stl(cube(20)), 'a.stl', null).status).toBe('read');
    expect(readPattern(stl(cube(401)), 'a.stl', null).status).toBe('unit needed');
  });
});

describe('topology', () => {
  it('counts a missing face, a turned face and a third face on an edge', () => {
    const { positions, triangles } = cube(5);
    const open = measure(stl({ positions, triangles: triangles.slice(3) }));
    expect([open.closed, open.openEdges]).toEqual([false, 3]);
    const turned = measure(
      stl({ positions, triangles: [triangles[0]!, triangles[2]!, triangles[1]!, ...triangles.slice(3)] }),
    );
    expect([turned.closed, turned.turnedEdges]).toEqual([false, 3]);
    const crowded = measure(stl({ positions: [...positions, 2, 2, -4], triangles: [...triangles, 0, 1, 8] }));
    expect(crowded.crowdedEdges).toBe(1);
  });

  it('joins nearly equal corners only where the surface is open otherwise', () => {
    const part = cube(10);
    const soup: TestMesh = { positions: [], triangles: [] };
    part.triangles.forEach((t, i) => {
      soup.positions.push(...part.positions.slice(3 * t, 3 * t + 3).map((v) => v + (i % 2) * 4e-6));
      soup.triangles.push(i);
    });
    const m = measure(bytesOf(obj(soup)), 'a.obj');
    expect([m.closed, m.vertices]).toEqual([true, 8]);
  });

  it('knows a hollow from overlapping bodies and turns an inside-out file over', () => {
    const hollow = measure(stl(together(cube(10), insideOut(cube(4, [3, 3, 3])))));
    expect(hollow.volumeMm3).toBeCloseTo(1000 - 64, 6);
    expect([hollow.shells, hollow.inwardShells, hollow.reversed]).toEqual([2, 1, false]);
    const reversed = measure(stl(insideOut(cube(10))));
    expect([reversed.reversed, reversed.inwardShells]).toEqual([true, 0]);
    expect(reversed.volumeMm3).toBeCloseTo(1000, 6);
  });
});

describe('bad files', () => {
  const good = stl(cube(10));
  const withCount = (count: number): Uint8Array => {
    const bytes = good.slice();
    new DataView(bytes.buffer).setUint32(80, count, true);
    return bytes;
  };
  const nan = (): Uint8Array => {
    const bytes = good.slice();
    new DataView(bytes.buffer).setFloat32(84 + 12, Number.NaN, true);
    return bytes;
  };
  const flat: TestMesh = { positions: [0, 0, 0, 9, 0, 0, 0, 9, 0], triangles: [0, 1, 2, 0, 2, 1] };
  it.each([
    ['nothing', new Uint8Array(), 'a.stl', 'MESH_EMPTY'],
    ['a picture', bytesOf('\x89PNG....'), 'a.png', 'MESH_FORMAT_UNKNOWN'],
    ['a cut-off file', good.slice(0, 300), 'a.stl', 'MESH_TRUNCATED'],
    ['a cut-off header', good.slice(0, 50), 'a.stl', 'MESH_TRUNCATED'],
    ['too high a count', withCount(4_000_000_000), 'a.stl', 'MESH_TRUNCATED'],
    ['too low a count', withCount(3), 'a.stl', 'MESH_COUNT_MISMATCH'],
    ['no triangles', stl({ positions: [], triangles: [] }), 'a.stl', 'MESH_NO_TRIANGLES'],
    ['an empty ASCII solid', bytesOf('solid a\nendsolid a\n'), 'a.stl', 'MESH_NO_TRIANGLES'],
    ['not a number', nan(), 'a.stl', 'MESH_NOT_FINITE'],
    [
      'NaN in words',
      bytesOf(asciiStl(cube(5)).replace('vertex 5', 'vertex nan')),
      'a.stl',
      'MESH_NOT_FINITE',
    ],
    ['an ASCII file cut off', bytesOf(asciiStl(cube(5)).slice(0, 700)), 'a.stl', 'MESH_TRUNCATED'],
    [
      'four corners in a loop',
      bytesOf(asciiStl(cube(5)).replace('endloop', 'vertex 1 1 1\nendloop')),
      'a.stl',
      'MESH_TEXT_BROKEN',
    ],
    [
      'a word for a number',
      bytesOf(asciiStl(cube(5)).replace('vertex 5', 'vertex five')),
      'a.stl',
      'MESH_TEXT_BROKEN',
    ],
    ['a point that is not there', bytesOf('v 0 0 0\nv 9 0 0\nv 0 9 0\nf 1 2 4'), 'a.obj', 'MESH_INDEX_RANGE'],
    ['an index before the first', bytesOf('v 0 0 0\nf -1 -2 -3'), 'a.obj', 'MESH_INDEX_RANGE'],
    ['a face of two', bytesOf('v 0 0 0\nv 1 0 0\nf 1 2'), 'a.obj', 'MESH_TEXT_BROKEN'],
    ['a flat sheet', stl(flat), 'a.stl', 'MESH_FLAT'],
    ['no zip', bytesOf('hello'), 'a.3mf', 'MESH_ZIP_BROKEN'],
    ['a broken zip', Uint8Array.from([0x50, 0x4b, 3, 4, 9, 9, 9]), 'a.3mf', 'MESH_ZIP_BROKEN'],
    ['a zip without a model', zipSync({ 'a.txt': strToU8('x') }), 'a.3mf', 'MESH_ZIP_BROKEN'],
    ['broken XML', threeMf('<model><resources>'), 'a.3mf', 'MESH_XML_BROKEN'],
    ['entities', threeMf(`<!DOCTYPE m [<!ENTITY a "b">]>${model('')}`), 'a.3mf', 'MESH_XML_ENTITIES'],
    ['an unknown extension', threeMf(model('', 'requiredextensions="x"')), 'a.3mf', 'MESH_EXTENSION_UNKNOWN'],
    ['an unknown unit', threeMf(model('', 'unit="league"')), 'a.3mf', 'MESH_XML_BROKEN'],
    ['a lost object', threeMf(model('<build><item objectid="7"/></build>')), 'a.3mf', 'MESH_XML_BROKEN'],
  ])('%s is refused', (_, bytes, name, code) => {
    expect(codeOf(bytes, name)).toBe(code);
  });

  it('a component that contains itself is refused', () => {
    const loop =
      '<resources><object id="1"><components><component objectid="1"/></components></object></resources><build><item objectid="1"/></build>';
    expect(codeOf(threeMf(model(loop)), 'a.3mf')).toBe('MESH_XML_BROKEN');
  });

  it('whatever the bytes, it is a reading or a named refusal', () => {
    const names = fc.constantFrom('a.stl', 'a.obj', 'a.3mf', 'a.txt');
    const damage = fc.tuple(fc.nat(good.length - 1), fc.nat(255), fc.nat(good.length));
    fc.assert(
      fc.property(names, damage, fc.uint8Array({ maxLength: 200 }), (name, [at, value, end], noise) => {
        const bytes = good.slice(0, end);
        if (at < bytes.length) bytes[at] = value;
        expect(typeof codeOf(bytes, name)).toBe('string');
        expect(typeof codeOf(noise, name)).toBe('string');
      }),
      { seed: 11, numRuns: 300 },
    );
  });
});
