import { measureBounds, MeshFileError, type WeldedMesh } from '../mesh';
import { chooseResolution, evenNeck, readFeed, sectionAt, type FeedReading, type Section } from '../pattern';
import {
  BRICK_CELLS,
  bricksNearSolid,
  cutSolid,
  FAR,
  fillSolid,
  findPeaks,
  frameRound,
  measureDistances,
  OPEN_SHARE_MAX,
  TriangleTree,
  type AllPeaks,
  type Bricks,
} from '../solid';

/** Masses of a part and the ways between them: whatever gates it is given, this stays. */
export interface FeedWays extends FeedReading {
  bricks: Bricks;
  /** Squared distance to the nearest empty cell, in cells. */
  inside: Uint16Array;
  cellMm: number;
  /** Every maximum of the distance, for exact ways. */
  all: AllPeaks;
  /** The metal's section at a cell. */
  sectionOf: (entry: number) => Section;
  /** The neck that a cell lies in, as it is for most of its length. */
  neckOf: (entry: number) => Section;
}

/** The same of a part with its surface. */
export interface FeedField extends FeedWays {
  tree: TriangleTree;
}

/**
 * Reads masses, ways and necks once (handbook 05, "Feed"). `cellMm`: as fine as wanted; coarser where the part would not
 * fit. `medianMm`: half of the part is thinner; ends and beads far under it are no masses. Bodies
 * that overlap are united by the caller. Throws MeshFileError where inside and outside cannot be told. O(N log N) in cells.
 */
export function readFeedField(
  mesh: WeldedMesh,
  volumeMm3: number,
  { cellMm, medianMm }: { cellMm: number; medianMm: number },
): FeedField {
  const bounds = measureBounds(mesh.positions);
  const { midMm } = chooseResolution(bounds, volumeMm3);
  // The grid of an analysis is as fine as the machine holds; asked for half of it, the solid has eight times the cells.
  const cell = Math.max(cellMm, midMm / (cellMm < midMm ? 2 : 1));
  const frame = frameRound(bounds, cell, 1);
  const tree = new TriangleTree(mesh.positions, mesh.triangles);
  const { dexels, openShare } = cutSolid(mesh, frame);
  if (openShare > OPEN_SHARE_MAX) throw new MeshFileError('MESH_TOO_OPEN');
  const bricks = bricksNearSolid(dexels, frame, 0);
  const inside = new Uint16Array(bricks.place.length * BRICK_CELLS);
  fillSolid(bricks, dexels, inside, FAR);
  measureDistances(bricks, inside, 'zero');
  const grid = { bricks, inside };
  const found = findPeaks(bricks, inside, true);
  const sectionOf = sectionAt(grid, dexels, tree);
  // A gate that is moved meets the same necks again.
  const necks = new Map<number, Section>();
  const feed = readFeed(grid, dexels, tree, medianMm, found);
  const stoutest = stoutestCells(feed, inside, sectionOf);
  return {
    ...feed,
    hotSpots: feed.hotSpots.map((spot, n) => ({ ...spot, ...stoutest[n]!.section })),
    entries: stoutest.map(({ entry }) => entry),
    ...grid,
    tree,
    all: found.all,
    cellMm: cell,
    sectionOf,
    neckOf: (entry) => {
      const neck = necks.get(entry) ?? evenNeck(grid, sectionOf, entry);
      necks.set(entry, neck);
      return neck;
    },
  };
}

/** Cells as wide as this share of a mass's widest are its middle as well. */
export const MIDDLE_SHARE = 0.9;
/** Of them so many are looked at. */
const LOOKED_AT = 24;

/**
 * Where each mass is stoutest. Along a plate, a wire or a ring many cells are as wide as the widest, and the first of them may
 * lie at an end, with less metal round it than there is anywhere else: a gate for that place would freeze before the rest.
 */
function stoutestCells(
  { basin, entries, hotSpots }: FeedReading,
  inside: Uint16Array,
  sectionOf: (entry: number) => Section,
): { entry: number; section: Section }[] {
  const middles: number[][] = entries.map(() => []);
  for (let e = 0; e < basin.length; e++) {
    const spot = basin[e]!;
    if (spot >= 0 && inside[e]! >= MIDDLE_SHARE ** 2 * inside[entries[spot]!]!) middles[spot]!.push(e);
  }
  return entries.map((entry, n) => {
    const cells = middles[n]!;
    const every = Math.max(1, cells.length / LOOKED_AT);
    let best = { entry, section: hotSpots[n]! as Section };
    for (let k = every / 2; k < cells.length; k += every) {
      const section = sectionOf(cells[Math.floor(k)]!);
      if (section.modulusMm > best.section.modulusMm) best = { entry: cells[Math.floor(k)]!, section };
    }
    return best;
  });
}
