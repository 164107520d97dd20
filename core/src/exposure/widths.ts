import { fitLine, lineSe, type Line } from '../numeric';
import { edgePosterior, type EdgeCount } from './edgePosterior';
import { edgeQuantilesS } from './edgeQuantiles';

/** A feature measured with a gauge: what was drawn, what came out, at which exposure. */
export interface MeasuredWidth {
  exposureS: number;
  drawnMm: number;
  measuredMm: number;
}

/** Width error e = a + k · ln t, or why there is none yet. */
export type WidthModel =
  | { status: 'fitted'; line: Line; /** Exposure at which widths are as drawn, s. */ trueS: number }
  | { status: 'too few'; needed: string };

/** Beyond this factor from the measured exposures a zero of the line is only a guess. */
const REACH = 2;

/** Least squares of width error on ln t (handbook 02). */
export function fitWidths(widths: readonly MeasuredWidth[]): WidthModel {
  const exposures = new Set(widths.map((w) => w.exposureS));
  if (widths.length < 3 || exposures.size < 2) {
    return { status: 'too few', needed: 'three widths at two exposures' };
  }
  const line = fitLine(widths.map((w) => ({ x: Math.log(w.exposureS), y: w.measuredMm - w.drawnMm })));
  return { status: 'fitted', line, trueS: Math.exp(-line.intercept / line.slope) };
}

/** Width error expected at an exposure, with its standard error, mm. */
export function widthErrorMm(line: Line, exposureS: number): { errorMm: number; se: number } {
  const x = Math.log(exposureS);
  return { errorMm: line.intercept + line.slope * x, se: lineSe(line, x) };
}

/** Whether the exposure at which widths are true lies near what was measured. */
export function trueWithinReach(trueS: number, widths: readonly MeasuredWidth[]): boolean {
  const seconds = widths.map((w) => w.exposureS);
  return trueS >= Math.min(...seconds) / REACH && trueS <= Math.max(...seconds) * REACH;
}

/** Features of one size that came out, of how many. */
export interface SizeCount {
  sizeMm: number;
  good: number;
  of: number;
}

export interface FinestFeature {
  /** Size that nine in ten of come out: median and 90 % credible band, mm. */
  q05Mm: number;
  q50Mm: number;
  q95Mm: number;
  features: number;
}

/** The prior of an edge stands at 0.8 of its starting figure; that share is taken out here. */
const PRIOR_SHARE = 0.8;

/**
 * Finest reliable feature: a logistic on ln(size) at one exposure, with the same prior widths as an exposure's lower
 * edge round `guessMm` (handbook 02). Nothing is returned before anything was counted.
 */
export function finestFeature(guessMm: number, counts: readonly SizeCount[]): FinestFeature | undefined {
  const features = counts.reduce((sum, count) => sum + count.of, 0);
  if (features === 0) return undefined;
  const bySize: EdgeCount[] = counts.map(({ sizeMm, good, of }) => ({ exposureS: sizeMm, good, of }));
  const edge = edgePosterior('lower', guessMm / PRIOR_SHARE, bySize);
  const [q05Mm, q50Mm, q95Mm] = edgeQuantilesS(edge, [0.05, 0.5, 0.95]);
  return { q05Mm: q05Mm!, q50Mm: q50Mm!, q95Mm: q95Mm!, features };
}
