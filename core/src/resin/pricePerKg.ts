/** "99 a litre", "99/l", "99 per liter": resins are often sold by volume. */
const A_LITRE = /^\s*(\d+(?:[.,]\d+)?)\s*(?:\/|a|per|the)\s*(?:l|lt|litre|liter)s?\.?\s*$/i;

/** A price told by the litre as one by the kilogram, from the liquid's density; undefined when it is not told so. */
export function pricePerKg(text: string, gPerMl: number): number | undefined {
  const told = A_LITRE.exec(text);
  return told && gPerMl > 0 ? Number(told[1]!.replace(',', '.')) / gPerMl : undefined;
}
