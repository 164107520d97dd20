import { describe, expect, it } from 'vitest';
import { BalanceStandIn, ThermometerStandIn } from './handStandIns';
import { KilnStandIn } from './kilnStandIn';
import type { StandIn } from './standIn';

/** A wall's clock that is set by hand; the device follows it when it is told. */
function withClock<T extends StandIn>(make: (wallMs: () => number) => T) {
  let now = Date.parse('2026-11-24T16:00:00Z');
  const device = make(() => now);
  device.close();
  const pass = (seconds: number): void => {
    now += seconds * 1000;
    device.tick();
  };
  return { device, pass, last: () => device.after(-1, 1)[0]! };
}

describe('a thermometer that is none', () => {
  it('lags behind what it is put into, and what it is in cools to the room', () => {
    const { device, pass, last } = withClock((wall) => new ThermometerStandIn(wall));
    pass(2);
    expect(last().value).toBeCloseTo(21, 1);
    device.put(80);
    pass(4);
    // One time constant: two thirds of the way.
    expect(last().value).toBeGreaterThan(21 + 59 * 0.55);
    expect(last().value).toBeLessThan(21 + 59 * 0.7);
    expect(last().steady).toBe(false);
    pass(60);
    expect(last()).toMatchObject({ steady: true });
    expect(last().value).toBeLessThan(80);
    pass(4 * 3600);
    expect(last().value).toBeCloseTo(21, 0);
  });
});

describe('a balance that is none', () => {
  it('swings, then rests at what is on it', () => {
    const { device, pass, last } = withClock((wall) => new BalanceStandIn(wall));
    device.put(45.6);
    pass(1);
    expect(last().steady).toBe(false);
    pass(10);
    expect(last()).toMatchObject({ value: 45.6, steady: true });
    device.put(0);
    pass(12);
    expect(last().value).toBe(0);
  });
});

describe('a kiln that is none', () => {
  const RUN = { name: 'Dry', segments: [{ rampCPerH: 300, targetC: 150, holdS: 3600 }] };
  const [ONE, OTHER] = ['00000000-0000-4000-8000-000000000001', '00000000-0000-4000-8000-000000000002'];

  it('counts its readings up by one and forgets the oldest only', () => {
    const { device, pass } = withClock((wall) => new KilnStandIn(wall));
    pass(300);
    const all = device.after(0, 1e6);
    expect(all.map(({ n }) => n)).toEqual(all.map((_, i) => i + 1));
    device.trouble({ pace: 3600 });
    for (let n = 0; n < 60; n++) pass(1);
    const kept = device.after(0, 1e6);
    expect(kept).toHaveLength(20_000);
    expect(kept.at(-1)!.n - kept[0]!.n).toBe(19_999);
    expect(device.after(device.lastN - 3, 2)).toHaveLength(2);
  });
  it('runs one programme at a time, and is stopped by its name only', () => {
    const { device, pass, last } = withClock((wall) => new KilnStandIn(wall));
    const after = device.begin(ONE, RUN);
    pass(600);
    expect(last().runId).toBe(ONE);
    expect(device.begin(ONE, RUN)).toBe(after);
    expect(device.begin(OTHER, RUN)).toBeUndefined();
    device.stop(OTHER);
    pass(10);
    expect(last().runId).toBe(ONE);
    device.stop(ONE);
    pass(10);
    expect(last()).toMatchObject({ runId: null, set: null });
  });
  it('suffers what it is told: without power it cools, with a stuck relay it goes over, without a probe it reads nothing', () => {
    const { device, pass, last } = withClock((wall) => new KilnStandIn(wall));
    device.begin(ONE, RUN);
    device.trouble({ pace: 60 });
    for (let n = 0; n < 60; n++) pass(1);
    expect(last().value).toBeCloseTo(150, -1);
    device.trouble({ powerOut: true });
    for (let n = 0; n < 20; n++) pass(1);
    expect(last().set).toBeNull();
    expect(last().value).toBeLessThan(135);
    device.trouble({ powerOut: false, stuckOn: true });
    for (let n = 0; n < 40; n++) pass(1);
    expect(last().value).toBeGreaterThan(200);
    device.trouble({ stuckOn: false, probeLost: true });
    pass(1);
    expect(last().value).toBeNull();
    device.trouble({ probeLost: false, driftC: 20 });
    const before = last();
    pass(1);
    expect(last().n).toBeGreaterThan(before.n);
    expect(last().value).not.toBeNull();
  });
  it('that fails to cool is hotter an hour later than one that does not', () => {
    const coolTo = (failsToCool: boolean): number => {
      const { device, pass, last } = withClock((wall) => new KilnStandIn(wall));
      device.begin(ONE, { name: 'Hot', segments: [{ rampCPerH: null, targetC: 700, holdS: 1 }] });
      device.trouble({ pace: 3600, failsToCool });
      for (let n = 0; n < 4; n++) pass(1);
      device.stop(ONE);
      for (let n = 0; n < 2; n++) pass(1);
      return last().value!;
    };
    expect(coolTo(true)).toBeGreaterThan(coolTo(false) + 20);
  });
});
