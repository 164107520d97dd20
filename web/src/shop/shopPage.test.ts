// @vitest-environment happy-dom
import { flushPromises, type VueWrapper } from '@vue/test-utils';
import type { Flask, Printer } from '@zero-pour/contracts';
import { describe, expect, it } from 'vitest';
import { useNotices } from '../state/notices';
import { useShop } from '../state/shopStore';
import { useFakeShop } from '../testing/fakeServer';
import { buttonOf, flatText, typeInto, unfold } from '../testing/showInPour';
import ShopPage from './ShopPage.vue';

const shop = useFakeShop();
const open = (kind: string, id?: string): VueWrapper => shop.show(ShopPage, { kind, ...(id ? { id } : {}) });
const settle = async (): Promise<void> => {
  await new Promise((done) => setTimeout(done, 900));
  await flushPromises();
};
/** The list's order may change while names are typed: one is held by its id. */
const flask = (): Flask => useShop().lists.flask.find((f) => f.name === '51 × 64')!;

describe('things of the shop', () => {
  it('are counted by kind, and one is open', () => {
    const page = open('flask');
    expect(page.find('[aria-label="Things of the shop"]').text().replace(/\s+/g, ' ')).toMatch(/Flasks \d+Powders \d+Metals \d+/); // prettier-ignore
    expect(page.find('h1').text()).toBe(flask().name);
  });

  it('are changed as they are typed, and kept', async () => {
    const page = open('flask', flask().id);
    await typeInto(page, 'Height', '4 in');
    expect(flatText(page)).toContain('keeping …');
    await settle();
    const sent = shop.server.last(`/shop/flask/${flask().id}`)!;
    expect(sent.method).toBe('PUT');
    expect(sent.body['heightMm']).toBeCloseTo(101.6, 6);
  });

  it('are doubled under a name of their own', async () => {
    const page = open('flask', flask().id);
    await buttonOf(page, 'Same again, but …').trigger('click');
    await flushPromises();
    const sent = shop.server.last('/shop/flask')!;
    expect(sent.body['name']).toBe(`${flask().name} 2`);
    expect(sent.at).not.toContain(flask().id);
  });

  it('are taken out, and put back by Undo', async () => {
    const gone = flask();
    const page = open('flask', gone.id);
    await buttonOf(page, 'Take out of the shop').trigger('click');
    await flushPromises();
    expect(shop.server.last(`/shop/flask/${gone.id}`)!.method).toBe('DELETE');
    expect(useShop().lists.flask.some((f) => f.id === gone.id)).toBe(false);
    await expect.poll(() => useNotices().current?.action).toBeDefined();
    useNotices().current!.action!.run();
    await expect.poll(() => useShop().lists.flask.some((f) => f.id === gone.id)).toBe(true);
  });

  it('that are printers are retired and used again', async () => {
    const printer = useShop().lists.printer[0]!;
    const page = open('printer', printer.id);
    await buttonOf(page, 'Retire').trigger('click');
    const kept = () => useShop().lists.printer.find((p) => p.id === printer.id) as Printer;
    await expect.poll(() => kept().retired).toBe(true);
    expect(flatText(page)).toContain('Use again');
  });

  it('tell their history in words, newest first', async () => {
    const item = flask();
    shop.server.history = [
      { at: '2026-11-20T08:00:00.000Z', before: { ...item, heightMm: 90 } },
      { at: '2026-11-10T08:00:00.000Z', before: { ...item, heightMm: 90, name: 'Old name' } },
    ];
    const page = open('flask', item.id);
    await unfold(page, 'History of changes');
    await flushPromises();
    const lines = page.findAll('details li').map((line) => line.text().replace(/\s+/g, ' '));
    expect(lines[0]).toContain(`Height: 90.00 mm → ${item.heightMm.toFixed(2)} mm`);
    expect(lines[1]).toContain(`Name: Old name → ${item.name}`);
  });

  it('that are printers tell the motion that their prints took', () => {
    const printer = useShop().lists.printer.find((p) => p.name === 'Printer A')!;
    expect(flatText(open('printer', printer.id))).toMatch(/Motion a layer: (6\.9|7\.0|7\.1) s ± 0\.\d s by 9 prints here; the record says 6\.2 s/); // prettier-ignore
    const flaskPage = open('flask');
    expect(flatText(flaskPage)).not.toContain('Motion a layer:');
  });

  it('of a kind that has none yet say what to do', () => {
    useShop().lists = { ...useShop().lists, kiln: [] };
    expect(flatText(open('kiln'))).toContain('Kilns: none yet');
  });
});

describe('bench hours and the rest', () => {
  it('keep what is typed, a day at a time', async () => {
    const page = open('settings');
    await typeInto(page, 'From, hours', '7:30', 0);
    await settle();
    const days = shop.server.last('/settings')!.body['benchHours'] as { fromMin: number }[];
    // Monday comes first on the page and second in the week as it is kept.
    expect(days[1]!.fromMin).toBe(450);
    expect(days[2]!.fromMin).toBe(480);
  });
});
