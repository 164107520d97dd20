import type { Bounds, WeldedMesh } from '../mesh';
import {
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
  type ThroughHole,
  type TriangleTree,
} from '../solid';

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
export function readWays(mesh: WeldedMesh, bounds: Bounds, cellMm: number, tree: TriangleTree): WaysReading {
  const frame = frameRound(bounds, cellMm, MARGIN);
  const bricks = allBricks(frame);
  const field = new Uint16Array(bricks.place.length * BRICK_CELLS).fill(FAR);
  fillSolid(bricks, sweepDexels(mesh.positions, mesh.triangles, columnsOf(frame)), field, 0);
  measureDistances(bricks, field, 'unknown');
  const outside = denseField(bricks, field);
  const finder = new BallFinder(bricks, field, tree);
  const ballAt = (x: number, y: number, z: number): Ball => finder.at(entryOf(bricks, x, y, z));
  const ballAtIndex = (at: number): Ball =>
    ballAt(at % frame.nx, Math.floor(at / frame.nx) % frame.ny, Math.floor(at / (frame.nx * frame.ny)));
  const wideCells = Math.max(CHAMBER_CELLS_MIN, ENTRANCE_MAX_MM / 2 / cellMm);
  return {
    holes: findThroughHoles(outside).map(({ cell, axis }) => {
      const ball = ballAt(...cell);
      return { at: ball.at, widthMm: 2 * ball.radiusMm, axis };
    }),
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
