import { describe, expect, it } from 'vitest';
import reference from '../../reference/invest.json';
import { flaskVolumeMl } from '../flask';
import { InputError } from '../numeric';
import {
  judgeBond,
  judgeBoricAsked,
  BORIC_ACID,
  investSteps,
  mixSlurry,
  POWDER_DENSITY,
  workingMinutes,
} from './index';

const flaskMl = flaskVolumeMl(76, 102);
const mix = mixSlurry(flaskMl, 4.55, 0.4);

describe('mix', () => {
  it('agrees with the worked flask', () => {
    expect(flaskMl).toBeCloseTo(reference.flask_ml, 9);
    expect(mix.slurryGPerMl).toBeCloseTo(reference.slurry_density, 9);
    expect(mix.powderG).toBeCloseTo(reference.powder_g, 9);
    expect(mix.waterG).toBeCloseTo(reference.water_g, 9);
    expect(BORIC_ACID.of({ p: mix.powderG, b: 1 })).toBeCloseTo(reference.boric_1pct_powder_g, 9);
    expect(BORIC_ACID.of({ p: mix.waterG, b: 1 })).toBeCloseTo(reference.boric_1pct_water_g, 9);
  });
  it('fills just the flask round the tree, at any ratio', () => {
    for (const ratio of [0.36, 0.4, 0.45]) {
      const { powderG, waterG } = mixSlurry(300, 20, ratio, 0);
      expect(powderG / POWDER_DENSITY + waterG).toBeCloseTo(280, 9);
    }
  });
  it('refuses a tree that is larger than its flask', () => {
    expect(() => mixSlurry(100, 100, 0.4)).toThrow(InputError);
  });
});

describe('working time', () => {
  it('is what the maker says at 22 °C, less when warmer, more when colder', () => {
    expect(workingMinutes(9.5, 22)).toBe(9.5);
    expect(workingMinutes(9.5, 27)).toBeLessThan(8);
    expect(workingMinutes(9.5, 18)).toBeGreaterThan(11);
  });
  it('goes through the powder’s own second figure, where that is one', () => {
    const own = { waterC: 30, min: 5 };
    expect(workingMinutes(9.5, 30, own)).toBeCloseTo(5, 9);
    expect(workingMinutes(9.5, 22, own)).toBe(9.5);
    expect(workingMinutes(9.5, 26, own)).toBeCloseTo(Math.sqrt(9.5 * 5), 9);
    expect(workingMinutes(9.5, 27, { waterC: 22, min: 5 })).toBe(workingMinutes(9.5, 27));
    expect(workingMinutes(9.5, 27, { waterC: 30, min: 12 })).toBe(workingMinutes(9.5, 27));
  });
  it('gives each of several flasks its turn, in the order in which they end', () => {
    const steps = investSteps(9.5, ['A', 'B']);
    expect(steps.map(({ key }) => key)).toEqual(['mix', 'bowl', 'pour A', 'pour B', 'flask A', 'flask B', 'top', 'still']); // prettier-ignore
    const ends = steps.map(({ endsAtMin }) => endsAtMin!);
    expect(ends).toEqual([...ends].sort((a, b) => a - b));
    expect(ends.at(-1)).toBe(9.5);
    expect(investSteps(6, ['A', 'B']).at(-1)?.endsAtMin).toBe(9.5);
  });
  it('stretches the steps, the last ending at gloss-off', () => {
    const steps = investSteps(9.5);
    expect(steps[0]?.endsAtMin).toBeCloseTo(3, 9);
    expect(steps.at(-1)?.endsAtMin).toBeCloseTo(9.5, 9);
    expect(investSteps(4.75).map((s) => s.endsAtMin! * 2)).toEqual(steps.map((s) => s.endsAtMin));
  });
});

describe('boric acid that the resin asks for', () => {
  const MIX = { powderG: 1000, waterG: 400 };
  const said = (school: 'none' | 'powder' | 'water', percent: number | undefined, boricG?: number): string[] =>
    judgeBoricAsked({ by: 'Amber', school, percent }, { ...MIX, boricG }).map(({ weight, lead }) => `${weight} ${lead}`); // prettier-ignore
  it('is compared in grams, whatever it is a percent of', () => {
    expect(said('powder', 1, 10)).toEqual(['ok Boric acid as the resin asks.']);
    expect(said('water', 2.5, 10)).toEqual(['ok Boric acid as the resin asks.']);
    expect(said('water', 1, 10)).toEqual(['watch More boric acid than asked.']);
    expect(said('powder', 2, 10)).toEqual(['watch Less boric acid than asked.']);
  });
  it('is missing where none is planned, and nothing good is said where its record has no amount', () => {
    expect(said('powder', 1)).toEqual(['watch The resin asks for boric acid.']);
    expect(said('powder', undefined, 10)).toEqual(['watch The resin asks for boric acid.']);
  });
  it('is not spoken of where none is asked, or nobody knows', () => {
    expect(said('none', 0, 10)).toEqual([]);
    expect(judgeBoricAsked(undefined, MIX)).toEqual([]);
  });
});

describe('metal and bond', () => {
  const gypsum = { name: 'Harbour Stout', ceilingC: 750 };
  it.each([
    ['a platinum alloy', 1850, 'stop'],
    ['steel', 1500, 'stop'],
    ['a cobalt alloy', 1400, 'stop'],
    ['nickel-white gold', 1090, undefined],
    ['22 ct yellow gold', 1060, undefined],
    ['copper', 1175, undefined],
  ] as const)('%s, poured from %d °C: %s', (name, lowC, weight) => {
    expect(judgeBond({ name, lowC }, gypsum)[0]?.weight).toBe(weight);
  });
  it('says nothing of a powder that stands the heat', () => {
    expect(judgeBond({ name: 'steel', lowC: 1500 }, { name: 'Hard Shell', ceilingC: 1100 })).toEqual([]);
  });
});
