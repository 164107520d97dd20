import { requirePositive } from '../numeric';

/** Inside of a flask, and its wall. mm. */
export interface FlaskBody {
  innerDiameterMm: number;
  heightMm: number;
  /** Steel round it; 0: the investment itself meets the kiln. */
  shellMm: number;
}

/** What the kiln gives to what stands in it. */
export interface Surroundings {
  /** By moving air, W/(m² K). */
  hWPerM2K: number;
  emissivity: number;
}
export const KILN_AIR: Surroundings = { hWPerM2K: 15, emissivity: 0.8 };
export const SHELL_MM = 2;
/** Steel: heat of a cubic metre, J/(m³ K). */
export const STEEL_J_PER_M3K = 7900 * 500;

/** Half a flask in rings: cells by (j·nr + i), i outward, j from the middle of its height up. m. */
export interface FlaskGrid {
  nr: number;
  nz: number;
  dr: number;
  dz: number;
  radius: number;
}

/** Cells of about this size, whatever the flask (handbook 07). mm. */
const CELL_MM = { r: 2.4, z: 4.3 };
const FEWEST = 6;

export function flaskGrid({ innerDiameterMm, heightMm }: FlaskBody, finer = 1): FlaskGrid {
  const radiusMm = requirePositive('innerDiameterMm', innerDiameterMm) / 2;
  const halfMm = requirePositive('heightMm', heightMm) / 2;
  const nr = Math.max(FEWEST, Math.round((finer * radiusMm) / CELL_MM.r));
  const nz = Math.max(FEWEST, Math.round((finer * halfMm) / CELL_MM.z));
  return { nr, nz, dr: radiusMm / 1000 / nr, dz: halfMm / 1000 / nz, radius: radiusMm / 1000 };
}
