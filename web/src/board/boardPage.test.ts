// @vitest-environment happy-dom
import { flushPromises, type VueWrapper } from '@vue/test-utils';
import { describe, expect, it } from 'vitest';
import { emptyShopLists } from '@zero-pour/contracts';
import { useNotices } from '../state/notices';
import { usePours } from '../state/pourStore';
import { useShop } from '../state/shopStore';
import { useFakeShop } from '../testing/fakeServer';
import { buttonOf, flatText } from '../testing/showInPour';
import BoardPage from './BoardPage.vue';

const shop = useFakeShop();
const idOf = (number: number): string => shop.file.pours.find((pour) => pour.number === number)!.id;
const hoursAgo = (hours: number): string => new Date(Date.now() - hours * 3_600_000).toISOString();
const open = (): VueWrapper => shop.show(BoardPage);
const hands = (page: VueWrapper): string[] =>
  page.findAll('.hands li').map((line) => line.text().replace(/\s+/g, ' '));

describe('the board', () => {
  it('says what hands must do next, soonest first, with its pour', () => {
    const [first] = hands(open());
    expect(first).toContain('Turn the flask, button up');
    expect(first).toContain('Pour 29');
  });

  it('ticks a turn of the flask, and takes it back', async () => {
    const page = open();
    await page.findAll('.hands button').find((b) => b.attributes('aria-label')?.includes('Turn the flask'))!.trigger('click'); // prettier-ignore
    expect(Object.keys(usePours().pours.get(idOf(29))!.doc.burnout.hands)).toEqual([
      'Steam and drain › Turn the flask, button up',
    ]);
    useNotices().current!.action!.run();
    await flushPromises();
    expect(usePours().pours.get(idOf(29))!.doc.burnout.hands).toEqual({});
  });

  it('reminds of a running print part way, which is ticked here too', async () => {
    usePours().set(idOf(30), ['print', 'checkedAt'], undefined);
    usePours().set(idOf(30), ['print', 'startedAt'], hoursAgo(1));
    const page = open();
    expect(hands(page)[0]).toContain('Look at the print: do all hang?');
    expect(hands(page)[0]).toContain('late');
    await page.find('.hands button').trigger('click');
    expect(usePours().pours.get(idOf(30))!.doc.print.checkedAt).toBeDefined();
    expect(hands(page).join()).not.toContain('Look at the print');
  });

  it('takes the end of a print from here, and lets it be taken back', async () => {
    usePours().set(idOf(30), ['print', 'startedAt'], hoursAgo(3));
    const page = open();
    const done = page
      .findAll('.hands button')
      .find((b) => b.attributes('aria-label') === 'Print is done: done')!;
    await done.trigger('click');
    expect(usePours().pours.get(idOf(30))!.doc.print.finishedAt).toBeDefined();
    useNotices().current!.action!.run();
    expect(usePours().pours.get(idOf(30))!.doc.print.finishedAt).toBeUndefined();
  });

  it('warns of what goes off: a print that lies uncured past its time', () => {
    usePours().set(idOf(30), ['print', 'startedAt'], hoursAgo(80));
    usePours().set(idOf(30), ['print', 'finishedAt'], hoursAgo(75));
    const said = flatText(open());
    expect(said).toContain('Pour 30. Uncured print.');
    expect(said).toContain('past its 2 days. It cracks on cure.');
  });

  it('names a kiln that two pours want', () => {
    const zero = usePours().pours.get(idOf(29))!.doc.brief.zeroAt;
    usePours().set(idOf(31), ['brief', 'zeroAt'], zero);
    expect(flatText(open())).toContain('Kiln 1 is taken.');
  });

  it('offers an empty shop two ways to begin', async () => {
    useShop().lists = emptyShopLists();
    useShop().patterns = [];
    for (const number of [29, 30, 31]) usePours().pours.delete(idOf(number));
    const page = open();
    expect(flatText(page)).toContain('An empty shop');
    await buttonOf(page, 'Begin a pour').trigger('submit');
    await flushPromises();
    expect(shop.server.sent.some(({ method, at }) => method === 'POST' && at === '/api/pours')).toBe(true);
  });

  it('keeps what to begin with in sight until each kind is there', async () => {
    expect(flatText(open())).not.toContain('Begin with what you have');
    useShop().lists = { ...useShop().lists, printer: [], programme: [] };
    const page = open();
    expect(flatText(page)).toContain('Begin with what you have');
    expect(page.findAll('[aria-label="Begin with what you have"] a').map((a) => a.attributes('href'))).toEqual([
      '/shop/alloy', '/shop/flask', '/shop/powder', '/shop/programme', '/shop/printer',
    ]); // prettier-ignore
    expect(page.findAll('.there')).toHaveLength(3);
  });

  it('says so when nothing is in work', () => {
    for (const number of [29, 30, 31]) usePours().pours.delete(idOf(number));
    const said = flatText(open());
    expect(said).toContain('No pour is in work.');
    expect(said).toContain('Nothing waits for hands.');
  });
});
