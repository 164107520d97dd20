import { InputError } from '../numeric';
import { LIQUID_METALS } from './data/liquidMetals';
import type { Composition, Element } from './density';

/** What a melt carries into the mold. */
export interface Melt {
  densityKgPerM3: number;
  latentJPerKg: number;
  heatJPerKgK: number;
  surfaceNPerM: number;
}

/** Figures of an alloy that were measured or found in a book; the others follow from its composition. */
export interface KnownMelt {
  latentJPerG?: number | undefined;
  heatJPerGK?: number | undefined;
  surfaceNPerM?: number | undefined;
}

/**
 * The melt of an alloy: its own figures where there are any, else those of its pure metals mixed by mass (volumes additive for
 * the density). `estimated`: which figures came from the composition. An estimate of the surface tension errs upward, since the
 * metal of the lowest gathers at the surface. Throws InputError for a composition of nothing.
 */
export function meltOf(
  composition: Composition,
  known: KnownMelt = {},
): Melt & { estimated: readonly (keyof KnownMelt)[] } {
  const parts = Object.entries(composition) as [Element, number][];
  const sum = parts.reduce((total, [, share]) => total + share, 0);
  if (!(sum > 0)) throw new InputError('composition', 'shares of at least one metal', sum);
  const mixed = (of: (element: Element) => number): number =>
    parts.reduce((total, [element, share]) => total + share * of(element), 0) / sum;
  const estimated = (['latentJPerG', 'heatJPerGK', 'surfaceNPerM'] as const).filter(
    (key) => known[key] === undefined,
  );
  const own = (key: keyof KnownMelt): number => known[key] ?? mixed((e) => LIQUID_METALS[e][key]);
  return {
    densityKgPerM3: 1000 / mixed((e) => 1 / LIQUID_METALS[e].densityGPerCm3),
    latentJPerKg: 1000 * own('latentJPerG'),
    heatJPerKgK: 1000 * own('heatJPerGK'),
    surfaceNPerM: own('surfaceNPerM'),
    estimated,
  };
}
