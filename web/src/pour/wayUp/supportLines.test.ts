import type { SupportAdvice, SupportPoint } from '@zero-pour/core';
import { describe, expect, it } from 'vitest';
import { supportLines } from './supportLines';

const point = (change: Partial<SupportPoint> = {}): SupportPoint => ({
  at: [0, 0, 0],
  why: 'overhang',
  weight: 'middle',
  anchor: false,
  cut: 'free',
  onPart: false,
  ...change,
});
const advice = (points: SupportPoint[], change: Partial<SupportAdvice> = {}): SupportAdvice => ({
  points,
  islands: [],
  bothSides: false,
  more: false,
  direction: {} as SupportAdvice['direction'],
  ...change,
});
const said = (of: SupportAdvice, supported = false): string[] =>
  supportLines(of, supported).map((line) => line.text);

describe('supports in words', () => {
  it('are none for what stands by itself', () => {
    expect(said(advice([]))).toEqual(['It stands by itself: no supports.']);
  });
  it('are counted by weight, the thick first ones named', () => {
    const points = [point({ anchor: true, weight: 'heavy' }), point(), point({ weight: 'fine' })];
    expect(said(advice(points))).toEqual([
      '3 supports: 1 heavy, 1 middle, 1 fine. The first one carries it from the start: thick.',
    ]);
    expect(said(advice([point()], { more: true }))[0]).toMatch(/^More than 1 support:/);
  });
  it('begin with what is grave: mid-air, and what cutters cannot reach', () => {
    const lines = supportLines(
      advice([point({ cut: 'closed in', onPart: true }), point({ cut: 'hard' })], { islands: [[0, 0, 1]] }),
      false,
    );
    expect(lines.map(({ grave }) => grave)).toEqual([true, true, false, false, false]);
    expect(lines[0]!.text).toBe('1 place begins in mid-air: a support under each triangle.');
    expect(lines[1]!.text).toContain('1 support is closed in');
    expect(lines[2]!.text).toContain('1 support is hard to cut');
    expect(lines[3]!.text).toBe('1 foot stands on the part itself and leaves its mark there.');
  });
  it('say that both sides are held alike', () => {
    expect(said(advice([point(), point()], { bothSides: true })).at(-1)).toContain('pulls oval');
  });
  it('of a file with its own supports are about mid-air only', () => {
    expect(said(advice([point()]), true)).toEqual([
      'With the file’s own supports nothing begins in mid-air.',
    ]);
    const missing = supportLines(advice([point()], { islands: [[0, 0, 1], [1, 1, 2]] }), true); // prettier-ignore
    expect(missing).toHaveLength(1);
    expect(missing[0]).toMatchObject({ grave: true });
    expect(missing[0]!.text).toContain('2 places begin in mid-air in spite of the file’s supports');
  });
});
