import { describe, expect, it } from 'vitest';
import {
  BOOK_PROGRAMMES,
  coolingHours,
  hoursAbove,
  judgeProgramme,
  programmeCurve,
  temperatureAt,
  type Segment,
} from './index';

const KILN = { maxRampCPerH: 400, coolTauH: 5 };
const segment = (rampCPerH: number | null, targetC: number | null, holdH: number): Segment => ({
  name: '',
  rampCPerH,
  targetC,
  holdH,
  flaskWay: 'button up',
  hands: [],
  note: '',
});
const STEPPED = [segment(130, 150, 2.5), segment(90, 370, 2), segment(100, 730, 4), segment(null, null, 2)];
const LIMITS = { ceilingC: 750, rampMaxCPerH: 120, cleanOutH: 4, fastAllowed: false };
const rules = (segments: Segment[], limits = LIMITS): string[] =>
  judgeProgramme(programmeCurve(segments, 520, KILN), limits).map((j) => `${j.rule} ${j.weight}`);

describe('programme', () => {
  it('adds up climbs, holds and the kiln’s own cooling', () => {
    const curve = programmeCurve(STEPPED, 520, KILN);
    const cooling = 5 * Math.log(710 / 500);
    expect(curve.totalH).toBeCloseTo(1 + 2.5 + 220 / 90 + 2 + 3.6 + 4 + cooling + 2, 9);
    expect(coolingHours(730, 520, 5)).toBeCloseTo(cooling, 12);
    expect(curve.segments.map((s) => s.targetC)).toEqual([150, 370, 730, 520]);
  });

  it('never climbs faster than the kiln can, nor cools faster', () => {
    const curve = programmeCurve([segment(null, 730, 0), segment(5000, 200, 0)], 520, KILN);
    expect(curve.segments[0]!.endH).toBeCloseTo(710 / 400, 9);
    expect(curve.totalH - curve.segments[0]!.endH).toBeCloseTo(coolingHours(730, 200, 5), 9);
  });

  it('is continuous and holds its ends', () => {
    const curve = programmeCurve(STEPPED, 520, KILN);
    expect([temperatureAt(curve, -1), temperatureAt(curve, 0), temperatureAt(curve, 99)]).toEqual([
      20, 20, 520,
    ]);
    expect(temperatureAt(curve, 0.5)).toBeCloseTo(85, 9);
    for (let h = 0; h < curve.totalH; h += 0.01) {
      expect(Math.abs(temperatureAt(curve, h + 0.01) - temperatureAt(curve, h))).toBeLessThan(4.1);
    }
  });

  it('counts the hours above a temperature', () => {
    const curve = programmeCurve([segment(100, 720, 3)], 520, KILN);
    expect(hoursAbove(curve, 620)).toBeCloseTo(1 + 3, 9);
    expect(hoursAbove(curve, 720)).toBe(0);
  });

  it('starts from a hot kiln when it is loaded hot', () => {
    expect(programmeCurve([segment(null, 730, 4)], 520, KILN, 730).totalH).toBe(4);
  });
});

describe('judgements', () => {
  it('let a slow programme pass', () => {
    expect(rules(STEPPED)).toEqual(['swell ramp ok', 'clean-out ok']);
  });
  it('name a steep climb through the swelling range, less so where fast is allowed', () => {
    const steep = [segment(300, 730, 5)];
    expect(rules(steep)).toContain('swell ramp fix');
    expect(rules(steep, { ...LIMITS, fastAllowed: true })).toContain('swell ramp watch');
  });
  it('name a cold flask into a hot kiln, which only some resins stand', () => {
    const curve = programmeCurve([segment(null, 730, 5)], 520, KILN, 730);
    const weight = (fastAllowed: boolean) =>
      judgeProgramme(curve, { ...LIMITS, fastAllowed }).find((j) => j.rule === 'hot kiln')?.weight;
    expect([weight(false), weight(true)]).toEqual(['fix', 'watch']);
  });
  it('name a peak above the ceiling and ash that would stay', () => {
    expect(rules([segment(100, 780, 5)])).toContain('ceiling stop');
    expect(rules([segment(100, 640, 5)])).toContain('clean-out fix');
  });
});

describe('the book’s programmes', () => {
  it.each(BOOK_PROGRAMMES.map((p) => [p.name, p] as const))(
    '%s ends at casting temperature, under the ceiling',
    (_, programme) => {
      const curve = programmeCurve(programme.segments, 510, KILN);
      expect(curve.points.at(-1)?.tempC).toBeCloseTo(510, 6);
      expect(Math.max(...curve.points.map((p) => p.tempC))).toBeLessThanOrEqual(750);
      for (const placed of curve.segments)
        for (const hand of placed.hands) expect(hand.atH).toBeLessThanOrEqual(placed.endH);
    },
  );
});
