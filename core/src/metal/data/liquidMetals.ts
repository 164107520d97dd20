import type { Element } from '../density';

/** A pure metal at its melting point. */
export interface LiquidMetal {
  densityGPerCm3: number;
  /** Heat of fusion. */
  latentJPerG: number;
  /** Of the liquid. */
  heatJPerGK: number;
  /** Clean surface; oxide films make it worse. */
  surfaceNPerM: number;
}

const liquid = (
  densityGPerCm3: number,
  latentJPerG: number,
  heatJPerGK: number,
  surfaceNPerM: number,
): LiquidMetal => ({ densityGPerCm3, latentJPerG, heatJPerGK, surfaceNPerM });

/**
 * Liquid metals at their melting point: density, heat of fusion and specific heat as the usual handbooks of chemistry and
 * metals give them, rounded; surface tension of silver, gold, copper, zinc, aluminium and tin from handbook 05, "Fill".
 */
export const LIQUID_METALS: Record<Element, LiquidMetal> = {
  Ag: liquid(9.32, 104.6, 0.31, 0.92),
  Cu: liquid(8.02, 208.7, 0.517, 1.25),
  Au: liquid(17.31, 63.7, 0.158, 1.15),
  Zn: liquid(6.57, 112, 0.48, 0.78),
  Si: liquid(2.57, 1787, 0.968, 0.78),
  Sn: liquid(6.99, 59.2, 0.24, 0.54),
  Al: liquid(2.375, 397, 1.177, 0.87),
  Sb: liquid(6.53, 163, 0.258, 0.37),
  Ni: liquid(7.81, 298, 0.735, 1.78),
  Pd: liquid(10.38, 157, 0.387, 1.5),
};
