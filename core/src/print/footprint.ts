import { InputError } from '../numeric';

/** A convex outline on the plate, anticlockwise, mm. */
export type Outline = readonly (readonly [number, number])[];

const cross = (o: readonly number[], a: readonly number[], b: readonly number[]): number =>
  (a[0]! - o[0]!) * (b[1]! - o[1]!) - (a[1]! - o[1]!) * (b[0]! - o[0]!);

/** Convex hull of points, anticlockwise (Andrew's monotone chain). O(n log n). */
export function hullOf(points: readonly (readonly [number, number])[]): Outline {
  if (points.length < 3) throw new InputError('points', 'at least three', points.length);
  const sorted = [...points].sort((a, b) => a[0] - b[0] || a[1] - b[1]);
  const chain = (list: readonly (readonly [number, number])[]): (readonly [number, number])[] => {
    const out: (readonly [number, number])[] = [];
    for (const p of list) {
      while (out.length > 1 && cross(out.at(-2)!, out.at(-1)!, p) <= 0) out.pop();
      out.push(p);
    }
    return out.slice(0, -1);
  };
  return [...chain(sorted), ...chain([...sorted].reverse())];
}

/** The outline turned about its own origin. */
export function turnOutline(outline: Outline, deg: number): Outline {
  const [c, s] = [Math.cos((deg * Math.PI) / 180), Math.sin((deg * Math.PI) / 180)];
  return outline.map(([x, y]) => [c * x - s * y, s * x + c * y] as const);
}

/** Sides of the polygon that stands for a circle; it is drawn outside the circle. */
const CIRCLE_SIDES = 24;

/** The outline widened by a distance all round, a little more at round corners, never less. */
export function widenOutline(outline: Outline, byMm: number): Outline {
  const radius = byMm / Math.cos(Math.PI / CIRCLE_SIDES);
  return hullOf(
    outline.flatMap(([x, y]) =>
      Array.from({ length: CIRCLE_SIDES }, (_, i) => {
        // Sides face along the axes, so that straight parts are widened by exactly so much.
        const a = (2 * Math.PI * (i + 0.5)) / CIRCLE_SIDES;
        return [x + radius * Math.cos(a), y + radius * Math.sin(a)] as const;
      }),
    ),
  );
}

/** Least and most x of a convex outline between two heights; null where it does not reach. */
export function spanBetween(outline: Outline, y0: number, y1: number): [number, number] | null {
  let [least, most] = [Infinity, -Infinity];
  const take = (x: number): void => {
    least = Math.min(least, x);
    most = Math.max(most, x);
  };
  outline.forEach(([ax, ay], i) => {
    const [bx, by] = outline[(i + 1) % outline.length]!;
    if (ay >= y0 && ay <= y1) take(ax);
    for (const y of [y0, y1])
      if ((ay < y && by > y) || (ay > y && by < y)) take(ax + ((bx - ax) * (y - ay)) / (by - ay));
  });
  return least <= most ? [least, most] : null;
}

/** The outline from above of points, x y z in turn, mm; sized by `factor`. */
export function shadowOf(points: ArrayLike<number>, factor = 1): Outline {
  const flat: [number, number][] = [];
  for (let i = 0; i < points.length; i += 3) flat.push([points[i]! * factor, points[i + 1]! * factor]);
  return hullOf(flat);
}

/** A raft reaches this far beyond what stands on it, mm (*shop default*). */
const RAFT_RIM_MM = 1;

/** Area of a convex outline, mm². */
export const outlineArea = (outline: Outline): number =>
  outline.reduce((sum, [x, y], i) => {
    const [nextX, nextY] = outline[(i + 1) % outline.length]!;
    return sum + (x * nextY - nextX * y) / 2;
  }, 0);

/** What a raft under one copy covers, mm²: its outline from above with a rim. */
export const raftAreaMm2 = (outline: Outline): number => outlineArea(widenOutline(outline, RAFT_RIM_MM));
