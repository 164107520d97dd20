import { describe, expect, it } from 'vitest';
import { findContradictions } from './contradictions';
import type { TuningTrial } from './trials';

const trial = (
  exposureS: number,
  struts: [number, number],
  slots: [number, number] = [0, 0],
): TuningTrial => ({
  exposureS,
  struts: { good: struts[0], of: struts[1] },
  slots: { good: slots[0], of: slots[1] },
});

describe('counts that contradict each other', () => {
  it('are none where more light lets more stand and fewer stay open', () => {
    expect(findContradictions([])).toEqual([]);
    expect(findContradictions([trial(2, [5, 24], [24, 24]), trial(3, [22, 24], [20, 24]), trial(4, [24, 24], [9, 24])])).toEqual([]); // prettier-ignore
  });
  it('are none within what chance does', () => {
    expect(findContradictions([trial(3, [20, 24]), trial(3.3, [17, 24])])).toEqual([]);
    // One piece that fell at more light says little.
    expect(findContradictions([trial(3, [20, 24]), trial(9, [0, 1])])).toEqual([]);
  });
  it('are found where more light let fewer stand, however they are listed', () => {
    expect(findContradictions([trial(20, [3, 15]), trial(1.9, [17, 24])])).toEqual([{ of: 'struts', less: 1, more: 0 }]); // prettier-ignore
  });
  it('are found where slots opened with more light', () => {
    expect(findContradictions([trial(2, [24, 24], [2, 24]), trial(4, [24, 24], [23, 24])])).toEqual([{ of: 'slots', less: 0, more: 1 }]); // prettier-ignore
  });
  it('name the clearest of several', () => {
    const found = findContradictions([trial(1, [24, 24]), trial(2, [12, 24]), trial(3, [0, 24])]);
    expect(found).toEqual([{ of: 'struts', less: 0, more: 2 }]);
  });
});
