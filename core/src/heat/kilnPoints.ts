/** The kiln's temperature over the clock, straight between its points; h ascending. */
export type KilnPoints = readonly { h: number; tempC: number }[];

/** The kiln's temperature at an hour; its ends are held. */
export function kilnAt(kiln: KilnPoints, h: number): number {
  let [low, high] = [0, kiln.length - 1];
  if (h <= kiln[0]!.h) return kiln[0]!.tempC;
  if (h >= kiln[high]!.h) return kiln[high]!.tempC;
  while (high - low > 1) {
    const middle = (low + high) >> 1;
    if (kiln[middle]!.h <= h) low = middle;
    else high = middle;
  }
  const [a, b] = [kiln[low]!, kiln[high]!];
  return b.h === a.h ? b.tempC : a.tempC + ((h - a.h) / (b.h - a.h)) * (b.tempC - a.tempC);
}
