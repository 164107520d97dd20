import { requireNumber, requirePositive } from '../numeric';

/** Inside volume of a cylindrical flask, ml. */
export function flaskVolumeMl(innerDiameterMm: number, heightMm: number): number {
  return (
    cylinderMm3(requirePositive('innerDiameterMm', innerDiameterMm), requirePositive('heightMm', heightMm)) /
    1000
  );
}

/** Volume of a round bar, mm³. */
export function cylinderMm3(diameterMm: number, lengthMm: number): number {
  return (
    (Math.PI / 4) * requireNumber('diameterMm', diameterMm, 0) ** 2 * requireNumber('lengthMm', lengthMm, 0)
  );
}

/** Volume of the sprue base's cone, cm³. */
export function coneVolumeCm3(baseDiameterMm: number, heightMm: number): number {
  return cylinderMm3(baseDiameterMm, heightMm) / 3000;
}
