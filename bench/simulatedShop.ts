/** Random numbers from a seed (mulberry32), so that every run meets the same shops. */
export function seeded(seed: number) {
  let state = seed >>> 0;
  const uniform = (): number => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = state;
    t = Math.imul(t ^ (t >>> 15), t | 1);
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 2 ** 32;
  };
  const normal = (): number => Math.sqrt(-2 * Math.log(1 - uniform())) * Math.cos(2 * Math.PI * uniform());
  return { uniform, normal, between: (a: number, b: number) => a + (b - a) * uniform() };
}
export type Seeded = ReturnType<typeof seeded>;

/** How a population of shops differs from what the engine assumes. */
export interface Population {
  name: string;
  lapse: number;
  /** Spread, on the logit, that the features of one coupon share: they fail together. */
  together: number;
  /** Correlation within a coupon (beta-binomial): how much more its counts scatter than single features would. */
  rho?: number;
  /** The starting figure is so many times too high or too low, either way alike often. */
  startOff?: number;
  /** Both edges move by this share from one coupon to the next, to one side for a shop: lamp, warmth, age. */
  drift?: number;
}

export const POPULATIONS: readonly Population[] = [
  { name: 'as assumed', lapse: 0.02, together: 0 },
  { name: 'features fail together', lapse: 0.02, together: 0.7 },
  { name: 'lapse 6 %', lapse: 0.06, together: 0 },
  { name: 'overdispersed 0.1', lapse: 0.02, together: 0, rho: 0.1 },
  { name: 'overdispersed 0.2', lapse: 0.02, together: 0, rho: 0.2 },
  { name: 'start 8 times off', lapse: 0.02, together: 0, startOff: 8 },
  { name: 'drift 5 % a coupon', lapse: 0.02, together: 0, drift: 0.05 },
];

export const FEATURES = 24;
export const GOOD = 0.7;
const CLOSED_SHARE = 0.15;

/** One shop's truth about one class: where features begin to stand and to close up. */
export interface SimulatedShop {
  startS: number;
  /** True share of struts times slots at an exposure. */
  product(exposureS: number): number;
  /** Exposure with the greatest product, and that product. */
  bestS: number;
  best: number;
  /** Prints a coupon. */
  print(exposureS: number): { struts: number; slots: number };
}

const logistic = (z: number): number => 1 / (1 + Math.exp(-z));

/** A draw of the gamma distribution of a shape, scale 1 (Marsaglia & Tsang 2000). */
function gamma(random: Seeded, shape: number): number {
  if (shape < 1) return gamma(random, shape + 1) * random.uniform() ** (1 / shape);
  const d = shape - 1 / 3;
  for (;;) {
    const x = random.normal();
    const v = (1 + x / Math.sqrt(9 * d)) ** 3;
    if (v > 0 && Math.log(1 - random.uniform()) < (x * x) / 2 + d - d * v + d * Math.log(v)) return d * v;
  }
}

/** A share that scatters round `p` with a correlation. */
function scattered(random: Seeded, p: number, rho: number): number {
  if (rho === 0 || p < 1e-6 || p > 1 - 1e-6) return p;
  const size = (1 - rho) / rho;
  const [good, bad] = [gamma(random, p * size), gamma(random, (1 - p) * size)];
  return good + bad > 0 ? good / (good + bad) : p;
}

/** Draws a shop: edges, slopes and closed windows as wide as the trade's. */
export function drawShop(
  random: Seeded,
  { lapse, together, rho = 0, startOff = 1, drift = 0 }: Population,
): SimulatedShop {
  const startS = random.between(1.5, 8);
  const lowerS = 0.9 * startS * Math.exp(0.35 * random.normal());
  const closed = random.uniform() < CLOSED_SHARE;
  const upperS = lowerS * (closed ? random.between(0.6, 1) : random.between(1.1, 2.5));
  const [lowerSlope, upperSlope] = [random.between(0.06, 0.2), random.between(0.06, 0.2)];
  /** How far both edges have moved by now. */
  let moved = 1;
  const step = drift > 0 && random.uniform() < 0.5 ? 1 + drift : 1 - drift;
  const told = startOff === 1 ? startS : random.uniform() < 0.5 ? startS / startOff : startS * startOff;
  const zLower = (s: number): number => Math.log(s / (lowerS * moved)) / lowerSlope;
  const zUpper = (s: number): number => Math.log((upperS * moved) / s) / upperSlope;
  const product = (s: number): number => (1 - lapse) ** 2 * logistic(zLower(s)) * logistic(zUpper(s));
  const tried = Array.from({ length: 400 }, (_, i) => startS * 0.15 * 60 ** (i / 399));
  const bestS = tried.reduce((a, b) => (product(b) > product(a) ? b : a));
  const count = (z: number): number => {
    const share = scattered(random, (1 - lapse) * logistic(z + together * random.normal()), rho);
    let passed = 0;
    for (let i = 0; i < FEATURES; i++) if (random.uniform() < share) passed++;
    return passed;
  };
  return {
    startS: told,
    product,
    bestS,
    best: product(bestS),
    print: (s) => {
      const seen = { struts: count(zLower(s)), slots: count(zUpper(s)) };
      moved *= step;
      return seen;
    },
  };
}
