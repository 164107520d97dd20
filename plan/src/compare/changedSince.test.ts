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
  return changedSince(former, pour, shop).map(({ label }) => label);
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
    expect(found.length).toBeGreaterThan(0);
    expect(found.join(' ').toLowerCase()).toContain('water');
  });
  it('names the flask’s temperature where that was set', () => {
    expect(
      again(({ doc }) => (doc.flasks[0]!.pour.flaskTempC = 455))
        .join(' ')
        .toLowerCase(),
    ).toContain('flask');
  });
});
