import { describe, expect, it } from 'vitest';
import { formatPhrase, METRIC } from '../numeric';
import { welded } from '../testing/analysed';
import { box, lathe, moved, prism, sphere, together, torus } from '../testing/solids';
import { bestStand, findHeldSpots, judgeHungAir, readHungAir, type HungAir } from './index';

const UPRIGHT = [1, 0, 0, 0, 1, 0, 0, 0, 1];
const OVER = [1, 0, 0, 0, -1, 0, 0, 0, -1];
/** A bell: 10 wide, 8 high, walls of 1, open below. */
const bell = welded(
  lathe(
    [
      [0, 7],
      [4, 7],
      [4, 0],
      [5, 0],
      [5, 8],
      [0, 8],
    ],
    64,
  ),
);
const BELL_MM3 = Math.PI * 16 * 7;
const kinds = (mesh: ReturnType<typeof welded>, turn = UPRIGHT) =>
  findHeldSpots(mesh, turn).map(({ kind }) => kind);
const DOWN: [number, number, number] = [0, 0, -1];

describe('air under a part on its gate', () => {
  it('is what a bell holds, and none once it stands on its crown', () => {
    const stand = { tiltDeg: 90, spinDeg: 0 };
    const [pocket] = readHungAir(bell, DOWN, stand).pockets;
    expect(pocket!.volumeMm3 / BELL_MM3).toBeGreaterThan(0.9);
    expect(pocket!.volumeMm3 / BELL_MM3).toBeLessThan(1.05);
    expect(pocket!.at[2]).toBeGreaterThan(6);
    expect(readHungAir(bell, [0, 0, 1], stand).pockets).toEqual([]);
  });
  it('is least where the search ends, among the angles that parts are joined at', () => {
    const now = { tiltDeg: 60, spinDeg: 0 };
    const best = bestStand(bell, DOWN, now);
    const air = ({ pockets }: HungAir): number => pockets.reduce((sum, p) => sum + p.volumeMm3, 0);
    for (const tiltDeg of [30, 45, 60])
      for (const spinDeg of [0, 90, 180])
        expect(air(best)).toBeLessThanOrEqual(1.1 * air(readHungAir(bell, DOWN, { tiltDeg, spinDeg })) + 0.5);
    expect(air(best)).toBeLessThan(air(readHungAir(bell, DOWN, now)));
  });
  it('leaves what stands well as it is', () => {
    const plain = welded(sphere(4, 4));
    expect(bestStand(plain, DOWN, { tiltDeg: 45, spinDeg: 17 })).toMatchObject({
      tiltDeg: 45,
      spinDeg: 17,
      pockets: [],
    });
  });
});

describe('corners and tips', () => {
  // The corner between the bars of an upside-down V, level along y.
  const roof = (legs: number) =>
    welded(prism([[0, 6], [legs, 0], [legs - 1.4, 0], [0, 4], [-legs + 1.4, 0], [-legs, 0]], 8)); // prettier-ignore
  it('an inside corner is one only while it runs level and looks down', () => {
    const [spot] = findHeldSpots(roof(5), UPRIGHT);
    expect(spot).toMatchObject({ kind: 'corner' });
    expect(spot!.lengthMm).toBeCloseTo(8, 3);
    expect(kinds(roof(5), OVER)).not.toContain('corner');
    // Stood on its end, the ridge runs up.
    expect(kinds(roof(5), [1, 0, 0, 0, 0, -1, 0, 1, 0])).not.toContain('corner');
  });
  it('a thin horn up is a tip, as one turned over it is none; a dome and a block are none', () => {
    const horn = welded(lathe([[0, 0], [3, 0], [0.4, 6], [0, 7.5]], 24)); // prettier-ignore
    expect(kinds(horn)).toEqual(['tip']);
    expect(kinds(horn, OVER)).toEqual([]);
    expect(kinds(welded(sphere(4, 4)))).toEqual([]);
    expect(kinds(welded(box([6, 6, 6])))).toEqual([]);
    expect(kinds(welded(torus(9, 1.2, 64, 24)))).toEqual([]);
  });
  it('several horns are several tips', () => {
    const one = (x: number) => moved(lathe([[0, 0], [1.5, 0], [0.3, 5], [0, 6]], 16), [x, 0, 0]); // prettier-ignore
    expect(kinds(welded(together(one(0), one(8))))).toEqual(['tip', 'tip']);
  });
});

describe('what is said of it', () => {
  const air = (over: Partial<HungAir> = {}): HungAir => ({
    tiltDeg: 45,
    spinDeg: 0,
    pockets: [],
    spots: [],
    cellMm: 0.1,
    ...over,
  });
  const said = (now: HungAir, best = now): string[] =>
    judgeHungAir('the band', now, best).map((j) => `${j.weight} ${j.lead} ${formatPhrase(j.why, METRIC)}`);
  const cup = { at: [0, 0, 0] as [number, number, number], volumeMm3: 3.2, depthMm: 1.4 };
  it('names the bubble and the stand that lets it out', () => {
    const [line] = said(air({ pockets: [cup] }), air({ tiltDeg: 60, spinDeg: 90 }));
    expect(line).toContain('fix Air stays under the band. As it hangs, a bubble of 3.2 mm³');
    expect(line).toContain('Joined at 60° and turned to 90° about its gate none stays.');
  });
  it('says that nothing better was found, where nothing was', () => {
    expect(said(air({ pockets: [cup] }))[0]).toContain('No other of the stands that were tried holds less');
  });
  it('is ok only where nothing at all is held', () => {
    expect(said(air())).toHaveLength(1);
    expect(said(air())[0]).toMatch(/^ok Air leaves/);
    const spots = [{ kind: 'tip' as const, at: cup.at, lengthMm: 0 }];
    expect(said(air({ spots })).map((line) => line.split(' ')[0])).toEqual(['watch']);
  });
});
