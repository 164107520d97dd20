import type { Casting, PourDoc } from '@zero-pour/contracts';
import { formatPhrase, METRIC } from '@zero-pour/core';
import { describe, expect, it } from 'vitest';
import { planPour } from '../index';
import { fullDoc, LINE, planShop } from '../testing/planShop';
import { debrisChain } from './debrisChain';

const chain = (change: (doc: PourDoc) => void) =>
  debrisChain(planPour({ doc: fullDoc(new Date(2026, 10, 26, 9, 15), change) }, planShop()));
const dirty: Casting = { outcome: 'scrap', photos: [], flaws: [{ kind: 'debris cast in', place: '' }] };
const fine: Casting = { outcome: 'sellable', photos: [], flaws: [] };

describe('the chain from a tacky skin to debris in the metal', () => {
  it('is not shown where nothing speaks for it', () => {
    expect(chain(() => {})).toBeUndefined();
    expect(chain((doc) => void (doc.result.castings[`${LINE}/1`] = fine))).toBeUndefined();
  });
  it('is shown with debris; what nobody looked at is neither good nor bad', () => {
    const links = chain((doc) => {
      doc.result.castings = { [`${LINE}/1`]: dirty, [`${LINE}/2`]: fine };
      doc.clean.steps = {};
      doc.invest.checks = {};
    })!;
    expect(links.map(({ name }) => name)).toEqual(['Washed and cured', 'Skin', 'Dusted off', 'Metal']);
    expect(links[1]!.state).toBe('not known');
    expect(links[3]!.state).toBe('bad');
    expect(formatPhrase(links[3]!.says, METRIC)).toBe('1 of 2 with debris cast in.');
  });
  it('says what was ticked: dusted off speaks against it', () => {
    const links = chain((doc) => {
      doc.result.castings = { [`${LINE}/1`]: dirty };
      doc.invest.checks = { 'patterns dusted off': '2026-11-24T10:00:00.000Z' };
    })!;
    expect(links[2]!.state).toBe('good');
  });
});
