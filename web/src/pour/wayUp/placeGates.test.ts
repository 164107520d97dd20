import { describe, expect, it } from 'vitest';
import { newGate, normalOf, withPlaced } from './placeGates';

const gates = { count: 1, diameterMm: 3, lengthMm: 0 };

describe('gates placed on the part', () => {
  it('look out of the face they stand on', () => {
    const face = { positions: Float32Array.from([0, 0, 2, 4, 0, 2, 0, 5, 2]) };
    expect(normalOf(face, [0, 1, 2])).toEqual([0, 0, 1]);
    expect(normalOf(face, [0, 2, 1])).toEqual([0, 0, -1]);
  });
  it('are counted, and as thick as they are by their section', () => {
    const kept = withPlaced(gates, [newGate([0, 0, 0], [0, 0, 1], 3), newGate([5, 0, 0], [0, 0, 1], 4)]);
    expect(kept).toMatchObject({ count: 2, lengthMm: 5.5 });
    // Two gates of the mean section hold the metal of both.
    expect(2 * kept.diameterMm ** 2).toBeCloseTo(9 + 16, 1);
    expect(new Set(kept.placed!.map(({ key }) => key)).size).toBe(2);
  });
  it('keep the length that somebody set, and leave the numbers alone when the last is taken away', () => {
    expect(withPlaced({ ...gates, lengthMm: 7 }, [newGate([0, 0, 0], [0, 0, 1], 3)]).lengthMm).toBe(7);
    expect(withPlaced(gates, [])).toEqual({ ...gates, placed: [] });
  });
});
