import {
  adviseSupports,
  costOf,
  cutWayUp,
  findWaysUp,
  makeSearchSurface,
  rotationFor,
  searchWaysUp,
  spreadDirections,
  readPattern,
  WAY_AIMS,
  writeBinaryStl,
  type WeldedMesh,
} from '@zero-pour/core';
import { barnacleBand, createDemoMeshes } from '@zero-pour/demo';
import { median, table } from './table';

const DIRECTIONS = 300;
const LAYER_MM = 0.05;
const RUNS = 3;
const LIMIT_S = 10;

const seconds = (ms: number): string => `${(ms / 1000).toFixed(1)} s`;
function timed(work: () => void): number {
  const began = performance.now();
  work();
  return performance.now() - began;
}

/** A mesh written as a file and read back, as any dropped file would be. */
function read(stl: Uint8Array): WeldedMesh {
  const reading = readPattern(stl, 'part.stl', 1);
  if (reading.status !== 'read') throw new Error(reading.status);
  return reading.mesh;
}

/** The search alone, and with its finalists cut into layers, on one thread. */
function timeRow(name: string, mesh: WeldedMesh): Record<string, string | number> {
  const search: number[] = [];
  const whole: number[] = [];
  for (let run = 0; run < RUNS; run++) {
    search.push(
      timed(() => searchWaysUp(makeSearchSurface(mesh), { layerMm: LAYER_MM, directions: DIRECTIONS })),
    );
    whole.push(timed(() => findWaysUp(mesh, { layerMm: LAYER_MM, directions: DIRECTIONS })));
  }
  return {
    part: name,
    triangles: mesh.triangles.length / 3,
    'search, one thread': seconds(median(search)),
    'with finalists cut': seconds(median(whole)),
    limit: seconds(1000 * LIMIT_S),
  };
}

/** Advice on supports of a part as it lies, which the page asks for anew whenever it is turned. */
function supportRow(name: string, mesh: WeldedMesh): Record<string, string | number> {
  const times: number[] = [];
  let points = 0;
  for (let run = 0; run < RUNS; run++)
    times.push(
      timed(() => {
        points = adviseSupports(mesh, { xDeg: 45, yDeg: 0, zDeg: 0 }, LAYER_MM).points.length;
      }),
    );
  return {
    part: name,
    triangles: mesh.triangles.length / 3,
    'supports advised': points,
    time: seconds(median(times)),
  };
}

/** Every direction cut into layers: what the search is held against. */
function qualityRows(mesh: WeldedMesh): Record<string, string | number>[] {
  const surface = makeSearchSurface(mesh);
  const found = findWaysUp(mesh, { layerMm: LAYER_MM, directions: DIRECTIONS });
  const began = performance.now();
  const cuts = spreadDirections(DIRECTIONS).map(
    (direction) => cutWayUp(mesh, surface, rotationFor(direction), { layerMm: LAYER_MM }).figures,
  );
  const bruteMs = performance.now() - began;
  return WAY_AIMS.map((aim) => {
    const costs = cuts.map((figures) => costOf(figures, found.part, aim)).sort((a, b) => a - b);
    const own = costOf(found.best[aim].figures, found.part, aim);
    return {
      aim,
      'cost found': own.toFixed(3),
      'best of 300 cut': costs[0]!.toFixed(3),
      'median of 300': median(costs).toFixed(3),
      'better ones among 300': costs.filter((cost) => cost < own - 1e-9).length,
      'time to cut 300': seconds(bruteMs),
    };
  });
}

/** Times of the search for ways up, and how good what it finds is. */
export async function measureOrient(): Promise<string> {
  const meshes = await createDemoMeshes();
  const drop = read(meshes.find((m) => m.name === 'Sea-holly trellis drop')!.stl);
  const { positions, triangles } = barnacleBand(1.46);
  const fine = read(writeBinaryStl(positions, triangles));
  const rows = [timeRow('Barnacle band, finer', fine), timeRow('Sea-holly trellis drop', drop)];
  const supports = [supportRow('Barnacle band, finer', fine), supportRow('Sea-holly trellis drop', drop)];
  return `Ways up, ${DIRECTIONS} directions\n\n${table(rows)}\n\nQuality on the trellis drop, against every direction cut\n\n${table(qualityRows(drop))}\n\nSupports, tilted 45°\n\n${table(supports)}`;
}
