import { cellOf, entryOf, type Bricks } from './bricks';
import { crestOf } from './crest';
import { ShrinkingBall } from './shrinkingBall';
import type { Closest, TriangleTree } from './triangleTree';

/** Largest balls that fit at their places, largest first. Arrays run alike. */
export interface Balls {
  count: number;
  x: Float64Array;
  y: Float64Array;
  z: Float64Array;
  radiusMm: Float64Array;
  /**
   * 1 where the two surfaces that hold the ball face each other (more than 120° apart seen from its centre), or no
   * larger ball stands beside it: walls, wires, square bars, slots. 0 in corners and along sharp edges, which would
   * otherwise read as thin.
   */
  opposed: Uint8Array;
  /** 1 where the surface confirmed the ball; 0 where only the grid vouches for it. */
  exact: Uint8Array;
}

/** cos 120°. */
const OPPOSED_COS = -0.5;
/** Two sides that meet at less than this are a tapering wall, with a thickness of its own at each place. sin 10°. */
const WALL_HALF_SINE = 0.174;
/** Half a radius away from the tip the ball has grown by this share of what a wedge gives, or it is no wedge. */
const WEDGE_GROWTH = 0.8;
/** cos 70°: two touches this far apart are two sides, and the direction between them is beyond doubt. */
const CLEAR_COS = 0.34;
/** The first try is this much larger than the distance at the cell, plus one cell. */
const FIRST_TRY = 1.25;
/** A refined radius further from the grid's than this (cells, and share) met a face inside the solid. */
const TRUST_CELLS = 1.6;
const TRUST_SHARE = 0.12;

const createBalls = (count: number): Balls => ({
  count,
  x: new Float64Array(count),
  y: new Float64Array(count),
  z: new Float64Array(count),
  radiusMm: new Float64Array(count),
  opposed: new Uint8Array(count),
  exact: new Uint8Array(count),
});
const KEYS = ['x', 'y', 'z', 'radiusMm', 'opposed', 'exact'] as const;

const TELL_EVERY = 1024;

export interface RefineOptions {
  /** Balls smaller than this that two neighbouring faces hold are looked at more closely, for square bars. mm. */
  settleBelowMm?: number;
  /** Whether a point is on the side that the balls fill; without it sharp edges are not told from walls. */
  sameSide?: (x: number, y: number, z: number) => boolean;
}

/** The largest ball at a grid cell. */
export interface Ball {
  at: [number, number, number];
  radiusMm: number;
  opposed: boolean;
  exact: boolean;
}

/**
 * Makes balls at grid cells exact on the surface: from a surface point where the ball touches, it is shrunk until
 * nothing of the surface is inside it (shrinking ball, Ma, Bae & Choi 2012). Where the surface contradicts the
 * grid (faces inside overlapping bodies) the grid's distance is kept, half a cell shorter for the cell's own half.
 */
export class BallFinder {
  private readonly shrink: ShrinkingBall;
  private readonly cell = new Int32Array(3);
  private readonly foot = new Int32Array(3);
  private readonly hit: Closest = { distance2: 0, x: 0, y: 0, z: 0, triangle: 0 };
  private readonly settled = new Map<number, Ball | null>();

  constructor(
    private readonly bricks: Bricks,
    private readonly field: Uint16Array,
    private readonly tree: TriangleTree,
    private readonly options: RefineOptions = {},
  ) {
    this.shrink = new ShrinkingBall(tree);
  }

  /** O(log triangles). */
  at(entry: number): Ball {
    const { shrink, cell, foot } = this;
    const { cellMm, originMm } = this.bricks.frame;
    const mm = (c: Int32Array): [number, number, number] => [
      originMm[0] + cellMm * c[0]!,
      originMm[1] + cellMm * c[1]!,
      originMm[2] + cellMm * c[2]!,
    ];
    cellOf(this.bricks, entry, cell);
    const gridMm = Math.sqrt(this.field[entry]!) * cellMm;
    const nearMm = (descend(this.bricks, this.field, cell, foot) + 2) * cellMm;
    const tryMm = FIRST_TRY * gridMm + cellMm;
    const trustMm = TRUST_CELLS * cellMm + TRUST_SHARE * gridMm;
    const grown = (from: Int32Array, withinMm: number): boolean =>
      shrink.from(...mm(from), withinMm, tryMm) &&
      (shrink.cos < CLEAR_COS || shrink.again(tryMm)) &&
      Math.abs(shrink.radius - gridMm) <= trustMm;
    const isHere = (): boolean => {
      const [x, y, z] = mm(cell);
      return Math.hypot(shrink.x - x, shrink.y - y, shrink.z - z) <= trustMm;
    };
    // Above an inner edge the way up from the surface leads elsewhere than to the cell: then from the cell itself.
    const exact =
      (grown(foot, nearMm) && isHere()) || grown(cell, gridMm + 2 * cellMm) || grown(foot, nearMm);
    const twoSided = exact && shrink.cos < OPPOSED_COS;
    const opposed = twoSided && !this.isEdge();
    const found: Ball = exact
      ? { at: [shrink.x, shrink.y, shrink.z], radiusMm: shrink.radius, opposed, exact }
      : { at: mm(cell), radiusMm: Math.max(0.5 * cellMm, gridMm - 0.5 * cellMm), opposed, exact };
    if (twoSided || gridMm >= (this.options.settleBelowMm ?? 0)) return found;
    const top = crestOf(this.bricks, this.field, entry);
    return (top >= 0 ? this.settledAt(top) : null) ?? found;
  }

