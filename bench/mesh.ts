import {
  analysePattern,
  measurePrintDirection,
  NO_ROTATION,
  readPattern,
  STEPS,
  type PatternReading,
  type Step,
} from '@zero-pour/core';
import {
  bricksNearSolid,
  columnsOf,
  distancesInside,
  distancesOutside,
  frameRound,
  sweepDexels,
} from '../core/src/solid';
import { measureBounds } from '../core/src/mesh';
import { mkdtemp, readFile, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { median, ms, table } from './table';
import { torusStl } from './torus';

const RUNS = 3;
const SIZES = [100_000, 500_000, 2_000_000];
const FINE_MM = 0.05;
const MID_MM = 0.1;
const BAND_CELLS = 16;
const LAYERS = { rotation: NO_ROTATION, layerMm: 0.05, pixelMm: 0.035 };

type Read = Extract<PatternReading, { status: 'read' }>;
type Times = Record<
  Step | 'file' | 'to volume' | 'all' | 'voxels' | 'distances' | 'layers' | 'touch',
  number
>;

function timed<T>(work: () => T): [T, number] {
  const began = performance.now();
  const made = work();
  return [made, performance.now() - began];
}

/** Times of the steps that a piece of work reports. */
function lapped<T>(times: Partial<Times>, work: (report: (step: Step) => void) => T): T {
  let step: Step | undefined;
  let before = performance.now();
  const lap = (next?: Step): void => {
    const now = performance.now();
    if (step) times[step] = (times[step] ?? 0) + now - before;
    [before, step] = [now, next];
  };
  const made = work(lap);
  lap();
  return made;
}

/** Filling the grid and measuring distances by themselves, and touching as many voxels once. */
function timeGrid({ mesh }: Read, times: Partial<Times>): { fine: number; mid: number } {
  const bounds = measureBounds(mesh.positions);
  const fineFrame = frameRound(bounds, FINE_MM, 1);
  const [bricks, voxelsMs] = timed(() =>
    bricksNearSolid(sweepDexels(mesh.positions, mesh.triangles, columnsOf(fineFrame)), fineFrame, 0),
  );
  times.voxels = voxelsMs;
  const midFrame = frameRound(bounds, MID_MM, BAND_CELLS + 2);
  const dexels = sweepDexels(mesh.positions, mesh.triangles, columnsOf(midFrame));
  const midBricks = bricksNearSolid(dexels, midFrame, BAND_CELLS);
  times.distances = timed(() => [
    distancesInside(dexels, midBricks),
    distancesOutside(dexels, midBricks, BAND_CELLS),
  ])[1];
  const cells = new Uint16Array(midBricks.place.length * 512);
  times.touch = timed(() => cells.forEach((_, n) => (cells[n] = n)))[1];
  return { fine: bricks.place.length * 512, mid: cells.length };
}

async function timeOnce(file: string): Promise<{ times: Times; voxels: { fine: number; mid: number } }> {
  const times: Partial<Times> = {};
  const began = performance.now();
  const bytes = new Uint8Array(await readFile(file));
  times.file = performance.now() - began;
  const read = performance.now();
  const reading = lapped(times, (report) => readPattern(bytes, 'torus.stl', 1, report));
  if (reading.status !== 'read' || !reading.measure.closed) throw new Error('the torus must be closed');
  times['to volume'] = performance.now() - read;
  const result = lapped(times, (report) => analysePattern(reading.mesh, reading.measure, report));
  if (result.status !== 'analysed') throw new Error('the torus must be analysed');
  times.all = performance.now() - read;
  times.layers = timed(() => measurePrintDirection(reading.mesh, LAYERS))[1];
  return { voxels: timeGrid(reading, times), times: times as Times };
}

const perSecond = (count: number, milliseconds: number): string => (count / 1e3 / milliseconds).toFixed(0);

/** Everything that is read of a pattern, by step, beside the limits: its bytes and its voxels touched once. */
export async function measureMesh(): Promise<string> {
  const folder = await mkdtemp(path.join(tmpdir(), 'zero-pour-bench-'));
  const reads: Record<string, string | number>[] = [];
  const analyses: Record<string, string | number>[] = [];
  for (const size of SIZES) {
    const stl = torusStl(size);
    const file = path.join(folder, `${size}.stl`);
    await writeFile(file, stl);
    const runs: Times[] = [];
    let peak = 0;
    let voxels = { fine: 0, mid: 0 };
    for (let n = 0; n < RUNS; n++) {
      globalThis.gc?.();
      const run = await timeOnce(file);
      runs.push(run.times);
      voxels = run.voxels;
      peak = Math.max(peak, process.memoryUsage().rss);
    }
    const typical = (key: keyof Times): number => median(runs.map((run) => run[key]));
    const of = (key: keyof Times): string => ms(typical(key));
    reads.push({
      triangles: (stl.length - 84) / 50,
      'file, MB': (stl.length / 1e6).toFixed(1),
      'bytes once': of('file'),
      reading: of('reading'),
      welding: of('welding'),
      'check, volume': of('checking'),
      outline: of('outline'),
      'to volume': of('to volume'),
      'MB/s': (stl.length / 1e3 / typical('to volume')).toFixed(0),
    });
    analyses.push({
      triangles: (stl.length - 84) / 50,
      ...Object.fromEntries(
        (Object.keys(STEPS) as Step[])
          .filter((step) => STEPS[step] >= STEPS.solid)
          .map((step) => [step, of(step)]),
      ),
      'all, from the file': of('all'),
      'layers 0.05/0.035': of('layers'),
      'voxelise 0.05': `${of('voxels')}, ${perSecond(voxels.fine, typical('voxels'))} M/s`,
      'distances 0.1, both sides': `${of('distances')}, ${perSecond(voxels.mid, typical('distances'))} M/s`,
      'touch them once': of('touch'),
      'process, MB': (peak / 1e6).toFixed(0),
    });
  }
  await rm(folder, { recursive: true, force: true });
  return `## Reading a pattern (median of ${RUNS}, one thread)\n\n${table(reads)}\n\n## Analysing it, and its layers for one way up\n\n${table(analyses)}`;
}
