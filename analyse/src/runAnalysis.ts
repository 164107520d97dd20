import {
  analysePattern,
  readPattern,
  writeShape,
  type BooleanEngine,
  type PatternAnalysis,
  type PatternMeasure,
  type Report,
  type UnitOption,
} from '@zero-pour/core';

/** Everything about one pattern file, with its painted shape as bytes. */
export type AnalysisRun =
  | { status: 'unit needed'; options: UnitOption[] }
  | { status: 'too open'; measure: PatternMeasure; openShare: number }
  | {
      status: 'analysed';
      measure: PatternMeasure;
      analysis: PatternAnalysis;
      shape: Uint8Array<ArrayBuffer>;
    };

/**
 * Reads and analyses one file. `loadEngine` is only called where bodies overlap. Throws MeshFileError when the
 * file is bad.
 */
export async function runAnalysis(
  bytes: Uint8Array,
  fileName: string,
  unitMm: number | null,
  report: Report,
  loadEngine: () => Promise<BooleanEngine<unknown>>,
): Promise<AnalysisRun> {
  const reading = readPattern(bytes, fileName, unitMm, report);
  if (reading.status === 'unit needed') return reading;
  const { measure, mesh } = reading;
  const engine = measure.closed && measure.overlapMm3 > 0 ? await loadEngine() : undefined;
  const result = analysePattern(mesh, measure, report, engine);
  if (result.status === 'too open') return { status: 'too open', measure, openShare: result.openShare };
  const { painted, analysis } = result;
  return { status: 'analysed', measure, analysis, shape: writeShape(painted, painted.paint) };
}
