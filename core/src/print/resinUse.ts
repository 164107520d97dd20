import { requireNumber, requirePositive } from '../numeric';

export interface ResinUse {
  partsG: number;
  supportsG: number;
  totalG: number;
  totalMl: number;
}

/** Film that stays on plate and parts and goes into the wash, ml a plate (*shop default*, learnt later). */
export const FILM_LOSS_ML = 3;

/**
 * Resin of a plate: solid volume × density × (1 + supports share) + raft + film (handbook 04, "Plate").
 * volumeMm3 is the printed (scaled) volume of all copies together.
 */
export function resinUse(
  volumeMm3: number,
  densityGPerMl: number,
  supportsPercent: number,
  raftMl = 0,
  filmMl = FILM_LOSS_ML,
): ResinUse {
  const ml = requirePositive('volumeMm3', volumeMm3) / 1000;
  const density = requirePositive('densityGPerMl', densityGPerMl);
  const supports = (ml * requireNumber('supportsPercent', supportsPercent, 0, 1000)) / 100;
  const totalMl = ml + supports + requireNumber('raftMl', raftMl, 0) + requireNumber('filmMl', filmMl, 0);
  return { partsG: ml * density, supportsG: supports * density, totalG: totalMl * density, totalMl };
}
