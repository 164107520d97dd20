import { checkTopology, measureBounds, measureSolid, splitLongEdges, type WeldedMesh } from '../mesh';
import {
  boundaryTest,
  boundaryTriangles,
  bricksNearSolid,
  cutSolid,
  findSealedVoids,
  frameRound,
  gridBothSides,
  sizePercentile,
  OPEN_SHARE_MAX,
  TriangleTree,
  uniteShells,
  type BooleanEngine,
  type Dexels,
  type ExactUnion,
  type SealedVoid,
  type ThroughHole,
} from '../solid';
import { BAND_CELLS_MAX, chooseResolution, type Report, type Resolution } from './grids';
import { isEstimate, smallCaps, type PatternMeasure } from './readPattern';
import { readBore, type Bore } from './readBore';
import { feedFromLargest, readFeed, type HotSpot } from './readFeed';
import { GAP_MAX_MM, readGaps } from './readGaps';
import { HANG_TILTS_DEG, readPockets, type HangReading } from './readPockets';
import { readSurface, type SurfacePaint } from './readSurface';
import { BIN_MM, readThickness } from './readThickness';
import { readWays, type Chamber } from './readWays';
import type { Spot } from './spots';
import { STEPS } from './steps';

/** Raised whenever a reading changes its answers: kept analyses of another version are made anew. */
export const ANALYSIS_VERSION = 5;

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
  const union = measure.closed && measure.overlapMm3 > 0 && engine ? uniteFile(file, engine) : null;
  const shut = measure.closed ? null : smallCaps(file, measure.areaMm2, SHUT_SHARE_MAX);
  const mesh = union ? { ...file, ...union } : (shut?.mesh ?? file);
  const bounds = measureBounds(mesh.positions);
  const resolution = chooseResolution(bounds, measure.volumeMm3);
  report('solid', STEPS.solid);
  const surface = paintedMesh(mesh, measure.areaMm2);
  const fine = cut(mesh, resolution.fineMm, 1);
  if (fine.openShare > OPEN_SHARE_MAX) return { status: 'too open', openShare: fine.openShare };
  const tree =
    measure.overlapMm3 > 0 && !union
      ? boundaryTree(surface, fine.dexels)
      : new TriangleTree(mesh.positions, mesh.triangles);
  const bandCells = Math.min(BAND_CELLS_MAX, Math.ceil(GAP_MAX_MM / 2 / resolution.midMm));
  const mid = cut(mesh, resolution.midMm, bandCells + 2);
  const midFrame = frameRound(bounds, resolution.midMm, bandCells + 2);
  const grid = gridBothSides(mid.dexels, bricksNearSolid(mid.dexels, midFrame, bandCells), bandCells);
  report('thickness', STEPS.thickness);
  const span = STEPS.gaps - STEPS.thickness;
  const thickness = readThickness(grid, { dexels: fine.dexels, bounds }, resolution, tree, (share) =>
    report('thickness', STEPS.thickness + span * share),
  );
  report('gaps', STEPS.gaps);
  const gaps = readGaps(grid, bandCells, mid.dexels, tree);
  report('feed', STEPS.feed);
  const percentile = (share: number): number => sizePercentile(thickness.histogramMm3, BIN_MM, share);
  const feed = readFeed(grid, mid.dexels, tree, percentile(0.5));
  const fed = feedFromLargest(feed.hotSpots);
  report('holes', STEPS.holes);
  const genus =
    measure.closed && measure.overlapMm3 === 0 && measure.crowdedEdges === 0 ? genusOf(measure) : null;
  const ways = readWays(mesh, bounds, resolution.coarseMm, tree, genus);
  report('pockets', STEPS.pockets);
  const bore = readBore(mesh, ways.holes);
  const hangs = HANG_TILTS_DEG.map((xDeg) => readPockets(mesh, { xDeg, yDeg: 0, zDeg: 0 }));
  report('surface', STEPS.surface);
  const values = readSurface(surface, grid, {
    thickness: thickness.sizes,
    gap: gaps.sizes,
    basin: feed.basin,
    feed: fed,
  });
  return {
    status: 'analysed',
    painted: { ...surface, paint: values.paint },
    analysis: {
      resolution,
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
      genus,
      chambers: ways.chambers,
      holes: withBore(ways.holes, bore),
      bore,
      voids: findSealedVoids(fine.dexels),
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

/** Overlapping bodies that no engine has united: their faces inside each other are not surface. */
function boundaryTree(mesh: Pick<WeldedMesh, 'positions' | 'triangles'>, dexels: Dexels): TriangleTree {
  const isBoundary = boundaryTest(mesh, dexels);
  return new TriangleTree(mesh.positions, mesh.triangles, boundaryTriangles(mesh, isBoundary), isBoundary);
}

/** Longest edge over which a value at the corners may be carried, and how many pieces a part may be split into. */
const EDGE_MM = 0.8;
const PIECES_MAX = 400_000;
/** … or this many times its triangles, where they are slivers. */
const PIECES_EACH = 4;

/**
 * The mesh that the paint belongs to: vertices of the file first, then those of its long edges. A part with few
 * large faces has too few corners to carry what was measured over them.
 */
export function paintedMesh(
  mesh: Pick<WeldedMesh, 'positions' | 'triangles'>,
  areaMm2: number,
): Pick<WeldedMesh, 'positions' | 'triangles'> {
  const longestMm = Math.max(EDGE_MM, Math.sqrt((6 * areaMm2) / PIECES_MAX));
  return splitLongEdges(mesh, longestMm, Math.max(PIECES_MAX, PIECES_EACH * (mesh.triangles.length / 3)));
}

const cut = (mesh: WeldedMesh, cellMm: number, margin: number): { dexels: Dexels; openShare: number } =>
  cutSolid(mesh, frameRound(measureBounds(mesh.positions), cellMm, margin));

/** Σ over closed shells of V − E + F = 2 − 2g, with E = 3F/2. */
const genusOf = ({ vertices, triangles, shells }: PatternMeasure): number =>
  Math.max(0, Math.round(shells - (vertices - triangles / 2) / 2));
