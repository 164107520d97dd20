import { checkTopology, measureBounds, measureSolid, type WeldedMesh } from '../mesh';
import {
  findSealedVoids,
  OPEN_SHARE_MAX,
  sizePercentile,
  uniteShells,
  type BooleanEngine,
  type ExactUnion,
  type SealedVoid,
  type ThroughHole,
} from '../solid';
import type { Report, Resolution } from './grids';
import { paintedMesh, PartSolid, type Part } from './partSolid';
import { isEstimate, smallCaps, type PatternMeasure } from './readPattern';
import type { Bore } from './readBore';
import { feedFromLargest, readFeed, type HotSpot } from './readFeed';
import type { HangReading } from './readPockets';
import { readSurface, type SurfacePaint } from './readSurface';
import { BIN_MM, readThickness } from './readThickness';
import type { Chamber } from './readWays';
import type { Spot } from './spots';
import { STEPS, type Step } from './steps';
import { doTask, genusOf, READINGS, readingsOf, type Grids, type Readings, type Task } from './tasks';
import type { Reading } from './want';

/** Raised whenever a reading changes its answers: kept analyses of another version are made anew. */
export const ANALYSIS_VERSION = 6;

/** Everything about a part that does not hang on the shop's limits. mm, in the file's own axes. */
export interface PatternAnalysis {
  resolution: Resolution;
  /** Open surface: read as if its small holes were closed, so a little less sure. */
  estimate: boolean;
  /** Volume of the exact boolean union, the cross-check of the rays'; null when no bodies overlap or none could be made. */
  exactMm3: number | null;
  thickness: {
    p1Mm: number;
    p10Mm: number;
    p50Mm: number;
    p90Mm: number;
    thinnestMm: number | null;
    thickestMm: number;
    /** Volume by thickness in bins of BIN_MM; the last holds all above. */
    histogramMm3: number[];
  };
  thin: Spot[];
  thick: Spot[];
  gaps: Spot[];
  gapAreaMm2: number[];
  /** A place for each bin of it. */
  gapPlaces: ([number, number, number] | null)[];
  hotSpots: HotSpot[];
  feed: number[];
  /** Through-holes by the topology of the surface; null when bodies overlap or it is open. */
  genus: number | null;
  holes: ThroughHole[];
  chambers: Chamber[];
  bore: Bore | null;
  voids: SealedVoid[];
  hangs: HangReading[];
}

/** A mesh for the view, with a value of the paint for each vertex. */
export interface PaintedMesh {
  positions: Float64Array;
  triangles: Uint32Array;
  paint: SurfacePaint;
}

export type AnalysisResult =
  | { status: 'analysed'; analysis: PatternAnalysis; painted: PaintedMesh }
  /** Too open for inside and outside to be told apart. */
  | { status: 'too open'; openShare: number };

/** Openings up to this share of the surface are read as if they were shut flat. */
const SHUT_SHARE_MAX = 0.1;

/**
 * Reads everything of handbook 01 from a welded mesh: thickness, gaps, hot spots and necks, ways through and
 * into it, sealed voids, air pockets. `report` is told each step; `engine` unites bodies that overlap, without it
 * their inner faces are only left out. O(n log n) in triangles, linear in cells.
 */
export function analysePattern(
  file: WeldedMesh,
  measure: PatternMeasure,
  report: Report = () => {},
  engine?: BooleanEngine<unknown>,
): AnalysisResult {
  const reading = readWhole(file, measure, report, engine);
  let solid: PartSolid | undefined;
  let grids: Grids = {};
  let step = reading.next();
  while (!step.done) {
    const want = step.value;
    let answer: unknown;
    if (want.kind === 'part') solid = want.solid;
    else if (want.kind === 'grids') grids = { ...grids, ...want.grids };
    else if (want.kind === 'balls') answer = doTask(solid!, grids, want.task, want.tell);
    else if (want.kind === 'readings')
      answer = readingsOf(
        READINGS.map((task) => {
          want.report(...STEP_OF[task.kind]);
          return doTask(solid!, grids, task);
        }),
      );
    step = reading.next(answer);
  }
  return step.value;
}

/** How far it is when a reading begins that this thread does itself. */
export const STEP_OF: Record<Task['kind'], [Step, number]> = {
  balls: ['thickness', STEPS.thickness],
  gaps: ['gaps', STEPS.gaps],
  ways: ['holes', STEPS.holes],
  hang: ['pockets', STEPS.pockets],
};

