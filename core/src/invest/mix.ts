import { InputError, requireNumber, requirePositive } from '../numeric';

/** Density of dry gypsum-bonded powder, g/ml (handbook 07). */
export const POWDER_DENSITY = 2.65;
/** Slurry left in bowl and whisk (*shop default*). */
export const MIX_WASTE_PERCENT = 5;

export interface Mix {
  slurryGPerMl: number;
  powderG: number;
  waterG: number;
}

/** Slurry density ρs = (1 + r)/(1/ρp + r). */
export function slurryDensity(ratio: number): number {
  requireNumber('ratio', ratio, 0.2, 1);
  return (1 + ratio) / (1 / POWDER_DENSITY + ratio);
}

/**
 * Powder and water that fill the flask round the tree: p = ρs·(V_flask − V_tree)·(1 + waste)/(1 + r), w = r·p
 * (handbook 07, "Mix"). Volumes in ml.
 */
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
  const waste = 1 + requireNumber('wastePercent', wastePercent, 0, 100) / 100;
  const powderG = (slurryGPerMl * (flaskMl - treeMl) * waste) / (1 + ratio);
  return { slurryGPerMl, powderG, waterG: ratio * powderG };
}

/** The two schools of dosing boric acid, and none. */
export const BORIC_SCHOOLS = ['none', 'powder', 'water'] as const;
export type BoricSchool = (typeof BORIC_SCHOOLS)[number];

/** Boric acid in g, by percent of the powder's or of the water's weight. */
export function boricAcidG(school: BoricSchool, percent: number, mix: Mix): number {
  requireNumber('percent', percent, 0, 20);
  switch (school) {
    case 'none':
      return 0;
    case 'powder':
      return (mix.powderG * percent) / 100;
    case 'water':
      return (mix.waterG * percent) / 100;
  }
}
