import { describe, expect, it } from 'vitest';
import { measured } from '../testing/analysed';
import { torus } from '../testing/solids';
import { analysePattern } from './analysePattern';
import { STEPS, type Step } from './steps';

describe('how far an analysis is', () => {
  const told: [Step, number][] = [];
  const { mesh, measure } = measured(torus(9, 1.4, 96, 32));
  analysePattern(mesh, measure, (step, share) => void told.push([step, share]));

  it('never goes back, and ends before the whole', () => {
    for (let n = 1; n < told.length; n++) expect(told[n]![1]).toBeGreaterThanOrEqual(told[n - 1]![1]);
    expect(told.at(-1)![1]).toBeLessThan(1);
  });
  it('moves on within the longest step, and stays inside it', () => {
    const thickness = told.filter(([step]) => step === 'thickness').map(([, share]) => share);
    expect(new Set(thickness).size).toBeGreaterThan(3);
    expect(Math.min(...thickness)).toBe(STEPS.thickness);
    expect(Math.max(...thickness)).toBeLessThanOrEqual(STEPS.feed);
  });
});
