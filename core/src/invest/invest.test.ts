import { describe, expect, it } from 'vitest';
import reference from '../../reference/invest.json';
import { flaskVolumeMl } from '../flask';
import { InputError } from '../numeric';
import { judgeBond, BORIC_ACID, investSteps, mixSlurry, POWDER_DENSITY, workingMinutes } from './index';

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
  it('stretches the steps, the last ending at gloss-off', () => {
    const steps = investSteps(9.5);
    expect(steps[0]?.endsAtMin).toBeCloseTo(3, 9);
    expect(steps.at(-1)?.endsAtMin).toBeCloseTo(9.5, 9);
    expect(investSteps(4.75).map((s) => s.endsAtMin! * 2)).toEqual(steps.map((s) => s.endsAtMin));
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
