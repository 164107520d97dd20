/** Room left between parts on the plate and to its edge, mm (*shop default*). */
export const PLATE_GAP_MM = 3;

/** How many parts of one footprint stand on a plate in a plain grid, whichever way round fits more. */
export function platePlaces(
  plateMm: readonly [number, number],
  footprintMm: readonly [number, number],
): number {
  const along = (room: number, part: number): number =>
    Math.max(0, Math.floor((room - PLATE_GAP_MM) / (part + PLATE_GAP_MM)));
  const [w, d] = footprintMm;
  return Math.max(along(plateMm[0], w) * along(plateMm[1], d), along(plateMm[0], d) * along(plateMm[1], w));
}
