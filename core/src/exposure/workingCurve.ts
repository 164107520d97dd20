import { fitLine, InputError, requirePositive } from '../numeric';

/** A disc of a cure-depth test: energy it was given, thickness that it has. */
export interface CureDepth {
  energyMjPerCm2: number;
  depthMm: number;
}

/** Cd = Dp · ln(E/Ec) at one wavelength. */
export interface WorkingCurve {
  /** Penetration depth and its standard error, mm. */
  dpMm: number;
  dpSe: number;
  /** Critical energy and its standard error, mJ/cm². */
  ecMjPerCm2: number;
  ecSe: number;
  r2: number;
  n: number;
}

/** Depth cured beyond one layer so that layers bind, mm (*shop default*). */
export const OVERCURE_MM = 0.06;

/**
 * Least squares of depth on ln(energy) (Jacobs 1992, Rapid Prototyping & Manufacturing). The error of Ec is carried
 * from both coefficients to first order. Throws InputError for fewer than 3 discs or a depth that does not grow.
 */
export function fitWorkingCurve(discs: readonly CureDepth[]): WorkingCurve {
  const line = fitLine(
    discs.map(({ energyMjPerCm2, depthMm }) => ({
      x: Math.log(requirePositive('energyMjPerCm2', energyMjPerCm2)),
      y: requirePositive('depthMm', depthMm),
    })),
  );
  if (!(line.slope > 0)) throw new InputError('discs', 'thicker with more light', line.slope);
  const { slope, intercept, slopeSe, interceptSe, covariance } = line;
  const ec = Math.exp(-intercept / slope);
  // ln Ec = −a/b: its gradient is (−1/b, a/b²).
  const lnEcVariance =
    (interceptSe / slope) ** 2 +
    ((intercept * slopeSe) / slope ** 2) ** 2 -
    (2 * intercept * covariance) / slope ** 3;
  return {
    dpMm: slope,
    dpSe: slopeSe,
    ecMjPerCm2: ec,
    ecSe: ec * Math.sqrt(Math.max(0, lnEcVariance)),
    r2: line.r2,
    n: line.n,
  };
}

/** Depth that an energy cures; negative below the critical energy. */
export const cureDepthMm = (
  { dpMm, ecMjPerCm2 }: Pick<WorkingCurve, 'dpMm' | 'ecMjPerCm2'>,
  energyMjPerCm2: number,
): number => dpMm * Math.log(requirePositive('energyMjPerCm2', energyMjPerCm2) / ecMjPerCm2);

/** First guess t = Ec/I · exp((h + o)/Dp), s. */
export function firstGuessS(
  { dpMm, ecMjPerCm2 }: Pick<WorkingCurve, 'dpMm' | 'ecMjPerCm2'>,
  irradianceMwPerCm2: number,
  layerMm: number,
  overcureMm = OVERCURE_MM,
): number {
  requirePositive('irradianceMwPerCm2', irradianceMwPerCm2);
  return (
    (ecMjPerCm2 / irradianceMwPerCm2) * Math.exp((requirePositive('layerMm', layerMm) + overcureMm) / dpMm)
  );
}
