import type { SurfacePaint } from '@zero-pour/core';

/** What the surface is coloured by. */
export const PAINTS = ['thickness', 'gap', 'feed', 'overhang'] as const;
export type PaintName = (typeof PAINTS)[number];

type Rgb = readonly [number, number, number];
const BRICK: Rgb = [140, 47, 28];
const CLAY: Rgb = [201, 128, 90];
const WHITE: Rgb = [236, 227, 210];
const PALE: Rgb = [143, 179, 174];
const TEAL: Rgb = [14, 74, 79];
/** Where nothing is known, or nothing stands opposite. */
const BARE: Rgb = [214, 204, 184];

/** A ramp over values: brick below the limit, plaster white at it, teal above (design, "Look"). */
export interface Ramp {
  stops: readonly (readonly [number, Rgb])[];
  /** Value that the white stands for. */
  limit: number;
}

export const thicknessRamp = (limitMm: number, topMm = 4): Ramp => ({
  limit: limitMm,
  stops: [
    [0, BRICK],
    [0.8 * limitMm, CLAY],
    [limitMm, WHITE],
    [limitMm + (topMm - limitMm) * 0.22, PALE],
    [topMm, TEAL],
  ],
});
/** Feed: below the first limit the way freezes first, up to the second it is watched. Percent. */
export const feedRamp = (fixShare: number, watchShare: number): Ramp => ({
  limit: 100 * watchShare,
  stops: [
    [0, BRICK],
    [100 * fixShare, CLAY],
    [100 * watchShare, WHITE],
    [100 * watchShare + 5, PALE],
    [100, TEAL],
  ],
});
/** Filling: how many times the time that it needs the metal has; up to the first it stops, up to the second it is late. */
export const fillRamp = (fix: number, watch: number): Ramp => ({
  limit: watch,
  stops: [
    [0, BRICK],
    [fix, CLAY],
    [watch, WHITE],
    [1.25 * watch, PALE],
    [3 * watch, TEAL],
  ],
});
export const paintFill = (margins: Float32Array, ramp: Ramp): Uint8Array =>
  coloursOf(margins, 1, ramp, Number.isNaN);
/** Undercuts: the deeper, the darker; from the last on they are all alike. mm. */
const UNDERCUT_RAMP: Ramp = {
  limit: 0.1,
  stops: [
    [0.1, WHITE],
    [1, CLAY],
    [3, BRICK],
  ],
};
/** Depths of what a pull catches at each vertex, mm; 0: nothing. */
export const paintUndercuts = (depths: Float32Array): Uint8Array =>
  coloursOf(depths, 1, UNDERCUT_RAMP, (depth) => depth === 0);
/** Overhang: 1 looks straight down, sin of the limit angle needs support. */
export const overhangRamp = (limitDeg: number): Ramp => {
  const limit = Math.sin((limitDeg * Math.PI) / 180);
  return {
    limit,
    stops: [
      [-0.2, TEAL],
      [0.6 * limit, PALE],
      [limit - 0.02, WHITE],
      [limit, CLAY],
      [1, BRICK],
    ],
  };
};

export const cssOf = ([r, g, b]: Rgb): string => `rgb(${r} ${g} ${b})`;
export const BARE_CSS = cssOf(BARE);

/** Writes the colour of a value on a ramp: millions in a row, so nothing is made for each. */
function writeColour({ stops }: Ramp, value: number, out: Uint8Array, at: number): void {
  let n = 1;
  while (n < stops.length - 1 && value > stops[n]![0]) n++;
  const lower = stops[n - 1]!;
  const upper = stops[n]!;
  const share = Math.min(1, Math.max(0, (value - lower[0]) / (upper[0] - lower[0])));
  for (let k = 0; k < 3; k++) out[at + k] = Math.round(lower[1][k]! + share * (upper[1][k]! - lower[1][k]!));
}

/** Colour of a value on a ramp. */
export function colourAt(ramp: Ramp, value: number): Rgb {
  const rgb = new Uint8Array(3);
  writeColour(ramp, value, rgb, 0);
  return [...rgb] as unknown as Rgb;
}

/** RGB bytes for a value at each vertex; `isBare` values take no colour of the ramp. O(vertices). */
export function coloursOf(
  values: ArrayLike<number>,
  perUnit: number,
  ramp: Ramp,
  isBare: (value: number) => boolean,
): Uint8Array {
  const rgb = new Uint8Array(3 * values.length);
  for (let v = 0; v < values.length; v++) {
    if (isBare(values[v]!)) rgb.set(BARE, 3 * v);
    else writeColour(ramp, values[v]! / perUnit, rgb, 3 * v);
  }
  return rgb;
}

const UM_PER_MM = 1000;
/** `feedPercent` of a vertex whose mass is not known. */
const FEED_UNKNOWN = 255;

export const paintThickness = (paint: SurfacePaint, ramp: Ramp): Uint8Array =>
  coloursOf(paint.thicknessUm, UM_PER_MM, ramp, (um) => um === 0);
export const paintGap = (paint: SurfacePaint, ramp: Ramp): Uint8Array =>
  coloursOf(paint.gapUm, UM_PER_MM, ramp, (um) => um === 0);
export const paintFeed = (paint: SurfacePaint, ramp: Ramp): Uint8Array =>
  coloursOf(paint.feedPercent, 1, ramp, (percent) => percent === FEED_UNKNOWN);

/**
 * How steeply the surface looks down at each vertex: the most of its faces, 1 straight down. `m` turns the part
 * as it stands on the plate (3 × 3, row by row). O(triangles).
 */
export function downwardness(
  { positions: p, triangles }: { positions: Float32Array; triangles: Uint32Array },
  m: readonly number[],
): Float32Array {
  const down = new Float32Array(p.length / 3).fill(-1);
  for (let t = 0; t < triangles.length; t += 3) {
    const a = 3 * triangles[t]!, b = 3 * triangles[t + 1]!, c = 3 * triangles[t + 2]!; // prettier-ignore
    const ux = p[b]! - p[a]!, uy = p[b + 1]! - p[a + 1]!, uz = p[b + 2]! - p[a + 2]!; // prettier-ignore
    const vx = p[c]! - p[a]!, vy = p[c + 1]! - p[a + 1]!, vz = p[c + 2]! - p[a + 2]!; // prettier-ignore
    const nx = uy * vz - uz * vy, ny = uz * vx - ux * vz, nz = ux * vy - uy * vx; // prettier-ignore
    const length = Math.sqrt(nx * nx + ny * ny + nz * nz);
    if (length === 0) continue;
    const value = -(m[6]! * nx + m[7]! * ny + m[8]! * nz) / length;
    for (let k = 0; k < 3; k++) {
      const v = triangles[t + k]!;
      if (value > down[v]!) down[v] = value;
    }
  }
  return down;
}
