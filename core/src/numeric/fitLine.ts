import { InputError } from './inputError';

/** A least-squares line y = intercept + slope · x, with standard errors from its residuals. */
export interface Line {
  slope: number;
  intercept: number;
  slopeSe: number;
  interceptSe: number;
  /** Covariance of slope and intercept. */
  covariance: number;
  residualSd: number;
  /** Share of the variance explained; 1 when every y is the same and met. */
  r2: number;
  n: number;
}

/** Fits a line; `n` of at least 3 with two different x, since errors need a spare point. */
export function fitLine(points: readonly { x: number; y: number }[]): Line {
  const n = points.length;
  const meanX = points.reduce((sum, p) => sum + p.x, 0) / n;
  const meanY = points.reduce((sum, p) => sum + p.y, 0) / n;
  let [sxx, sxy, syy] = [0, 0, 0];
  for (const { x, y } of points) {
    sxx += (x - meanX) ** 2;
    sxy += (x - meanX) * (y - meanY);
    syy += (y - meanY) ** 2;
  }
  if (n < 3 || !(sxx > 0)) throw new InputError('points', 'at least 3, with two different x', n);
  const slope = sxy / sxx;
  const intercept = meanY - slope * meanX;
  const rest = Math.max(0, syy - slope * sxy);
  const variance = rest / (n - 2);
  return {
    slope,
    intercept,
    slopeSe: Math.sqrt(variance / sxx),
    interceptSe: Math.sqrt(variance * (1 / n + (meanX * meanX) / sxx)),
    covariance: (-variance * meanX) / sxx,
    residualSd: Math.sqrt(variance),
    r2: syy > 0 ? 1 - rest / syy : 1,
    n,
  };
}

/** Standard error of the line's own value at x. */
export function lineSe(line: Line, x: number): number {
  return Math.sqrt(Math.max(0, line.interceptSe ** 2 + 2 * x * line.covariance + x * x * line.slopeSe ** 2));
}
