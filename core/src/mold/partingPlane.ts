import type { UndercutMap } from './undercut';

/** The level that parts the most of a part, and how much of the part lies off it. */
export interface PartingPlane {
  heightMm: number;
  /** Share of the columns that do not reach it: above 0 a plane alone cannot part it. */
  offShare: number;
}

/** Levels that are tried. */
const LEVELS = 240;
/** A column that ends this near counts as reaching. Cells. */
const NEAR_CELLS = 0.75;

/** From where to where the part reaches in a column; null where it is not. */
export function columnSpan(
  { dexels: { starts, ends } }: UndercutMap,
  column: number,
): [number, number] | null {
  const [first, last] = [starts[column]!, starts[column + 1]!];
  return first === last ? null : [ends[2 * first]!, ends[2 * last - 1]!];
}

/** The plane across the pull that the most columns reach; of as good ones the middle, for halves alike in depth. */
export function choosePlane(map: UndercutMap): PartingPlane {
  const { nx, ny, nz, cellMm, originMm } = map.frame;
  const [low, high] = [originMm[2], originMm[2] + (nz - 1) * cellMm];
  const step = (high - low) / LEVELS;
  const change = new Int32Array(LEVELS + 2);
  let columns = 0;
  for (let c = 0; c < nx * ny; c++) {
    const span = columnSpan(map, c);
    if (!span) continue;
    columns++;
    const near = NEAR_CELLS * cellMm;
    change[Math.max(0, Math.ceil((span[0] - near - low) / step))]!++;
    change[Math.min(LEVELS, Math.floor((span[1] + near - low) / step)) + 1]!--;
  }
  const reached: number[] = [];
  let now = 0;
  for (let n = 0; n <= LEVELS; n++) reached.push((now += change[n]!));
  const most = Math.max(...reached);
  // The longest run of the best level.
  const from = reached.indexOf(most);
  let to = from;
  while (to < LEVELS && reached[to + 1] === most) to++;
  return { heightMm: low + ((from + to) / 2) * step, offShare: columns === 0 ? 0 : 1 - most / columns };
}
