import {
  endOf,
  feedByGates,
  fillMargins,
  FLASK_MOST_C,
  hangRings,
  makeHungShape,
  measureHung,
  meltOf,
  readFeedField,
  readFill,
  readFillField,
  readPattern,
  suggestGates,
  type FeedField,
  type FillConditions,
  type FillField,
} from '@zero-pour/core';
import { createDemoShop } from '@zero-pour/demo';
import { median, ms, table } from './table';
import { torusStl } from './torus';

/** A gate that is moved: the answer is to stand within 300 ms for a 25 mm part at 0.1 mm. */
const MOVES = 20;

function timed<T>(work: () => T): [T, number] {
  const began = performance.now();
  const made = work();
  return [made, performance.now() - began];
}

/** Moves a gate from mass to mass, and the median of what each move costs. */
function moveMs(field: FeedField): number {
  const times = Array.from({ length: MOVES }, (_, n) => {
    const { at } = field.hotSpots[n % field.hotSpots.length]!;
    return timed(() => feedByGates(field, [{ at, diameterMm: 2 + 0.05 * n }]))[1];
  });
  return median(times);
}

const STERLING: FillConditions = {
  heat: { ...meltOf({ Ag: 0.925, Cu: 0.075 }), liquidusC: 893, metalC: 973, flaskC: 510 },
  drive: { way: 'vacuum', headMm: 30, vacuumKpa: 70 },
};

/** The filling anew, for a gate or a slider that is moved; and with all its offers. */
function fillMs(net: FillField, { hotSpots }: FeedField): { moved: number; offered: number } {
  const gates = [{ at: hotSpots[0]!.at, diameterMm: 3, lengthMm: 4 }];
  const moved = median(
    Array.from({ length: MOVES }, () => timed(() => fillMargins(net, gates, STERLING))[1]),
  );
  const cold = { ...STERLING, heat: { ...STERLING.heat, flaskC: 200, metalC: 895 } };
  const [, offered] = timed(() => readFill(net, gates, cold, { flaskC: FLASK_MOST_C, metalC: 1093 }));
  return { moved, offered };
}

const ROOM = { innerDiameterMm: 89, heightMm: 127, coneHeightMm: 12 };
const GAPS = { wallMm: 8, topMm: 15, betweenMm: 4, sprueMm: 2 };

/** Two dozen rings hung round a main sprue, and every gap of them measured; limit 10 s on two cores. */
export function measureTrees(): string {
  const rows = [2_000, 50_000].map((triangles) => {
    const reading = readPattern(torusStl(triangles), 'part.stl', 1);
    if (reading.status !== 'read') throw new Error(reading.status);
    const { mesh, measure } = reading;
    const gate = {
      at: endOf(mesh.positions, [1, 0, 0]),
      normal: [1, 0, 0],
      lengthMm: 4,
      diameterMm: 3,
    } as const;
    const [shape, shapeMs] = timed(() =>
      makeHungShape(mesh, gate, { scale: 1, volumeMm3: measure.volumeMm3 }),
    );
    const form = { mainSprueDiameterMm: 6, tiltsDeg: [30, 45, 60] };
    const [tree, hangMs] = timed(() => hangRings([shape], [24], ROOM, { gaps: GAPS, form }));
    const sprue = { diameterMm: 6, lengthMm: tree.mainSprueMm };
    const [found, gapsMs] = timed(() => measureHung([shape], tree.pieces, ROOM, sprue));
    return {
      'triangles a part': mesh.triangles.length / 3,
      hung: `${tree.pieces.length} of 24`,
      'read for gaps': ms(shapeMs),
      'hung (limit 10 s)': ms(hangMs),
      'all gaps measured': ms(gapsMs),
      'narrowest, 4 mm wanted': `${(found.pairs[0]?.gapMm ?? NaN).toFixed(2)} mm`,
    };
  });
  return table(rows);
}

/** The grid once, a gate moved, and gates proposed: at 0.1 mm as the page does it, and at 0.05. */
export async function measureGates(): Promise<string> {
  const { bytes, file } = await createDemoShop(new Date());
  const parts = [
    ...file.patterns.map((p) => [p.name, bytes.get(p.fileHash)!] as const),
    ['Torus, 25 mm, 150 000 triangles', torusStl(150_000)] as const,
  ];
  const rows = parts.flatMap(([name, stl]) => {
    const reading = readPattern(stl, 'part.stl', 1);
    if (reading.status !== 'read') return [];
    const { mesh, measure } = reading;
    return [0.1, 0.05].map((cellMm) => {
      const [field, gridMs] = timed(() => readFeedField(mesh, measure.volumeMm3, { cellMm, medianMm: 0 }));
      const [gates, suggestMs] = timed(() => suggestGates(field, mesh));
      const [net, netMs] = timed(() => readFillField(field));
      const fill = fillMs(net, field);
      return {
        part: name,
        'cell wanted, taken': `${cellMm}, ${field.cellMm.toFixed(3)} mm`,
        masses: field.hotSpots.length,
        'grid, once': ms(gridMs),
        'a gate moved (limit 300 ms)': ms(moveMs(field)),
        'gates proposed': ms(suggestMs),
        proposed: gates.length,
        'net, once': ms(netMs),
        'places in it': net.nodes.count,
        'filling, moved (limit 300 ms)': ms(fill.moved),
        'with offers': ms(fill.offered),
      };
    });
  });
  return table(rows);
}
