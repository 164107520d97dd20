import { describe, expect, it } from 'vitest';
import { checkTopology, isClosed, measureBounds, measureSolid, weldEqual } from '../mesh';
import { InputError } from '../numeric';
import { moldFrame } from './index';
import { sprueSolid, ventSolid } from './waySolids';

describe('a printed frame', () => {
  it('is a closed box, open above, of its walls and its floor', () => {
    const mesh = weldEqual(moldFrame({ lengthMm: 60, widthMm: 40, heightMm: 25 }), 1);
    const topology = checkTopology(mesh);
    expect(isClosed(topology)).toBe(true);
    const bounds = measureBounds(mesh.positions);
    expect(bounds.max.map((high, k) => high - bounds.min[k]!)).toEqual([65, 45, 27.5]);
    expect(measureSolid(mesh, topology, bounds).volumeMm3).toBeCloseTo(65 * 45 * 27.5 - 60 * 40 * 25, 3);
  });
  it('wants an inside', () => {
    expect(() => moldFrame({ lengthMm: 0, widthMm: 40, heightMm: 25 })).toThrow(InputError);
  });
});

describe('ways of wax and air', () => {
  const channel = { from: [0, 0, 0], to: [12, 5, 1], halfWidthMm: 1 } as const;
  const volumeOf = (solid: Parameters<typeof weldEqual>[0]): number => {
    const mesh = weldEqual(solid, 1);
    const topology = checkTopology(mesh);
    expect(isClosed(topology)).toBe(true);
    return measureSolid(mesh, topology, measureBounds(mesh.positions)).volumeMm3;
  };
  it('are closed bodies, outward, whichever way they lead', () => {
    // 13 mm long, 1.5 wide, 0.3 deep.
    expect(volumeOf(ventSolid(channel))).toBeCloseTo(13 * 1.5 * 0.3, 4);
    expect(volumeOf(ventSolid({ ...channel, to: [-12, -5, 0] }))).toBeCloseTo(13 * 1.5 * 0.3, 4);
    const long = Math.hypot(12, 5, 1);
    const neck = Math.PI * 1.5 ** 2 * (long - 6);
    const seat = (Math.PI / 3) * 6 * (1.5 ** 2 + 1.5 * 4 + 4 ** 2);
    const bar = volumeOf(sprueSolid(channel, { neckMm: 3, nozzleMm: 8, towardDeg: null }));
    expect(bar).toBeGreaterThan(0.98 * (neck + seat));
    expect(bar).toBeLessThan(neck + seat);
  });
});
