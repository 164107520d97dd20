// @vitest-environment happy-dom
import type { PourDoc } from '@zero-pour/contracts';
import { flushPromises } from '@vue/test-utils';
import { describe, expect, it } from 'vitest';
import { nextTick } from 'vue';
import { useShop } from '../../state/shopStore';
import { useFakeShop } from '../../testing/fakeServer';
import { buttonOf, flatText, showInPour } from '../../testing/showInPour';
import CleanStage from '../stages/CleanStage.vue';
import FreshLines from '../FreshLines.vue';
import BathLines from './BathLines.vue';
import WorthCasting from './WorthCasting.vue';

const shop = useFakeShop();
const hoursAgo = (hours: number): string => new Date(Date.now() - hours * 3_600_000).toISOString();

describe('the Clean stage', () => {
  it('shows the protocol with its version and the lamp, each step with its medium', () => {
    const said = flatText(showInPour(shop, 31, CleanStage).page);
    expect(said).toContain('Two alcohol baths, cured in air, version 2. Cured under 405 nm from 1 side, turning, with a reflector.'); // prettier-ignore
    expect(said).toContain('In alcohol, moved by hand. Dirty bath first.');
  });

  it('warns of glass in front of a short lamp', async () => {
    const { page } = showInPour(shop, 31, CleanStage);
    const { settings } = useShop();
    useShop().settings = { ...settings, cure: { ...settings.cure, lampNm: 365, vessel: 'glass' } };
    await nextTick();
    expect(flatText(page)).toContain('Short UV does not pass the glass');
  });

  it('keeps what a look saw, and puts the steps that it asks for after it', async () => {
    const { page, doc } = showInPour(shop, 31, CleanStage);
    const looks = page.findAll('.looks')[1]!;
    await looks.findAll('button').find((b) => b.text() === 'wet where supports stood')!.trigger('click'); // prettier-ignore
    expect(doc().clean.steps['look2']).toMatchObject({ saw: 'wet at supports' });
    expect(doc().clean.begun?.version).toBe(2);
    const names = page.findAll('.steps .name b').map((b) => b.text());
    expect(names).toContain('Alcohol bath 2, again');
    expect(names.indexOf('Alcohol bath 2, again')).toBe(names.indexOf('Look where the supports stood') + 1);
  });

  it('counts a step that is done several times', async () => {
    const { resin } = useShop().lists;
    const twice = (key: string, times: number) =>
      resin.map((r) => ({ ...r, protocol: r.protocol.map((s) => (s.key === key ? { ...s, times } : s)) }));
    useShop().lists = { ...useShop().lists, resin: twice('bath2', 2) };
    const names = showInPour(shop, 31, CleanStage)
      .page.findAll('.steps .name b')
      .map((b) => b.text());
    expect(names.filter((name) => name.startsWith('Alcohol bath 2'))).toEqual([
      'Alcohol bath 2, 1 of 2',
      'Alcohol bath 2, 2 of 2',
    ]);
  });

  it('asks for a resin first', async () => {
    const { page, handle } = showInPour(shop, 31, CleanStage);
    handle.set(['resin', 'resinId'], undefined);
    await nextTick();
    expect(flatText(page)).toContain('The steps come with the resin.');
  });
});

