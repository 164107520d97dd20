import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { HOSTILE } from '../testing/hostileMeshes';
import { outcomeOf } from '../testing/outcomeOf';
import { ply } from '../testing/ply';
import { asciiStl, bytesOf, cube, torus } from '../testing/solids';
import { numberOf } from './byteText';
import { MeshFileError, write3mf, writeBinaryStl } from './index';
import { MESH_LIMITS } from './limits';
import { takeModelApart } from './modelText';

describe('a file that is made to hurt', () => {
  // The same at full size, with time and memory: npm run bench -- hostile.
  it.each(HOSTILE)('$what is refused by name', ({ name, make, fineWhenSmaller = false }) => {
    expect(outcomeOf(make(0.01), name)).toMatch(fineWhenSmaller ? /^(MESH_|read$)/ : /^MESH_/);
  });
  it('an index beyond what a list holds never becomes another one', () => {
    const obj = new TextEncoder().encode('v 0 0 0\nv 1 0 0\nv 0 1 0\nf 4294967297 4294967298 4294967299\n');
    expect(outcomeOf(obj, 'a.obj')).toBe('MESH_INDEX_RANGE');
  });
  it('limits are numbers that a person can be told, none of them nothing', () => {
    for (const limit of Object.values(MESH_LIMITS)) expect(Number.isInteger(limit) && limit > 0).toBe(true);
  });
});

describe('a damaged file', () => {
  const part = torus(7, 2, 12, 8);
  const SAMPLES: [string, Uint8Array][] = [
    ['a.stl', writeBinaryStl(part.positions, part.triangles)],
    ['a.stl', bytesOf(asciiStl(cube(2)))],
    ['a.ply', ply(part, 'ascii')],
    ['a.ply', ply(part, 'binary_big_endian')],
    ['a.3mf', write3mf(part.positions, part.triangles)],
    ['a.obj', new TextEncoder().encode(`${part.positions.map((v, i) => (i % 3 === 0 ? `${i ? '\n' : ''}v ${v}` : ` ${v}`)).join('')}\n${part.triangles.map((v, i) => (i % 3 === 0 ? `\nf ${v + 1}` : ` ${v + 1}`)).join('')}\n`)], // prettier-ignore
  ];
  it.each(SAMPLES)('%s reads whole, and with any bytes changed, cut or doubled is read or refused by name', (name, whole) => {
    expect(outcomeOf(whole, name)).toBe('read');
    const place = fc.double({ min: 0, max: 1, noNaN: true, maxExcluded: true });
    const change = fc.record({ place, byte: fc.integer({ min: 0, max: 255 }), kind: fc.constantFrom('set', 'cut', 'double') }); // prettier-ignore
    fc.assert(
      fc.property(fc.array(change, { minLength: 1, maxLength: 8 }), (changes) => {
        let bytes = whole.slice();
        for (const { place: share, byte, kind } of changes) {
          const at = Math.floor(share * bytes.length);
          if (kind === 'set') bytes[at] = byte;
          else if (kind === 'cut') bytes = bytes.slice(0, at);
          else bytes = new Uint8Array([...bytes.slice(0, at), ...bytes.slice(Math.max(0, at - byte))]);
        }
        expect(outcomeOf(bytes, name)).toMatch(/^(read|MESH_\w+)$/);
      }),
      { seed: 22, numRuns: 300 },
    );
  }); // prettier-ignore
});

describe('a number in bytes', () => {
  const said = (text: string): number => numberOf(new TextEncoder().encode(text), 0, text.length);
  it('is what Number says of its text, to the last bit', () => {
    const decimal = fc.tuple(fc.constantFrom('', '-', '+'), fc.nat({ max: 99_999_999 }), fc.constantFrom('', '.'), fc.stringMatching(/^\d{0,14}$/), fc.constantFrom('', 'e-3', 'E2')).map((parts) => parts.join('')); // prettier-ignore
    fc.assert(
      fc.property(decimal, (text) => Object.is(said(text), Number(text))),
      { seed: 22, numRuns: 3000 },
    );
    fc.assert(fc.property(fc.double(), (value) => Object.is(said(String(value)), Number(String(value)))), { seed: 22, numRuns: 3000 }); // prettier-ignore
  });
  it.each(['', '.', '-', '+.', '1.2.3', '--1', '0x10', '1e', 'nan', '1 2'])('“%s” is what it is as a text', (text) => {
    expect(said(text)).toBe(Number(text));
  }); // prettier-ignore
});

describe('a 3MF model taken apart', () => {
  const apart = (xml: string) => takeModelApart(new TextEncoder().encode(xml));
  const LIST = '<mesh><vertices><vertex x="1" y=\'2\' z = "3e0"/></vertices><triangles><triangle v1="0" v2="0" v3="0" pid="4"></triangle></triangles></mesh>'; // prettier-ignore
  it('has its numbers, and a text that names each list and holds no rows', () => {
    const { structure, vertices, triangles } = apart(`<model><object id="é">${LIST}</object><object>${LIST}</object></model>`); // prettier-ignore
    expect(vertices.map((list) => [...list])).toEqual([[1, 2, 3], [1, 2, 3]]); // prettier-ignore
    expect(triangles.map((list) => [...list])).toEqual([[0, 0, 0], [0, 0, 0]]); // prettier-ignore
    expect(structure).toBe('<model><object id="é"><mesh><vertices list="0"></vertices><triangles list="0"></triangles></mesh></object><object><mesh><vertices list="1"></vertices><triangles list="1"></triangles></mesh></object></model>'); // prettier-ignore
  });
  it('passes over comments, prefixes and lists of nothing', () => {
    const { vertices, triangles } = apart('<!-- <vertices> --><m:vertices><!-- - --> <m:vertex x="1" y="2" z="3" /></m:vertices><triangles/>'); // prettier-ignore
    expect([vertices.map((list) => [...list]), triangles]).toEqual([[[1, 2, 3]], []]);
  });
  it.each([
    ['an index that is none', '<triangles><triangle v1="-1" v2="1.5" v3="x"/></triangles>', [4294967295, 4294967295, 4294967295]],
    ['one beyond 2³²', '<triangles><triangle v1="4294967296" v2="0" v3="0"/></triangles>', [4294967295, 0, 0]],
  ])('%s becomes one that no list has', (_, xml, expected) => {
    expect([...apart(xml).triangles[0]!]).toEqual(expected);
  }); // prettier-ignore
  it.each(['<vertices>text</vertices>', '<vertices><point x="1"/></vertices>', '<vertices><vertex x=1/></vertices>', '<vertices><vertex x="1"', '<vertices', '<vertices =>', '<vertices><vertex ="1"/></vertices>', '<vertices><vertex x="1"><a/></vertex></vertices>'])('%s is refused', (xml) => {
    expect(() => apart(xml)).toThrow(MeshFileError);
  }); // prettier-ignore
});
