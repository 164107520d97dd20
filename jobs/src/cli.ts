// npm run -s analyse -- FILE… [--unit mm|cm|inch|m]: one JSON line a file; a folder stands for its pattern files.
import { errorSentence } from '@zero-pour/contracts';
import {
  classifyPart,
  FILE_UNITS_MM,
  findPattern,
  formatPhrase,
  METRIC,
  MeshFileError,
  type FileUnit,
} from '@zero-pour/core';
import { readdir, readFile, stat } from 'node:fs/promises';
import path from 'node:path';
import { parseArgs } from 'node:util';
import { analyseBytes, loadEngine } from './node/index';

const EXTENSIONS = /\.(stl|obj|ply|3mf)$/i;
const USAGE = 'npm run -s analyse -- FILE… [--unit mm|cm|inch|m]';

interface Line {
  name: string;
  [key: string]: unknown;
}

const round = (value: number, digits = 3): number => Math.round(value * 10 ** digits) / 10 ** digits;

/** A file by itself; a folder as the pattern files in it, by name. */
async function filesOf(given: string): Promise<string[]> {
  const info = await stat(given).catch(() => null);
  if (!info?.isDirectory()) return [given];
  const names = (await readdir(given)).filter((name) => EXTENSIONS.test(name)).sort();
  return names.map((name) => path.join(given, name));
}

async function analyseFile(file: string, unitMm: number | null): Promise<Line> {
  const name = path.basename(file);
  const began = performance.now();
  const run = await analyseBytes(new Uint8Array(await readFile(file)), name, unitMm, loadEngine);
  if (run.status === 'unit needed') {
    const sizes = run.options.map(
      ({ unit, sizeMm }) => `${unit} ${sizeMm.map((s) => round(s, 1)).join(' × ')} mm`,
    );
    return refused(
      name,
      'UNIT_NEEDED',
      `The file states no unit: give --unit. It would be ${sizes.join(', ')}.`,
    );
  }
  const { measure: m, result } = run.output;
  const known = {
    name,
    format: m.format,
    unitMm: m.unitMm,
    triangles: m.triangles,
    vertices: m.vertices,
    closed: m.closed,
    shells: m.shells,
    sizeMm: m.sizeMm.map((side) => round(side)),
    signedVolumeMm3: round(m.bodySumMm3),
    solidVolumeMm3: round(m.volumeMm3),
    plusMinusMm3: round(m.volumePlusMinusMm3),
    areaMm2: round(m.areaMm2),
  };
  if (result.status === 'too open') {
    return {
      ...known,
      thickness: null,
      class: null,
      findings: [],
      ms: Math.round(performance.now() - began),
    };
  }
  const { thickness } = result.analysis;
  return {
    ...known,
    thickness: {
      p1Mm: round(thickness.p1Mm),
      p10Mm: round(thickness.p10Mm),
      p50Mm: round(thickness.p50Mm),
      p90Mm: round(thickness.p90Mm),
      thinnestMm: thickness.thinnestMm,
    },
    class: classifyPart(thickness.histogramMm3).partClass,
    findings: findPattern(m, result.analysis).map(({ rule, weight, lead, why, places }) => ({
      rule,
      weight,
      sentence: `${lead} ${formatPhrase(why, METRIC)}`,
      at: places[0]?.at.map((v) => round(v, 2)) ?? null,
    })),
    ms: Math.round(performance.now() - began),
  };
}

const refused = (name: string, code: string, sentence: string): Line => ({ name, error: { code, sentence } });

async function lineOf(file: string, unitMm: number | null): Promise<Line> {
  try {
    return await analyseFile(file, unitMm);
  } catch (error) {
    const name = path.basename(file);
    if (error instanceof MeshFileError)
      return refused(name, error.code, errorSentence(error.code, error.detail));
    if ((error as NodeJS.ErrnoException).code === 'ENOENT')
      return refused(name, 'NOT_FOUND', 'There is no such file.');
    // Whatever it is: the files after it are read all the same.
    return refused(name, 'FAILED', `It could not be read: ${(error as Error).message}`);
  }
}

/** Runs the command; the exit code: 0 when all were read, 2 otherwise. One file is in memory at a time. */
export async function main(args: readonly string[], print: (line: string) => void): Promise<number> {
  let parsed;
  try {
    parsed = parseArgs({ args: [...args], allowPositionals: true, options: { unit: { type: 'string' } } });
  } catch (error) {
    print(JSON.stringify(refused('', 'USAGE', `${(error as Error).message}. ${USAGE}`)));
    return 2;
  }
  const { unit } = parsed.values;
  if (parsed.positionals.length === 0 || (unit !== undefined && !(unit in FILE_UNITS_MM))) {
    print(JSON.stringify(refused('', 'USAGE', USAGE)));
    return 2;
  }
  const unitMm = unit === undefined ? null : FILE_UNITS_MM[unit as FileUnit];
  let failed = 0;
  for (const given of parsed.positionals) {
    for (const file of await filesOf(given)) {
      const line = await lineOf(file, unitMm);
      if ('error' in line) failed++;
      print(JSON.stringify(line));
    }
  }
  return failed === 0 ? 0 : 2;
}