/** The reading itself, whoever does its parts. */
export function* readWhole(
  file: WeldedMesh,
  measure: PatternMeasure,
  report: Report,
  engine?: BooleanEngine<unknown>,
): Reading<AnalysisResult> {
  const union = measure.closed && measure.overlapMm3 > 0 && engine ? uniteFile(file, engine) : null;
  const shut = measure.closed ? null : smallCaps(file, measure.areaMm2, SHUT_SHARE_MAX);
  const mesh = union ?? shut?.mesh ?? file;
  const part: Part = {
    mesh: { positions: mesh.positions, triangles: mesh.triangles },
    measure,
    overlaps: measure.overlapMm3 > 0 && !union,
  };
  const solid = new PartSolid(part);
  yield { kind: 'part', solid, part };
  report('solid', STEPS.solid);
  const { openShare } = solid;
  if (openShare > OPEN_SHARE_MAX) return { status: 'too open', openShare };
  const { bricks, inside, tree } = solid;
  yield { kind: 'grids', grids: { mid: { bricks, field: inside } } };
  report('thickness', STEPS.thickness);
  const span = STEPS.feed - STEPS.thickness;
  const thickness = yield* readThickness(solid, (share) =>
    report('thickness', STEPS.thickness + span * share),
  );
  report('feed', STEPS.feed);
  const percentile = (share: number): number => sizePercentile(thickness.histogramMm3, BIN_MM, share);
  const feed = readFeed(solid, solid.mid, tree, percentile(0.5));
  const fed = feedFromLargest(feed.hotSpots);
  const { gaps, ways, hangs } = (yield { kind: 'readings', report }) as Readings;
  report('surface', STEPS.surface);
  const surface = paintedMesh(part);
  const values = readSurface(surface, solid, {
    thickness: thickness.sizes,
    gap: gaps.sizes,
    basin: feed.basin,
    feed: fed,
  });
  return {
    status: 'analysed',
    painted: { ...surface, paint: values.paint },
    analysis: {
      resolution: solid.resolution,
      estimate: isEstimate(measure),
      exactMm3: union?.volumeMm3 ?? null,
      thickness: {
        p1Mm: percentile(0.01),
        p10Mm: percentile(0.1),
        p50Mm: percentile(0.5),
        p90Mm: percentile(0.9),
        thinnestMm: thickness.thinnestMm,
        thickestMm: thickness.thickestMm,
        histogramMm3: thickness.histogramMm3,
      },
      thin: thickness.thin,
      thick: thickness.thick,
      gaps: gaps.gaps,
      gapAreaMm2: values.gapAreaMm2,
      gapPlaces: values.gapPlaces,
      hotSpots: feed.hotSpots,
      feed: fed,
      genus: genusOf(measure),
      chambers: ways.chambers,
      holes: withBore(ways.holes, ways.bore),
      bore: ways.bore,
      voids: findSealedVoids(solid.fine),
      hangs,
    },
  };
}

/** A finger's bore is a way through, also where no ball was found to pass alone. */
function withBore(holes: readonly ThroughHole[], bore: Bore | null): ThroughHole[] {
  if (!bore) return [...holes];
  const isBore = ({ at, widthMm }: ThroughHole): boolean => {
    const off = at.map((value, k) => value - bore.at[k]!);
    const along = off.reduce((sum, value, k) => sum + value * bore.axis[k]!, 0);
    const away2 = off.reduce((sum, value) => sum + value * value, 0) - along ** 2;
    return widthMm > bore.diameterMm / 2 && away2 < (bore.diameterMm / 4) ** 2;
  };
  if (holes.some(isBore)) return [...holes];
  const { at, axis, diameterMm } = bore;
  return [...holes, { at, axis, widthMm: diameterMm }].sort((a, b) => a.widthMm - b.widthMm);
}

/** The file's bodies as one; null when the engine refuses them. */
export function uniteFile(file: WeldedMesh, engine: BooleanEngine<unknown>): ExactUnion | null {
  const topology = checkTopology(file);
  const { shellVolumesMm3 } = measureSolid(file, topology, measureBounds(file.positions));
  return uniteShells(file, topology, shellVolumesMm3, engine);
}
