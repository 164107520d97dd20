import { describe, expect, it } from 'vitest';
import { formatPhrase, METRIC } from '../numeric';
import { CLEAN_SCHOOLS, judgeProtocol, type CleanedResin, type CleanStep } from './index';

const RESIN: CleanedResin = {
  name: 'Skerry Wax 55',
  solidBelowC: null,
  floatsInGlycerin: 'not known',
  feelUncured: 'soft, waxy',
  feelCured: '',
};
const STEPS = CLEAN_SCHOOLS[0]!.steps;
const rules = (resin: Partial<CleanedResin>, steps: readonly CleanStep[] = STEPS, roomC?: number): string[] =>
  judgeProtocol({ ...RESIN, ...resin }, steps, roomC).map(({ rule }) => rule);
const washes = (fields: Partial<CleanStep>): CleanStep[] =>
  STEPS.map((step) => (step.kind === 'wash' ? { ...step, ...fields } : step));

describe('a protocol and its resin', () => {
  it('has nothing to say of a resin without quirks', () => {
    expect(rules({})).toEqual([]);
  });
  it('washes warm what sets in the room as it is', () => {
    expect(rules({ solidBelowC: 24 })).toContain('warm wash');
    expect(rules({ solidBelowC: 24 }, STEPS, 26)).toEqual([]);
    expect(rules({ solidBelowC: 24 }, STEPS, 23.9)).toContain('warm wash');
    expect(rules({ solidBelowC: 24 }, washes({ tempC: 32 }), 18)).toEqual([]);
    expect(rules({ solidBelowC: 24 }, washes({ tempC: 20 }), 30)).toContain('warm wash');
    expect(rules({ solidBelowC: 15 })).toEqual([]);
    // A warm second bath is enough.
    const second = STEPS.map((s) => (s.key === 'bath2' ? { ...s, tempC: 35 } : s));
    expect(rules({ solidBelowC: 24 }, second)).toEqual([]);
    const [warm] = judgeProtocol({ ...RESIN, solidBelowC: 24 }, STEPS, undefined);
    const words = formatPhrase(warm!.why, METRIC);
    expect(words).toContain('usual room');
    expect(words).toContain('never on a heater');
  });
  it('holds down what floats, where it is cured in glycerin', () => {
    const under = STEPS.map((s) => (s.kind === 'cure' ? { ...s, medium: 'glycerin' as const } : s));
    expect(rules({ floatsInGlycerin: 'yes' }, under)).toContain('floats');
    expect(rules({ floatsInGlycerin: 'no' }, under)).toEqual([]);
    const inWater = STEPS.map((s) => (s.kind === 'cure' ? { ...s, medium: 'water' as const } : s));
    expect(rules({ floatsInGlycerin: 'yes' }, inWater)).toEqual([]);
  });
  it('does not stir what is brittle then', () => {
    expect(rules({ feelUncured: 'hard, brittle' }, washes({ motion: 'stirred' }))).toContain(
      'brittle when moved',
    );
    expect(rules({ feelUncured: 'hard, brittle' }, washes({ motion: 'moved by hand' }))).toEqual([]);
    // Brittle only after the cure: the wash before it may stir.
    expect(rules({ feelCured: 'brittle' }, washes({ motion: 'ultrasonic' }))).toEqual([]);
  });
});