  /**
   * Whether the ball just found lies in a sharp edge: it grows away from the tip as in a wedge, and beyond the tip
   * nothing of the same side follows. A neck between two wedges is no edge.
   */
  private isEdge(): boolean {
    const { shrink, hit, tree } = this;
    const { sameSide } = this.options;
    const length = Math.hypot(...shrink.tip);
    const halfSine = length / 2;
    if (!sameSide || halfSine < WALL_HALF_SINE) return false;
    const { cellMm } = this.bricks.frame;
    const along = (mm: number): Ball['at'] =>
      [shrink.x, shrink.y, shrink.z].map((v, k) => v + (mm * shrink.tip[k]!) / length) as Ball['at'];
    const inward = along(-shrink.radius / 2);
    const wanted2 = (shrink.radius * (1 + (WEDGE_GROWTH * halfSine) / 2)) ** 2;
    if (tree.closest(...inward, wanted2, hit)) {
      // Where the edge ends at a third face the ball grows away from that as well.
      const away = [hit.x, hit.y, hit.z].map((v, k) => inward[k]! - v);
      const share = shrink.radius / (2 * Math.max(Math.hypot(...away), 1e-12));
      const clear = inward.map((v, k) => v + share * away[k]!) as Ball['at'];
      if (tree.isNearer(...clear, wanted2)) return false;
    }
    return !sameSide(...along(shrink.radius / halfSine + 1.5 * cellMm));
  }

  /** Many cells of a bar lead to the same top. */
  private settledAt(top: number): Ball | null {
    const known = this.settled.get(top);
    if (known !== undefined) return known;
    const ball = this.widestAt(top);
    this.settled.set(top, ball);
    return ball;
  }

  /**
   * The widest ball round a cell that the field cannot climb from: pattern search on the surface's distance. Null
   * when a larger one stands a radius away after all: the field was flat by chance of the grid.
   */
  private widestAt(entry: number): Ball | null {
    const { hit, tree } = this;
    const { cellMm, originMm } = this.bricks.frame;
    cellOf(this.bricks, entry, this.cell);
    let at = [0, 1, 2].map((k) => originMm[k]! + cellMm * this.cell[k]!) as Ball['at'];
    const reach = (p: Ball['at'], mostMm: number): number =>
      tree.closest(...p, mostMm * mostMm, hit) ? Math.sqrt(hit.distance2) : mostMm;
    let radiusMm = reach(at, (Math.sqrt(this.field[entry]!) + 1) * cellMm);
    // Few rounds: a place that runs further has left the bar, or the part.
    for (let step = 0.5 * cellMm, round = 0; step > 0.1 * cellMm && round < 8; round++) {
      const here = at;
      for (let axis = 0; axis < 3; axis++) {
        for (let side = -step, way = 0; way < 2; side = step, way++) {
          const beside = at.map((v, k) => (k === axis ? v + side : v)) as Ball['at'];
          // Most places beside are no wider, which any face within the radius tells.
          if (tree.isNearer(...beside, radiusMm * radiusMm, 2 * axis + way)) continue;
          const there = reach(beside, radiusMm + step);
          if (there > radiusMm) [at, radiusMm] = [beside, there];
        }
      }
      if (at === here) step /= 2;
    }
    for (let n = 0; n < DIRECTIONS.length; n += 3) {
      const beside = at.map((v, k) => v + radiusMm * DIRECTIONS[n + k]!) as Ball['at'];
      if (!tree.isNearer(...beside, (LARGER_BESIDE * radiusMm) ** 2, FACES + n / 3)) return null;
    }
    const inEdge =
      this.shrink.from(...at, 1.05 * radiusMm, FIRST_TRY * radiusMm) &&
      this.shrink.cos < OPPOSED_COS &&
      this.isEdge();
    return inEdge ? null : { at, radiusMm, opposed: true, exact: true };
  }
}

