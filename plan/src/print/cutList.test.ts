import type { PourDoc } from '@zero-pour/contracts';
import { standingJob } from '@zero-pour/jobs';
import { describe, expect, it } from 'vitest';
import { cutLists, planPour } from '../index';
import { fullDoc, LINE, planShop } from '../testing/planShop';

const ZERO = new Date(2026, 10, 26, 9, 15);
const gate = (x: number, over: object = {}) => ({
  key: `g${x}`,
  placeMm: [x, 5, 0] as [number, number, number],
  normal: [0, 0, -1] as [number, number, number],
  section: { widthMm: 1.2, heightMm: 1.2 },
  ...over,
});
/** Supports at every fourth millimetre from 0 to 16, or nobody has looked. */
function listsOf(placed: ReturnType<typeof gate>[], known: boolean) {
  const points = [0, 4, 8, 12, 16].map((x) => ({ at: [x, 5, 0] }));
  const readings = {
    of: ({ name }: { name: string }) =>
      known && name === standingJob.name ? { status: 'known', value: { points } } : { status: 'unread' },
  };
  const doc = fullDoc(ZERO, (changed: PourDoc) => {
    changed.wayUp.lines = { [LINE]: { gates: { count: 1, diameterMm: 2, lengthMm: 3, placed } } };
  });
  const { context, gates } = planPour({ doc }, planShop());
  return cutLists({ ...context, readings: readings as never }, gates);
}

describe('supports that stay as sprues', () => {
  it('are kept with their dips, and the others that the layers ask for are cut', () => {
    const kept = gate(4.5, { making: 'kept support', dips: 4 });
    const [list] = listsOf([kept, gate(12, { making: 'wax wire' })], true);
    expect(list).toMatchObject({ kept: [{ printedMm: 1.2, dips: 4 }], cut: 4 });
    expect(list!.kept[0]!.dippedMm).toBeCloseTo(2.4, 9);
  });
  it('say no number of the others while nobody has cut it in layers', () => {
    expect(listsOf([gate(4, { making: 'kept support' })], false)[0]!.cut).toBeUndefined();
  });
  it('are no matter where none is kept', () => {
    expect(listsOf([gate(4)], true)).toEqual([]);
  });
});
