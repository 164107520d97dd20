import { describe, expect, it } from 'vitest';
import { InputError } from '../numeric';
import { cutEvidence, figureSigns, heightEvidence, layerSign, oneHeight, raftSign } from './signs';
import type { Evidence } from './rankCauses';

const states = (evidence: Evidence): Record<string, string | undefined> =>
  Object.fromEntries(Object.entries(evidence).map(([name, found]) => [name, found?.state]));

describe('signs', () => {
  it('of a figure are low or high past 15 % of what is reported, and neither within', () => {
    const of = (ownS: number) => states(figureSigns('exposure', ownS, 4));
    expect(of(3.4)).toEqual({ 'exposure low': 'good', 'exposure high': 'good' });
    expect(of(3.39)).toEqual({ 'exposure low': 'bad', 'exposure high': 'good' });
    expect(of(4.6)).toEqual({ 'exposure low': 'good', 'exposure high': 'good' });
    expect(of(4.61)).toEqual({ 'exposure low': 'good', 'exposure high': 'bad' });
    expect(() => figureSigns('base', 20, 0)).toThrow(InputError);
  });

  it('of thick layers and rafts begin at their limits', () => {
    expect([0.059, 0.06].map((mm) => layerSign(mm).state)).toEqual(['good', 'bad']);
    expect([1.5, 1.51].map((mm) => raftSign(mm, 1).state)).toEqual(['good', 'bad']);
  });

  it('of what was cut count islands and cups, and the share that hangs over', () => {
    const cut = { islands: 0, cups: 0, overhangMm2: 12, onPlateMm2: 0, areaMm2: 100 };
    expect(states(cutEvidence(cut))).toEqual({ islands: 'good', cups: 'good', 'overhang much': 'good' });
    expect(
      states(cutEvidence({ islands: 1, cups: 2, overhangMm2: 12.1, onPlateMm2: 0, areaMm2: 100 })),
    ).toEqual({
      islands: 'bad',
      cups: 'bad',
      'overhang much': 'bad',
    });
    expect(states(cutEvidence({ ...cut, areaMm2: 0 }))['overhang much']).toBe('good');
    // The face that lies on the plate hangs over nothing.
    expect(states(cutEvidence({ ...cut, overhangMm2: 40, onPlateMm2: 35 }))['overhang much']).toBe('good');
    expect(states(cutEvidence({ ...cut, overhangMm2: 40, onPlateMm2: 0 }))['overhang much']).toBe('bad');
  });

  it('of heights are one height within 0.3 mm; one flaw alone says nothing', () => {
    expect(oneHeight([4])).toBeUndefined();
    expect(oneHeight([4, 4.3])).toBeCloseTo(4.15, 12);
    expect(oneHeight([4, 4.31])).toBeUndefined();
    expect(heightEvidence([4], [4])).toEqual({});
    expect(states(heightEvidence([4, 9], [4]))).toEqual({ 'same height on all': 'good' });
  });

  it('of a pause: noted there, noted elsewhere, and nothing noted are three', () => {
    expect(states(heightEvidence([4, 4], [4.2]))).toEqual({ 'same height on all': 'bad', paused: 'bad' });
    expect(states(heightEvidence([4, 4], [9]))).toEqual({ 'same height on all': 'bad', paused: 'good' });
    expect(states(heightEvidence([4, 4], undefined))).toEqual({ 'same height on all': 'bad' });
  });
});
