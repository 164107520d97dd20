import { describe, expect, it } from 'vitest';
import { formatPhrase, METRIC } from '../numeric';
import { FLAW_KINDS, flawWords, judgeCastWeight } from './index';

const ONE = { castingG: 4, stubsG: 0.4 };
const lead = (weightG: number | undefined, of = ONE) => judgeCastWeight(weightG, of)[0]?.lead;

describe('the weight of a casting', () => {
  it('is as its volume says within six in a hundred, stubs counted', () => {
    expect(lead(4)).toBe('As heavy as its volume says.');
    expect(lead(3.77)).toBe('As heavy as its volume says.');
    expect(lead(4.6)).toBe('As heavy as its volume says.');
    expect(lead(4.6, { ...ONE, stubsG: 0 })).toBe('Heavier than its volume.');
    expect(lead(4.7)).toBe('Heavier than its volume.');
    expect(lead(3.7)).toBe('Lighter than its volume.');
    expect(lead(undefined)).toBeUndefined();
  });

  it.each([
    [40, 'ten times what its volume says'],
    [0.4, 'ten times less than its volume'],
    [6.22, '1.555 times what its volume says'],
    [2.57, '1.555 times less than its volume'],
  ])('%s g asks which unit that is', (weightG, says) => {
    const [one] = judgeCastWeight(weightG, ONE);
    expect(one).toMatchObject({ lead: 'Which unit is that?', weight: 'fix' });
    expect(formatPhrase(one!.why, METRIC)).toContain(says);
  });

  it('is held against nothing where the volume is an estimate', () => {
    expect(lead(4, { ...ONE, volumeGuessed: true } as typeof ONE)).toBe('Nothing to hold it against.');
    expect(() => judgeCastWeight(4, { castingG: 0, stubsG: 0 })).toThrow();
  });
});

it('every kind of flaw has words of its own', () => {
  expect(new Set(FLAW_KINDS.map(flawWords)).size).toBe(FLAW_KINDS.length);
});
