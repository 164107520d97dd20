import { ELEMENT_DENSITIES, type Composition, type Element } from './density';

/** Prices of fine metal, in the shop's currency a gram. */
export type MetalPrices = Partial<Record<Element, number>>;

/** An alloy's metal at the prices of fine metals; `unpriced`: metals in it that have none, counted as nothing. */
export interface AlloyPrice {
  perG: number;
  unpriced: Element[];
}

/**
 * What a gram of an alloy's metal is worth: Σ shares × prices. Undefined where its composition is not known, or not one of its metals
 * has a price: that is no price of nothing.
 */
export function priceOfAlloy(composition: Composition, prices: MetalPrices): AlloyPrice | undefined {
  const parts = (Object.keys(ELEMENT_DENSITIES) as Element[]).filter(
    (element) => (composition[element] ?? 0) > 0,
  );
  const unpriced = parts.filter((element) => prices[element] === undefined);
  if (unpriced.length === parts.length) return undefined;
  const perG = parts.reduce((sum, element) => sum + composition[element]! * (prices[element] ?? 0), 0);
  return { perG, unpriced };
}
