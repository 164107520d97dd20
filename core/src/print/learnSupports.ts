import { fitRobust, requireNumber, requirePositive } from '../numeric';
import { FILM_LOSS_ML } from './resinUse';

/** One plate whose resin is known. */
export interface MeasuredPlate {
  /** The parts themselves, ml. */
  partsMl: number;
  raftMl: number;
  usedMl: number;
  /** Weighed or read off the bottle, so that the film that stays behind is in it; else told by the preparing program. */
  measured: boolean;
}

export interface LearntSupports {
  /** Supports in percent of the parts. */
  percent: number;
  plusMinusPercent: number;
  plates: number;
}

/** A resin record's support percent is a guess this wide (shop default), and a plate's resin is known to so much. */
const BEFORE_SD_PERCENT = 25;
const PLATE_SD = 0.08;
const LEAST_SD_ML = 0.5;

/** Support share from plates whose resin was measured or told: used = parts · (1 + share) + raft + film (handbook 04, "Plate"). */
export function learnSupports(plates: readonly MeasuredPlate[], beforePercent: number): LearntSupports {
  requireNumber('beforePercent', beforePercent, 0, 1000);
  const readings = plates.map(({ partsMl, raftMl, usedMl, measured }) => ({
    x: [requirePositive('partsMl', partsMl) / 100],
    y: requirePositive('usedMl', usedMl) - partsMl - raftMl - (measured ? FILM_LOSS_ML : 0),
    sd: Math.max(LEAST_SD_ML, PLATE_SD * usedMl),
  }));
  const { values, sds } = fitRobust(readings, [{ value: beforePercent, sd: BEFORE_SD_PERCENT }]);
  const [percent = beforePercent, sd = BEFORE_SD_PERCENT] = [values[0], sds[0]];
  return { percent: Math.max(0, percent), plusMinusPercent: 2 * sd, plates: plates.length };
}
