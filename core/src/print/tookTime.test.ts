import { describe, expect, it } from 'vitest';
import { judgeTook } from './tookTime';

describe('what a print’s hours are worth', () => {
  const H = 3600;
  it('cannot be shorter than its light', () => {
    expect(judgeTook(0, 2 * H, 4 * H)).toBe('shorter than its light');
    expect(judgeTook(1.9 * H, 2 * H, 4 * H)).toBe('shorter than its light');
    expect(judgeTook(Number.NaN, 2 * H, 4 * H)).toBe('shorter than its light');
    expect(judgeTook(2 * H, 2 * H, 4 * H)).toBe('usual');
  });
  it('is asked about from three times on, either way, and not before', () => {
    expect(judgeTook(12 * H, 2 * H, 4 * H)).toBe('usual');
    expect(judgeTook(12.1 * H, 2 * H, 4 * H)).toBe('odd');
    expect(judgeTook(1.3 * H, 0.5 * H, 4 * H)).toBe('odd');
    expect(judgeTook(1.4 * H, 0.5 * H, 4 * H)).toBe('usual');
  });
});
