import { requireNumber } from '../numeric';
import type { Melt } from '../metal';

/** Heat that a plaster-bonded mold takes up, W s½ m⁻² K⁻¹, and what it conducts, W/m K (handbook 05, "Fill"). */
export const MOLD = { effusivity: 690, conductivity: 0.4 } as const;
/** Flow stops when this share of the latent heat is gone: the slush no longer moves. */
const LATENT_SHARE = 0.4;
/** Oxide films on the metal: so many times the clean surface tension (*shop default*). */
export const OXIDE_FACTOR = 1.5;
const GRAVITY = 9.81;

export const POUR_WAYS = ['gravity', 'vacuum', 'centrifuge'] as const;
export type PourWay = (typeof POUR_WAYS)[number];
/** Metal runs no faster than this into a mold, m/s (*shop defaults*, handbook 05). */
export const SPEED_MOST: Record<PourWay, number> = { gravity: 0.7, vacuum: 1.5, centrifuge: 3 };
/** More than this no pump pulls through a mold, kPa. */
export const VACUUM_MOST_KPA = 80;

/** What drives the metal in. Lengths in mm. */
export type Drive =
  | { way: 'gravity'; headMm: number }
  | { way: 'vacuum'; headMm: number; vacuumKpa: number }
  /** `armMm`: from the axis to the flask; `headMm`: metal behind the place, along the arm. */
  | { way: 'centrifuge'; headMm: number; armMm: number; turnsPerMin: number };

/** The melt as it is poured, into a flask as warm as that. °C. */
export interface PouredHeat extends Melt {
  liquidusC: number;
  metalC: number;
  flaskC: number;
}

/** Width and V/A of the metal at a place. mm. */
export interface Passage {
  widthMm: number;
  modulusMm: number;
}

/** How round a passage is, by its width over its V/A: 0 a plate (2), 1 a wire (4), 2 a ball (6). */
export const roundness = ({ widthMm, modulusMm }: Passage): number =>
  Math.min(2, Math.max(0, widthMm / (2 * modulusMm) - 1));

/** Pressure on the metal where it enters, Pa. */
export function drivePressurePa(drive: Drive, densityKgPerM3: number): number {
  const headM = requireNumber('headMm', drive.headMm, 0) / 1000;
  const weight = densityKgPerM3 * GRAVITY * headM;
  if (drive.way === 'gravity') return weight;
  if (drive.way === 'vacuum') return weight + 1000 * Math.min(VACUUM_MOST_KPA, drive.vacuumKpa);
  const turn = (2 * Math.PI * drive.turnsPerMin) / 60;
  return densityKgPerM3 * turn * turn * (drive.armMm / 1000) * headM;
}

/** Pressure that surface tension holds against metal entering, Pa: 4γ/d of a round hole, 2γ/s of a slot. */
export const capillaryPa = (passage: Passage, surfaceNPerM: number): number =>
  (2 * (1 + roundness(passage)) * OXIDE_FACTOR * surfaceNPerM) / (passage.widthMm / 1000);

/** How fast the metal runs at a place, m/s; 0 where it does not enter. Bernoulli, limited by the way of pouring. */
export function flowSpeed(passage: Passage, drive: Drive, heat: Melt): number {
  const left = drivePressurePa(drive, heat.densityKgPerM3) - capillaryPa(passage, heat.surfaceNPerM);
  if (left <= 0) return 0;
  return Math.min(SPEED_MOST[drive.way], Math.sqrt((2 * left) / heat.densityKgPerM3));
}

/**
 * How long the mold takes to draw the superheat and a share of the latent heat out of the metal at a place, s: heat per area
 * Q = M ρ (c ΔT + share · L) against what the mold takes up, (k ΔT / d) t + (2 e ΔT / √π) √t for a wire, without the first term
 * for a plate, with twice it for a ball. 0 for metal that is not liquid; Infinity where the mold is as hot as the liquidus.
 */
export function coolingS(passage: Passage, heat: PouredHeat, latentShare: number): number {
  const superheat = heat.metalC - heat.liquidusC;
  if (superheat < 0) return 0;
  const over = heat.liquidusC - heat.flaskC;
  if (over <= 0) return Infinity;
  const perArea =
    (passage.modulusMm / 1000) *
    heat.densityKgPerM3 *
    (heat.heatJPerKgK * superheat + latentShare * heat.latentJPerKg);
  const round = (roundness(passage) * MOLD.conductivity * over) / (passage.widthMm / 1000);
  const half = (MOLD.effusivity * over) / Math.sqrt(Math.PI);
  // round·t + 2·half·√t = Q, in the form that stays exact for a plate.
  const root = perArea / (half + Math.sqrt(half * half + round * perArea));
  return root * root;
}

/** How long metal still flows in a passage before it stops, s. */
export const stopTimeS = (passage: Passage, heat: PouredHeat): number =>
  coolingS(passage, heat, LATENT_SHARE);
