import { describe, expect, it } from 'vitest';
import {
  BOOK_PROGRAMMES,
  coolingHours,
  hoursAbove,
  judgePaceAsked,
  judgeProgramme,
  programmeCurve,
  temperatureAt,
  type Segment,
} from './index';
import { formatPhrase, METRIC } from '../numeric';
import { segment } from '../testing/segments';

const KILN = { maxRampCPerH: 400, coolTauH: 5 };
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

describe('a kiln that was measured', () => {
  const climbs = [
    { tempC: 600, cPerH: 120 },
    { tempC: 700, cPerH: 80 },
  ];
  const cools = [
    { tempC: 550, cPerH: 106 },
    { tempC: 700, cPerH: 340 },
  ];
  const slow = { ...KILN, measured: { climbs, cools } };
  it('climbs by its figure until where it lagged, then by what it showed', () => {
    const curve = programmeCurve([segment(null, 500, 0), segment(null, 730, 0)], 520, slow);
    expect(curve.segments[0]!.endH).toBeCloseTo(480 / 400, 9);
    const [from, to] = [temperatureAt(curve, curve.totalH - 0.25), temperatureAt(curve, curve.totalH)];
    expect((to - from) / 0.25).toBeCloseTo(80, 0);
    // By hand: 100 at 400, then as many degrees at 120 to 80, linear between, then 30 at 80.
    const between = (100 / 40) * Math.log(120 / 80);
    expect(curve.totalH - curve.segments[0]!.endH).toBeCloseTo(100 / 400 + between + 30 / 80, 2);
  });
  it('cools by the time constant that it showed there, and no slower than asked', () => {
    const hours = (segments: Segment[]): number => programmeCurve(segments, 520, slow, 740).totalH;
    // Level beyond its ends: 680 / 340 = 2 h, 530 / 106 = 5 h.
    expect(hours([segment(null, 700, 0)])).toBeCloseTo(2 * Math.log(720 / 680), 9);
    expect(hours([segment(null, 550, 0), segment(null, 450, 0)]) - hours([segment(null, 550, 0)])).toBeCloseTo(5 * Math.log(530 / 430), 9); // prettier-ignore
    expect(hours([segment(20, 700, 0)])).toBeCloseTo(2, 9);
  });
  it('is told where it is asked for more than it can, with the hours that it takes', () => {
    const said = (ramp: number | null, kiln: typeof KILN = slow) =>
      judgePaceAsked(programmeCurve([segment(100, 500, 0), segment(ramp, 730, 2)], 520, kiln));
    expect(said(200).map(({ rule, weight }) => `${rule} ${weight}`)).toEqual(['kiln pace watch']);
    expect(formatPhrase(said(200)[0]!.why, METRIC)).toContain('1 h 53, not the 1 h 09');
    expect(said(80)).toEqual([]);
    expect(said(null)).toEqual([]);
    expect(said(200, KILN)).toEqual([]);
  });
  it('is steep in the swell where it is, not over the whole climb', () => {
    const strong = {
      ...KILN,
      maxRampCPerH: 300,
      measured: { climbs: [{ tempC: 420, cPerH: 30 }], cools: [] },
    };
    const curve = programmeCurve([segment(null, 730, 4)], 520, strong);
    expect((730 - 20) / curve.segments[0]!.holdFromH).toBeLessThan(120);
    expect(judgeProgramme(curve, LIMITS).find((j) => j.rule === 'swell ramp')!.weight).toBe('fix');
  });
});

describe('judgements', () => {
  it('let a slow programme pass, and say nothing of a core that they do not see', () => {
    expect(rules(STEPPED)).toEqual(['swell ramp ok']);
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
