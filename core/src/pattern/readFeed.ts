import {
  areaInBall,
  BallFinder,
  findPeaks,
  volumeInBall,
  type Dexels,
  type Bricks,
  type PeakTree,
  type TriangleTree,
} from '../solid';

import { evenNeck } from './evenNeck';
import type { Section } from './section';

/** A mass that freezes by itself, and the narrowest place on the widest way to a larger one. */
export interface HotSpot extends Section {
  /** Index of the larger mass; −1 for the largest of its body. */
  parent: number;
  neck: Section | null;
  /** Modulus of the neck over that of the mass: under 0.8 it freezes before what it must feed. 1 without a neck. */
  feedRatio: number;
}

/** Radius of the ball whose solid counts as one mass, in local thicknesses (handbook 05, "Feed"). */
const BALL_WIDTHS = 1.5;
/** Masses that are kept, the largest first. */
export const HOT_SPOTS_MAX = 24;
/** Peaks narrower than this share of the median thickness are ends and beads, not masses. */
const SHARE_OF_MEDIAN = 0.5;

export interface FeedReading {
  hotSpots: HotSpot[];
  /** Their middles' cells. */
  entries: number[];
  /** Hot spot that feeds each cell; −1 where none is kept. */
  basin: Int32Array;
}

/** Hot spots, the necks between them, and what each cell belongs to (handbook 05, "Feed"; 01, "Findings"). */
export function readFeed(
  grid: Solid,
  dexels: Dexels,
  tree: TriangleTree,
  medianMm: number,
  { peaks, basin }: Pick<PeakTree, 'peaks' | 'basin'> = findPeaks(grid.bricks, grid.inside),
): FeedReading {
  const { bricks } = grid;
  const section = sectionAt(grid, dexels, tree);
  const least = (SHARE_OF_MEDIAN * medianMm) / bricks.frame.cellMm / 2;
  const kept = keptPeaks(peaks, least);
  const place = new Map(kept.map((p, n) => [p, n]));
  const hotSpots = kept.map((p): HotSpot => {
    const peak = peaks[p]!;
    const mass = section(peak.entry);
    const neck = peak.parent < 0 ? null : evenNeck(grid, section, peak.saddleEntry);
    const feedRatio = neck && mass.modulusMm > 0 ? Math.min(1, neck.modulusMm / mass.modulusMm) : 1;
    return { ...mass, parent: peak.parent < 0 ? -1 : place.get(peak.parent)!, neck, feedRatio };
  });
  return {
    hotSpots,
    entries: kept.map((p) => peaks[p]!.entry),
    basin: basin.map((p) => ownerOf(p, peaks, place)),
  };
}

interface Solid {
  bricks: Bricks;
  inside: Uint16Array;
}

/** Sections of the metal's way, by the cell that they lie at. */
export function sectionAt(
  { bricks, inside }: Solid,
  dexels: Dexels,
  tree: TriangleTree,
): (entry: number) => Section {
  const finder = new BallFinder(bricks, inside, tree);
  return (entry) => {
    const ball = finder.at(entry);
    const radius = BALL_WIDTHS * 2 * ball.radiusMm;
    const area = areaInBall(tree, ball.at, radius);
    return {
      at: ball.at,
      widthMm: 2 * ball.radiusMm,
      modulusMm: area > 0 ? volumeInBall(dexels, ball.at, radius) / area : 0,
    };
  };
}

/** The largest peaks whose chain of parents is kept too (a parent is never lower). */
function keptPeaks(peaks: PeakTree['peaks'], leastCells: number): number[] {
  return peaks
    .map((_, p) => p)
    .filter((p) => peaks[p]!.distance >= leastCells || peaks[p]!.parent < 0)
    .sort((a, b) => peaks[b]!.distance - peaks[a]!.distance || peaks[a]!.parent - peaks[b]!.parent)
    .slice(0, HOT_SPOTS_MAX);
}

/** The kept peak that a cell's own peak leads to. */
function ownerOf(peak: number, peaks: PeakTree['peaks'], place: ReadonlyMap<number, number>): number {
  for (let p = peak; p >= 0; p = peaks[p]!.parent) {
    const known = place.get(p);
    if (known !== undefined) return known;
  }
  return -1;
}

/** Worst feed on the way from the largest mass to each hot spot. */
export function feedFromLargest(hotSpots: readonly HotSpot[]): number[] {
  return hotSpots.map((spot) => {
    let ratio = spot.feedRatio;
    for (let p = spot.parent; p >= 0; p = hotSpots[p]!.parent) {
      const neck = hotSpots[p]!.neck;
      if (neck && spot.modulusMm > 0) ratio = Math.min(ratio, neck.modulusMm / spot.modulusMm);
    }
    return ratio;
  });
}
