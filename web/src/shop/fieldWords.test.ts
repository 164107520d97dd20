// @vitest-environment happy-dom
import { emptyShopLists, SHOP_KINDS, type Programme, type ShopItem } from '@zero-pour/contracts';
import { METRIC } from '@zero-pour/core';
import { beforeEach, describe, expect, it } from 'vitest';
import { useShop } from '../state/shopStore';
import { useFakeShop } from '../testing/fakeServer';
import { flatText } from '../testing/showInPour';
import { itemFrom, TEMPLATES } from './bookItems';
import { changeWords } from './fieldWords';
import OtherwiseThan from './OtherwiseThan.vue';

const flask = itemFrom<'flask'>(TEMPLATES.flask[2]!, []);
const programme = itemFrom<'programme'>(TEMPLATES.programme[0]!, []);
type Segment = Programme['segments'][number];
const withSegment = (at: number, fields: Partial<Segment>): Programme => ({
  ...programme,
  segments: programme.segments.map((one, i) => (i === at ? { ...one, ...fields } : one)),
});

describe('what differs between two states of a thing', () => {
  it('is nothing where nothing does, for every kind there is', () => {
    for (const kind of SHOP_KINDS)
      for (const template of kind === 'profile' ? [] : TEMPLATES[kind]) {
        const item = itemFrom(template as never, []) as unknown as Record<string, unknown>;
        expect(changeWords(kind, item, structuredClone(item), METRIC)).toEqual([]);
        expect(changeWords(kind, item, { ...item, againOfId: null }, METRIC)).toEqual([]);
      }
  });
  it('is said by what the form calls it, in the units that are shown', () => {
    const taller = { ...flask, heightMm: 127, perforated: true, note: 'dented' };
    expect(changeWords('flask', flask, taller, METRIC)).toEqual([
      'Height: 102.00 mm → 127.00 mm',
      'Perforated: no → yes',
      'Note: nothing → dented',
    ]);
    expect(
      changeWords('flask', flask, { ...flask, heightMm: 101.6 * 2 }, { ...METRIC, length: 'in' })[0],
    ).toMatch(/in → 8\S* in/);
  });
  it('goes into a programme’s segments: which one, and what of it', () => {
    const { name, holdH } = programme.segments[1]!;
    const words = changeWords('programme', programme, withSegment(1, { holdH: holdH + 2 }), METRIC);
    expect(words).toHaveLength(1);
    expect(words[0]).toContain(`Segment “${name}”: Hold: `);
  });
  it('names an entry that was added, and one that was left out', () => {
    const fewer = { ...programme, segments: programme.segments.slice(0, -1) };
    const last = programme.segments.at(-1)!.name;
    expect(changeWords('programme', programme, fewer, METRIC)).toEqual([`Segment “${last}” left out`]);
    expect(changeWords('programme', fewer, programme, METRIC)).toEqual([`Segment “${last}” added`]);
  });
  it('knows steps by their keys: one that moved is another order, no other step', () => {
    const resin = itemFrom<'resin'>(TEMPLATES.resin[0]!, []);
    const turned = { ...resin, protocol: resin.protocol.toReversed() };
    expect(changeWords('resin', resin, turned, METRIC)).toEqual(['Cleaning: another order']);
    const [first, ...rest] = resin.protocol;
    const longer = { ...resin, protocol: [{ ...first!, maxMinutes: first!.maxMinutes + 5 }, ...rest] };
    expect(changeWords('resin', resin, longer, METRIC)[0]).toContain(`“${first!.name}”: Most: `);
  });
  it('never throws over what an older state lacks or has besides', () => {
    expect(changeWords('resin', {}, { reported: [], someNew: 3 }, METRIC)).toEqual(['Some new: nothing → 3']);
  });
});

describe('a thing that was begun as another', () => {
  const shop = useFakeShop();
  const show = (item: ShopItem<'flask'>): string =>
    flatText(shop.show(OtherwiseThan as never, { kind: 'flask', item }));
  beforeEach(() => {
    useShop().lists = { ...emptyShopLists(), flask: [flask] };
  });
  const again = { ...flask, id: crypto.randomUUID(), name: 'Other', againOfId: flask.id };

  it('says what it has otherwise, and that it has nothing yet', () => {
    expect(show({ ...again, heightMm: 127 })).toBe(
      `Otherwise than ${flask.name}: Height: 102.00 mm → 127.00 mm.`,
    );
    expect(show(again)).toContain(`As ${flask.name} in everything`);
  });
  it('does not claim to be alike when the other is gone', () => {
    expect(show({ ...again, againOfId: crypto.randomUUID() })).toContain('what differs cannot be told');
  });
  it('says nothing of a thing that was begun by itself', () => {
    expect(show(flask)).toBe('');
  });
});
