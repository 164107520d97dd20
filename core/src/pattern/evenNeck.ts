import { cellOf, entryOf, type Bricks } from '../solid';
import type { Section } from './section';

/** Cells as narrow as the narrowest within this share are the same neck. */
const AS_NARROW = 1.03;
/** Weaker by less is the same: a short neck is told where it is narrowest. */
const WEAKER = 0.9;
/** A middle has no more neighbours than this that lie deeper. */
const DEEPER_MOST = 3;
/** Cells beside a middle are passed on the way to the next one. */
const PASSED_MOST = 8;
/** A neck is followed so many of its widths from its narrowest cell, and looked at in so many places. */
const REACH_WIDTHS = 4;
const LOOKED_AT = 10;
const CELLS_MOST = 3000;

/**
 * A neck as it is for most of its length. Along a wire or a web every cell of the middle is as narrow as the narrowest; the first of
 * them may lie at an end, where a ball of 1.5 widths holds some of the mass beside it and the neck looks stouter than it is. Looks
 * along the middle and takes the place with the median V/A: the least would be that of a web's rim, which the metal passes by.
 * O(cells of the neck).
 */
export function evenNeck(
  { bricks, inside }: { bricks: Bricks; inside: Uint16Array },
  sectionOf: (entry: number) => Section,
  narrowest: number,
): Section {
  const own = sectionOf(narrowest);
  const middles = middlesOf(bricks, inside, narrowest);
  const every = Math.max(1, middles.length / LOOKED_AT);
  const looked: Section[] = [];
  for (let n = every / 2; n < middles.length; n += every) {
    const one = sectionOf(middles[Math.floor(n)]!);
    if (one.modulusMm > 0) looked.push(one);
  }
  looked.sort((a, b) => a.modulusMm - b.modulusMm);
  const usual = looked[Math.floor(looked.length / 2)];
  return usual && usual.modulusMm < WEAKER * own.modulusMm ? usual : own;
}

function middlesOf(bricks: Bricks, inside: Uint16Array, from: number): number[] {
  const [least, most] = [inside[from]! / AS_NARROW ** 2, inside[from]! * AS_NARROW ** 2];
  const reach2 = (REACH_WIDTHS * 2) ** 2 * inside[from]!;
  const start = new Int32Array(3);
  const cell = new Int32Array(3);
  cellOf(bricks, from, start);
  const seen = new Set([from]);
  const queue = [from];
  const found: number[] = [];
  for (let n = 0; n < queue.length && queue.length < CELLS_MOST; n++) {
    cellOf(bricks, queue[n]!, cell);
    const [x, y, z] = [cell[0]!, cell[1]!, cell[2]!];
    const beside: number[] = [];
    let deeper = 0;
    for (let dz = -1; dz <= 1; dz++)
      for (let dy = -1; dy <= 1; dy++)
        for (let dx = -1; dx <= 1; dx++) {
          const other = entryOf(bricks, x + dx, y + dy, z + dz);
          if (other < 0 || other === queue[n]) continue;
          if (inside[other]! > inside[queue[n]!]!) deeper++;
          if (inside[other]! >= least && inside[other]! <= most) beside.push(other);
        }
    if (deeper > PASSED_MOST && queue[n] !== from) continue;
    if (deeper <= DEEPER_MOST) found.push(queue[n]!);
    if ((x - start[0]!) ** 2 + (y - start[1]!) ** 2 + (z - start[2]!) ** 2 > reach2) continue;
    for (const other of beside)
      if (!seen.has(other)) {
        seen.add(other);
        queue.push(other);
      }
  }
  return found;
}
