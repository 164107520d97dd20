import { describe, expect, it } from 'vitest';
import { segment } from '../testing/segments';
import { interruptedBy, programmeCurve, temperatureAt, type Interruption } from './index';

const KILN = { maxRampCPerH: 400, coolTauH: 5 };
const HANDS = [{ afterH: 2, what: 'Turn the flask' }];
const SEGMENTS = [{ ...segment(130, 150, 2.5), hands: HANDS }, segment(110, 370, 1.5), segment(100, 730, 4), segment(null, null, 2)]; // prettier-ignore
const curve = programmeCurve(SEGMENTS, 520, KILN);
const cut = (...cuts: Interruption[]) => interruptedBy(curve, cuts, KILN);
const peak = curve.segments[2]!;

describe('an interruption', () => {
  it('in a hold: falls by the kiln’s own pace, climbs back, and the hold goes on where it was', () => {
    const atH = peak.holdFromH + 1;
    const after = cut({ atH, hours: 0.75, kind: 'power' });
    const lowC = 20 + 710 * Math.exp(-0.75 / 5);
    expect(temperatureAt(after, atH + 0.75)).toBeCloseTo(lowC, 1);
    const back = (730 - lowC) / 100;
    expect(after.totalH - curve.totalH).toBeCloseTo(0.75 + back, 3);
    expect(temperatureAt(after, atH + 0.75 + back)).toBeCloseTo(730, 6);
    expect(after.segments[2]!.endH - peak.endH).toBeCloseTo(0.75 + back, 3);
  });
  it('in a climb: comes back to where it was, and climbs on', () => {
    const atH = peak.startH + 2;
    const after = cut({ atH, hours: 0.5, kind: 'power' });
    const was = temperatureAt(curve, atH);
    const lowC = temperatureAt(after, atH + 0.5);
    expect(lowC).toBeLessThan(was);
    expect(temperatureAt(after, after.segments[2]!.holdFromH)).toBeCloseTo(730, 6);
    expect(after.totalH - curve.totalH).toBeCloseTo(0.5 + (was - lowC) / 100, 3);
  });
  it('on the way down costs nothing that it would not have fallen by itself', () => {
    const falling = curve.segments[3]!;
    const after = cut({ atH: falling.startH + 0.2, hours: 0.5, kind: 'power' });
    expect(after.totalH).toBeCloseTo(curve.totalH, 2);
    const deep = cut({ atH: falling.startH + 0.2, hours: 6, kind: 'power' });
    const lowC = temperatureAt(deep, falling.startH + 6.2);
    expect(lowC).toBeLessThan(300);
    // Full power back to casting temperature, then the whole soak.
    expect(deep.totalH).toBeCloseTo(falling.startH + 6.2 + (520 - lowC) / 400 + 2, 2);
  });
  it('by an open door falls faster than by a cut', () => {
    const at = { atH: peak.holdFromH + 1, hours: 0.2 };
    const low = (kind: 'power' | 'door') => temperatureAt(cut({ ...at, kind }), at.atH + 0.2);
    expect(low('door')).toBeLessThan(low('power') - 100);
  });
  it('moves what hands do after it, and nothing before it', () => {
    const early = cut({ atH: 1.5, hours: 1, kind: 'power' });
    expect(early.segments[0]!.hands[0]!.atH).toBeGreaterThan(3);
    const later = cut({ atH: 10, hours: 1, kind: 'power' });
    expect(later.segments[0]!.hands[0]!.atH).toBe(2);
    expect(later.segments[0]).toEqual(curve.segments[0]);
  });
  it('keeps time in order and temperatures between room and peak, several and long ones too', () => {
    const after = cut({ atH: 4, hours: 1, kind: 'door' }, { atH: 12, hours: 20, kind: 'power' }, { atH: 40, hours: 0.5, kind: 'power' }); // prettier-ignore
    expect(after.points.every(({ h }, n) => n === 0 || h >= after.points[n - 1]!.h)).toBe(true);
    expect(after.points.every(({ tempC }) => tempC >= 20 && tempC <= 730.001)).toBe(true);
    const ends = after.segments.flatMap(({ startH, holdFromH, endH }) => [startH, holdFromH, endH]);
    expect(ends.every((h, n) => n === 0 || h >= ends[n - 1]! - 1e-9)).toBe(true);
    expect(after.totalH).toBeCloseTo(after.points.at(-1)!.h, 6);
  });
  it('before it begins, after it ends, or of no length, changes nothing', () => {
    for (const one of [
      { atH: -1, hours: 1 },
      { atH: 99, hours: 1 },
      { atH: 5, hours: 0 },
    ])
      expect(cut({ ...one, kind: 'power' })).toEqual(curve);
  });
});
