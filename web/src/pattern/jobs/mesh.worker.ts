import { runAnalysis, manifoldEngine } from '@zero-pour/analyse';
import type {
  AnalysisJobAnswer,
  CouponShape,
  LayersJobAnswer,
  PatternAnswer,
  PatternProgress,
  WaysAnswer,
  WaysJob,
} from '@zero-pour/contracts';
import {
  adviseSupports,
  buildCoupon,
  cutWayUp,
  findWaysUp,
  growFaces,
  makeSearchSurface,
  measurePrintDirection,
  MeshFileError,
  readPattern,
  standAsPrinted,
  stretchAsPrinted,
  write3mf,
  writeBinaryStl,
  type CouponSpec,
  type PrintDirectionInput,
  type Rotation,
  type SupportAdvice,
} from '@zero-pour/core';
import { expose, transfer } from 'comlink';
import wasmAddress from 'manifold-3d/manifold.wasm?url';
import type { SaveFormat, Stretch } from './saveFormat';
import { sha256 } from '../../api/sha256';

/** The file's own fault as an answer; anything else is thrown. */
function refusalOf(error: unknown): {
  status: 'refused';
  code: MeshFileError['code'];
  detail: MeshFileError['detail'];
} {
  if (error instanceof MeshFileError) return { status: 'refused', code: error.code, detail: error.detail };
  throw error;
}

/** Reads and measures one pattern file. */
async function read(
  bytes: Uint8Array<ArrayBuffer>,
  fileName: string,
  unitMm: number | null,
  report: PatternProgress,
): Promise<PatternAnswer> {
  try {
    const reading = readPattern(bytes, fileName, unitMm, report);
    if (reading.status === 'unit needed') return reading;
    const positions = Float32Array.from(reading.mesh.positions);
    const { triangles } = reading.mesh;
    return transfer(
      { status: 'read', hash: await sha256(bytes), measure: reading.measure, positions, triangles },
      [positions.buffer, triangles.buffer],
    );
  } catch (error) {
    return refusalOf(error);
  }
}

/** The boolean engine, loaded where it is needed. */
async function loadEngine() {
  const { default: createModule } = await import('manifold-3d');
  return manifoldEngine(await createModule({ locateFile: () => wasmAddress }));
}

/** Everything about one pattern file whose unit is known. */
async function analyse(
  bytes: Uint8Array<ArrayBuffer>,
  fileName: string,
  unitMm: number,
  report: PatternProgress,
): Promise<AnalysisJobAnswer> {
  try {
    const run = await runAnalysis(bytes, fileName, unitMm, report, loadEngine);
    if (run.status === 'unit needed') throw new Error('The unit of a kept pattern is known.');
    if (run.status === 'too open') return run;
    return transfer({ ...run, shapeHash: await sha256(run.shape) }, [run.shape.buffer]);
  } catch (error) {
    return refusalOf(error);
  }
}

/** A mesh as a file in mm. */
const write = (positions: ArrayLike<number>, triangles: ArrayLike<number>, to: SaveFormat): Uint8Array =>
  to === 'stl' ? writeBinaryStl(positions, triangles) : write3mf(positions, triangles);

/** A coupon as one solid, for the view. */
async function coupon(spec: CouponSpec): Promise<CouponShape> {
  const { positions, triangles, volumeMm3 } = buildCoupon(spec, await loadEngine());
  const shown = Float32Array.from(positions);
  return transfer({ positions: shown, triangles, volumeMm3 }, [shown.buffer, triangles.buffer]);
}

/** … and as a file. */
async function couponFile(spec: CouponSpec, to: SaveFormat): Promise<Uint8Array> {
  const { positions, triangles } = buildCoupon(spec, await loadEngine());
  const written = write(positions, triangles, to);
  return transfer(written, [written.buffer]);
}

/** The part as it was read (welded, outward, in mm) in another format, and at print size when it is to be stretched. */
function convert(
  bytes: Uint8Array,
  fileName: string,
  unitMm: number,
  stretch: Stretch | null,
  to: SaveFormat,
): Uint8Array {
  const reading = readPattern(bytes, fileName, unitMm);
  if (reading.status !== 'read') throw new Error('The unit of a kept pattern is known.');
  const { positions, triangles } = reading.mesh;
  const place = stretch?.standing ? standAsPrinted : stretchAsPrinted;
  const placed = stretch ? place(positions, stretch.rotation, stretch.percents) : positions;
  const written = write(placed, triangles, to);
  return transfer(written, [written.buffer]);
}

/** Cuts a part into layers for one rotation. */
function layers(
  mesh: { positions: Float32Array; triangles: Uint32Array },
  input: PrintDirectionInput,
): LayersJobAnswer {
  const cut = measurePrintDirection(
    { positions: Float64Array.from(mesh.positions), triangles: mesh.triangles },
    input,
  );
  return transfer({ status: 'cut', ...cut }, [cut.stack.starts.buffer, cut.stack.spans.buffer]);
}

/** The best ways up of a part, and others beside them. */
function waysUp(
  mesh: { positions: Float32Array; triangles: Uint32Array },
  { layerMm, cleanPoints, compare }: WaysJob,
  report: (share: number) => void,
): WaysAnswer {
  const solid = { positions: Float64Array.from(mesh.positions), triangles: mesh.triangles };
  const show = cleanPoints.length > 0 ? growFaces(solid, cleanPoints) : undefined;
  const found = findWaysUp(solid, { layerMm, show, report });
  const surface = makeSearchSurface(solid);
  const compared = compare.map((rotation) => {
    const { direction: _, ...way } = cutWayUp(solid, surface, rotation, { layerMm, show });
    return way;
  });
  return { ...found, compared };
}

/** Supports, islands and layers of a part as it stands. */
function standing(
  mesh: { positions: Float32Array; triangles: Uint32Array },
  rotation: Rotation,
  layerMm: number,
): SupportAdvice {
  const solid = { positions: Float64Array.from(mesh.positions), triangles: mesh.triangles };
  return adviseSupports(solid, rotation, layerMm);
}

const meshWorker = { standing, waysUp, read, analyse, convert, layers, coupon, couponFile };
export type MeshWorker = typeof meshWorker;
expose(meshWorker);
