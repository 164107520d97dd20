import { columnSpan } from './partingPlane';
import type { UndercutMap } from './undercut';

/** Where the halves of a block part: a height over every node of a grid across the block. mm. */
export interface PartingSurface {
  x0: number;
  y0: number;
  stepMm: number;
  nx: number;
  ny: number;
  heights: Float64Array;
}

/** A straight way in the parting surface, from the cavity to the block's edge. mm. */
export interface Channel {
  from: readonly [number, number, number];
  to: readonly [number, number, number];
  halfWidthMm: number;
}

export interface BlockPlan {
  low: readonly [number, number];
  high: readonly [number, number];
  /** Height of the plane, and of the block's border where the surface is none. */
  planeMm: number;
  /** This far from the block's edges the surface is flat, for keys. */
  flatMm: number;
  channels: readonly Channel[];
}

/** One plane as a surface: its corners are those of the block. */
export function flatParting({ low, high, planeMm }: BlockPlan): PartingSurface {
  // Two steps each way, so that the cells need not be square to be one grid.
  const stepMm = Math.max(high[0] - low[0], high[1] - low[1]);
  return { x0: low[0], y0: low[1], stepMm, nx: 2, ny: 2, heights: new Float64Array(4).fill(planeMm) };
}

/** Steps of smoothing between part and border. */
const ROUNDS = 400;
const OVER_RELAXED = 1.8;

/**
 * A surface that follows the part's outline where no plane can (handbook 06): within the part between where it begins and ends in
 * each column, flat at the border, along channels on their axis, and as even as can be in between. O(nodes · rounds).
 */
export function followParting(map: UndercutMap, plan: BlockPlan, stepMm: number): PartingSurface {
  const [width, depth] = [plan.high[0] - plan.low[0], plan.high[1] - plan.low[1]];
  const nx = Math.ceil(width / stepMm) + 1;
  const ny = Math.ceil(depth / stepMm) + 1;
  const surface = { x0: plan.low[0], y0: plan.low[1], stepMm, nx, ny, heights: new Float64Array(nx * ny) };
  const { heights } = surface;
  const fixed = new Uint8Array(nx * ny);
  heights.fill(plan.planeMm);
  for (let n = 0; n < nx * ny; n++) {
    const [x, y] = nodeAt(surface, plan, n);
    const own = partHeight(map, x, y, plan.planeMm);
    const held = own ?? channelHeight(plan.channels, x, y);
    const edge = Math.min(x - plan.low[0], y - plan.low[1], plan.high[0] - x, plan.high[1] - y);
    if (held === undefined && edge > plan.flatMm) continue;
    fixed[n] = 1;
    if (held !== undefined) heights[n] = held;
  }
  for (let round = 0; round < ROUNDS; round++)
    for (let n = 0; n < nx * ny; n++) {
      if (fixed[n]) continue;
      const mean = (heights[n - 1]! + heights[n + 1]! + heights[n - nx]! + heights[n + nx]!) / 4;
      heights[n]! += OVER_RELAXED * (mean - heights[n]!);
    }
  return surface;
}

/** A node's place; the last ones lie on the block's edge. */
export function nodeAt(
  { x0, y0, stepMm, nx }: PartingSurface,
  { high }: Pick<BlockPlan, 'high'>,
  n: number,
): [number, number] {
  const x = x0 + (n % nx) * stepMm;
  const y = y0 + Math.floor(n / nx) * stepMm;
  return [Math.min(x, high[0]), Math.min(y, high[1])];
}

/** Within the part: the plane, kept inside of where the part begins and ends there. */
function partHeight(map: UndercutMap, x: number, y: number, planeMm: number): number | undefined {
  const { originMm, cellMm, nx, ny } = map.frame;
  const i = Math.round((x - originMm[0]) / cellMm);
  const j = Math.round((y - originMm[1]) / cellMm);
  if (i < 0 || j < 0 || i >= nx || j >= ny) return undefined;
  const span = columnSpan(map, j * nx + i);
  if (!span) return undefined;
  const skin = Math.min(cellMm, (span[1] - span[0]) / 4);
  return Math.min(span[1] - skin, Math.max(span[0] + skin, planeMm));
}

function channelHeight(channels: readonly Channel[], x: number, y: number): number | undefined {
  for (const { from, to, halfWidthMm } of channels) {
    const [dx, dy] = [to[0] - from[0], to[1] - from[1]];
    const length = Math.hypot(dx, dy) || 1;
    const along = ((x - from[0]) * dx + (y - from[1]) * dy) / length;
    const across = Math.abs((x - from[0]) * dy - (y - from[1]) * dx) / length;
    if (across > halfWidthMm || along < 0 || along > length) continue;
    return from[2] + (along / length) * (to[2] - from[2]);
  }
  return undefined;
}

/** The block under a surface down to a floor, or over it up to a ceiling: closed, outward faces. */
export function blockPart(
  surface: PartingSurface,
  plan: Pick<BlockPlan, 'high'>,
  endMm: number,
): { positions: Float32Array; triangles: Uint32Array } {
  const { nx, ny, heights } = surface;
  const count = nx * ny;
  const positions = new Float32Array(6 * count);
  for (let n = 0; n < count; n++) {
    const [x, y] = nodeAt(surface, plan, n);
    positions.set([x, y, heights[n]!], 3 * n);
    positions.set([x, y, endMm], 3 * (count + n));
  }
  const triangles: number[] = [];
  // Seen with the surface on top; turned over for what lies above it.
  const up = endMm < heights[0]!;
  const face = (a: number, b: number, c: number): void =>
    void triangles.push(...(up ? [a, b, c] : [a, c, b]));
  const quad = (a: number, b: number, c: number, d: number): void => {
    face(a, b, c);
    face(a, c, d);
  };
  for (let j = 0; j + 1 < ny; j++)
    for (let i = 0; i + 1 < nx; i++) {
      const [a, b, c, d] = [j * nx + i, j * nx + i + 1, (j + 1) * nx + i + 1, (j + 1) * nx + i];
      quad(a, b, c, d);
      quad(count + a, count + d, count + c, count + b);
    }
  const side = (a: number, b: number): void => quad(b, a, count + a, count + b);
  for (let i = 0; i + 1 < nx; i++) {
    side(i, i + 1);
    side((ny - 1) * nx + i + 1, (ny - 1) * nx + i);
  }
  for (let j = 0; j + 1 < ny; j++) {
    side((j + 1) * nx, j * nx);
    side(j * nx + nx - 1, (j + 1) * nx + nx - 1);
  }
  return { positions, triangles: Uint32Array.from(triangles) };
}
