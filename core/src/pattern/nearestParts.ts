/** A part whose thinnest place is known, with what became of its castings. */
export interface KnownThickness {
  thinnestMm: number;
  castings: number;
  /** Castings that came out broken or not filled, and those that came out clean. */
  broke: number;
  clean: number;
}

/** Neighbours of a part by its thinnest place (handbook 01, "Nearest known parts"). */
export interface NearestParts<T> {
  /** The thickest known part that is finer and has been cast. */
  finer: T | null;
  /** The thinnest known part that is stouter, or as stout, and has been cast. */
  stouter: T | null;
}

/** The two parts of the record that bracket a thickness; parts that were never cast tell nothing. O(n). */
export function nearestParts<T extends KnownThickness>(
  thinnestMm: number,
  known: readonly T[],
): NearestParts<T> {
  const nearest: NearestParts<T> = { finer: null, stouter: null };
  for (const part of known) {
    if (part.castings === 0) continue;
    if (part.thinnestMm < thinnestMm) {
      if (!nearest.finer || part.thinnestMm > nearest.finer.thinnestMm) nearest.finer = part;
    } else if (!nearest.stouter || part.thinnestMm < nearest.stouter.thinnestMm) nearest.stouter = part;
  }
  return nearest;
}

/** "which broke 2 of 5", "which cast clean, 4 of 4". */
export function outcomeOf({ castings, broke, clean }: KnownThickness): string {
  if (broke > 0) return `which broke or did not fill, ${broke} of ${castings}`;
  return clean === castings ? `which cast clean, ${clean} of ${castings}` : `${clean} of ${castings} clean`;
}
