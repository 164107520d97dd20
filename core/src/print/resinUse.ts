import { requireNumber, requirePositive } from '../numeric';
import { formula } from '../working';

export interface ResinUse {
  partsG: number;
  supportsG: number;
  totalG: number;
  totalMl: number;
}

/** Resin of the rafts under all copies, ml: area in mm², thickness in mm. */
export const RAFT_ML = formula`${'A'} × ${'d'} / 1000`;

/** Film that stays on plate and parts and goes into the wash, ml a plate (*shop default*, learnt later). */
export const FILM_LOSS_ML = 3;

/** Resin of a plate, ml: parts with their share of supports, raft, and the film that stays (handbook 04, "Plate"). */
export const RESIN_ML = formula`${'V'} × (1 + ${'s'}/100) + ${'R'} + ${'f'}`;
/** … and by weight, g. */
export const RESIN_G = formula`${'Q'} × ${'ρ'}`;

/** volumeMm3 is the printed (scaled) volume of all copies together. */
export function resinUse(
  volumeMm3: number,
  densityGPerMl: number,
  supportsPercent: number,
  raftMl = 0,
  filmMl = FILM_LOSS_ML,
): ResinUse {
  const ml = requirePositive('volumeMm3', volumeMm3) / 1000;
  const density = requirePositive('densityGPerMl', densityGPerMl);
  const share = requireNumber('supportsPercent', supportsPercent, 0, 1000);
  const R = requireNumber('raftMl', raftMl, 0);
  const totalMl = RESIN_ML.of({ V: ml, s: share, R, f: requireNumber('filmMl', filmMl, 0) });
  return {
    partsG: ml * density,
    supportsG: (ml * share * density) / 100,
    totalG: RESIN_G.of({ Q: totalMl, ρ: density }),
    totalMl,
  };
}
