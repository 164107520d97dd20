import { requireNumber, requirePositive } from '../numeric';

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

/** Charge = ρ × (patterns + gates + sprues + button) × (1 + loss) (handbook 05, "Metal"). */
export function chargeByVolume(volumes: ChargeVolumes, densityGPerCm3: number, lossPercent: number): Charge {
  const density = requirePositive('densityGPerCm3', densityGPerCm3);
  const loss = 1 + requireNumber('lossPercent', lossPercent, 0, 50) / 100;
  const patternsG = density * requireNumber('patternsCm3', volumes.patternsCm3, 0) * loss;
  const spruesG = density * requireNumber('spruesCm3', volumes.spruesCm3, 0) * loss;
  const buttonG = density * requireNumber('buttonCm3', volumes.buttonCm3, 0) * loss;
  return { patternsG, spruesG, buttonG, totalG: patternsG + spruesG + buttonG };
}

/** The bench way: volume of a weighed print, cm³, from its resin's density. */
export function volumeOfWeighedPrint(massG: number, resinDensityGPerMl: number): number {
  return requireNumber('massG', massG, 0) / requirePositive('resinDensityGPerMl', resinDensityGPerMl);
}

/** A button lighter than this share of the tree does not feed it (*shop default*, handbook 05). */
export const BUTTON_SHARE_MIN = 0.25;

/** Button: the sprue base's cone, at least a quarter of the tree. */
export function buttonVolumeCm3(coneCm3: number, treeCm3: number): number {
  return Math.max(
    requireNumber('coneCm3', coneCm3, 0),
    BUTTON_SHARE_MIN * requireNumber('treeCm3', treeCm3, 0),
  );
}

/** Splits a charge into new and reused metal by percent new. */
export function splitCharge(totalG: number, newPercent: number): { newG: number; reusedG: number } {
  const newG = (totalG * requireNumber('newPercent', newPercent, 0, 100)) / 100;
  return { newG, reusedG: totalG - newG };
}
