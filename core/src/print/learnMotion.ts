import { fitRobust, requireNumber, requirePositive, type RobustPrior } from '../numeric';

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
  /** How late prints are found finished, as far as these tell. */
  late: RobustPrior;
  /** Prints that it was learnt from. */
  prints: number;
  /** Prints that took far longer or shorter than the others say, by their number in the list. */
  doubted: number[];
}

/** A printer's stated motion is usually right to this share (shop default). */
export const MOTION_SPREAD = 0.3;
/** How well a print's end is known, s: told by the printer, or by who came to look (shop defaults). */
const EXACT_SD_S = 60;
const SEEN_SD_S = 240;
/** Who comes to look comes late by so much on the whole; how late this shop is, is learnt with the motion (shop default). */
export const USUALLY_LATE: RobustPrior = { value: 300, sd: 300 };

/**
 * Motion a layer from recorded print times, beside what was believed before: least squares of
 * (seconds − light) = motion · layers + lateness of prints whose end was only seen (handbook 04, "Plate"). Short and tall
 * prints tell the two apart; a print that lay finished over night counts little.
 */
export function learnMotion(
  prints: readonly TimedPrint[],
  beforeS: number,
  spreadS = MOTION_SPREAD * Math.max(beforeS, 1),
  late = USUALLY_LATE,
): LearntMotion {
  requireNumber('beforeS', beforeS, 0);
  const readings = prints.map(({ layers, exposureS, seconds, exact }) => ({
    x: [requirePositive('layers', layers), exact ? 0 : 1],
    y: requirePositive('seconds', seconds) - requireNumber('exposureS', exposureS, 0),
    sd: exact ? EXACT_SD_S : SEEN_SD_S,
  }));
  const { values, sds, doubted } = fitRobust(readings, [{ value: beforeS, sd: spreadS }, late]);
  const [motionS = beforeS, sd = spreadS] = [values[0], sds[0]];
  return {
    motionS: Math.max(0, motionS),
    plusMinusS: 2 * sd,
    late: { value: values[1]!, sd: sds[1]! },
    prints: prints.length,
    doubted,
  };
}
