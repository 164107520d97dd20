import { strToU8, zipSync } from 'fflate';

/** A file that is made to hurt, as it comes: its bytes and its name. `scale` 1: as large as it can be; less: the same trouble, smaller. */
export interface HostileFile {
  what: string;
  name: string;
  make: (scale: number) => Uint8Array;
  /** It hurts by its size alone: a smaller one is a part like any other. */
  fineWhenSmaller?: true;
}

const text = (...parts: string[]): Uint8Array => strToU8(parts.join(''));
const times = (n: number, part: string): string => part.repeat(Math.max(1, Math.floor(n)));
const model = (resources: string, build: string): string =>
  `<?xml version="1.0"?><model unit="millimeter" xmlns="http://schemas.microsoft.com/3dmanufacturing/core/2015/02"><resources>${resources}</resources><build>${build}</build></model>`;
const package3mf = (xml: string, rels = '<Relationships/>'): Uint8Array =>
  zipSync({ '_rels/.rels': strToU8(rels), '3D/3dmodel.model': strToU8(xml) }, { level: 1 });
const TRIANGLE =
  '<mesh><vertices><vertex x="0" y="0" z="0"/><vertex x="1" y="0" z="0"/><vertex x="0" y="1" z="0"/></vertices><triangles><triangle v1="0" v2="1" v3="2"/></triangles></mesh>';
const object = (id: number, inner: string): string => `<object id="${id}">${inner}</object>`;
const PLY = (elements: string, body = ''): Uint8Array =>
  text(`ply\nformat ascii 1.0\n${elements}end_header\n${body}`);

/** Components of components: each level names the one below it `fan` times. */
function multiplied(levels: number, fan: number, leaf: string): Uint8Array {
  const objects = [object(1, leaf)];
  for (let n = 2; n <= levels; n++) objects.push(object(n, `<components>${times(fan, `<component objectid="${n - 1}"/>`)}</components>`)); // prettier-ignore
  return package3mf(model(objects.join(''), `<item objectid="${levels}"/>`));
}

export const HOSTILE: readonly HostileFile[] = [
  { what: '3MF components that multiply', name: 'a.3mf', make: () => multiplied(15, 10, TRIANGLE) },
  { what: '3MF components that multiply, of nothing', name: 'a.3mf', make: () => multiplied(15, 10, '<mesh><vertices/><triangles/></mesh>') },
  { what: '3MF components in a circle', name: 'a.3mf', make: () => package3mf(model(object(1, '<components><component objectid="1"/></components>'), '<item objectid="1"/>')) },
  { what: '3MF of more than it may unpack to', name: 'a.3mf', make: (s) => package3mf(model(times(40e6 * s, '          '), '')) },
  { fineWhenSmaller: true, what: '3MF of triangles without number', name: 'a.3mf', make: (s) => package3mf(model(object(1, `<mesh><vertices>${times(1e6 * s, '<vertex x="0" y="0" z="0"/>')}</vertices><triangles>${times(5.2e6 * s, '<triangle v1="0" v2="1" v3="2"/>')}</triangles></mesh>`), '<item objectid="1"/>')) },
  { what: '3MF with ten thousand objects in one', name: 'a.3mf', make: (s) => package3mf(model(times(60_000 * s, object(7, '')), '<item objectid="7"/>')) },
  { what: '3MF whose list of parts runs an expression away', name: 'a.3mf', make: (s) => package3mf(model('', ''), times(4e6 * s, 'Target="')) },
  { what: '3MF with tags that never end', name: 'a.3mf', make: (s) => package3mf(`<model>${times(2e6 * s, '<model ')}`) },
  { what: '3MF nested deep', name: 'a.3mf', make: (s) => package3mf(model(times(100_000 * s, '<a>'), '')) },
  { what: '3MF with a name without an end', name: 'a.3mf', make: (s) => package3mf(`<model><resources><object id="${times(50e6 * s, 'x')}`) },
  { what: '3MF with a comment without an end', name: 'a.3mf', make: (s) => package3mf(`<model><!-- ${times(100e6 * s, '-')}`) },
  { what: '3MF with entities that multiply', name: 'a.3mf', make: () => package3mf('<!DOCTYPE a [<!ENTITY b "bbbbbbbb">]><model>&b;</model>') },
  { what: 'PLY of points without properties', name: 'a.ply', make: () => PLY('element vertex 9007199254740991\n') },
  { what: 'PLY of other things without properties', name: 'a.ply', make: () => PLY('element edge 9007199254740991\n') },
  { what: 'PLY of more points than there are', name: 'a.ply', make: () => PLY('element vertex 900000000\nproperty float x\n', '1 2 3\n') },
  { what: 'PLY of lists without end', name: 'a.ply', make: (s) => PLY('element face 9000000000\nproperty list uchar int vertex_index\n', times(50e6 * s, '0 ')) },
  { what: 'PLY of one endless number', name: 'a.ply', make: (s) => PLY('element vertex 1\nproperty float x\n', times(200e6 * s, '9')) },
  { what: 'PLY without an end of its head', name: 'a.ply', make: (s) => text('ply\n', times(25e6 * s, 'end_header ')) },
  { what: 'OBJ with indices beyond 2³²', name: 'a.obj', make: () => text('v 0 0 0\nv 1 0 0\nv 0 1 0\nf 4294967297 4294967298 4294967299\n') },
  { what: 'OBJ in one line', name: 'a.obj', make: (s) => text('f ', times(25e6 * s, '1 2 ')) },
  { what: 'OBJ in one word', name: 'a.obj', make: (s) => text(times(100e6 * s, 'f')) },
  { what: 'OBJ of lines that never end', name: 'a.obj', make: (s) => text('f 1 ', times(60e6 * s, '\\\n')) },
  { fineWhenSmaller: true, what: 'OBJ of faces of all corners', name: 'a.obj', make: (s) => text('v 0 0 0\n', times(900 * s, `f ${times(120_000, '1 ')}\n`)) },
  { what: 'text STL in one line', name: 'a.stl', make: (s) => text('solid facet\n', 'endsolid ', times(18e6 * s, 'solid solid ')) },
  { what: 'text STL of solids without facets', name: 'a.stl', make: (s) => text('solid facet\n', times(20_000 * s, `endsolid ${times(700, 'solid ')}\n`)) },
  { what: 'text STL in one word', name: 'a.stl', make: (s) => text('solid facet\n', times(150e6 * s, 'v')) },
  { what: 'binary STL of more triangles than there are', name: 'a.stl', make: () => { const b = new Uint8Array(134); new DataView(b.buffer).setUint32(80, 0xffffffff, true); return b; } },
  { fineWhenSmaller: true, what: 'binary STL of six million triangles', name: 'a.stl', make: (s) => { const n = Math.floor(5.9e6 * s); const b = new Uint8Array(84 + 50 * n); new DataView(b.buffer).setUint32(80, n, true); return b; } },
]; // prettier-ignore
