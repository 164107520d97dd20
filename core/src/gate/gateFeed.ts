import type { Section } from '../pattern';
import { entriesUnder } from './entriesUnder';
import { MIDDLE_SHARE, type FeedWays } from './feedField';

type Place = [number, number, number];

/** A round gate on the part's surface. mm, in the file's axes. */
export interface FeedingGate {
  at: Place;
  diameterMm: number;
}

/** How a mass is fed by the gate that feeds it best. */
export interface SpotFeed {
  /** Index of the mass among the field's. */
  spot: number;
  /** Index of the gate; −1 when no gate's metal reaches it. */
  gate: number;
  /** Modulus of the gate (D/4) over that of the mass. */
  gateRatio: number;
  /** Modulus of the part's own narrowest place on the way over that of the mass. */
  neckRatio: number;
  /** That place; null where the way is as wide as the mass, and the ratio 1. */
  neck: Section | null;
}

/** Limits of handbook 05, "Feed" (*shop defaults*). */
export const FEED_LIMITS = { gate: { good: 1.1, least: 0.9 }, neck: { good: 0.8, least: 0.6 } } as const;

export type FeedGrade = 'good' | 'watch' | 'fix';

export function gradeFeed({ gate, gateRatio, neckRatio }: SpotFeed): FeedGrade {
  if (gate < 0) return 'fix';
  const grade = (ratio: number, { good, least }: { good: number; least: number }): number =>
    ratio >= good - 1e-9 ? 2 : ratio >= least - 1e-9 ? 1 : 0;
  const worst = Math.min(grade(gateRatio, FEED_LIMITS.gate), grade(neckRatio, FEED_LIMITS.neck));
  return (['fix', 'watch', 'good'] as const)[worst]!;
}

/**
 * Feed of every mass by these gates. From a gate the metal enters through the solid within its radius and goes along the
 * widest way to the mass; the narrowest place of that way is exact (the tree of saddles is a maximum spanning tree).
 * O(masses × gates × maxima on the way + cells under the gates).
 */
export function feedByGates(field: FeedWays, gates: readonly FeedingGate[]): SpotFeed[] {
  const entered = gates.map((gate) => entrancesOf(field, gate));
  return field.hotSpots.map((mass, spot) => {
    const none: SpotFeed = { spot, gate: -1, gateRatio: 0, neckRatio: 0, neck: null };
    if (!(mass.modulusMm > 0)) return none;
    const climb = ancestorsOf(field, field.all.basin[field.entries[spot]!]!);
    return gates.reduce((best, { diameterMm }, gate) => {
      const narrowest = narrowestOf(field, entered[gate]!, climb);
      if (narrowest < 0) return best;
      const isNeck = field.inside[narrowest]! < MIDDLE_SHARE ** 2 * field.inside[field.entries[spot]!]!;
      const neck = isNeck ? field.neckOf(narrowest) : null;
      const gateRatio = diameterMm / 4 / mass.modulusMm;
      const neckRatio = neck ? neck.modulusMm / mass.modulusMm : 1;
      const one = { spot, gate, gateRatio, neckRatio, neck };
      return betterFed(one, best) ? one : best;
    }, none);
  });
}

const RANK: Record<FeedGrade, number> = { fix: 0, watch: 1, good: 2 };
/** What of its limits a way keeps, the worse of the two. */
const keeps = ({ gateRatio, neckRatio }: SpotFeed): number =>
  Math.min(gateRatio / FEED_LIMITS.gate.good, neckRatio / FEED_LIMITS.neck.good);

function betterFed(one: SpotFeed, other: SpotFeed): boolean {
  const by = RANK[gradeFeed(one)] - RANK[gradeFeed(other)];
  return by !== 0 ? by > 0 : keeps(one) > keeps(other);
}

/** Where a gate's metal comes in: the widest cell under it on the slope of each maximum. */
function entrancesOf({ bricks, inside, all: { basin } }: FeedWays, gate: FeedingGate): Map<number, number> {
  const found = new Map<number, number>();
  for (const entry of entriesUnder(bricks, gate)) {
    if (inside[entry] === 0) continue;
    const before = found.get(basin[entry]!);
    if (before === undefined || inside[entry]! > inside[before]!) found.set(basin[entry]!, entry);
  }
  return found;
}

/** Maxima from one up to the highest, each with the narrowest saddle's cell on the way to it; −1 for itself. */
function ancestorsOf({ all, inside }: FeedWays, from: number): Map<number, number> {
  const found = new Map([[from, -1]]);
  let narrowest = -1;
  for (let at = from; all.parent[at]! >= 0; at = all.parent[at]!) {
    narrowest = narrower(inside, narrowest, all.saddleEntry[at]!);
    found.set(all.parent[at]!, narrowest);
  }
  return found;
}

const narrower = (inside: Uint16Array, a: number, b: number): number =>
  a < 0 || (b >= 0 && inside[b]! < inside[a]!) ? b : a;

/** The narrowest cell of the widest of the ways from the entrances to the maximum that `climb` starts from; −1: none. */
function narrowestOf(
  { all, inside }: FeedWays,
  entrances: ReadonlyMap<number, number>,
  climb: ReadonlyMap<number, number>,
): number {
  let best = -1;
  for (const [maximum, entry] of entrances) {
    let narrowest = entry;
    let at = maximum;
    while (at >= 0 && !climb.has(at)) {
      narrowest = narrower(inside, narrowest, all.saddleEntry[at]!);
      at = all.parent[at]!;
    }
    if (at < 0) continue;
    narrowest = narrower(inside, narrowest, climb.get(at)!);
    if (best < 0 || inside[narrowest]! > inside[best]!) best = narrowest;
  }
  return best;
}
