import type { PourDoc } from '@zero-pour/contracts';
import { heatFlask, plasterOf, type FlaskHeat } from '@zero-pour/core';
import { heatJob, type HeatInput } from '@zero-pour/jobs';
import { describe, expect, it } from 'vitest';
import { planPour, valueOf, type Readings } from '../index';
import { metalMeets } from './outOfKiln';
import { fullDoc, planShop } from '../testing/planShop';

const ZERO = new Date(2026, 10, 26, 9, 15);
const reckoned: Readings = {
  of: (job, input) => {
    if (job.name !== heatJob.name) return { status: 'unread' };
    const { kiln, ratio, patternsMm, airMin = 0, airC, ...body } = input as HeatInput;
    const heat: FlaskHeat = heatFlask({
      body,
      plaster: plasterOf(ratio),
      kiln: kiln.map(([h, tempC]) => ({ h, tempC })),
      patternsMm,
      airMin,
      ...(airC === undefined ? {} : { airC }),
    });
    return { status: 'known', value: heat as never };
  },
};
function leads(outMin: number | undefined, readings?: Readings): string[] {
  const doc = fullDoc(ZERO, (change) => {
    if (outMin !== undefined) change.flasks[0]!.pour.outMin = outMin;
  });
  const plan = planPour({ doc }, { ...planShop(), ...(readings ? { readings } : {}) });
  const { wayOut } = valueOf(plan.burnout)!;
  return [...wayOut.values()].flat().map(({ lead, weight }) => `${lead} ${weight}`);
}

describe('the way from the kiln to the metal', () => {
  it('is not spoken of where nobody says how long it takes, and nothing good is said before it is reckoned', () => {
    expect(leads(undefined, reckoned)).toEqual([]);
    expect(leads(4)).toEqual(['What the metal meets is not reckoned yet. watch']);
  });
  it('cools the patterns below the metal’s range where it takes long', () => {
    expect(leads(1, reckoned)).toEqual(['Hot enough at the patterns. ok']);
    expect(leads(20, reckoned)).toEqual(['Cold at the patterns. watch']);
  });
});

describe('what the metal meets', () => {
  const meets = (
    outMin: number | undefined,
    readings?: Readings,
    change: (doc: PourDoc) => void = () => {},
  ) => {
    const doc = fullDoc(ZERO, (made) => {
      if (outMin !== undefined) made.flasks[0]!.pour.outMin = outMin;
      change(made);
    });
    const { context } = planPour({ doc }, { ...planShop(), ...(readings ? { readings } : {}) });
    return metalMeets(context, 0, 520);
  };
  it('is colder in a cold yard than in a hot room, where the room was read', () => {
    const inRoom = (value: number) =>
      meets(10, reckoned, (doc) => void (doc.flasks[0]!.pour.roomC = { state: 'measured', value }))!.tempC;
    expect(inRoom(35)).toBeGreaterThan(inRoom(-10) + 1);
    expect(inRoom(20)).toBeCloseTo(meets(10, reckoned)!.tempC, 9);
  });
  it('is colder the longer the flask is out, and nothing while one thing is not known', () => {
    const [soon, late] = [meets(1, reckoned)!, meets(10, reckoned)!];
    expect(soon.tempC).toBeLessThan(530);
    expect(soon.tempC - late.tempC).toBeGreaterThan(20);
    expect(meets(undefined, reckoned)).toBeUndefined();
    expect(meets(4)).toBeUndefined();
    expect(meets(4, reckoned, (doc) => void delete doc.burnout.kilnId)).toBeUndefined();
    expect(meets(4, reckoned, (doc) => void delete doc.invest.powderId)).toBeUndefined();
  });
});
