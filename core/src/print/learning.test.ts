import { describe, expect, it } from 'vitest';
import { fitLine, fitRobust, formatPhrase, InputError, METRIC, seededRandom } from '../numeric';
import { judgeAdhesion, learnMotion, learnSupports, printTime, type TimedPrint } from './index';

const WIDE = { value: 0, sd: 1e6 };
const at = (x: number, y: number, sd = 1) => ({ x: [x], y, sd });
const line = (x: number, y: number, sd = 1) => ({ x: [x, 1], y, sd });

describe('least squares that is not led astray', () => {
  it('is plain least squares where nothing is wild', () => {
    const points = [1, 2, 3, 4, 6].map((x, i) => ({ x, y: 5 + 3 * x + [0.1, -0.05, 0.02, -0.1, 0.06][i]! }));
    const { values } = fitRobust(points.map(({ x, y }) => line(x, y)), [WIDE, WIDE]); // prettier-ignore
    const { slope, intercept } = fitLine(points);
    expect(values[0]).toBeCloseTo(slope, 6);
    expect(values[1]).toBeCloseTo(intercept, 6);
  });

  it('stays at what was believed without readings, and leaves it as they come', () => {
    expect(fitRobust([], [{ value: 6, sd: 2 }])).toEqual({ values: [6], sds: [2], doubted: [] });
    const one = fitRobust([at(1, 8, 2)], [{ value: 6, sd: 2 }]);
    expect(one.values[0]).toBeCloseTo(7, 6);
    expect(one.sds[0]).toBeCloseTo(Math.SQRT2, 6);
  });

  it('is not led astray by one wild reading, and names it', () => {
    const readings = [1, 2, 3, 4, 5].map((x) => at(x, 2 * x, 0.1));
    const { values, doubted } = fitRobust([...readings, at(3, 60, 0.1)], [WIDE]);
    expect(values[0]).toBeCloseTo(2, 1);
    expect(doubted).toEqual([5]);
  });

  it('refuses readings that say nothing', () => {
    expect(() => fitRobust([at(1, 1, 0)], [WIDE])).toThrow(InputError);
    expect(() => fitRobust([at(1, Number.NaN)], [WIDE])).toThrow(InputError);
    expect(() => fitRobust([], [{ value: 1, sd: 0 }])).toThrow(InputError);
  });
});

/** Prints of many heights on a printer whose motion is known, with ends as they are found. */
function printsOf(motionS: number, seed: number, lateMin: number): TimedPrint[] {
  const { uniform: random } = seededRandom(seed);
  return Array.from({ length: 12 }, (_, i) => {
    const heightMm = 8 + 40 * random();
    const profile = { layerMm: i % 2 ? 0.05 : 0.03, exposureS: 2 + 2 * random(), baseExposureS: 25, baseLayers: 6, transitionLayers: 4, motionS }; // prettier-ignore
    const { layers, seconds } = printTime(heightMm, profile);
    const exact = i % 3 === 0;
    const late = exact ? 0 : -60 * lateMin * Math.log(1 - random());
    return { layers, exposureS: seconds - layers * motionS, seconds: seconds + late, exact };
  });
}

