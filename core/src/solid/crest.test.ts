import { describe, expect, it } from 'vitest';
import { allBricks, entryOf, FAR, measureDistances } from './index';
import { crestOf, staysWithin } from './crest';

const SIDE = 48;
/** A field of distances inside what `isSolid` tells, in a box of cells. */
function fieldOf(isSolid: (x: number, y: number, z: number) => boolean) {
  const bricks = allBricks({ cellMm: 1, originMm: [0, 0, 0], nx: SIDE, ny: SIDE, nz: SIDE });
  const field = new Uint16Array(bricks.place.length * 512);
  const at = (x: number, y: number, z: number): number => entryOf(bricks, x, y, z);
  for (let z = 0; z < SIDE; z++)
    for (let y = 0; y < SIDE; y++)
      for (let x = 0; x < SIDE; x++) if (isSolid(x, y, z)) field[at(x, y, z)] = FAR;
  measureDistances(bricks, field, 'zero');
  return { bricks, field, at };
}
const between = (v: number, from: number, to: number): boolean => v >= from && v < to;

describe('climbing a field of distances', () => {
  // A bar of 6 × 6 cells that ends in a block of 24 × 24 × 24.
  const { bricks, field, at } = fieldOf(
    (x, y, z) =>
      (between(x, 2, 24) && between(y, 20, 26) && between(z, 20, 26)) ||
      (between(x, 22, 46) && between(y, 11, 35) && between(z, 11, 35)),
  );
  const within = (cells: number, x: number, y: number, z: number): boolean =>
    staysWithin(bricks, field, at(x, y, z), cells ** 2);

  it('stays within a bar’s own width from everywhere in it, its edges too', () => {
    for (const [y, z] of [
      [22, 22],
      [20, 20],
      [25, 23],
    ] as const)
      expect(within(3, 8, y, z)).toBe(true);
    expect(within(2.5, 8, 22, 22)).toBe(false);
  });

  it('does not in the corner of a block, however near to its surface, nor where a bar runs out into it', () => {
    expect(within(3, 45, 34, 34)).toBe(false);
    expect(within(3, 22, 11, 11)).toBe(false);
    expect(within(3, 21, 22, 22)).toBe(false);
    expect(within(12, 45, 34, 34)).toBe(true);
  });

  it('ends on the middle of a bar, and says so where it leads out of a corner', () => {
    const top = crestOf(bricks, field, at(8, 21, 22));
    expect(field[top]).toBe(9);
    expect(crestOf(bricks, field, at(44, 33, 33))).toBe(-1);
  });
});
