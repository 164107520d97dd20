import { describe, expect, it } from 'vitest';
import { fitLine, fitSlope, formatPhrase, InputError, METRIC, seededRandom } from '../numeric';
import { judgeAdhesion, learnMotion, learnSupports, printTime, type TimedPrint } from './index';

const WIDE = { value: 0, sd: 1e6 };

describe('slope through the origin', () => {
  it('is the plain least-squares slope where nothing is wild', () => {
    const readings = [1, 2, 3, 4].map((x, i) => ({ x, y: 3 * x + [0.1, -0.05, 0.02, -0.1][i]!, sd: 1 }));
    const plain =
      readings.reduce((sum, r) => sum + r.x * r.y, 0) / readings.reduce((sum, r) => sum + r.x ** 2, 0);
    expect(fitSlope(readings, WIDE).value).toBeCloseTo(plain, 8);
    // Mirrored through the origin, the ordinary line has no intercept and the same slope.
    const both = readings.flatMap(({ x, y }) => [{ x, y }, { x: -x, y: -y }]); // prettier-ignore
    expect(fitLine(both).slope).toBeCloseTo(plain, 9);
  });

  it('stays at what was believed without readings, and leaves it as they come', () => {
    expect(fitSlope([], { value: 6, sd: 2 })).toEqual({ value: 6, sd: 2, doubted: [] });
    const one = fitSlope([{ x: 1, y: 8, sd: 2 }], { value: 6, sd: 2 });
    expect(one.value).toBeCloseTo(7, 6);
    expect(one.sd).toBeCloseTo(Math.SQRT2, 6);
  });

  it('is not led astray by one wild reading, and names it', () => {
    const readings = [1, 2, 3, 4, 5].map((x) => ({ x, y: 2 * x, sd: 0.1 }));
    const { value, doubted } = fitSlope([...readings, { x: 3, y: 60, sd: 0.1 }], WIDE);
    expect(value).toBeCloseTo(2, 1);
    expect(doubted).toEqual([5]);
  });

  it('refuses readings that say nothing', () => {
    expect(() => fitSlope([{ x: 0, y: 1, sd: 1 }], WIDE)).toThrow(InputError);
    expect(() => fitSlope([{ x: 1, y: Number.NaN, sd: 1 }], WIDE)).toThrow(InputError);
    expect(() => fitSlope([], { value: 1, sd: 0 })).toThrow(InputError);
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
    const { motionS } = learnMotion(printsOf(7.3, 1, 0), 6, 1e6);
    expect(motionS).toBeCloseTo(7.3, 6);
  });

  it.each([3.5, 6, 9.2])('of %s s is recovered though some ends are noticed late', (trueS) => {
    for (let seed = 1; seed <= 20; seed++) {
      const { motionS, prints } = learnMotion(printsOf(trueS, seed, 6), 6);
      expect(Math.abs(motionS - trueS)).toBeLessThan(0.35);
      expect(prints).toBe(12);
    }
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