describe('motion a layer', () => {
  it('is recovered from records exactly when they are exact', () => {
    const exact = printsOf(7.3, 1, 0).map((print) => ({ ...print, exact: true }));
    const { motionS } = learnMotion(exact, 6, 1e6);
    expect(motionS).toBeCloseTo(7.3, 6);
  });

  it.each([3.5, 6, 9.2])('of %s s is recovered though some ends are noticed late', (trueS) => {
    for (let seed = 1; seed <= 20; seed++) {
      const { motionS, prints } = learnMotion(printsOf(trueS, seed, 6), 6);
      expect(Math.abs(motionS - trueS)).toBeLessThan(0.35);
      expect(prints).toBe(12);
    }
  });

  it('is told from lateness by short and tall prints, though no end is exact', () => {
    for (let seed = 1; seed <= 20; seed++) {
      const seen = printsOf(6.9, seed, 8).map((print) => ({ ...print, exact: false }));
      expect(Math.abs(learnMotion(seen, 6.2).motionS - 6.9)).toBeLessThan(0.75);
    }
  });

  it('learns how late this shop comes to look, and takes that for granted where told to', () => {
    const prints = printsOf(7, 4, 0).map((print, i) => ({ ...print, exact: i < 6, seconds: print.seconds + (i < 6 ? 0 : 900) })); // prettier-ignore
    expect(learnMotion(prints, 7).late.value).toBeGreaterThan(700);
    const seen = prints.slice(6);
    const known = learnMotion(seen, 7, 2, { value: 900, sd: 1 });
    expect(known.motionS).toBeCloseTo(7, 1);
  });

  it('does not believe a print that lay finished over night', () => {
    const prints = printsOf(7, 5, 2);
    const night = { ...prints[1]!, seconds: prints[1]!.seconds + 9 * 3600 };
    const learnt = learnMotion([...prints, night], 6);
    expect(learnt.motionS).toBeGreaterThan(6.8);
    expect(learnt.motionS).toBeLessThan(7.4);
    expect(learnt.doubted).toContain(12);
  });

  it('keeps what the printer is said to need until a print tells, and is surer with each', () => {
    const none = learnMotion([], 6);
    expect([none.motionS, none.prints]).toEqual([6, 0]);
    const one = learnMotion(printsOf(7, 3, 0).slice(0, 1), 6);
    expect(one.plusMinusS).toBeLessThan(none.plusMinusS);
  });

  it('refuses a print without layers', () => {
    expect(() => learnMotion([{ layers: 0, exposureS: 1, seconds: 2, exact: true }], 6)).toThrow(InputError);
  });
});

describe('support share', () => {
  it('is what is left of the resin after parts, raft and film', () => {
    const plates = [10, 20, 40].map((partsMl) => ({ partsMl, raftMl: 2, usedMl: partsMl * 1.45 + 2 + 3, measured: true })); // prettier-ignore
    const many = Array.from({ length: 20 }, () => plates).flat();
    expect(learnSupports(many, 30).percent).toBeCloseTo(45, 0);
  });
  it('takes the preparing program’s figure without the film', () => {
    const told = { partsMl: 40, raftMl: 2, usedMl: 40 * 1.3 + 2, measured: false };
    expect(learnSupports([told], 30).percent).toBeCloseTo(30, 9);
    expect(learnSupports([{ ...told, measured: true }], 30).percent).toBeLessThan(30);
  });
  it('is never below none', () => {
    const odd = { partsMl: 50, raftMl: 5, usedMl: 10, measured: true };
    expect(learnSupports(Array.from({ length: 9 }, () => odd), 5).percent).toBe(0); // prettier-ignore
  });
});

describe('adhesion', () => {
  const load = { hangingG: 10, peakMm2: 300, heldMm2: 400 };
  const words = (of: ReturnType<typeof judgeAdhesion>): string => `${of.weight}: ${of.lead} ${formatPhrase(of.why, METRIC)}`; // prettier-ignore

  it('is compared with what has held, and with what came off', () => {
    expect(judgeAdhesion(load, [{ ...load, held: true }])).toMatchObject({
      weight: 'ok',
      lead: 'Held before.',
    });
    expect(judgeAdhesion({ ...load, hangingG: 30 }, [{ ...load, held: false }]).weight).toBe('fix');
    expect(judgeAdhesion({ ...load, hangingG: 30 }, [{ ...load, held: true }]).lead).toBe('Enough holds it.');
  });
  it('tells its numbers, and what to do when little holds', () => {
    const said = words(judgeAdhesion({ ...load, heldMm2: 40 }, []));
    expect(said).toBe('watch: Little holds it. The film pulls at 300 mm², 40 mm² hold it; 10.0 g hang there. More than has been seen to hold here. A raft, a larger base, a priming coat, or fewer parts.'); // prettier-ignore
  });
  it('refuses a part that nothing holds', () => {
    expect(() => judgeAdhesion({ ...load, heldMm2: 0 }, [])).toThrow(InputError);
  });
});
