import { requirePositive } from '../numeric';

/** Cured resin is 5 to 8 % denser than the liquid: it shrinks as it sets (shop default, the middle). */
export const CURED_DENSER_PERCENT = 6.5;

/** Density of cured resin, g/ml: as measured, or else from that of the liquid. */
export const curedDensity = (liquidGPerMl: number, curedGPerMl: number | null | undefined): number =>
  curedGPerMl ?? requirePositive('liquidGPerMl', liquidGPerMl) * (1 + CURED_DENSER_PERCENT / 100);
