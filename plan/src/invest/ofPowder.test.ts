import type { PourDoc } from '@zero-pour/contracts';
import { HOUR_MS } from '@zero-pour/core';
import { describe, expect, it } from 'vitest';
import { planOrdinaryHelp, planPour, valueOf } from '../index';
import { fullDoc, planShop } from '../testing/planShop';

const ZERO = new Date(2026, 10, 26, 9, 15);
const at = (h: number): string => new Date(ZERO.getTime() - 20 * HOUR_MS + h * HOUR_MS).toISOString();
function planWith(change: (doc: PourDoc) => void, grade: 'standard' | 'resin' = 'standard') {
  const shop = planShop();
  const lists = { ...shop.lists, powder: shop.lists.powder.map((one) => ({ ...one, grade })) };
  return planPour({ doc: fullDoc(ZERO, change) }, { ...shop, lists });
}
const burnoutSays = (change: (doc: PourDoc) => void): string[] =>
  valueOf(planWith(change).burnout)!
    .judgements.filter(({ rule }) => rule === 'set time')
    .map(({ lead }) => lead);
const mixSays = (change: (doc: PourDoc) => void, rule: string): string[] =>
  valueOf(planWith(change).mix)!
    .judgements.filter((one) => one.rule === rule)
    .map(({ lead }) => lead);

describe('ordinary powder in a pour', () => {
  it('can be helped by a press where a print is burnt out, not where wax is, nor in resin grade', () => {
    expect(planOrdinaryHelp(planWith(() => {}).context)).toMatchObject({ boric: { school: 'powder' } });
    expect(planOrdinaryHelp(planWith(() => {}, 'resin').context)).toBeUndefined();
    const wax = planWith((doc) => void (doc.brief.route = 'wax from a rubber mold'));
    expect(planOrdinaryHelp(wax.context)).toBeUndefined();
    const none = planWith((doc) => void delete doc.invest.powderId);
    expect(planOrdinaryHelp(none.context)).toBeUndefined();
  });
});

describe('how a filled flask stood', () => {
  const stood = (hours: number) => (doc: PourDoc) => {
    doc.invest.doneAt = at(0);
    doc.burnout.startedAt = at(hours);
  };
  it('is judged once it is in the kiln: too short, long enough, over a day', () => {
    expect(burnoutSays(() => {})).toEqual([]);
    expect([1, 5, 26].map((hours) => burnoutSays(stood(hours)))).toEqual([
      ['Not set yet.'],
      [],
      ['It waits long.'],
    ]);
  });
  it('is not known where it was filled after it went in, by what was noted', () => {
    expect(burnoutSays(stood(-1))).toEqual([]);
  });
});

describe('the gloss', () => {
  it('is judged by when it went off after powder in water, and not without either', () => {
    const gloss = (min: number) => (doc: PourDoc) => {
      doc.invest.powderInAt = at(0);
      doc.invest.glossOffAt = at(min / 60);
    };
    expect(mixSays(gloss(30), 'gloss-off')).toEqual(['It set late.']);
    expect(mixSays(gloss(-5), 'gloss-off')).toEqual([]);
    expect(mixSays((doc) => void (doc.invest.glossOffAt = at(0)), 'gloss-off')).toEqual([]);
  });
});
