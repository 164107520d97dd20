import { measureBounds, sizeOf, type WeldedMesh } from '../mesh';
import { rotatePoints, rotationMatrix, transposed, type Rotation } from '../orient';
import { columnsOf, findAirPockets, frameRound, sweepDexels, type AirPocket } from '../solid';

/** Air that stays in a part hung one way, with the places in the part's own coordinates. */
export interface HangReading {
  rotation: Rotation;
  pockets: AirPocket[];
}

/** Cells of the sweep's box at most, and their least size. */
const BOX_MAX = 2.5e6;
const CELL_MIN_MM = 0.1;
const POCKETS_MAX = 40;

/** How much a tree's own tilt may change, beside the way the part hangs (handbook 04 and 05). */
export const HANG_TILTS_DEG = [0, 20, 40, 60] as const;

/** Air pockets of a part under liquid for one way of hanging (handbook 01, "Findings"). O(cells). */
export const readPockets = (
  mesh: Pick<WeldedMesh, 'positions' | 'triangles'>,
  rotation: Rotation,
): HangReading => ({
  rotation,
  pockets: pocketsTurned(mesh, rotationMatrix(rotation)).pockets,
});

/** … as it is turned by a matrix (3 × 3, row by row), on a box of so many cells; `cellMm`: what it tells apart. */
export function pocketsTurned(
  mesh: Pick<WeldedMesh, 'positions' | 'triangles'>,
  m: readonly number[],
  cellsMost = BOX_MAX,
): { pockets: AirPocket[]; cellMm: number } {
  const positions = rotatePoints(mesh.positions, m);
  const bounds = measureBounds(positions);
  const box = sizeOf(bounds).reduce((product, side) => product * Math.max(side, CELL_MIN_MM), 1);
  const frame = frameRound(bounds, Math.max(CELL_MIN_MM, Math.cbrt(box / cellsMost)), 2);
  const pockets = findAirPockets(sweepDexels(positions, mesh.triangles, columnsOf(frame)), frame);
  const back = transposed(m);
  return {
    cellMm: frame.cellMm,
    pockets: pockets
      .slice(0, POCKETS_MAX)
      .map((pocket) => ({ ...pocket, at: [...rotatePoints(pocket.at, back)] as AirPocket['at'] })),
  };
}
