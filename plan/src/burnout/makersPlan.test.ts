import { formatPhrase, METRIC, type Segment } from '@zero-pour/core';
import { describe, expect, it } from 'vitest';
import { planMakers, planPour } from '../index';
import { fullDoc, planShop } from '../testing/planShop';

const ZERO = new Date(2026, 10, 26, 9, 15);
const stage = (rampCPerH: number, targetC: number | null, holdH: number): Segment => ({
  ...{ name: `To ${targetC ?? 'casting'}`, rampCPerH, targetC, holdH },
  ...{ flaskWay: 'button down' as const, hands: [], note: '' },
});
const segments = (peakC: number, rampCPerH: number) =>
  [stage(rampCPerH, 150, 2), stage(rampCPerH, peakC, 4), stage(200, null, 1)].map((one) => ({
    ...one,
    hands: [],
  }));

function makersOf(
  given: { resin?: [number, number, string?]; powder?: [number, number, string?]; ceilingC?: number },
  wax = false,
) {
  const shop = planShop();
  const programme = (of: [number, number, string?] | undefined) =>
    of ? { segments: segments(of[0], of[1]), assumes: of[2] ?? '' } : null;
  const { resin, powder } = shop.lists;
  const lists = {
    ...shop.lists,
    resin: resin.map((one) => ({ ...one, makerProgramme: programme(given.resin) })),
    powder: powder.map((one) => ({
      ...one,
      makerProgramme: programme(given.powder),
      ceilingC: given.ceilingC ?? 750,
    })),
  };
  const doc = fullDoc(ZERO, (change) => {
    if (wax) change.brief.route = 'wax from a rubber mold';
  });
  const { context } = planPour({ doc }, { ...shop, lists });
  return { makers: planMakers(context), resin: context.resin!.name, powder: context.powder!.name };
}

describe('what the makers prescribe', () => {
  it('is not known while no record has it: nothing is made up', () => {
    const { makers, resin, powder } = makersOf({});
    expect(makers).toMatchObject({ known: [], both: undefined });
    expect(makers.unknown.map(({ by }) => by)).toEqual([resin, powder]);
  });
  it('is one’s alone, or both made one, never hotter than the powder bears', () => {
    const alone = makersOf({ resin: [740, 60] }).makers;
    expect(alone.both!.conflicts).toEqual([]);
    expect(alone.unknown).toHaveLength(1);
    const { makers, resin, powder } = makersOf({ resin: [760, 60], powder: [700, 150] });
    expect(makers.unknown).toEqual([]);
    expect(makers.known).toEqual([resin, powder]);
    expect(makers.both!.conflicts[0]).toMatchObject({ what: 'peak', taken: 750 });
    expect(makers.both!.segments[0]).toMatchObject({ rampCPerH: 60 });
    expect(makersOf({ resin: [760, 60], ceilingC: 720 }).makers.both!.conflicts[0]).toMatchObject({
      taken: 720,
    });
  });
  it('says where one was written for another powder', () => {
    const { makers, powder } = makersOf({ resin: [740, 60, 'Bench plaster'] });
    expect(formatPhrase(makers.notes[0]!, METRIC)).toContain(
      `was written for Bench plaster; here it meets ${powder}`,
    );
    expect(makersOf({ resin: [740, 60, powder.toUpperCase()] }).makers.notes).toEqual([]);
  });
  it('of wax is the powder’s alone: what the master was printed of does not burn', () => {
    const { makers, powder } = makersOf({ resin: [740, 60], powder: [700, 150] }, true);
    expect(makers.known).toEqual([powder]);
  });
});
