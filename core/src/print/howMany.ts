import type { CastClass } from '../metal';
import { betaBelow, requireNumber } from '../numeric';

/** Pieces looked at, and how many of them were good. */
interface YieldRecord {
  good: number;
  of: number;
}

export interface HowMany {
  /** Pieces to print. */
  print: number;
  /** Chance that at least the wanted ones come out good. */
  chance: number;
  /** Enough cannot be had with the most that is asked about. */
  enough: boolean;
}

/**
 * What a class usually comes to, print and cast, and how many pieces' worth of trust that has, before this shop has seen
 * enough of its own (shop defaults).
 */
export const BOOK_YIELDS: Readonly<Record<CastClass, { prints: number; casts: number }>> = {
  filigree: { prints: 0.75, casts: 0.85 },
  mixed: { prints: 0.8, casts: 0.87 },
  standard: { prints: 0.88, casts: 0.92 },
  heavy: { prints: 0.92, casts: 0.94 },
};
const BOOK_PIECES = 20;
/** From so many pieces on a record is called the shop's own. */
export const OWN_FROM = 5;

/** A record with the class's book yield beside it: few pieces hardly move it, many leave nothing of it. */
export function withBook({ good, of }: YieldRecord, share: number): YieldRecord {
  return { good: good + BOOK_PIECES * share, of: of + BOOK_PIECES };
}

/** How likely it shall be that enough come out (shop default). */
export const WANTED_CHANCE = 0.9;
const PRINT_MOST = 500;
/** Shares that stand for a belief, evenly weighted. */
const SHARES = 80;

/** Evenly weighted shares of Beta(good + 1, bad + 1): the middles of equal slices. */
function sharesOf({ good, of }: YieldRecord): number[] {
  requireNumber('of', of, 0);
  requireNumber('good', good, 0, of);
  return Array.from({ length: SHARES }, (_, i) => {
    const wanted = (i + 0.5) / SHARES;
    let [low, high] = [0, 1];
    for (let k = 0; k < 40; k++) {
      const middle = (low + high) / 2;
      if (betaBelow(middle, good + 1, of - good + 1) < wanted) low = middle;
      else high = middle;
    }
    return (low + high) / 2;
  });
}

/** P(at least k of n) when each succeeds with p. O(k). */
function atLeast(k: number, n: number, p: number): number {
  if (k <= 0) return 1;
  if (p >= 1) return n >= k ? 1 : 0;
  let term = (1 - p) ** n;
  let below = term;
  for (let i = 1; i < k; i++) {
    term *= ((n - i + 1) / i) * (p / (1 - p));
    below += term;
  }
  return Math.max(0, 1 - below);
}

/**
 * Pieces to print so that at least `good` come out with the wanted chance, after print and cast yield, each known only
 * as well as its record says (Beta-binomial; handbook 04, "How many"). `most`: no more than so many are asked about.
 */
export function howManyToPrint(
  good: number,
  prints: YieldRecord,
  casts: YieldRecord,
  wantedChance = WANTED_CHANCE,
  most = PRINT_MOST,
): HowMany {
  requireNumber('good', good, 1, PRINT_MOST);
  requireNumber('wantedChance', wantedChance, 0.01, 0.999);
  const chances: number[] = [];
  const castShares = sharesOf(casts);
  for (const a of sharesOf(prints)) for (const b of castShares) chances.push(a * b);
  const chanceOf = (n: number): number =>
    chances.reduce((sum, p) => sum + atLeast(good, n, p), 0) / chances.length;
  if (chanceOf(most) < wantedChance) return { print: most, chance: chanceOf(most), enough: false };
  let [low, high] = [good - 1, most];
  while (high - low > 1) {
    const middle = (low + high) >> 1;
    if (chanceOf(middle) >= wantedChance) high = middle;
    else low = middle;
  }
  return { print: high, chance: chanceOf(high), enough: true };
}
