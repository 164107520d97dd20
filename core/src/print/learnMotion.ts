import { fitSlope, requireNumber, requirePositive } from '../numeric';

/** One print whose hours are known. */
export interface TimedPrint {
  layers: number;
  /** Light of all its layers, s. */
  exposureS: number;
  /** From start to end, s. */
  seconds: number;
  /** Told by the printer or its preparing program, not by when somebody came to look. */
  exact: boolean;
}

export interface LearntMotion {
  /** Peel, lift and rest a layer, s. */
  motionS: number;
  plusMinusS: number;
  /** Prints that it was learnt from. */
  prints: number;
  /** Prints that took far longer or shorter than the others say, by their number in the list. */
  doubted: number[];
}

/** A printer's stated motion is usually right to this share (shop default). */
export const MOTION_SPREAD = 0.3;
/** How well a print's end is known, s: read from the printer, or by who came to look (shop defaults). */
const EXACT_SD_S = 60;
const SEEN_SD_S = 480;

/**
 * Motion a layer from recorded print times, beside what was believed before: least squares of
 * (seconds − light) = motion · layers, in which a print that lay finished over night counts little (handbook 04, "Plate").
 */
export function learnMotion(
  prints: readonly TimedPrint[],
  beforeS: number,
  spreadS = MOTION_SPREAD * Math.max(beforeS, 1),
): LearntMotion {
  requireNumber('beforeS', beforeS, 0);
  const readings = prints.map(({ layers, exposureS, seconds, exact }) => ({
    x: requirePositive('layers', layers),
    y: requirePositive('seconds', seconds) - requireNumber('exposureS', exposureS, 0),
    sd: exact ? EXACT_SD_S : SEEN_SD_S,
  }));
  const { value, sd, doubted } = fitSlope(readings, { value: beforeS, sd: spreadS });
  return { motionS: Math.max(0, value), plusMinusS: 2 * sd, prints: prints.length, doubted };
}
