import { asDrawn, type Place } from './pull';
import { choosePlane, columnSpan } from './partingPlane';
import type { UndercutMap } from './undercut';

/** The line along which a mold is cut open round its part. mm. */
export interface CutLine {
  /** Closed, the longest first, in the part's own axes as it was drawn: round the outside, and through each hole. */
  loops: Place[][];
  /** Along all loops, and from the lowest to the highest place along the pull, as large as the mold is. */
  lengthMm: number;
  risesMm: number;
  /** The part as it lies in its mold: across, and along the pull. */
  sizeMm: Place;
}

/** Rounds of evening out what the grid made into steps. */
const ROUNDS = 4;
/** A loop of fewer sides is a hole of the grid's. */
const FEWEST_SIDES = 16;
/** Enough to be drawn. */
const MOST_PLACES = 360;

/**
 * The outline of the part seen along the pull, at the height of the plane that parts it, kept inside of where the part begins and
 * ends there. `turn`: rows that brought the part's axes to those of the pull; `scale`: how much larger the cavity is. O(columns).
 */
export function cutLine(map: UndercutMap, turn: readonly number[], scale: number): CutLine {
  const { heightMm } = choosePlane(map);
  const loops = sidesInLoops(map)
    .filter((loop) => loop.length >= FEWEST_SIDES)
    .map((loop) => evened(loop.map((side) => placeOf(map, side, heightMm))))
    .sort((a, b) => lengthOf(b) - lengthOf(a));
  const heights = loops.flat().map(([, , z]) => z);
  const { nx, ny, cellMm } = map.frame;
  const inside = Array.from({ length: nx * ny }, (_, c) => c).filter((c) => columnSpan(map, c));
  const across = (at: (c: number) => number): number =>
    inside.length === 0 ? 0 : (Math.max(...inside.map(at)) - Math.min(...inside.map(at)) + 1) * cellMm;
  const spans = inside.map((c) => columnSpan(map, c)!);
  return {
    loops: loops.map((loop) => thinned(loop).map((place) => asDrawn(place, turn, scale))),
    lengthMm: loops.reduce((sum, loop) => sum + lengthOf(loop), 0),
    risesMm: heights.length === 0 ? 0 : Math.max(...heights) - Math.min(...heights),
    sizeMm: [
      across((c) => c % nx),
      across((c) => Math.floor(c / nx)),
      spans.length === 0
        ? 0
        : Math.max(...spans.map(([, top]) => top)) - Math.min(...spans.map(([low]) => low)),
    ],
  };
}

/** A side of an occupied column towards an empty one: the column, and which way out it faces. */
interface Side {
  column: number;
  facing: 0 | 1 | 2 | 3;
}
const OUT = [[1, 0], [0, 1], [-1, 0], [0, -1]] as const; // prettier-ignore
/** From which corner of its column to which a side runs, the part on its left. */
const FROM = [[1, 0], [1, 1], [0, 1], [0, 0]] as const; // prettier-ignore

function sidesInLoops(map: UndercutMap): Side[][] {
  const { nx, ny } = map.frame;
  const stands = (i: number, j: number): boolean =>
    i >= 0 && j >= 0 && i < nx && j < ny && columnSpan(map, j * nx + i) !== null;
  const cornerOf = ({ column, facing }: Side): number =>
    (Math.floor(column / nx) + FROM[facing][1]) * (nx + 1) + (column % nx) + FROM[facing][0];
  const open = new Map<number, Side[]>();
  for (let column = 0; column < nx * ny; column++) {
    const [i, j] = [column % nx, Math.floor(column / nx)];
    if (!stands(i, j)) continue;
    for (const facing of [0, 1, 2, 3] as const) {
      if (stands(i + OUT[facing][0], j + OUT[facing][1])) continue;
      const side: Side = { column, facing };
      open.set(cornerOf(side), [...(open.get(cornerOf(side)) ?? []), side]);
    }
  }
  const endOf = ({ column, facing }: Side): number =>
    cornerOf({ column, facing: ((facing + 1) % 4) as Side['facing'] });
  const loops: Side[][] = [];
  for (const from of open.values())
    while (from.length > 0) {
      const loop: Side[] = [];
      let side: Side | undefined = from.pop();
      while (side) {
        loop.push(side);
        side = open.get(endOf(side))?.pop();
      }
      loops.push(loop);
    }
  return loops;
}

/** The middle of a side, in the axes of the pull. */
function placeOf(map: UndercutMap, { column, facing }: Side, heightMm: number): Place {
  const { nx, cellMm, originMm } = map.frame;
  const [low, high] = columnSpan(map, column)!;
  return [
    originMm[0] + ((column % nx) + OUT[facing][0] / 2) * cellMm,
    originMm[1] + (Math.floor(column / nx) + OUT[facing][1] / 2) * cellMm,
    Math.min(high, Math.max(low, heightMm)),
  ];
}

function evened(loop: Place[]): Place[] {
  let now = loop;
  for (let round = 0; round < ROUNDS; round++)
    now = now.map((at, n) => {
      const [before, after] = [now.at(n - 1)!, now[(n + 1) % now.length]!];
      return at.map((v, k) => (before[k]! + 2 * v + after[k]!) / 4) as Place;
    });
  return now;
}

const lengthOf = (loop: readonly Place[]): number =>
  loop.reduce((sum, at, n) => {
    const next = loop[(n + 1) % loop.length]!;
    return sum + Math.hypot(next[0] - at[0], next[1] - at[1], next[2] - at[2]);
  }, 0);

function thinned(loop: Place[]): Place[] {
  const every = Math.ceil(loop.length / MOST_PLACES);
  return loop.filter((_, n) => n % every === 0);
}
