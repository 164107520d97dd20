import { describe, expect, it } from 'vitest';
import { programmeCurve, temperatureAt } from '../burnout';
import { segment } from '../testing/segments';
import { heldHours, judgeHolds, thinLog, type KilnReadings } from './index';

const KILN = { maxRampCPerH: 400, coolTauH: 5 };
const curve = programmeCurve([segment(130, 150, 2), segment(110, 730, 3), segment(null, 520, 1)], 520, KILN);
/** The kiln as its programme asks, read every two minutes, except where `change` says otherwise. */
function readings(change: (h: number, tempC: number) => number | undefined = (_, c) => c): KilnReadings {
  const hours = Array.from({ length: Math.floor(curve.totalH * 30) + 1 }, (_, n) => n / 30);
  const rows = hours.flatMap((h) => {
    const tempC = change(h, temperatureAt(curve, h));
    return tempC === undefined ? [] : [[h, tempC, temperatureAt(curve, h)] as const];
  });
  const column = (k: 0 | 1 | 2): Float64Array => Float64Array.from(rows, (row) => row[k]);
  return { h: column(0), tempC: column(1), setC: column(2), hasSet: true };
}
const said = (of: KilnReadings): string[] => judgeHolds(of, curve.segments).map(({ rule }) => rule);

describe('hours held', () => {
  it('are those near the target, with as much of the way as is within the play', () => {
    expect(heldHours(readings(), 730)).toBeCloseTo(3 + 12 / 110 + 0.03, 1);
    expect(heldHours(readings(), 900)).toBe(0);
  });
  it('count nothing over a gap in the readings', () => {
    const holed = readings((h, tempC) => (h > 2 && h < 2.9 ? undefined : tempC));
    expect(heldHours(readings(), 150) - heldHours(holed, 150)).toBeCloseTo(0.9, 1);
  });
  it('tell each hold that was missed, and none that was kept', () => {
    expect(said(readings())).toEqual([]);
    expect(said(readings((_, tempC) => Math.min(tempC, 700)))).toEqual(['missed hold']);
    expect(said(readings((_, tempC) => tempC / 2))).toEqual(['missed hold', 'missed hold', 'missed hold']);
  });
});

describe('a thinned log', () => {
  it('is the log itself where that is short', () => {
    const kept = thinLog(readings(), 10_000);
    expect(kept.atS).toHaveLength(readings().h.length);
    expect([kept.atS[1], kept.tempC[1]]).toEqual([120, 24.33]);
  });
  it('keeps its span, its limit, and both ends of a stretch without a set point', () => {
    const { setC, ...rest } = readings();
    const cut = { ...rest, setC: setC.map((v, n) => (n > 100 && n < 111 ? NaN : v)) };
    const kept = thinLog(cut, 60);
    expect(kept.atS.length).toBeLessThanOrEqual(60);
    expect(kept.atS.at(-1)).toBeCloseTo(rest.h.at(-1)! * 3600, 3);
    const out = kept.atS.filter((_, n) => kept.setC[n] === null);
    expect([out[0], out.at(-1)]).toEqual([101 * 120, 110 * 120]);
    expect(kept.atS.every((at, n) => n === 0 || at > kept.atS[n - 1]!)).toBe(true);
  });
});
