import { UnionFind, type Balls } from '../solid';

/** A ball that fits at a place: inside, the local thickness; outside, the local gap. mm. */
export interface Spot {
  at: [number, number, number];
  sizeMm: number;
  /** Gaps only: the way out to where the widest ball of the reading fits. */
  depthMm?: number;
}

/** A connected stretch of spots under a limit. */
export interface Region {
  /** Its narrowest place. */
  at: [number, number, number];
  leastMm: number;
  mostMm: number;
  /** Half of its spots are narrower. */
  medianMm: number;
  /** Longest distance between its spots plus its own width. */
  lengthMm: number;
  deepestMm: number;
  shallowestMm: number;
  spots: number;
}

const round3 = (v: number): number => Math.round(v * 1e3) / 1e3;

export const spotOf = (balls: Balls, n: number): Spot => ({
  at: [round3(balls.x[n]!), round3(balls.y[n]!), round3(balls.z[n]!)],
  sizeMm: round3(2 * balls.radiusMm[n]!),
});

/** Spots of one stretch lie nearer than the thinning of the ridge leaves them (2.5 boxes of 1.6·√r cells) plus a cell. */
const reachMm = (sizeMm: number, cellMm: number): number =>
  (4 * Math.sqrt(Math.max(1, sizeMm / 2 / cellMm)) + 1.5) * cellMm;

/** Shorter than this many cells is one place of the grid, not a region. */
const REGION_CELLS = 3;

/**
 * Joins spots that `counts` accepts into connected stretches, the gravest (narrowest) first. A stretch is as narrow as
 * the limit under which a place of some size is left of it, never as one spot that no finding would keep.
 * O(n log n) by hashing.
 */
export function groupSpots(
  spots: readonly Spot[],
  cellMm: number,
  counts: (spot: Spot) => boolean,
): Region[] {
  const taken = spots.filter(counts).sort((a, b) => a.sizeMm - b.sizeMm);
  const near = neighboursOf(taken, cellMm);
  const stretches = new UnionFind(taken.length);
  const members = new Map<number, number[]>(taken.map((_, n) => [n, [n]]));
  const least = new Map<number, Spot>();
  // Narrowest first: a stretch is a place from the spot on that makes it long enough.
  taken.forEach((spot, n) => {
    for (const other of near(n)) {
      if (other >= n || !touch(spot, taken[other]!, cellMm)) continue;
      joinStretches(stretches, members, least, n, other);
    }
    const root = stretches.find(n);
    if (!least.has(root) && isPlace(members.get(root)!, taken, cellMm)) least.set(root, spot);
  });
  return [...least]
    .map(([root, narrowest]) =>
      regionOf(
        narrowest,
        members.get(root)!.map((n) => taken[n]!),
      ),
    )
    .sort((a, b) => a.leastMm - b.leastMm);
}

/** Two stretches as one; it is as narrow as the narrower of the two places. */
function joinStretches(
  stretches: UnionFind,
  members: Map<number, number[]>,
  least: Map<number, Spot>,
  a: number,
  b: number,
): void {
  const [one, other] = [stretches.find(a), stretches.find(b)];
  if (one === other) return;
  const root = stretches.join(one, other);
  const [large, small] = [members.get(one)!, members.get(other)!].sort((p, q) => q.length - p.length);
  large!.push(...small!);
  const narrowest = [least.get(one), least.get(other)]
    .filter((s) => s !== undefined)
    .sort((p, q) => p.sizeMm - q.sizeMm)[0];
  for (const map of [members, least] as Map<number, unknown>[])
    for (const key of [one, other]) map.delete(key);
  members.set(root, large!);
  if (narrowest) least.set(root, narrowest);
}

/** Whether spots reach over enough cells. */
function isPlace(numbers: readonly number[], taken: readonly Spot[], cellMm: number): boolean {
  if (numbers.length < 2) return false;
  const first = taken[numbers[0]!]!;
  return numbers.some((n) => apart(first.at, taken[n]!.at) + taken[n]!.sizeMm >= REGION_CELLS * cellMm);
}

/** For each spot those within its reach, and some that are not. */
function neighboursOf(spots: readonly Spot[], cellMm: number): (n: number) => Generator<number> {
  const box = Math.max(cellMm, ...spots.map((s) => reachMm(s.sizeMm, cellMm)));
  const cells = new Map<string, number[]>();
  const key = (p: readonly number[], d = [0, 0, 0]): string =>
    p.map((v, k) => Math.floor(v / box) + d[k]!).join(' ');
  spots.forEach((spot, n) => {
    const k = key(spot.at);
    const list = cells.get(k);
    if (list) list.push(n);
    else cells.set(k, [n]);
  });
  return function* (n) {
    for (let d = 0; d < 27; d++) {
      const offset = [(d % 3) - 1, (Math.floor(d / 3) % 3) - 1, Math.floor(d / 9) - 1];
      yield* cells.get(key(spots[n]!.at, offset)) ?? [];
    }
  };
}

/**
 * The narrowest spot of each box of half a reach: a wide wall is told by few spots, none so far apart that the wall
 * would fall into pieces. Keeps the order.
 */
export function sparseSpots(spots: Iterable<Spot>, cellMm: number, most: number): Spot[] {
  const taken = new Set<string>();
  const kept: Spot[] = [];
  for (const spot of spots) {
    if (kept.length === most) break;
    const box = reachMm(spot.sizeMm, cellMm) / 2;
    const octave = Math.floor(Math.log2(spot.sizeMm));
    const key = [octave, ...spot.at.map((v) => Math.floor(v / box))].join(' ');
    if (taken.has(key)) continue;
    taken.add(key);
    kept.push(spot);
  }
  return kept;
}

const apart = (a: readonly number[], b: readonly number[]): number =>
  Math.hypot(a[0]! - b[0]!, a[1]! - b[1]!, a[2]! - b[2]!);

const touch = (a: Spot, b: Spot, cellMm: number): boolean =>
  apart(a.at, b.at) <= reachMm(Math.max(a.sizeMm, b.sizeMm), cellMm);

function regionOf(least: Spot, spots: readonly Spot[]): Region {
  const far = spots.reduce((a, b) => (apart(least.at, b.at) > apart(least.at, a.at) ? b : a));
  return {
    at: least.at,
    leastMm: least.sizeMm,
    mostMm: Math.max(...spots.map((s) => s.sizeMm)),
    medianMm: spots.map((s) => s.sizeMm).sort((a, b) => a - b)[spots.length >> 1]!,
    lengthMm: Math.max(...spots.map((s) => apart(far.at, s.at))) + least.sizeMm,
    deepestMm: Math.max(...spots.map((s) => s.depthMm ?? 0)),
    shallowestMm: Math.min(...spots.map((s) => s.depthMm ?? 0)),
    spots: spots.length,
  };
}
