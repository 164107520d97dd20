import { readPattern, writeBinaryStl, type ReadingStep } from '@zero-pour/core';
import { mkdtemp, readFile, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { median, ms, table } from './table';

const RUNS = 3;
const SIZES = [100_000, 500_000, 2_000_000];

/** A 25 mm torus with about `wanted` triangles, as binary STL. */
function torusStl(wanted: number): Uint8Array {
  const nv = Math.round(Math.sqrt(wanted / 2 / 4));
  const nu = nv * 4;
  const positions = new Float64Array(nu * nv * 3);
  for (let i = 0; i < nu; i++) {
    for (let j = 0; j < nv; j++) {
      const [a, b] = [(2 * Math.PI * i) / nu, (2 * Math.PI * j) / nv];
      const r = 10 + 2.5 * Math.cos(b);
      positions.set([r * Math.cos(a), r * Math.sin(a), 2.5 * Math.sin(b)], (i * nv + j) * 3);
    }
  }
  const triangles = new Uint32Array(nu * nv * 6);
  const at = (i: number, j: number): number => (i % nu) * nv + (j % nv);
  for (let i = 0, n = 0; i < nu; i++) {
    for (let j = 0; j < nv; j++, n += 6) {
      triangles.set([at(i, j), at(i + 1, j), at(i + 1, j + 1), at(i, j), at(i + 1, j + 1), at(i, j + 1)], n);
    }
  }
  return writeBinaryStl(positions, triangles);
}

type Step = ReadingStep | 'file';

/** One reading, timed by its own progress reports; the file's bytes are read first, as the limit to compare with. */
async function timeOnce(file: string): Promise<Record<Step | 'total', number>> {
  const times = {} as Record<Step | 'total', number>;
  let before = performance.now();
  const bytes = new Uint8Array(await readFile(file));
  times.file = performance.now() - before;
  const began = performance.now();
  let step: Step | undefined;
  const lap = (next?: ReadingStep): void => {
    const now = performance.now();
    if (step) times[step] = now - before;
    before = now;
    step = next;
  };
  const reading = readPattern(bytes, 'torus.stl', 1, lap);
  lap();
  times.total = performance.now() - began;
  if (reading.status !== 'read' || !reading.measure.closed) throw new Error('the torus must be closed');
  return times;
}

/** Reading a pattern: each step's median time beside the time to read the file's bytes once. */
export async function measureMesh(): Promise<string> {
  const folder = await mkdtemp(path.join(tmpdir(), 'zero-pour-bench-'));
  const rows: Record<string, string | number>[] = [];
  for (const size of SIZES) {
    const stl = torusStl(size);
    const file = path.join(folder, `${size}.stl`);
    await writeFile(file, stl);
    globalThis.gc?.();
    const runs: Record<Step | 'total', number>[] = [];
    let peak = 0;
    for (let n = 0; n < RUNS; n++) {
      runs.push(await timeOnce(file));
      peak = Math.max(peak, process.memoryUsage().rss);
    }
    const of = (key: Step | 'total'): string => ms(median(runs.map((run) => run[key])));
    const total = median(runs.map((run) => run.total));
    rows.push({
      triangles: (stl.length - 84) / 50,
      'file, MB': (stl.length / 1e6).toFixed(1),
      'bytes once': of('file'),
      reading: of('reading'),
      welding: of('welding'),
      checking: of('checking'),
      outline: of('outline'),
      total: of('total'),
      'MB/s': (stl.length / 1e3 / total).toFixed(0),
      'process, MB': (peak / 1e6).toFixed(0),
    });
  }
  await rm(folder, { recursive: true, force: true });
  return `## Reading a pattern (median of ${RUNS}, one thread; measuring is within checking)\n\n${table(rows)}`;
}
