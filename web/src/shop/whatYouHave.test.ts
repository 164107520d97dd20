// @vitest-environment happy-dom
import { flushPromises } from '@vue/test-utils';
import { emptyShopLists, type ShopLists } from '@zero-pour/contracts';
import { beforeEach, describe, expect, it } from 'vitest';
import { useShop } from '../state/shopStore';
import { useFakeShop } from '../testing/fakeServer';
import { buttonOf, flatText, typeInto } from '../testing/showInPour';
import { TEMPLATES } from './bookItems';
import WhatYouHave from './WhatYouHave.vue';
import { firstPour, NOTHING_SAID, readFlasks, thingsToKeep, type WhatYouHave as Have } from './whatYouHave';

const EMPTY = emptyShopLists();
const ALL: Have = {
  metals: [TEMPLATES.alloy[0]!.name],
  flasks: '76 x 102',
  powder: TEMPLATES.powder[0]!.name,
  programme: TEMPLATES.programme[0]!.name,
  kiln: true,
  resin: TEMPLATES.resin[0]!.name,
  printer: true,
  exposureS: 2.4,
};
/** The lists with what is to be kept in them. */
const listsOf = (have: Have): ShopLists => {
  const lists = structuredClone(EMPTY) as Record<string, unknown[]>;
  for (const { kind, item } of thingsToKeep(have, EMPTY)) lists[kind]!.push(item);
  return lists as unknown as ShopLists;
};

describe('flasks as they are typed', () => {
  it.each([
    ['76x102', [[76, 102]]],
    ['3 x 4 in; 100 × 150', [[76.2, 101.6], [100, 150]]],
    ['7,6 x 10 cm', [[76, 100]]],
    ['51x64, 64x76 and 76 x 102', [[51, 64], [64, 76], [76, 102]]],
    ['  ;; \n', []],
  ] as [string, number[][]][])('%s', (text, sizes) => {
    expect(readFlasks(text).map((flask) => 'why' in flask ? flask.why : [flask.diameterMm, flask.heightMm])).toEqual(sizes);
  }); // prettier-ignore
  it.each(['big', '102', '-3 x 4', 'x'])('“%s” is none, and says how one is written', (text) => {
    expect(readFlasks(text)).toEqual([{ text, why: expect.stringContaining('inner diameter') }]);
  });
});

describe('what is taken into an empty shop', () => {
  it('is only what was said: nothing of nothing', () => {
    expect(thingsToKeep(NOTHING_SAID, EMPTY)).toEqual([]);
    expect(thingsToKeep({ ...NOTHING_SAID, printer: true }, EMPTY).map(({ kind }) => kind)).toEqual([
      'printer',
    ]);
  });
  it('stands in the order in which things name each other, with the seconds that were told', () => {
    const things = thingsToKeep(ALL, EMPTY);
    expect(things.map(({ kind }) => kind)).toEqual(['alloy', 'flask', 'powder', 'kiln', 'programme', 'resin', 'printer', 'profile']); // prettier-ignore
    const lists = listsOf(ALL);
    expect(lists.profile[0]).toMatchObject({
      resinId: lists.resin[0]!.id,
      printerId: lists.printer[0]!.id,
      exposureS: 2.4,
      tested: false,
    });
  });
  it('numbers a name that is there, and keeps two flasks of one size apart', () => {
    const names = thingsToKeep({ ...NOTHING_SAID, flasks: '76x102; 76x102' }, EMPTY).map(({ item }) => item.name); // prettier-ignore
    expect(new Set(names).size).toBe(2);
  });
});

describe('the first pour', () => {
  it('chooses whatever there is only one of', () => {
    const lists = listsOf(ALL);
    const doc = firstPour(lists, ['5f1c2a30-8a0e-4c55-9d3b-1a2b3c4d5e6f']);
    expect(doc.brief).toMatchObject({ alloyId: lists.alloy[0]!.id, lines: [{ count: 1 }] });
    expect(doc.resin).toEqual({
      resinId: lists.resin[0]!.id,
      printerId: lists.printer[0]!.id,
      profileId: lists.profile[0]!.id,
    });
    expect(doc.flasks[0]!.sprue.flaskId).toBe(lists.flask[0]!.id);
    expect(doc.burnout).toMatchObject({ kilnId: lists.kiln[0]!.id, programmeId: lists.programme[0]!.id });
  });
  it('leaves open what there are two of, or none', () => {
    const doc = firstPour(
      listsOf({ ...ALL, flasks: '76x102; 51x64', resin: null, metals: TEMPLATES.alloy.slice(0, 2).map(({ name }) => name) }),
      [],
    ); // prettier-ignore
    expect(doc.brief).not.toHaveProperty('alloyId');
    expect(doc.brief.lines).toEqual([]);
    expect(doc.flasks[0]!.sprue).not.toHaveProperty('flaskId');
    expect(doc.resin).not.toHaveProperty('resinId');
  });
});

describe('the form', () => {
  const shop = useFakeShop();
  beforeEach(() => {
    useShop().lists = structuredClone(EMPTY);
  });
  it('keeps things one after the other, then begins a pour with them', async () => {
    const page = shop.show(WhatYouHave, {});
    await typeInto(page, 'Flasks, inside: 76 x 102; 3 x 4 in', '76x102');
    expect(flatText(page)).toContain('76 × 102 mm');
    await buttonOf(page, 'Take 1 into the shop and begin a pour').trigger('submit');
    await flushPromises();
    const sent = shop.server.sent.map(({ at, method }) => `${method} ${at.split('/').slice(0, 4).join('/')}`);
    expect(sent.filter((one) => one.startsWith('P')).slice(0, 1)[0]).toMatch(/^PUT \/api\/shop\/flask|^PUT \/api\/flask/); // prettier-ignore
    const pour = shop.server.sent.find(({ method, at }) => method === 'POST' && at === '/api/pours')!;
    const flask = shop.server.sent.find(({ at }) => at.includes('flask'))!;
    expect(JSON.stringify(pour.body)).toContain(flask.at.split('/').at(-1));
  });
  it('takes nothing in while a flask is not clear', async () => {
    const page = shop.show(WhatYouHave, {});
    await typeInto(page, 'Flasks, inside: 76 x 102; 3 x 4 in', 'the big one');
    expect(flatText(page)).toContain('“the big one”: Write its inner diameter');
    expect(buttonOf(page, 'Begin a pour').attributes('disabled')).toBeDefined();
  });
});
