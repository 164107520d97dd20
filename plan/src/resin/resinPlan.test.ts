import { emptyPourDoc, type PourDoc } from '@zero-pour/contracts';
import { describe, expect, it } from 'vitest';
import { resolvePour } from '../context';
import { fullDoc, planShop } from '../testing/planShop';
import { planResin } from './resinPlan';

const ZERO = new Date(2026, 10, 26, 9, 15);
const rules = (doc: PourDoc, shop = planShop()): string[] =>
  planResin(resolvePour({ doc }, shop)).judgements.map(({ rule, weight }) => `${rule} ${weight}`);
const shopWith = (resin: object, profile: object = {}) => {
  const { lists } = planShop();
  return planShop(undefined, {
    resin: [{ ...lists.resin[0]!, ...resin }],
    profile: [{ ...lists.profile[0]!, ...profile }],
  });
};

describe('resin and profile', () => {
  it('are nothing to speak of while nothing is chosen', () => {
    expect(rules(emptyPourDoc())).toEqual([]);
  });

  it('stop what leaves residue, unless only wax of it is cast', () => {
    const shop = shopWith({ forBurnout: false });
    const doc = fullDoc(ZERO);
    expect(rules(doc, shop)).toContain('not for burnout stop');
    doc.brief.route = 'wax from a rubber mold';
    expect(rules(doc, shop)).not.toContain('not for burnout stop');
    expect(rules(fullDoc(ZERO), shopWith({ forBurnout: true }))).not.toContain('not for burnout stop');
  });

  it('say when the figures were never tested here, or are for other parts', () => {
    expect(rules(fullDoc(ZERO), shopWith({}, { tested: false }))).toContain('untested watch');
    expect(rules(fullDoc(ZERO), shopWith({}, { tested: true }))).not.toContain('untested watch');
    const other = fullDoc(ZERO);
    other.brief.castClass = other.brief.castClass === 'heavy' ? 'filigree' : 'heavy';
    expect(rules(other)).toContain('class differs watch');
    expect(rules(fullDoc(ZERO))).not.toContain('class differs watch');
  });
});
