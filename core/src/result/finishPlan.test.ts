import { describe, expect, it } from 'vitest';
import { formatPhrase, METRIC } from '../numeric';
import { judgeFit, judgeSide } from './finishPlan';

describe('a side that is finished', () => {
  it('without an allowance ends thinner, and is not called right', () => {
    expect(judgeSide({ finish: 'full' }).map(({ lead, weight }) => `${lead} ${weight}`)).toEqual(['No allowance. watch']); // prettier-ignore
    expect(judgeSide({ finish: 'full', recessMm: 0.4 })[0]!.weight).toBe('watch');
    expect(judgeSide({ finish: 'as cast' })).toEqual([]);
  });
  it('takes off a recess what it takes off the face round it', () => {
    const [told] = judgeSide({ finish: 'full', allowanceMm: 0.15, recessMm: 0.4 });
    expect(formatPhrase(told!.why, METRIC)).toBe('0.55 mm deep as cast leaves 0.40 mm after polishing.');
    expect(formatPhrase(judgeSide({ finish: 'as cast', recessMm: 0.4 })[0]!.why, METRIC)).toContain('0.40 mm deep as cast'); // prettier-ignore
    expect(() => judgeSide({ finish: 'full', allowanceMm: -1 })).toThrow('allowanceMm');
  });
});

describe('a fit', () => {
  it('that nobody tried is not known, and none is called right by itself', () => {
    expect(judgeFit(undefined, 'soldered')[0]).toMatchObject({ lead: 'Not tried.', weight: 'watch' });
    expect(judgeFit('does not fit', 'riveted')[0]!.weight).toBe('stop');
    expect(judgeFit('loose', 'soldered')[0]!.weight).toBe('watch');
    expect(judgeFit('loose', 'riveted')).toEqual([]);
    expect(judgeFit('fits', 'soldered')).toEqual([]);
  });
});
