import { describe, expect, it } from 'vitest';
import { newGate, normalOf, withPlaced } from './placeGates';

const gates = { count: 1, diameterMm: 3, lengthMm: 0 };

describe('gates placed on the part', () => {
  it('look out of the face they stand on', () => {
    const face = { positions: Float32Array.from([0, 0, 2, 4, 0, 2, 0, 5, 2]) };
    expect(normalOf(face, [0, 1, 2])).toEqual([0, 0, 1]);
    expect(normalOf(face, [0, 2, 1])).toEqual([0, 0, -1]);
  });
  it('are counted, and hold the metal of all', () => {
    const kept = withPlaced(gates, [newGate([0, 0, 0], [0, 0, 1], 3), newGate([5, 0, 0], [0, 0, 1], 4)]);
    expect(kept.count).toBe(2);
    expect(2 * kept.diameterMm ** 2).toBeCloseTo(9 + 16, 1);
    // One and a half diameters each.
    expect(2 * kept.diameterMm ** 2 * kept.lengthMm).toBeCloseTo(9 * 4.5 + 16 * 6, 0);
    expect(new Set(kept.placed!.map(({ key }) => key)).size).toBe(2);
  });
  it('leave the typed numbers alone when the last is taken away', () => {
    expect(withPlaced(gates, [])).toEqual({ ...gates, placed: [] });
  });
});
