import type { Bounds, WeldedMesh } from '../mesh';
import {
  acrossAxis,
  allBricks,
  BallFinder,
  BRICK_CELLS,
  columnsOf,
  denseField,
  entryOf,
  FAR,
  fillSolid,
  findChamberCells,
  findThroughHoles,
  frameRound,
  measureDistances,
  sweepDexels,
  type Ball,
  type Closest,
  type ThroughHole,
  type TriangleTree,
} from '../solid';

type Point = [number, number, number];
type Passage = Pick<ThroughHole, 'at' | 'widthMm'>;
/** Distance from a place to the surface, known to be at most so much. mm. */
type Clearance = (at: Point, atMostMm: number) => number;

/** A hollow with an entrance narrower than itself. */
export interface Chamber {
  at: [number, number, number];
  widthMm: number;
  entranceAt: [number, number, number];
  entranceMm: number;
}

export interface WaysReading {
  holes: ThroughHole[];
  chambers: Chamber[];
}

/** Empty cells round the part, so that ways out of it meet. */
const MARGIN = 4;
/** A place that a ball of this width reaches from the open is open. mm. */
const ENTRANCE_MAX_MM = 3;
/** Chambers narrower than this many cells are crevices of the grid. */
const CHAMBER_CELLS_MIN = 3;

/** Ways through the part and into it, on a coarse grid over its whole box; widths made exact on the surface. */
export function readWays(
  mesh: Pick<WeldedMesh, 'positions' | 'triangles'>,
  bounds: Bounds,
  cellMm: number,
  tree: TriangleTree,
  genus: number | null,
): WaysReading {
  const frame = frameRound(bounds, cellMm, MARGIN);
  const bricks = allBricks(frame);
  const field = new Uint16Array(bricks.place.length * BRICK_CELLS).fill(FAR);
  fillSolid(bricks, sweepDexels(mesh.positions, mesh.triangles, columnsOf(frame)), field, 0);
  measureDistances(bricks, field, 'unknown');
  const outside = denseField(bricks, field);
  const finder = new BallFinder(bricks, field, tree);
  const ballAtIndex = (at: number): Ball =>
    finder.at(
      entryOf(
        bricks,
        at % frame.nx,
        Math.floor(at / frame.nx) % frame.ny,
        Math.floor(at / (frame.nx * frame.ny)),
      ),
    );
  const wall: Closest = { distance2: 0, x: 0, y: 0, z: 0, triangle: 0 };
  const clearance: Clearance = (at, atMostMm) =>
    tree.closest(...at, atMostMm * atMostMm, wall) ? Math.sqrt(wall.distance2) : atMostMm;
  const isNearer = (at: Point, mm: number): boolean => tree.isNearer(...at, mm * mm);
  const gridCells = ([x, y, z]: Point): number =>
    Math.sqrt(outside.values[(z * frame.ny + y) * frame.nx + x]!);
  const wideCells = Math.max(CHAMBER_CELLS_MIN, ENTRANCE_MAX_MM / 2 / cellMm);
  return {
    holes: findThroughHoles(outside, genus ?? Infinity)
      .map(({ along, axis }): ThroughHole => {
        // From the middle of a wide hole every part of the wall is nearest: few places are made exact.
        const [narrowest] = [...along]
          .sort((a, b) => gridCells(a) - gridCells(b))
          .slice(0, TRIES)
          .map((cell) => {
            const at = cell.map((c, k) => frame.originMm[k]! + cellMm * c) as Point;
            const start = { at, widthMm: 2 * clearance(at, (gridCells(cell) + 1) * cellMm) };
            return widen(start, axis, cellMm, clearance, isNearer);
          })
          .sort((a, b) => a.widthMm - b.widthMm);
        return { ...narrowest!, axis };
      })
      .sort((a, b) => a.widthMm - b.widthMm),
    chambers: findChamberCells(outside, wideCells)
      .map(({ widest, entrance }): Chamber => {
        const [inner, mouth] = [ballAtIndex(widest), ballAtIndex(entrance)];
        return {
          at: inner.at,
          widthMm: 2 * inner.radiusMm,
          entranceAt: mouth.at,
          entranceMm: 2 * mouth.radiusMm,
        };
      })
      .sort((a, b) => a.entranceMm - b.entranceMm),
  };
}

/** Places along a hole that are made exact; steps of the search for the middle, and the last of them in cells. */
const TRIES = 2;
const DIRECTIONS = 8;
const STEP_LAST = 0.05;

/**
 * The widest ball that passes a place across an axis, within the hole's cross-section there: pattern search on
 * the distance to the surface, from one cell down.
 */
function widen(
  start: Passage,
  axis: readonly number[],
  cellMm: number,
  clearance: Clearance,
  isNearer: (at: Point, mm: number) => boolean,
): Passage {
  const [u, v] = acrossAxis(axis);
  let { at } = start;
  let radiusMm = start.widthMm / 2;
  for (let step = cellMm; step > STEP_LAST * cellMm;) {
    const here = at;
    for (let n = 0; n < DIRECTIONS; n++) {
      const turn = (2 * Math.PI * n) / DIRECTIONS;
      const [c, s] = [step * Math.cos(turn), step * Math.sin(turn)];
      const next = here.map((value, k) => value + c * u[k]! + s * v[k]!) as Point;
      // Most places beside are no wider, which any face within the radius tells.
      if (isNearer(next, radiusMm)) continue;
      const there = clearance(next, radiusMm + 2 * step);
      if (there > radiusMm) [at, radiusMm] = [next, there];
    }
    if (at === here) step /= 2;
  }
  return { at, widthMm: 2 * radiusMm };
}
