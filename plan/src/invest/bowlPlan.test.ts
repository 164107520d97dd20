import type { PourDoc, Settings } from '@zero-pour/contracts';
import { describe, expect, it } from 'vitest';
import { planPour, valueOf, type MixPlan } from '../index';
import { fullDoc, planShop } from '../testing/planShop';

const ZERO = new Date(2026, 10, 26, 9, 15);
/** Four pieces, so that each of up to four flasks has one. */
const four = (doc: PourDoc): void => void (doc.brief.lines[0]!.count = 4);
const pieces = planPour({ doc: fullDoc(ZERO, four) }, planShop()).flasks[0]!.context.pieces.map(({ key }) => key); // prettier-ignore
/** The pour's one flask, so many times, in a shop that mixes so. */
function mixOf(
  flasks: number,
  investing: Settings['investing'],
  change: (doc: PourDoc) => void = () => {},
  resin: object = {},
): MixPlan {
  const shop = planShop();
  const doc = fullDoc(ZERO, (made) => {
    four(made);
    const [first] = made.flasks;
    // One piece in each, all of the others in the first.
    made.flasks = Array.from({ length: flasks }, (_, n) => ({
      ...first!,
      key: `f${n + 1}`,
      ...(n === 0 ? {} : { pieces: [pieces[n]!] }),
    }));
    change(made);
  });
  const lists = { ...shop.lists, resin: shop.lists.resin.map((one) => ({ ...one, ...resin })) };
  return valueOf(planPour({ doc }, { ...shop, lists, settings: { ...shop.settings, ...(investing && { investing }) } }).mix)!; // prettier-ignore
}
const order = ({ bowls }: MixPlan): string[] =>
  bowls.map(({ turns }) => turns.map(({ name }) => name).join('+'));
const said = ({ judgements }: MixPlan, rule: string): string[] =>
  judgements.filter((one) => one.rule === rule).map(({ weight }) => weight);

describe('the bowls of a pour', () => {
  it('are one where nobody said what the shop mixes in, and nothing is said of how high it rises', () => {
    const mix = mixOf(1, undefined);
    expect(order(mix)).toEqual(['Flask 1']);
    expect(said(mix, 'bowl')).toEqual([]);
    expect(mix.bowls[0].powder.value).toBe(mix.powder.value);
    expect(mix.bowls[0].leastBowlMl).toBeCloseTo(2 * mix.bowls[0].slurryMl, 9);
  });
  it('hold together what all flasks take', () => {
    const one = mixOf(1, undefined).bowls[0].slurryMl;
    const mix = mixOf(3, { bowlMl: 2.2 * one });
    expect(order(mix)).toEqual(['Flask 1', 'Flask 2', 'Flask 3']);
    for (const what of ['powder', 'water'] as const)
      expect(mix.bowls.reduce((sum, bowl) => sum + bowl[what].value, 0)).toBeCloseTo(mix[what].value, 9);
    expect(said(mix, 'bowl')).toEqual(['ok']);
    expect(said(mixOf(1, { bowlMl: 1.5 * one }), 'bowl')).toEqual(['fix']);
  });
  it('are as many as the person wants, and each has the steps of its own flasks', () => {
    const mix = mixOf(4, undefined, (doc) => void (doc.invest.bowls = 2));
    expect(order(mix)).toEqual(['Flask 1+Flask 2', 'Flask 3+Flask 4']);
    const second = mixOf(4, undefined, (doc) => {
      doc.invest.bowls = 2;
      doc.invest.earlierBowls = [{ steps: {} }];
    });
    expect([mix.at, second.at]).toEqual([0, 1]);
    expect(second.steps.map(({ key }) => key)).toContain('flask Flask 4');
    expect(second.steps.map(({ key }) => key)).not.toContain('flask Flask 1');
  });
  it('say nothing good of the last flask while the water was not read', () => {
    const cold = (doc: PourDoc) => void (doc.invest.waterTempC = { state: 'measured', value: 22 });
    const unread = (doc: PourDoc) => void (doc.invest.waterTempC = undefined);
    expect(said(mixOf(2, undefined, cold), 'bowl order')).toEqual(['ok']);
    expect(said(mixOf(2, undefined, unread), 'bowl order')).toEqual(['watch']);
  });
});

describe('boric acid by the resin’s record', () => {
  it('is told in the mix, and not where the record does not say', () => {
    expect(said(mixOf(1, undefined), 'boric asked')).toEqual([]);
    expect(said(mixOf(1, undefined, () => {}, { boricSchool: 'powder', boricPercent: 1 }), 'boric asked')).toEqual(['watch']); // prettier-ignore
  });
});

describe('working time', () => {
  it('goes by the powder’s own second figure', () => {
    const shop = planShop();
    const warm = fullDoc(ZERO, (doc) => void (doc.invest.waterTempC = { state: 'measured', value: 30 }));
    const powder = shop.lists.powder.map((one) => ({ ...one, otherWaterC: 30, workingMinAtOther: 4 }));
    const mix = valueOf(planPour({ doc: warm }, { ...shop, lists: { ...shop.lists, powder } }).mix);
    expect(mix?.workingMin).toBeCloseTo(4, 9);
  });
});
