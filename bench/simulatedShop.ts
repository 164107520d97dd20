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
}

export const POPULATIONS: readonly Population[] = [
  { name: 'as assumed', lapse: 0.02, together: 0 },
  { name: 'features fail together', lapse: 0.02, together: 0.7 },
  { name: 'lapse 6 %', lapse: 0.06, together: 0 },
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

/** Draws a shop: edges, slopes and closed windows as wide as the trade's. */
export function drawShop(random: Seeded, { lapse, together }: Population): SimulatedShop {
  const startS = random.between(1.5, 8);
  const lowerS = 0.9 * startS * Math.exp(0.35 * random.normal());
  const closed = random.uniform() < CLOSED_SHARE;
  const upperS = lowerS * (closed ? random.between(0.6, 1) : random.between(1.1, 2.5));
  const [lowerSlope, upperSlope] = [random.between(0.06, 0.2), random.between(0.06, 0.2)];
  const zLower = (s: number): number => Math.log(s / lowerS) / lowerSlope;
  const zUpper = (s: number): number => Math.log(upperS / s) / upperSlope;
  const product = (s: number): number => (1 - lapse) ** 2 * logistic(zLower(s)) * logistic(zUpper(s));
  const tried = Array.from({ length: 400 }, (_, i) => startS * 0.15 * 60 ** (i / 399));
  const bestS = tried.reduce((a, b) => (product(b) > product(a) ? b : a));
  const count = (z: number): number => {
    const shared = z + together * random.normal();
    let passed = 0;
    for (let i = 0; i < FEATURES; i++) if (random.uniform() < (1 - lapse) * logistic(shared)) passed++;
    return passed;
  };
  return {
    startS,
    product,
    bestS,
    best: product(bestS),
    print: (s) => ({ struts: count(zLower(s)), slots: count(zUpper(s)) }),
  };
}
