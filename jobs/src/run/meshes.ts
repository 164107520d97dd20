import {
  adviseSupports,
  analysePattern,
  cutWayUp,
  findWaysUp,
  growFaces,
  makeSearchSurface,
  measurePrintDirection,
  readPattern,
  writeShape,
  type AnalysisResult,
  type BooleanEngine,
  type SupportAdvice,
} from '@zero-pour/core';
import { sha256 } from '../key';
import type { CutLayers, LayersInput } from '../layers';
import { partOf, type PartInput } from '../part';
import type { PatternOutput } from '../pattern';
import type { FileInput, FileReading } from '../readFile';
import type { ViewMesh } from '../shape';
import type { StandingInput } from '../standing';
import type { FoundWays, WaysInput } from '../ways';
import type { JobContext, Run } from './context';
import { memoName, readPart, type ReadPart } from './readPart';
import { analyseTogether } from './together';

/** Smaller parts are read sooner than a thread begins; of larger ones two threads would hold too much. Triangles. */
const SHARED = { min: 20_000, max: 3_000_000 };

async function analysisOf(
  { mesh, measure }: ReadPart,
  engine: BooleanEngine<unknown> | undefined,
  { side: open, report }: JobContext,
): Promise<AnalysisResult> {
  const isShared = open && measure.triangles >= SHARED.min && measure.triangles <= SHARED.max;
  if (!isShared) return analysePattern(mesh, measure, report, engine);
  const side = open();
  try {
    return await analyseTogether(mesh, measure, side, report, engine);
  } finally {
    side.end();
  }
}

/** Everything about one pattern file, with its painted shape as bytes. Throws MeshFileError when the file is bad. */
export const analyse: Run<PartInput, PatternOutput> = async (input, context) => {
  const { mesh, measure } = await readPart(input, context);
  const engine = measure.closed && measure.overlapMm3 > 0 ? await context.engine() : undefined;
  const found = await analysisOf({ mesh, measure }, engine, context);
  if (found.status === 'too open')
    return { output: { measure, result: { status: 'too open', openShare: found.openShare } } };
  const { exactMm3 } = found.analysis;
  const whole =
    exactMm3 === null
      ? measure
      : { ...measure, volumeMm3: exactMm3, overlapMm3: Math.max(0, measure.bodySumMm3 - exactMm3) };
  const shape = writeShape(found.painted, found.painted.paint);
  const shapeHash = await sha256(shape);
  return {
    output: { measure: whole, result: { status: 'analysed', analysis: found.analysis, shapeHash } },
    blobs: new Map([[shapeHash, shape]]),
  };
};

export const stand: Run<StandingInput, SupportAdvice> = async (input, context) => {
  const { mesh } = await readPart(input.part, context);
  context.report('cutting', 0.2);
  return { output: adviseSupports(mesh, input.rotation, input.layerMm) };
};

/** Copies: what was read stays with the runner. */
export const view: Run<PartInput, ViewMesh> = async (input, context) => {
  const { mesh } = await readPart(input, context);
  return { output: { positions: Float32Array.from(mesh.positions), triangles: mesh.triangles.slice() } };
};

export const readFile: Run<FileInput, FileReading> = async ({ file, fileName, unitMm }, context) => {
  const reading = readPattern(await context.blob(file), fileName, unitMm, context.report);
  if (reading.status === 'unit needed') return { output: reading };
  const { mesh, measure } = reading;
  // Its analysis comes next, and needs not read it again.
  await context.memo(file, memoName(partOf({ fileHash: file, fileName, measure })), async () => ({
    mesh,
    measure,
  }));
  return { output: { status: 'read', measure } };
};

export const cut: Run<LayersInput, CutLayers> = async ({ part, ...input }, context) => {
  const { mesh } = await readPart(part, context);
  return { output: measurePrintDirection(mesh, input) };
};

export const searchWays: Run<WaysInput, FoundWays> = async (input, context) => {
  const { part, layerMm, cleanPoints, compare } = input;
  const { mesh } = await readPart(part, context);
  const show = cleanPoints.length > 0 ? growFaces(mesh, cleanPoints) : undefined;
  const report = (share: number): void => context.report('searching', share);
  const found = findWaysUp(mesh, { layerMm, show, report });
  const surface = makeSearchSurface(mesh);
  const compared = compare.map((rotation) => {
    const { direction: _, ...way } = cutWayUp(mesh, surface, rotation, { layerMm, show });
    return way;
  });
  return { output: { ...found, compared } };
};
