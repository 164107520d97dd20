import { InputError, requireNumber, requirePositive } from '../numeric';
import { formula } from '../working';

/** Density of dry gypsum-bonded powder, g/ml (handbook 07). */
export const POWDER_DENSITY = 2.65;
/** Slurry left in bowl and whisk (*shop default*). */
export const MIX_WASTE_PERCENT = 5;

export interface Mix {
  slurryGPerMl: number;
  powderG: number;
  waterG: number;
}

/** Density of the slurry, g/ml, from that of the powder and water ÷ powder. */
export const SLURRY_DENSITY = formula`(1 + ${'r'}) / (1/${'ρp'} + ${'r'})`;
/** Powder that fills the flask round the tree: ml, g/ml, percent left in the bowl; g (handbook 07, "Mix"). */
export const POWDER = formula`${'ρ'} × (${'F'} − ${'T'}) × (1 + ${'w'}/100) / (1 + ${'r'})`;
export const WATER = formula`${'r'} × ${'p'}`;
/** Boric acid by percent of the powder's or of the water's weight. */
export const BORIC_ACID = formula`${'p'} × ${'b'}/100`;

function slurryDensity(ratio: number): number {
  return SLURRY_DENSITY.of({ r: requireNumber('ratio', ratio, 0.2, 1), ρp: POWDER_DENSITY });
}

/** Powder and water that fill the flask round the tree. Volumes in ml. */
export function mixSlurry(
  flaskMl: number,
  treeMl: number,
  ratio: number,
  wastePercent = MIX_WASTE_PERCENT,
): Mix {
  requirePositive('flaskMl', flaskMl);
  requireNumber('treeMl', treeMl, 0);
  if (treeMl >= flaskMl) throw new InputError('treeMl', `less than the flask's ${flaskMl}`, treeMl);
  const slurryGPerMl = slurryDensity(ratio);
  const w = requireNumber('wastePercent', wastePercent, 0, 100);
  const powderG = POWDER.of({ ρ: slurryGPerMl, F: flaskMl, T: treeMl, w, r: ratio });
  return { slurryGPerMl, powderG, waterG: WATER.of({ r: ratio, p: powderG }) };
}

/** The two schools of dosing boric acid, and none. */
export const BORIC_SCHOOLS = ['none', 'powder', 'water'] as const;
export type BoricSchool = (typeof BORIC_SCHOOLS)[number];

/** What is looked over before powder meets water. */
export const INVEST_CHECKS = ['patterns dusted off', 'rim even and clean', 'powder without lumps'] as const;
