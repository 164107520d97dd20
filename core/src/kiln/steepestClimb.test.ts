import { describe, expect, it } from 'vitest';
import { steepestClimb, type KilnReadings } from './index';

/** A kiln that climbs so fast, by the temperatures at which it changes its pace: °C, °C/h. A row a minute. */
function climbing(legs: readonly (readonly [toC: number, cPerH: number])[], startC = 20): KilnReadings {
  const [h, tempC] = [[0], [startC]];
  for (const [toC, cPerH] of legs)
    while (tempC.at(-1)! < toC) {
      h.push(h.at(-1)! + 1 / 60);
      tempC.push(tempC.at(-1)! + cPerH / 60);
    }
  const setC = new Float64Array(h.length).fill(NaN);
  return { h: Float64Array.from(h), tempC: Float64Array.from(tempC), setC, hasSet: false };
}
const steep = (log: KilnReadings): number | undefined => steepestClimb(log, [150, 400]);

describe('how steeply a kiln climbed', () => {
  it('is the steepest ten minutes between the two temperatures, not outside of them', () => {
    expect(steep(climbing([[500, 90]]))).toBeCloseTo(90, 6);
    expect(steep(climbing([[140, 600], [200, 80], [280, 200], [420, 60], [600, 500]]))).toBeCloseTo(200, 3); // prettier-ignore
  });
  it('is not known by a log that begins within it, ends within it, or has a hole', () => {
    expect(steep(climbing([[500, 90]], 200))).toBeUndefined();
    expect(steep(climbing([[300, 90]]))).toBeUndefined();
    const whole = climbing([[500, 90]]);
    const holed = (values: Float64Array): Float64Array => values.filter((_, n) => n < 120 || n > 170);
    const log = { ...whole, h: holed(whole.h), tempC: holed(whole.tempC), setC: holed(whole.setC) };
    expect(steep(log)).toBeUndefined();
  });
});
