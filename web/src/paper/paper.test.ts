// @vitest-environment happy-dom
import { flushPromises } from '@vue/test-utils';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import type { House } from '@zero-pour/contracts';
import { useFakeShop } from '../testing/fakeServer';
import { answerJson } from '../testing/answers';
import { flatText } from '../testing/showInPour';
import { usePours } from '../state/pourStore';
import { useShop } from '../state/shopStore';
import HandOverSheet from './HandOverSheet.vue';
import LabelSheet from './LabelSheet.vue';
import ResinSheetPage from './ResinSheetPage.vue';

const shop = useFakeShop();
const idOf = (number: number): string => shop.file.pours.find((pour) => pour.number === number)!.id;
const NETWORK = {
  url: null,
  trouble: null,
  address: null,
  port: 4690,
  hasPasscode: false,
  fingerprint: null,
  addresses: [],
  devices: [],
};
let network: object;
beforeEach(() => {
  network = NETWORK;
  vi.stubGlobal('fetch', async (at: string, init: RequestInit = {}) =>
    at === '/api/network' ? answerJson(network) : shop.server.fetch(at, init),
  );
});
const show = async (component: object, props: Record<string, unknown>) => {
  const page = shop.show(component as never, props);
  await flushPromises();
  return page;
};

describe('labels', () => {
  it('name the pour large, its flask and its bags, each with a code', async () => {
    const page = await show(LabelSheet, { id: idOf(29) });
    expect(page.findAll('[aria-label="Code that opens pour 29"]').length).toBe(page.findAll('.label').length);
    expect(flatText(page)).toMatch(/29\s*Flask .*cast at \d+ °C/);
    expect(flatText(page)).toContain('Limpet cufflink ×8');
  });
  it('say that a phone gets nowhere until the network is open, and lead there once it is', async () => {
    expect(flatText(await show(LabelSheet, { id: idOf(29) }))).toContain(
      'These codes lead to this machine only',
    );
    network = { ...NETWORK, url: 'https://10.0.0.7:4690/' };
    expect(flatText(await show(LabelSheet, { id: idOf(29) }))).not.toContain('this machine only');
  });
});

describe('the hand-over sheet', () => {
  const HOUSE: House = {
    key: 'h1',
    name: 'Tern House',
    daysThere: 1,
    daysBack: 1,
    takes: 'prints',
    accepts: '',
  };
  const sheetFor = async (house: Partial<House>) => {
    const { settings } = useShop();
    useShop().takeSettings({ ...settings, houses: [{ ...HOUSE, ...house }] });
    usePours().set(idOf(31), ['burnout', 'houseKey'], 'h1');
    return flatText(await show(HandOverSheet, { id: idOf(31) }));
  };
  it('says what to cast in what, and what is not told as not told', async () => {
    const text = await sheetFor({});
    expect(text).toContain('To cast: pour 31');
    expect(text).toContain('For Tern House');
    expect(text).toContain('Sprued bynot agreed');
    expect(text).toContain('Agreed pricenot told');
    expect(text).not.toContain('Not to be sent as it is');
    expect(await sheetFor({ sprues: 'house', shrinkPercent: 2.1, pricePerPiece: 14 })).toMatch(
      /Sprued byTern House.*2.10 %.*14 .*a casting/,
    );
  });
  it('is held back where the house does not take it', async () => {
    expect(await sheetFor({ waxOnly: true })).toContain('Tern House takes wax only, and these are prints.');
    expect(await sheetFor({ resinIds: [crypto.randomUUID()] })).toMatch(
      /is none of the resins that Tern House takes/,
    );
  });
  it('without a house says so, and takes care all the same', async () => {
    const text = flatText(await show(HandOverSheet, { id: idOf(30) }));
    expect(text).toContain('No casting house is chosen at Burnout');
    expect(text).toContain('Fumes of burnout are led outside');
  });
});

describe('the sheet of a resin', () => {
  it('gives counts, not shares of nothing, and who paid only where it is told', async () => {
    const resin = shop.file.lists.resin.find(({ name }) => name === 'Skerry Wax 55')!;
    const text = flatText(await show(ResinSheetPage, { id: resin.id }));
    expect(text).toContain('Skerry Wax 55');
    expect(text).toMatch(/standard(\d+ of \d+|none looked at)/);
    expect(text).toContain('Who paid for the bottle is not told.');
    const [bottle] = resin.bottles;
    if (!bottle) throw new Error('the demo’s resin has a bottle');
    useShop().takeItem('resin', { ...resin, bottles: [{ ...bottle, paidBy: 'the maker, to be tried' }] });
    expect(flatText(await show(ResinSheetPage, { id: resin.id }))).toContain(
      'The bottle was paid by the maker, to be tried.',
    );
  });
  it('of one that is gone says so', async () => {
    expect(flatText(await show(ResinSheetPage, { id: crypto.randomUUID() }))).toContain(
      'There is no such resin here any more.',
    );
  });
});
