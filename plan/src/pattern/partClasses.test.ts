import { patternJob } from '@zero-pour/jobs';
import { BIN_MM, formatPhrase, METRIC } from '@zero-pour/core';
import { describe, expect, it } from 'vitest';
import { classByThickness, judgeClass, planPour, resolvePour } from '../index';
import type { Readings } from '../readings';
import { fullDoc, planShop } from '../testing/planShop';

const ZERO = new Date(2026, 10, 26, 9, 15);
/** Every file of this one thickness. */
const thick = (mm: number): Readings => ({
  of: (job) => {
    if (job.name !== patternJob.name) return { status: 'unread' };
    const histogramMm3 = Array.from({ length: 200 }, (_, bin) => (bin === Math.floor(mm / BIN_MM) ? 100 : 0));
    return {
      status: 'known',
      value: { result: { status: 'analysed', analysis: { thickness: { histogramMm3 } } } } as never,
    };
  },
});
const contextOf = (readings: Readings | undefined, castClass: 'filigree' | 'standard' | 'heavy') =>
  resolvePour(
    { doc: fullDoc(ZERO, (doc) => void (doc.brief.castClass = castClass)) },
    { ...planShop(), ...(readings ? { readings } : {}) },
  );

describe('the class by thickness', () => {
  it('is what the parts say, and another choice is watched', () => {
    expect(classByThickness(contextOf(thick(0.5), 'standard'))?.castClass).toBe('filigree');
    const [judged] = judgeClass(contextOf(thick(0.5), 'standard'));
    expect([judged!.weight, judged!.lead]).toEqual(['watch', 'Reads filigree, set to standard.']);
    expect(formatPhrase(judged!.why, METRIC)).toContain('go by standard as it is set');
    expect(judgeClass(contextOf(thick(0.5), 'filigree'))).toEqual([]);
    expect(classByThickness(contextOf(thick(5), 'standard'))?.castClass).toBe('heavy');
  });
  it('is nothing before they are read, and then it is asked for', () => {
    expect(classByThickness(contextOf(undefined, 'standard'))).toBeUndefined();
    expect(judgeClass(contextOf(undefined, 'heavy'))).toEqual([]);
    const { wants } = planPour({ doc: fullDoc(ZERO) }, planShop());
    expect(wants.map(({ job }) => job)).toContain(patternJob.name);
  });
});
