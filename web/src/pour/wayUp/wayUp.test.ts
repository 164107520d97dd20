import type { FoundWays, WaysInput } from '@zero-pour/jobs';
import { printTime, type Rotation, type WayUp } from '@zero-pour/core';
import { describe, expect, it } from 'vitest';
import { cleanColours, sameFace } from './cleanFaces';
import { sameWay, TILTS, wayRows } from './wayRows';

const way = (heightMm: number, xDeg = 0): WayUp => ({
  rotation: { xDeg, yDeg: 0, zDeg: 0 },
  figures: {
    heightMm,
    islands: 0,
    cups: 0,
    cupDepthMm: 0,
    overhangMm2: 5,
    showOverhangMm2: 0,
    showStepsMm2: 0,
    peakMm2: 20,
    firstMm2: 3,
  },
});
const ANSWER: FoundWays = {
  part: { areaMm2: 100, showMm2: 0, tallestMm: 20, shortestMm: 4 },
  best: { 'cleanest face': way(12), safest: way(10), fastest: way(4) },
  compared: [way(8, 90), way(9, 20), way(10, 40), way(11, 60)],
};
const PART = { file: 'a'.repeat(64), format: 'stl', unitMm: 1 } as const;
const JOB: WaysInput = {
  part: PART,
  layerMm: 0.05,
  cleanPoints: [],
  compare: [{ xDeg: 90, yDeg: 0, zDeg: 0 }, ...TILTS],
};
const PROFILE = {
  layerMm: 0.05,
  exposureS: 3,
  baseExposureS: 25,
  baseLayers: 6,
  transitionLayers: 0,
  motionS: 6,
};

describe('rows of ways up', () => {
  it('are three named choices, one’s own, and the usual tilts', () => {
    const rows = wayRows(ANSWER, JOB, 1, PROFILE, JOB.compare[0]!);
    expect(rows.map((row) => row.name)).toEqual([
      'cleanest face',
      'safest',
      'fastest',
      'as it stands now',
      'tilted 20°',
      'tilted 40°',
      'tilted 60°',
    ]);
    expect(rows[0]!.why).toContain('no faces are pointed out');
    expect(
      wayRows(ANSWER, { ...JOB, cleanPoints: [[0, 0, 0]] }, 1, PROFILE, JOB.compare[0]!)[0]!.why,
    ).toContain('must stay clean');
  });

  it('tell the hours of the scaled part, or nothing without a profile', () => {
    const [, , fastest] = wayRows(ANSWER, JOB, 1.02, PROFILE, JOB.compare[0]!);
    expect(fastest!.hours).toBeCloseTo(printTime(4.08, PROFILE).seconds / 3600, 12);
    expect(wayRows(ANSWER, JOB, 1, undefined, JOB.compare[0]!)[2]!.hours).toBeUndefined();
  });

  it('no longer call it as it stands once another was taken', () => {
    const own = (now: Rotation) => wayRows(ANSWER, JOB, 1, PROFILE, now)[3]!.name;
    expect(own(JOB.compare[0]!)).toBe('as it stands now');
    expect(own({ ...JOB.compare[0]!, zDeg: 45 })).toBe('as it stands now');
    expect(own({ xDeg: 20, yDeg: 0, zDeg: 0 })).toBe('as it stood before');
  });

  it('know the same way whatever the turn about the upright', () => {
    expect(sameWay({ xDeg: 10, yDeg: 5, zDeg: 0 }, { xDeg: 10.004, yDeg: 5, zDeg: 90 })).toBe(true);
    expect(sameWay({ xDeg: 10, yDeg: 5, zDeg: 0 }, { xDeg: 11, yDeg: 5, zDeg: 0 })).toBe(false);
  });
});

describe('faces that must stay clean', () => {
  /** A flat square of two triangles, and one standing on its edge. */
  const SHAPE = {
    positions: Float32Array.from([0, 0, 0, 4, 0, 0, 4, 4, 0, 0, 4, 0, 4, 0, 4]),
    triangles: Uint32Array.from([0, 1, 2, 0, 2, 3, 2, 1, 4]),
  };

  it('are shown in straw on the part', () => {
    const colours = cleanColours(SHAPE, [[1, 1, 0]]);
    const at = (v: number): number[] => [...colours.subarray(3 * v, 3 * v + 3)];
    expect(at(0)).toEqual(at(2));
    expect(at(4)).not.toEqual(at(0));
    expect(new Set([0, 1, 2, 3].map((v) => at(v).join())).size).toBe(1);
  });

  it('are the same when the picked places lie on one face', () => {
    expect(sameFace(SHAPE, [1, 1, 0], [3, 3, 0])).toBe(true);
    expect(sameFace(SHAPE, [1, 1, 0], [4, 1, 2])).toBe(false);
  });
});
