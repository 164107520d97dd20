import { describe, expect, it } from 'vitest';
import { METRIC, formatPhrase } from '../numeric';
import { judgeMeltFall, meltFall } from './meltFall';
import { vacuumOverTime } from './vacuumFall';

const RANGE = { lowC: 480, highC: 540 };
const leads = (
  reads: [min: number, tempC: number][],
  gone = 0,
  flaskC: number | undefined = 500,
): string[] => {
  const fall = meltFall(reads.map(([min, tempC]) => ({ min, tempC })), 890); // prettier-ignore
  return fall ? judgeMeltFall(fall, gone, { tempC: flaskC, range: RANGE }).map(({ lead, weight }) => `${lead} ${weight}`) : []; // prettier-ignore
};

describe('the power went while it melts', () => {
  it('says how long the metal may still be poured, by its last two readings', () => {
    const fall = meltFall([{ min: 0, tempC: 1010 }, { min: 2, tempC: 980 }], 890)!; // prettier-ignore
    expect(fall).toMatchObject({ fallsCPerMin: 15, overC: 90, leftMin: 4 });
    expect(leads([[0, 1010], [2, 980]])).toEqual(['Pour now. ok']); // prettier-ignore
    // What was read before tells less than the last two, in whatever order they are given.
    expect(meltFall([{ min: 2, tempC: 980 }, { min: 0, tempC: 1010 }, { min: -5, tempC: 900 }], 890)!.leftMin).toBe(4); // prettier-ignore
  });
  it('runs out while nobody reads it, and never says ok of a fall that nobody measured', () => {
    expect(leads([[0, 1010], [2, 980]], 4)).toEqual(['Do not pour. stop']); // prettier-ignore
    expect(leads([[0, 1010]])).toEqual(['Pour now. watch']);
    // A crucible that grows hotter has power: no end is told.
    expect(leads([[0, 980], [2, 1010]])).toEqual(['Pour now. watch']); // prettier-ignore
    expect(leads([[0, 919]])).toEqual(['Do not pour. stop']);
    expect(leads([])).toEqual([]);
  });
  it('looks at the flask: not read, too cool, too hot', () => {
    const fine: [number, number][] = [[0, 1010], [2, 980]]; // prettier-ignore
    expect(judgeMeltFall(meltFall(fine.map(([min, tempC]) => ({ min, tempC })), 890)!, 0, { tempC: undefined, range: RANGE })[0]!.weight).toBe('watch'); // prettier-ignore
    expect(leads(fine, 0, 430)).toEqual(['The flask is too cool. watch']);
    expect(leads(fine, 0, 600)).toEqual(['The flask is too hot. watch']);
    const [one] = judgeMeltFall(meltFall([{ min: 0, tempC: 1010 }, { min: 2, tempC: 980 }], 890)!, 1, { tempC: 500, range: RANGE }); // prettier-ignore
    expect(formatPhrase(one!.why, METRIC)).toContain('for 3.0 min more');
  });
  it('refuses what is no reading', () => {
    expect(() => meltFall([{ min: 0, tempC: NaN }], 890)).toThrow('tempC');
    expect(() => leads([[0, 1010]], -1)).toThrow('goneMin');
  });
});

describe('a vacuum over time', () => {
  it('is what it pulled at best, and how fast that was lost, whichever way the gauge counts', () => {
    const reads = [{ afterS: 0, kPa: -40 }, { afterS: 20, kPa: -88 }, { afterS: 80, kPa: -70 }]; // prettier-ignore
    expect(vacuumOverTime(reads)).toEqual({ pulledKpa: 88, afterS: 20, fallsKpaPerMin: 18 });
    expect(vacuumOverTime(reads.map(({ afterS, kPa }) => ({ afterS, kPa: -kPa })))).toEqual(vacuumOverTime(reads)); // prettier-ignore
  });
  it('holds where it stays, and says nothing of a loss that was not looked at', () => {
    expect(vacuumOverTime([{ afterS: 20, kPa: 88 }, { afterS: 80, kPa: 88 }])!.fallsKpaPerMin).toBe(0); // prettier-ignore
    expect(vacuumOverTime([{ afterS: 20, kPa: 88 }])!.fallsKpaPerMin).toBeUndefined();
    expect(vacuumOverTime([])).toBeUndefined();
    expect(() => vacuumOverTime([{ afterS: 0, kPa: 400 }])).toThrow('kPa');
  });
});
