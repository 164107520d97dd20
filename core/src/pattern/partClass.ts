import { quantity, say, type Phrase } from '../numeric';
import { sizePercentile } from '../solid';
import { BIN_MM } from './readThickness';

/** What exposure, flask temperature and statistics are kept by (handbook 01, "Class"). */
export const PART_CLASSES = ['filigree', 'standard', 'heavy', 'mixed'] as const;
export type PartClass = (typeof PART_CLASSES)[number];

/** Where the classes part (shop defaults of handbook 01). */
export const CLASS_LIMITS = { filigreeMedianMm: 0.9, heavy90Mm: 3.5, mixedShare: 0.1 } as const;

export interface ClassReading {
  partClass: PartClass;
  reason: Phrase;
}

/** Share (0…1) of the volume that is thinner than a limit. */
export function shareThinner(histogramMm3: readonly number[], limitMm: number): number {
  const bin = limitMm / BIN_MM;
  let total = 0;
  let under = 0;
  histogramMm3.forEach((volume, b) => {
    total += volume;
    under += volume * Math.min(1, Math.max(0, bin - b));
  });
  return total > 0 ? under / total : 0;
}

/** Class of a part by its thickness, with the numbers that decided. */
export function classifyPart(histogramMm3: readonly number[]): ClassReading {
  const median = sizePercentile(histogramMm3, BIN_MM, 0.5);
  const p90 = sizePercentile(histogramMm3, BIN_MM, 0.9);
  const fine = shareThinner(histogramMm3, CLASS_LIMITS.filigreeMedianMm);
  const mm = (value: number) => quantity(value, 'mm', 2);
  if (!histogramMm3.some((volume) => volume > 0))
    return {
      partClass: 'filigree',
      reason: say`it is finer than can be read: nothing of it has a thickness here`,
    };
  if (p90 > CLASS_LIMITS.heavy90Mm && fine >= CLASS_LIMITS.mixedShare) {
    return {
      partClass: 'mixed',
      reason: say`a tenth is over ${mm(p90)} and ${Math.round(100 * fine)} % under ${mm(CLASS_LIMITS.filigreeMedianMm)}: expose for the fine part, gate for the heavy one`,
    };
  }
  if (p90 > CLASS_LIMITS.heavy90Mm) {
    return {
      partClass: 'heavy',
      reason: say`a tenth of it is over ${mm(p90)}; heavy begins at ${mm(CLASS_LIMITS.heavy90Mm)}`,
    };
  }
  if (median < CLASS_LIMITS.filigreeMedianMm) {
    return {
      partClass: 'filigree',
      reason: say`half of it is under ${mm(median)}; filigree ends at ${mm(CLASS_LIMITS.filigreeMedianMm)}`,
    };
  }
  return {
    partClass: 'standard',
    reason: say`half of it is under ${mm(median)}, nine tenths under ${mm(p90)}`,
  };
}
