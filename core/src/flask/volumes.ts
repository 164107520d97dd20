import { requirePositive } from '../numeric';
import { formula } from '../working';

/** A round bar, or the inside of a flask: mm, mm; ml. */
export const ROUND_ML = formula`π/4 × ${'D'}² × ${'H'} / 1000`;
/** A cone: mm, mm; ml. */
export const CONE_ML = formula`π/4 × ${'D'}² × ${'H'} / 3000`;

export const flaskVolumeMl = (innerDiameterMm: number, heightMm: number): number =>
  ROUND_ML.of({
    D: requirePositive('innerDiameterMm', innerDiameterMm),
    H: requirePositive('heightMm', heightMm),
  });
