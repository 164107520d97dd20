import { describe, expect, it } from 'vitest';
import { seededRandom } from '../numeric';
import { foreseeHeat, heatWindow, type HeatTrial } from './heatWindow';

const RANGE = { lowC: 480, highC: 540 };
const flask = (tempC: number, cool = 0, hot = 0, castings = 10): HeatTrial => ({
  tempC,
  weight: 1,
  castings,
  cool,
  hot,
});

describe('the window of a casting temperature', () => {
  it('is the book’s range before any flask: its ends in the middle, the middle proposed', () => {
    const { coolEdge, hotEdge, bestC } = heatWindow(RANGE, []);
    // The width of the fall is uncertain too, so that the median lies a little off the mean.
    expect(Math.abs(coolEdge.q50C - RANGE.lowC)).toBeLessThan(3);
    expect(Math.abs(hotEdge.q50C - RANGE.highC)).toBeLessThan(3);
    expect(coolEdge.q95C - coolEdge.q05C).toBeGreaterThan(80);
    expect(bestC).toBe(510);
  });
  it('moves up after misruns, down after shrinkage, and narrows', () => {
    const before = heatWindow(RANGE, []);
    const cool = heatWindow(RANGE, [flask(510, 6)]);
    const hot = heatWindow(RANGE, [flask(510, 0, 6)]);
    expect(cool.bestC).toBeGreaterThan(before.bestC);
    expect(hot.bestC).toBeLessThan(before.bestC);
    expect(cool.coolEdge.q50C).toBeGreaterThan(510);
    const width = ({ q05C, q95C }: { q05C: number; q95C: number }): number => q95C - q05C;
    const many = heatWindow(RANGE, [flask(490, 5), flask(520), flask(500, 1), flask(530)]);
    expect(width(many.coolEdge)).toBeLessThan(width(before.coolEdge));
  });
  it('does not mind the order, and what was guessed moves it less', () => {
    const trials = [flask(490, 5), flask(520, 0, 1), flask(540, 0, 5)];
    expect(heatWindow(RANGE, [...trials].reverse()).bestC).toBe(heatWindow(RANGE, trials).bestC);
    const move = (weight: number): number =>
      heatWindow(RANGE, [{ ...flask(510, 5), weight }]).coolEdge.q50C - heatWindow(RANGE, []).coolEdge.q50C;
    expect(move(0.25)).toBeGreaterThan(0);
    expect(move(0.25)).toBeLessThan(move(1));
    expect(move(0)).toBe(0);
  });
  it('finds edges that flasks were drawn from, within what it says of them', () => {
    const random = seededRandom(8);
    const pass = (z: number): number => 0.98 / (1 + Math.exp(-z));
    let inside = 0;
    const shops = 40;
    for (let shop = 0; shop < shops; shop++) {
      const [lower, upper] = [470 + 30 * random.uniform(), 545 + 30 * random.uniform()];
      const trials = Array.from({ length: 14 }, (): HeatTrial => {
        const tempC = 440 + 160 * random.uniform();
        const count = (p: number): number => Array.from({ length: 8 }, () => random.uniform() > p).filter(Boolean).length; // prettier-ignore
        return flask(tempC, count(pass((tempC - lower) / 9)), count(pass((upper - tempC) / 9)), 8);
      });
      const { coolEdge, hotEdge } = heatWindow(RANGE, trials);
      const [cool, hot] = [lower + 9 * Math.log(9), upper - 9 * Math.log(9)];
      if (cool >= coolEdge.q05C && cool <= coolEdge.q95C) inside++;
      if (hot >= hotEdge.q05C && hot <= hotEdge.q95C) inside++;
    }
    expect(inside / (2 * shops)).toBeGreaterThan(0.85);
  });
  it('foretells what each outcome would mean, and its chances never pass one', () => {
    const window = heatWindow(RANGE, [flask(495, 3), flask(515)]);
    const outcomes = foreseeHeat(window, window.bestC, 8);
    const nextOf = (kind: string): number => outcomes.find((one) => one.kind === kind)!.nextC;
    expect(nextOf('some do not fill')).toBeGreaterThan(nextOf('all come out'));
    expect(nextOf('some are shrunk or rough')).toBeLessThan(nextOf('all come out'));
    const sum = outcomes.reduce((total, { chance }) => total + chance, 0);
    expect(sum).toBeGreaterThan(0);
    expect(sum).toBeLessThanOrEqual(1);
  });
  it('refuses what cannot be', () => {
    expect(() => heatWindow({ lowC: 540, highC: 480 }, [])).toThrow('highC');
    expect(() => heatWindow(RANGE, [flask(500, 11)])).toThrow('cool');
    expect(() => heatWindow(RANGE, [{ ...flask(500), weight: 2 }])).toThrow('weight');
    expect(() => foreseeHeat(heatWindow(RANGE, []), 500, 0)).toThrow('castings');
  });
  it('stands on one temperature where the book gives no more', () => {
    expect(heatWindow({ lowC: 500, highC: 500 }, []).bestC).toBe(500);
  });
});
