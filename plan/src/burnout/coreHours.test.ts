import { describe, expect, it } from 'vitest';
import type { BurnoutPlan } from './burnoutPlan';
import { coreHours } from './burnoutPlan';

const known = (coreCarbonH: number) => ({ reading: { status: 'known', value: { coreCarbonH } } });
const plan = (of: object): BurnoutPlan => of as BurnoutPlan;

describe('hours that the core was hot enough', () => {
  it('are by the kiln’s log where there is one, else as planned', () => {
    expect(coreHours(plan({ heat: known(3), burnt: undefined }))).toEqual({ value: 3, by: 'plan' });
    expect(coreHours(plan({ heat: known(3), burnt: { heat: known(1.5) } }))).toEqual({ value: 1.5, by: 'log' }); // prettier-ignore
  });
  it('are not known before they are reckoned, and a log that is not reckoned is not made up for by the plan', () => {
    expect(coreHours(undefined)).toBeUndefined();
    expect(coreHours(plan({ heat: { reading: { status: 'working' } }, burnt: undefined }))).toBeUndefined();
    expect(coreHours(plan({ heat: known(3), burnt: { heat: undefined } }))).toBeUndefined();
    expect(coreHours(plan({ heat: undefined, burnt: undefined }))).toBeUndefined();
  });
});
