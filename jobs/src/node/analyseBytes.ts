import { readPattern, type BooleanEngine, type UnitOption } from '@zero-pour/core';
import type { JobResult, PartInput, PatternOutput } from '../index';
import { analyse } from '../run/index';

/** A file whose unit is not known, or all that the job "pattern" says of it. */
export type FileAnalysis =
  { status: 'unit needed'; options: UnitOption[] } | ({ status: 'read' } & JobResult<PatternOutput>);

const NAMELESS = '0'.repeat(64);

/** Reads and analyses the bytes of one file, which are kept nowhere. Throws MeshFileError when the file is bad. */
export async function analyseBytes(
  bytes: Uint8Array,
  fileName: string,
  unitMm: number | null,
  engine: () => Promise<BooleanEngine<unknown>>,
): Promise<FileAnalysis> {
  const reading = readPattern(bytes, fileName, unitMm);
  if (reading.status === 'unit needed') return reading;
  const { mesh, measure } = reading;
  const part: PartInput = { file: NAMELESS, format: 'stl', unitMm: measure.unitMm };
  const found = await analyse(part, {
    blob: () => Promise.resolve(bytes),
    engine,
    report: () => {},
    // It is read already.
    memo: <T>() => Promise.resolve({ mesh, measure } as T),
  });
  return { status: 'read', ...found };
}
