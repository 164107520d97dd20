import { InputError } from '../numeric';

/** Densities of the pure metals at 20 °C, g/cm³ (common handbook values). */
export const ELEMENT_DENSITIES = {
  Ag: 10.49,
  Cu: 8.96,
  Au: 19.32,
  Zn: 7.14,
  Si: 2.329,
  Sn: 7.287,
  Al: 2.7,
  Sb: 6.697,
  Ni: 8.908,
  Pd: 12.02,
} as const;
export type Element = keyof typeof ELEMENT_DENSITIES;
/** Mass shares that sum to 1. */
export type Composition = Partial<Record<Element, number>>;

/** Shares may be off by rounding in the book, not by a missing element. */
const SUM_TOLERANCE = 0.005;

/** Density of an alloy from 1/ρ = Σ wᵢ/ρᵢ, volumes additive (handbook 05). Throws when shares do not sum to 1. */
export function alloyDensity(composition: Composition): number {
  let sum = 0;
  let inverse = 0;
  for (const [element, share] of Object.entries(composition) as [Element, number][]) {
    sum += share;
    inverse += share / ELEMENT_DENSITIES[element];
  }
  if (Math.abs(sum - 1) > SUM_TOLERANCE) throw new InputError('composition', 'shares that sum to 1', sum);
  return sum / inverse;
}
