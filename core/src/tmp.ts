import { arc, box, lathe, moved, sphere, together, torus, type TestMesh } from './testing/solids';
import { writeBinaryStl } from './mesh';
import { readPattern, analysePattern } from './pattern';
import { readFileSync } from 'node:fs';
const neckAngle = (R: number, r: number) => (Math.asin(r / R) * 180) / Math.PI;
const dumbbell = lathe(
  [...arc(3, 0, -90, 90 - neckAngle(3, 1.2), 60), ...arc(2, 8, -90 + neckAngle(2, 1.2), 90, 50)],
  120,
);
const tube = lathe(
  [
    [8, 0],
    [10, 0],
    [10, 6],
    [8, 6],
  ],
  200,
);
const beaker = lathe(
  [
    [0, 0],
    [5, 0],
    [5, 12],
    [4, 12],
    [4, 2],
    [0, 2],
  ],
  160,
);
const shapes: Record<string, () => TestMesh> = {
  dumbbell: () => dumbbell,
  tube: () => tube,
  beaker: () => beaker,
  two: () => together(sphere(5, 6), moved(sphere(5, 6), [6, 0, 0])),
  slots: () =>
    together(
      box([20, 10, 2]),
      ...[0, 1, 2, 3].map((n) => box([2, 10, 3], [n * [2, 2.3, 2.5, 2.8][n]!, 0, 1.9])),
    ),
  jar: () =>
    lathe(
      [
        [0, 0],
        [5, 0],
        [5, 10],
        [0.5, 10],
        [0.5, 9],
        [4, 9],
        [4, 1],
        [0, 1],
      ],
      120,
    ),
  void: () =>
    together(sphere(5, 5), {
      positions: sphere(2, 4).positions,
      triangles: sphere(2, 4).triangles.toReversed(),
    }),
  torus: () => torus(10, 2.5, 1000, 250),
  wire: () => torus(10, 0.3, 1000, 100),
};
for (const name of process.argv.slice(2)) {
  const bytes = shapes[name]
    ? writeBinaryStl(shapes[name]!().positions, shapes[name]!().triangles)
    : new Uint8Array(readFileSync(name));
  let t = performance.now();
  let last = '';
  const laps: string[] = [];
  const report = (s: string) => {
    const n = performance.now();
    if (last) laps.push(`${last} ${(n - t).toFixed(0)}`);
    t = n;
    last = s;
  };
  const r = readPattern(bytes, name.endsWith('.stl') ? name : name + '.stl', 1, report);
  if (r.status !== 'read') {
    console.log(r);
    continue;
  }
  const a = analysePattern(r.mesh, r.measure, report);
  report('');
  console.log(
    '==',
    name,
    r.measure.triangles,
    'vol',
    r.measure.volumeMm3.toFixed(3),
    'sum',
    r.measure.bodySumMm3.toFixed(3),
    'overlap',
    r.measure.overlapMm3.toFixed(2),
    r.measure.closed,
  );
  console.log(laps.join(' | '));
  if (a.status !== 'analysed') {
    console.log(a);
    continue;
  }
  const x = a.analysis;
  console.log(x.resolution, { ...x.thickness, histogramMm3: 0 });
  console.log(
    'thin',
    x.thin.length,
    x.thin.slice(0, 2),
    'thick',
    x.thick.length,
    'gaps',
    x.gaps.length,
    x.gaps.slice(0, 3),
  );
  console.log(
    'hot',
    x.hotSpots
      .slice(0, 4)
      .map((h) =>
        [
          h.widthMm.toFixed(3),
          h.modulusMm.toFixed(3),
          h.parent,
          h.neck?.widthMm.toFixed(3),
          h.neck?.modulusMm.toFixed(3),
          h.feedRatio.toFixed(2),
        ].join(' '),
      ),
    x.hotSpots.length,
  );
  console.log(
    'genus',
    x.genus,
    'holes',
    x.holes.map((h) => [h.at.map((v) => v.toFixed(1)).join(','), h.widthMm.toFixed(2)].join(' w')),
    'bore',
    x.bore && [x.bore.diameterMm, x.bore.residualMm, x.bore.axis],
    'chambers',
    x.chambers.map((c) => [c.widthMm.toFixed(2), c.entranceMm.toFixed(2)]),
  );
  console.log(
    'voids',
    x.voids,
    'hangs',
    x.hangs.map((h) =>
      [
        h.rotation.xDeg,
        h.pockets.length,
        h.pockets[0]?.volumeMm3.toFixed(2),
        h.pockets[0]?.depthMm.toFixed(2),
      ].join(' '),
    ),
  );
  console.log('gapArea', x.gapAreaMm2.map((v) => v.toFixed(1)).join(' '));
}
