import { describe, expect, it } from 'vitest';
import { formatPhrase, METRIC } from '../numeric';
import { judgeRoute, type RoutedResin } from './index';

const RESIN: RoutedResin = {
  name: 'Skerry Wax 55',
  family: 'wax-rich',
  curesSilicone: 'not known',
  survivesC: null,
};
const weigh = (
  route: Parameters<typeof judgeRoute>[1],
  fields: Partial<RoutedResin> = {},
): string | undefined => judgeRoute({ ...RESIN, ...fields }, route)[0]?.weight;

describe('a resin for a route', () => {
  it('says nothing of a print that is burnt out', () => {
    expect(judgeRoute(RESIN, 'burn out the print')).toEqual([]);
  });
  it.each([
    [{ family: 'wax-rich' }, 'fix'],
    [{ family: 'low-wax' }, 'fix'],
    [{ family: 'wax-free' }, 'watch'],
    [{ family: 'heat-resistant master' }, 'watch'],
    [{ family: 'wax-free', survivesC: 120 }, 'fix'],
    [{ family: 'wax-free', survivesC: 143 }, 'watch'],
    [{ family: 'wax-free', survivesC: 151 }, 'watch'],
    [{ family: 'wax-free', survivesC: 152 }, undefined],
    // What was measured counts, whatever the family.
    [{ family: 'wax-rich', survivesC: 160 }, undefined],
  ] as const)('for rubber: %j weighs %s', (fields, weight) => {
    expect(weigh('wax from a rubber mold', fields)).toBe(weight);
  });
  it('for silicone by the spot test, and not known is not fine', () => {
    expect(weigh('wax from a silicone mold', { curesSilicone: 'yes' })).toBeUndefined();
    expect(weigh('wax from a silicone mold', { curesSilicone: 'no' })).toBe('fix');
    expect(weigh('wax from a silicone mold')).toBe('watch');
    expect(formatPhrase(judgeRoute(RESIN, 'wax from a silicone mold')[0]!.why, METRIC)).toContain('24 h');
  });
  it('for a printed mold by whether it bends', () => {
    expect(weigh('wax from a printed mold', { family: 'flexible mold' })).toBeUndefined();
    expect(weigh('wax from a printed mold')).toBe('watch');
  });
});
