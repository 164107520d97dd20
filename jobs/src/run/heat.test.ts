import type { FlaskHeat } from '@zero-pour/core';
import { describe, expect, it } from 'vitest';
import { heatJob } from '../heat';
import { passingJob } from '../passing';
import { makeRunner } from './index';

const context = {
  blob: () => Promise.reject(new Error('no bytes')),
  report: () => {},
  engine: () => Promise.reject(new Error('no engine')),
};
const INPUT = { innerDiameterMm: 51, heightMm: 64, shellMm: 2, ratio: 0.4, patternsMm: 15 };

describe('the heat of a flask by the runner', () => {
  it('is that of its kiln', async () => {
    const kiln = [[0, 20], [1, 200], [8, 200]]; // prettier-ignore
    const outcome = await makeRunner()('heat', { ...INPUT, kiln }, context);
    if (outcome.status !== 'done') throw new Error(outcome.status);
    const { rows, dryH } = outcome.output as FlaskHeat;
    expect(dryH!).toBeGreaterThan(2);
    expect(rows.at(-1)!.coreC).toBeGreaterThan(150);
    expect(rows.at(-1)!.coreC).toBeLessThanOrEqual(200);
  });
  it('is asked for a kiln that can be, and is kept by nobody', () => {
    expect(heatJob.input.safeParse({ ...INPUT, kiln: [] }).success).toBe(false);
    expect(heatJob.input.safeParse({ ...INPUT, kiln: [[0, 2000]] }).success).toBe(false);
    expect(passingJob('heat')).toBe(heatJob);
    expect(passingJob('standing')).toBeUndefined();
  });
  it('is fitted by a changed programme, with how far it is told', async () => {
    const segment = (rampCPerH: number | null, targetC: number | null, holdH: number) => ({ name: `to ${targetC}`, rampCPerH, targetC, holdH, flaskWay: 'button up', hands: [], note: '' }); // prettier-ignore
    const pace = { maxRampCPerH: 400, coolTauH: 5 };
    const wish = { ...INPUT, segments: [segment(200, 730, 1), segment(null, null, 0.5)], castingC: 520, startC: 20, pace, cleanOutH: 2, rampMaxCPerH: 120, ceilingC: 750, aim: 'mend' }; // prettier-ignore
    const shares: number[] = [];
    const report = (_: string, share: number): void => void shares.push(share);
    const outcome = await makeRunner()('fitProgramme', wish, { ...context, report });
    if (outcome.status !== 'done') throw new Error(outcome.status);
    expect(outcome.output).toMatchObject({ status: 'found', segments: [{ rampCPerH: 120 }, {}] });
    expect(shares.at(-1)).toBe(1);
    await expect(makeRunner()('fitProgramme', { ...wish, segments: [] }, context)).rejects.toThrow(
      'segments',
    );
  });
});
