import { describe, expect, it } from 'vitest';
import { programmeCurve } from '../burnout';
import { segment } from '../testing/segments';
import { heatFlask, heaviestLoad, judgeLoad, plasterOf, type HeatRow } from './index';

const KILN = { name: 'Blue', maxRampCPerH: 500, coolTauH: 5 };
const curve = programmeCurve([segment(130, 150, 2.5), segment(110, 730, 3)], 520, KILN);
const flask = (innerDiameterMm: number, heightMm: number): HeatRow[] =>
  heatFlask({
    body: { innerDiameterMm, heightMm, shellMm: 2 },
    plaster: plasterOf(0.4),
    kiln: curve.points,
    patternsMm: innerDiameterMm / 4,
  }).rows;
const [small, wide] = [flask(64, 76), flask(100, 127)];
const said = (powerKw: number | undefined, flasks: HeatRow[][]): string =>
  judgeLoad(KILN, powerKw, flasks)
    .map(({ weight, lead }) => `${weight} ${lead}`)
    .join();

describe('what flasks take of a kiln', () => {
  it('is what the heat model put into them: water, plaster and shell', () => {
    for (const rows of [small, wide]) {
      expect(rows[0]!.takenJ).toBe(0);
      expect(rows.at(-1)!.takenJ).toBeGreaterThan(5e5);
    }
    expect(wide.at(-1)!.takenJ / small.at(-1)!.takenJ).toBeGreaterThan(2.5);
  });
  it('of several flasks is their sum', () => {
    const one = heaviestLoad(KILN, 3, [small])!;
    const two = heaviestLoad(KILN, 3, [small, small])!;
    expect(two.flasksKw).toBeGreaterThan(1.5 * one.flasksKw);
    expect(two.flasksKw + two.kilnKw).toBeGreaterThan(one.flasksKw + one.kilnKw);
    expect(heaviestLoad(KILN, 3, [])).toBeUndefined();
  });
});

describe('whether the kiln carries them', () => {
  it('is said where its power is known, and more flasks are more load', () => {
    expect(said(3, [small])).toBe('ok The kiln carries them.');
    const dozen = Array.from({ length: 12 }, () => wide);
    expect(said(1.2, [small])).toBe('ok The kiln carries them.');
    expect(said(1.2, dozen)).toBe('watch The kiln may lag behind.');
  });
  it('is not known of several without its power, and not asked of one', () => {
    expect(said(undefined, [small, wide])).toBe('watch Whether the kiln carries them is not known.');
    expect(said(undefined, [small])).toBe('');
  });
});
