import { requireNumber, requirePositive } from '../numeric';
import { formula } from '../working';

export interface ChargeVolumes {
  patternsCm3: number;
  /** Gates and main sprue. */
  spruesCm3: number;
  buttonCm3: number;
}

export interface Charge {
  patternsG: number;
  spruesG: number;
  buttonG: number;
  /** All metal to weigh out, melt loss included. */
  totalG: number;
}

/** ρ × (patterns + gates and sprues + button) × (1 + loss) (handbook 05, "Metal"). cm³, g/cm³, percent; g. */
export const CHARGE = formula`${'ρ'} × (${'P'} + ${'S'} + ${'K'}) × (1 + ${'l'}/100)`;
/** Metal of one part of it. */
export const CHARGE_PART = formula`${'ρ'} × ${'V'} × (1 + ${'l'}/100)`;
/** What the melt loses of a charge, g. */
export const METAL_LOST = formula`${'M'} − ${'M'} / (1 + ${'l'}/100)`;
/** The bench way: volume of a weighed print, cm³, from its resin's density. */
export const WEIGHED_VOLUME = formula`${'m'} / ${'ρ'}`;
/** Wax of a tree on its base: what is neither print nor base, by the wax's density. g; cm³. */
export const WAX_VOLUME = formula`(${'T'} − ${'B'} − ${'m'}) / ${'ρ'}`;
/** Button: the sprue base's cone, at least a share of patterns and sprues. cm³. */
export const BUTTON = formula`the larger of ${'K'} and ${'q'} × (${'P'} + ${'S'})`;
/** A charge split into new and reused metal by percent new. */
export const NEW_METAL = formula`${'M'} × ${'n'}/100`;
export const REUSED_METAL = formula`${'M'} × (1 − ${'n'}/100)`;

/** The whole charge and its parts. */
export function chargeByVolume(volumes: ChargeVolumes, densityGPerCm3: number, lossPercent: number): Charge {
  const metal = {
    ρ: requirePositive('densityGPerCm3', densityGPerCm3),
    l: requireNumber('lossPercent', lossPercent, 0, 50),
  };
  const P = requireNumber('patternsCm3', volumes.patternsCm3, 0);
  const S = requireNumber('spruesCm3', volumes.spruesCm3, 0);
  const K = requireNumber('buttonCm3', volumes.buttonCm3, 0);
  return {
    patternsG: CHARGE_PART.of({ ...metal, V: P }),
    spruesG: CHARGE_PART.of({ ...metal, V: S }),
    buttonG: CHARGE_PART.of({ ...metal, V: K }),
    totalG: CHARGE.of({ ...metal, P, S, K }),
  };
}

export const volumeOfWeighedPrint = (massG: number, resinDensityGPerMl: number): number =>
  WEIGHED_VOLUME.of({
    m: requireNumber('massG', massG, 0),
    ρ: requirePositive('resinDensityGPerMl', resinDensityGPerMl),
  });

/** A button lighter than this share of the tree does not feed it (*shop default*, handbook 05). */
export const BUTTON_SHARE_MIN = 0.25;

export const buttonVolumeCm3 = (coneCm3: number, patternsCm3: number, spruesCm3: number): number =>
  BUTTON.of({
    K: requireNumber('coneCm3', coneCm3, 0),
    q: BUTTON_SHARE_MIN,
    P: requireNumber('patternsCm3', patternsCm3, 0),
    S: requireNumber('spruesCm3', spruesCm3, 0),
  });