describe('worth casting?', () => {
  const open = () => {
    const shown = showInPour(shop, 31, WorthCasting);
    shown.handle.set(['print'], {
      ...shown.doc().print,
      startedAt: hoursAgo(5),
      finishedAt: hoursAgo(3),
      pieces: { 'l1/1': { outcome: 'good', note: '' }, 'l1/2': { outcome: 'flawed', note: '', fault: 'detail missing' }, 'l1/3': { outcome: 'flawed', note: '', fault: 'pinholes' } }, // prettier-ignore
    });
    return shown;
  };
  const pressed = (page: ReturnType<typeof open>['page'], piece: number) =>
    page.find(`[aria-label="What becomes of Barnacle band ${piece}"] [aria-checked="true"]`).text();

  it('proposes for every piece, says why, and sends a fault of the model back to the pattern', async () => {
    const { page } = open();
    await nextTick();
    expect([1, 2, 3].map((n) => pressed(page, n))).toEqual(['cast', 'reprint', 'mend']);
    expect(flatText(page)).toContain('2 of 3 go into the flask: 1 fewer than wanted');
    expect(flatText(page)).toContain('Its flaw would come out in the metal.');
    expect(page.find('a').text()).toContain('The fault lies in the model');
  });

  it('keeps nothing until it is decided; then what was pressed, the rest as proposed', async () => {
    const { page, doc } = open();
    await nextTick();
    expect(doc().clean.pieces).toBeUndefined();
    const options = page.find('[aria-label="What becomes of Barnacle band 1"]').findAll('button');
    await options.find((b) => b.text() === 'test')!.trigger('click');
    expect(doc().clean.pieces).toEqual({ 'l1/1': { verdict: 'test', expect: 'likely good' } });
    await buttonOf(page, 'As proposed').trigger('click');
    expect(doc().clean.pieces).toEqual({
      'l1/1': { verdict: 'test', expect: 'likely good' },
      'l1/2': { verdict: 'reprint', expect: 'poor' },
      'l1/3': { verdict: 'mend', expect: 'doubtful' },
    });
    expect(page.findAll('button').some((b) => b.text() === 'As proposed')).toBe(false);
  });

  it('plans the missing ones as a pour of their own, once all is decided', async () => {
    const { page } = open();
    await nextTick();
    const missing = () => page.findAll('button').find((b) => b.text().includes('missing'));
    expect(missing()).toBeUndefined();
    await buttonOf(page, 'As proposed').trigger('click');
    expect(missing()!.text()).toBe('A new pour for the 1 missing');
    await missing()!.trigger('click');
    await flushPromises();
    const { doc } = shop.server.sent.find(({ method, at }) => method === 'POST' && at === '/api/pours')!.body as { doc: PourDoc }; // prettier-ignore
    expect(doc.brief).toMatchObject({ againOf: 31, statedChange: '1 printed again' });
    expect(doc.brief.lines.map(({ count }) => count)).toEqual([1]);
    expect([doc.print.pieces, doc.clean]).toEqual([{}, { steps: {} }]);
  });

  it('compares what was expected with what came out, over the shop’s pours', async () => {
    const { page } = open();
    await flushPromises();
    expect(flatText(page)).toMatch(/So far came out sellable: of \d+ “likely good” \d+/);
  });
});

describe('baths', () => {
  it('are counted by the parts that went through them, and filled anew with a press', async () => {
    const page = shop.show(BathLines);
    await flushPromises();
    expect(flatText(page)).toMatch(/Dirty bath \d+ of 60 parts in (39|40) days/);
    await buttonOf(page, 'filled anew').trigger('click');
    await flushPromises();
    const sent = shop.server.last('/settings')!.body['baths'] as { name: string; changedAt: string }[];
    expect(Date.now() - Date.parse(sent[0]!.changedAt)).toBeLessThan(60_000);
    expect(sent[1]!.changedAt).toBe(shop.file.settings.baths[1]!.changedAt);
  });

  it('are due when enough parts went through', async () => {
    useShop().settings = {
      ...shop.file.settings,
      baths: [{ ...shop.file.settings.baths[0]!, partsMost: 2 }],
    };
    const page = shop.show(BathLines);
    await flushPromises();
    expect(flatText(page)).toContain('change it');
  });

  it('are asked for where none is named', () => {
    useShop().settings = { ...shop.file.settings, baths: [] };
    expect(flatText(shop.show(BathLines))).toContain('Baths that are named under Shop are counted here');
  });
});

describe('what goes off', () => {
  it('is told with what is left of it', async () => {
    const { page, handle, doc } = showInPour(shop, 31, FreshLines);
    handle.set(['print'], { ...doc().print, startedAt: hoursAgo(70), finishedAt: hoursAgo(66) });
    await nextTick();
    expect(flatText(page)).toContain('Uncured print: 1 day past its 2 days. It cracks on cure.');
    handle.set(['clean', 'steps', 'cure'], { startedAt: hoursAgo(2), doneAt: hoursAgo(1) });
    await nextTick();
    expect(flatText(page)).toContain('Cured print: 29 days left of 30 days: invest it before.');
  });
});
