import { clusterVertices, type WeldedMesh } from '../../mesh';
import { measurePrintDirection, type PrintDirection } from '../printDirection';
import type { Rotation } from '../rotation';
import { directionOf } from './directions';
import { QuickLooker } from './quickLook';
import { makeSearchSurface, type SearchSurface } from './searchSurface';
import {
  costOf,
  scaleOf,
  searchWaysUp,
  WAY_AIMS,
  type PartScale,
  type WayAim,
  type WayFigures,
} from './searchWaysUp';

/** A way up with everything that it means. */
export interface WayUp {
  rotation: Rotation;
  figures: WayFigures;
}

export interface WaysUp {
  part: PartScale;
  /** The best for each aim. Two aims may agree. */
  best: Record<WayAim, WayUp>;
}

export interface FindWaysOptions {
  layerMm: number;
  /** 1 for each face that must stay clean. */
  show?: Uint8Array | undefined;
  directions?: number;
  report?: (share: number) => void;
}

/** Finalists are cut no finer than this: a way is chosen, not printed. mm. */
const CUT_MM = 0.1;
/** Share of the time that the search takes before finalists are cut. */
const SEARCH_SHARE = 0.6;
/** Finer parts are searched in a coarser likeness: what its finalists are worth, their layers say. Vertices. */
const VERTICES_MAX = 25_000;

/** One way up, cut into layers, for the figures that a quick look only guesses. */
export function cutWayUp(
  mesh: Pick<WeldedMesh, 'positions' | 'triangles'>,
  surface: SearchSurface,
  rotation: Rotation,
  { layerMm, show }: Pick<FindWaysOptions, 'layerMm' | 'show'>,
): WayUp & { direction: PrintDirection } {
  const cutMm = Math.max(CUT_MM, layerMm);
  const { direction } = measurePrintDirection(mesh, { rotation, layerMm: cutMm, pixelMm: cutMm });
  const { direction: _, ...quick } = new QuickLooker(surface).look(directionOf(rotation), { layerMm, show });
  const figures: WayFigures = {
    ...quick,
    islands: direction.islands.length,
    cups: direction.cups.length,
    cupDepthMm: direction.cups.reduce((sum, c) => sum + (c.lastLayer - c.firstLayer + 1) * cutMm, 0),
    peakMm2: direction.peak.areaMm2,
    firstMm2: direction.firstLayerMm2,
  };
  return { rotation, figures, direction };
}

/** Searches, cuts the finalists of each aim, and keeps the best of them by what the layers say. */
export function findWaysUp(
  mesh: Pick<WeldedMesh, 'positions' | 'triangles'>,
  { layerMm, show, directions, report }: FindWaysOptions,
): WaysUp {
  const surface = makeSearchSurface(mesh);
  const { looked, shown } = likenessOf(mesh, surface, show);
  const found = searchWaysUp(looked, {
    layerMm,
    show: shown,
    ...(directions === undefined ? {} : { directions }),
    ...(report ? { report: (share: number) => report(SEARCH_SHARE * share) } : {}),
  });
  const part = scaleOf(surface, show, [found.part.tallestMm, found.part.shortestMm]);
  const finalists = WAY_AIMS.flatMap((aim) => found.best[aim].map((way) => ({ aim, way })));
  const best = {} as Record<WayAim, WayUp>;
  const costs = {} as Record<WayAim, number>;
  finalists.forEach(({ way }, i) => {
    report?.(SEARCH_SHARE + ((1 - SEARCH_SHARE) * i) / finalists.length);
    const { direction: _, ...cut } = cutWayUp(mesh, surface, way.rotation, { layerMm, show });
    // A finalist of one aim may turn out the best of another.
    for (const aim of WAY_AIMS) {
      const cost = costOf(cut.figures, part, aim);
      if (costs[aim] === undefined || cost < costs[aim]) [costs[aim], best[aim]] = [cost, cut];
    }
  });
  report?.(1);
  return { part, best };
}

/** What is looked at from hundreds of directions, and which of its faces must stay clean. */
function likenessOf(
  mesh: Pick<WeldedMesh, 'positions' | 'triangles'>,
  surface: SearchSurface,
  show: Uint8Array | undefined,
): { looked: SearchSurface; shown: Uint8Array | undefined } {
  if (surface.vertices <= VERTICES_MAX) return { looked: surface, shown: show };
  const coarse = clusterVertices(mesh, VERTICES_MAX);
  return {
    looked: makeSearchSurface(coarse),
    shown: show && Uint8Array.from(coarse.faceOf, (t) => show[t]!),
  };
}
