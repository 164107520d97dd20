import { formatPhrase, formatQuantity, METRIC, type Segment } from '@zero-pour/core';
import { describe, expect, it } from 'vitest';
import { planMakers, planPour, valueOf } from '../index';
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

describe('several things that burn in one flask', () => {
  const shop = planShop();
  const [own] = shop.lists.resin;
  const other = { ...own!, id: '00000000-0000-4000-8000-0000000000aa', name: 'Slow Amber', rampMaxCPerH: 40, cleanOutH: 1, forBurnout: true }; // prettier-ignore
  const planWith = (wax: boolean, resins: (typeof other)[] = [other]) => {
    const doc = fullDoc(ZERO, (change) => {
      change.burnout.alongside = { resinIds: resins.map(({ id }) => id), wax };
    });
    const lists = { ...shop.lists, resin: [...shop.lists.resin, ...resins] };
    return planPour({ doc }, { ...shop, lists });
  };
  it('are judged by the strictest of each, which is named', () => {
    const alone = valueOf(planWith(false, []).burnout)!;
    expect(alone.deciding).toBeUndefined();
    const { limits, deciding, judgements } = valueOf(planWith(false).burnout)!;
    expect(limits).toMatchObject({ rampMaxCPerH: 40, cleanOutH: own!.cleanOutH });
    expect(formatPhrase(deciding!, METRIC)).toBe(`Slow Amber decides the climb (40 °C/h at most), ${own!.name} the clean-out (${formatQuantity({ value: own!.cleanOutH, unit: 'h', digits: 1 }, METRIC)}).`); // prettier-ignore
    expect(judgements.find(({ rule }) => rule === 'swell ramp')?.weight).toBe('fix');
  });
  it('stop where one of them does not burn out', () => {
    const stuck = valueOf(planWith(false, [{ ...other, forBurnout: false }]).burnout)!;
    expect(stuck.judgements[0]).toMatchObject({ rule: 'not for burnout', weight: 'stop' });
  });
  it('with wax ask for its hold, and say who is asked', () => {
    const makers = planMakers(planWith(true).context);
    expect(makers.known).toEqual(['The wax, by the book']);
    expect(makers.unknown.map(({ by }) => by)).toContain('Slow Amber');
    const said = (wax: boolean) => valueOf(planWith(wax).burnout)!.judgements.filter(({ rule }) => rule === 'wax drains').length; // prettier-ignore
    expect([said(true), said(false)]).toEqual([1, 0]);
  });
});
