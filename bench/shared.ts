import { analysePattern, readPattern, type Step } from '@zero-pour/core';
import { spawnSync } from 'node:child_process';
import { mkdtemp, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { openSide } from '../jobs/src/node';
import { analyseTogether } from '../jobs/src/run';
import { cuffStl } from './cuff';
import { median, ms, table } from './table';
import { torusStl } from './torus';

const RUNS = 3;

/** Processor time that a general mesh checker takes for the same file; null where Debian's admesh is not installed. */
function checkerMs(file: string): number | null {
  const { stdout } = spawnSync('sh', ['-c', `admesh "${file}" > /dev/null && times`], { encoding: 'utf8' });
  // The shell's own times, then those of what it ran.
  const told = /(\d+)m([\d.]+)s (\d+)m([\d.]+)s\s*$/.exec(stdout.trim());
  if (!told) return null;
  const [, userMin, userS, systemMin, systemS] = told.map(Number) as [number, number, number, number, number];
  return 1000 * (60 * (userMin + systemMin) + userS + systemS);
}

/** Processor time of this process. */
const cpuMs = (): number => {
  const { user, system } = process.cpuUsage();
  return (user + system) / 1000;
};

async function row(
  name: string,
  stl: Uint8Array,
  folder: string,
  runs: number,
): Promise<Record<string, string | number>> {
  const file = path.join(folder, 'part.stl');
  await writeFile(file, stl);
  const read: number[] = [];
  const checker: number[] = [];
  const alone: number[] = [];
  const shared: number[] = [];
  for (let n = 0; n < runs; n++) {
    // To the volume: the outline's points come after it.
    let before = cpuMs();
    const reading = readPattern(stl, 'part.stl', 1, (step: Step) => {
      if (step === 'outline') read.push(cpuMs() - before);
    });
    if (reading.status !== 'read') throw new Error(reading.status);
    checker.push(checkerMs(file) ?? NaN);
    before = performance.now();
    analysePattern(reading.mesh, reading.measure);
    alone.push(performance.now() - before);
    before = performance.now();
    const side = openSide();
    await analyseTogether(reading.mesh, reading.measure, side);
    side.end();
    shared.push(performance.now() - before);
  }
  return {
    part: name,
    triangles: (stl.length - 84) / 50,
    'read to volume, CPU': ms(median(read)),
    'admesh, CPU': Number.isNaN(checker[0]!) ? 'not here' : ms(median(checker)),
    'times it (limit 1.5)': (median(read) / median(checker)).toFixed(2),
    'all else, one thread': ms(median(alone)),
    'two threads': ms(median(shared)),
  };
}

/** Reading beside a general mesh checker, and everything of a part with one thread and with two. */
export async function measureShared(): Promise<string> {
  const folder = await mkdtemp(path.join(tmpdir(), 'zero-pour-bench-'));
  try {
    const rows = [
      await row('Torus, 25 mm', torusStl(500_000), folder, RUNS),
      await row('Filigree cuff, 60 mm', await cuffStl(), folder, 1),
    ];
    return `Reading a part, and everything of it (median of ${RUNS}, the cuff once; limits 6 s at 500,000 triangles, 10 s the cuff)\n\n${table(rows)}`;
  } finally {
    await rm(folder, { recursive: true, force: true });
  }
}
