import { repeatPourDoc, type Pour } from '@zero-pour/contracts';
import { createDemoShop } from '@zero-pour/demo';
import { beforeAll, describe, expect, it } from 'vitest';
import { planShop } from '../testing/planShop';
import type { Shop } from '../context';
import { changedSince } from './changedSince';

let shop: Shop;
let former: Pour;
beforeAll(async () => {
  const { file } = await createDemoShop(new Date('2026-11-24T10:00:00Z'));
  shop = { ...planShop(), settings: file.settings, lists: file.lists, patterns: file.patterns };
  former = file.pours.find(({ number }) => number === 22)!;
});
const again = (change: (pour: Pour) => void): string[] => {
  const pour: Pour = { ...former, number: 40, doc: structuredClone(repeatPourDoc(former.doc, 22, '')) };
  change(pour);
  return changedSince(former, pour, shop).decided.map(({ label }) => label);
};

describe('what is otherwise than in the pour that is repeated', () => {
  it('is nothing where nothing was changed, whatever happened to the first', () => {
    expect(again(() => {})).toEqual([]);
  });
  it('is found by comparing, not by what was stated', () => {
    const found = again(({ doc }) => {
      doc.invest.ratio = (former.doc.invest.ratio ?? 0.4) + 0.02;
      doc.brief.statedChange = 'another flask';
    });
    // One thing, though powder and water are weighed otherwise for it.
    expect(found).toEqual(['Water ÷ powder']);
  });
  it('is one thing where another powder is taken, with what follows told apart', () => {
    const pour: Pour = { ...former, number: 40, doc: structuredClone(repeatPourDoc(former.doc, 22, '')) };
    const other = shop.lists.powder.find(({ id }) => id !== former.doc.invest.powderId)!;
    pour.doc.invest.powderId = other.id;
    const { decided, followed } = changedSince(former, pour, shop);
    expect(decided.map(({ label }) => label)).toEqual(['Powder']);
    expect(followed.every(({ key }) => key.startsWith('worked out/'))).toBe(true);
  });
  it('names the flask’s temperature where that was set', () => {
    expect(
      again(({ doc }) => (doc.flasks[0]!.pour.flaskTempC = 455))
        .join(' ')
        .toLowerCase(),
    ).toContain('flask');
  });
});