/**
 * Balls at ridge cells, exact on the surface, in the cells' order. They are made brick by brick, whatever that order is: neighbours ask
 * for the same of the surface. O(balls · log triangles).
 */
export function refineInOrder(
  finder: BallFinder,
  entries: Uint32Array,
  tell?: (share: number) => void,
): Balls {
  const balls = createBalls(entries.length);
  const byPlace = Uint32Array.from(entries.keys()).sort((a, b) => entries[a]! - entries[b]!);
  for (let made = 0; made < byPlace.length; made++) {
    const n = byPlace[made]!;
    const ball = finder.at(entries[n]!);
    [balls.x[n], balls.y[n], balls.z[n]] = ball.at;
    balls.radiusMm[n] = ball.radiusMm;
    balls.opposed[n] = Number(ball.opposed);
    balls.exact[n] = Number(ball.exact);
    if (made % TELL_EVERY === 0) tell?.(made / entries.length);
  }
  return balls;
}

/** … largest first. */
export const refineBalls = (
  bricks: Bricks,
  field: Uint16Array,
  entries: Uint32Array,
  tree: TriangleTree,
  options: RefineOptions = {},
): Balls => largestFirst(refineInOrder(new BallFinder(bricks, field, tree, options), entries));

export function largestFirst(balls: Balls): Balls {
  const order = Uint32Array.from({ length: balls.count }, (_, n) => n);
  return pick(
    balls,
    order.sort((a, b) => balls.radiusMm[b]! - balls.radiusMm[a]!),
  );
}

function pick(balls: Balls, which: Uint32Array): Balls {
  const out = createBalls(which.length);
  for (const key of KEYS) for (let n = 0; n < which.length; n++) out[key][n] = balls[key][which[n]!]!;
  return out;
}

/** Balls of one list that pass a test, by number. */
export const filterBalls = (balls: Balls, keep: (n: number, balls: Balls) => boolean): Balls =>
  pick(
    balls,
    Uint32Array.from({ length: balls.count }, (_, n) => n).filter((n) => keep(n, balls)),
  );

/** Several lists as one, one after the other. */
export function concatBalls(lists: readonly Balls[]): Balls {
  const out = createBalls(lists.reduce((sum, { count }) => sum + count, 0));
  let at = 0;
  for (const list of lists) {
    for (const key of KEYS) out[key].set(list[key], at);
    at += list.count;
  }
  return out;
}

/** Two lists as one, largest first. */
export const joinBalls = (a: Balls, b: Balls): Balls => largestFirst(concatBalls([a, b]));

/** Cells within this distance of the surface are near enough for a quick closest-point query. */
const NEAR_CELLS = 2;

/**
 * Walks from a cell down the field towards the surface in jumps as long as the field vouches for, so that the
 * closest-point query starts beside the surface: from the middle of a round section every point of it is nearest.
 * Writes the cell reached into `out`; result: its distance in cells.
 */
function descend(bricks: Bricks, field: Uint16Array, from: Int32Array, out: Int32Array): number {
  out.set(from);
  let here = Math.sqrt(field[entryOf(bricks, out[0]!, out[1]!, out[2]!)]!);
  for (let jump = 0; jump < 6 && here > NEAR_CELLS; jump++) {
    const step = Math.max(1, Math.floor(here - NEAR_CELLS + 0.5));
    let best = here;
    let [bestX, bestY, bestZ] = [0, 0, 0];
    for (let n = 0; n < DIRECTIONS.length; n += 3) {
      const dx = Math.round(DIRECTIONS[n]! * step);
      const dy = Math.round(DIRECTIONS[n + 1]! * step);
      const dz = Math.round(DIRECTIONS[n + 2]! * step);
      const e = entryOf(bricks, out[0]! + dx, out[1]! + dy, out[2]! + dz);
      if (e < 0 || field[e] === 0) continue;
      const value = Math.sqrt(field[e]!);
      if (value >= best) continue;
      best = value;
      [bestX, bestY, bestZ] = [dx, dy, dz];
    }
    if (best === here) break;
    out[0]! += bestX;
    out[1]! += bestY;
    out[2]! += bestZ;
    here = best;
  }
  return here;
}

/** On the surface itself a bar has no ball beside it that is larger by more than its own taper. */
const LARGER_BESIDE = 1.1;

/** Ways along the axes: questions about them are numbered before those about all directions. */
const FACES = 6;

/** The 26 directions to neighbouring cells, of length 1. */
const DIRECTIONS = Float64Array.from(
  Array.from({ length: 27 }, (_, n) => [(n % 3) - 1, (Math.floor(n / 3) % 3) - 1, Math.floor(n / 9) - 1])
    .filter((d) => d.some((v) => v !== 0))
    .flatMap((d) => d.map((v) => v / Math.hypot(...d))),
);
