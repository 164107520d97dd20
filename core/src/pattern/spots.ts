import type { Balls } from '../solid';

/** A ball that fits at a place: inside, the local thickness; outside, the local gap. mm. */
export interface Spot {
  at: [number, number, number];
  sizeMm: number;
  /** Gaps only: the way out to where the widest ball of the reading fits. */
  depthMm?: number;
}

/** A connected stretch of spots under a limit. */
export interface Region {
  /** Its narrowest spot. */
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

/**
 * Joins spots that `counts` accepts into connected stretches, the gravest (narrowest) first.
 * Stretches shorter than three cells are one place of the grid, not a region. O(n) by hashing.
 */
export function groupSpots(
  spots: readonly Spot[],
  cellMm: number,
  counts: (spot: Spot) => boolean,
): Region[] {
  const taken = spots.filter(counts);
  const box = Math.max(cellMm, ...taken.map((s) => reachMm(s.sizeMm, cellMm)));
  const cells = new Map<string, number[]>();
  const key = (p: readonly number[], d = [0, 0, 0]): string =>
    p.map((v, k) => Math.floor(v / box) + d[k]!).join(' ');
  taken.forEach((spot, n) => {
    const k = key(spot.at);
    const list = cells.get(k);
    if (list) list.push(n);
    else cells.set(k, [n]);
  });
  const seen = new Uint8Array(taken.length);
  const regions: Region[] = [];
  for (let start = 0; start < taken.length; start++) {
    if (seen[start]) continue;
    seen[start] = 1;
    const members = [start];
    for (let n = 0; n < members.length; n++) {
      for (const other of neighbours(taken, members[n]!, cells, key)) {
        if (seen[other] || !touch(taken[members[n]!]!, taken[other]!, cellMm)) continue;
        seen[other] = 1;
        members.push(other);
      }
    }
    regions.push(regionOf(members.map((n) => taken[n]!)));
  }
  return regions.filter((r) => r.spots > 1 && r.lengthMm >= 3 * cellMm).sort((a, b) => a.leastMm - b.leastMm);
}

function* neighbours(
  spots: readonly Spot[],
  n: number,
  cells: ReadonlyMap<string, number[]>,
  key: (p: readonly number[], d?: number[]) => string,
): Generator<number> {
  for (let d = 0; d < 27; d++) {
    const offset = [(d % 3) - 1, (Math.floor(d / 3) % 3) - 1, Math.floor(d / 9) - 1];
    yield* cells.get(key(spots[n]!.at, offset)) ?? [];
  }
}

const apart = (a: readonly number[], b: readonly number[]): number =>
  Math.hypot(a[0]! - b[0]!, a[1]! - b[1]!, a[2]! - b[2]!);

const touch = (a: Spot, b: Spot, cellMm: number): boolean =>
  apart(a.at, b.at) <= reachMm(Math.max(a.sizeMm, b.sizeMm), cellMm);

function regionOf(spots: readonly Spot[]): Region {
  const least = spots.reduce((a, b) => (b.sizeMm < a.sizeMm ? b : a));
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
