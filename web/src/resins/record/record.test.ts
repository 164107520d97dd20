// @vitest-environment happy-dom
import type { Printer, Resin } from '@zero-pour/contracts';
import type { VueWrapper } from '@vue/test-utils';
import { describe, expect, it, vi } from 'vitest';
import { useFakeShop } from '../../testing/fakeServer';
import { lastEmitted } from '../../testing/mountInApp';
import { buttonOf, flatText, typeInto } from '../../testing/showInPour';
import { datedLight } from '../../shop/datedLight';
import PrinterEvents from '../../shop/PrinterEvents.vue';
import BeforePrintList from '../page/BeforePrintList.vue';
import ResinActions from '../page/ResinActions.vue';
import ProfilesView from '../profiles/ProfilesView.vue';
import ProtocolTable from '../ProtocolTable.vue';
import BlendRows from './BlendRows.vue';
import ProtocolEditor from './ProtocolEditor.vue';
import ReportedRows from './ReportedRows.vue';
import ResinRecord from './ResinRecord.vue';
import StockRows from './StockRows.vue';

const shop = useFakeShop();

const show = shop.show;
const resin = (name = 'Skerry Wax 55'): Resin => shop.file.lists.resin.find((r) => r.name === name)!;
const printer = (name = 'Printer A'): Printer => shop.file.lists.printer.find((p) => p.name === name)!;
const button = (of: VueWrapper, text: string) => of.findAll('button').find((b) => b.text() === text)!;
const field = (of: VueWrapper, label: string) =>
  of
    .findAll('.v-input')
    .find((i) => i.text().startsWith(label))!
    .find('input');

describe('stock and clocks', () => {
  it('tells ml as coupons and hours of plate, and the age of the vat', () => {
    const text = show(StockRows, { resin: resin() }).text();
    expect(text).toMatch(/180 ml left: about \d+ coupons or 30 hours of plate/);
    expect(text).toContain('Vat of Printer A');
    expect(text).toMatch(/Filled: [45] days left of 14 days/);
  });
  it('adds a whole bottle by weight and density, and fills a vat', async () => {
    const rows = show(StockRows, { resin: resin() });
    await button(rows, 'A bottle').trigger('click');
    const { bottles } = lastEmitted(rows, 'change') as Resin;
    expect(bottles.at(-1)!.mlLeft).toBe(Math.round(500 / 1.08));
    await button(rows, 'In the vat of Printer B').trigger('click');
    expect((lastEmitted(rows, 'change') as Resin).vats.at(-1)!.printerId).toBe(printer('Printer B').id);
    await button(rows, 'empty').trigger('click');
    expect((lastEmitted(rows, 'change') as Resin).bottles).toEqual([]);
  });
});

describe('figures from the maker and from others', () => {
  it('begin with the first printer and its wavelength', async () => {
    const rows = show(ReportedRows, { resin: { ...resin(), reported: [] } });
    expect(rows.text()).toContain('None yet.');
    await button(rows, 'Add a figure').trigger('click');
    // Nothing is written down before the seconds are, and nothing made up beside them.
    expect(lastEmitted(rows, 'change')).toBeUndefined();
    await typeInto(rows, 'Exposure', '2.8');
    expect(lastEmitted(rows, 'change')).toMatchObject([
      {
        from: 'maker',
        printerId: printer().id,
        wavelengthNm: 405,
        exposureS: 2.8,
        baseExposureS: null,
        baseLayers: null,
      },
    ]);
  });
  it('ask for the light where no printer is named', async () => {
    const [first] = resin().reported;
    const rows = show(ReportedRows, { resin: { ...resin(), reported: [{ ...first!, printerId: null }] } });
    expect(rows.text()).toContain('Wavelength');
    await field(rows, 'Light').setValue('2,4');
    expect(lastEmitted(rows, 'change')).toMatchObject([{ irradianceMwPerCm2: 2.4 }]);
    await field(rows, 'Light').setValue('');
    expect(lastEmitted(rows, 'change')).toMatchObject([{ irradianceMwPerCm2: null }]);
  });
});

describe('a mix', () => {
  it('fills up to a hundred percent and says when it does not come to it', async () => {
    const other = resin('Skerry Low-Ash').id;
    const rows = show(BlendRows, { resin: { ...resin(), blendOf: [{ resinId: other, percent: 70 }] } });
    expect(rows.text()).toContain('The shares come to 70 %, not 100.');
    await button(rows, 'It is mixed from …').trigger('click');
    expect((lastEmitted(rows, 'change') as Resin['blendOf']).map((s) => s.percent)).toEqual([70, 30]);
  });
});

describe('steps of a protocol', () => {
  const table = () => show(ProtocolTable, { steps: resin().protocol });
  const after = (of: VueWrapper): string[] =>
    (lastEmitted(of, 'change') as { name: string }[]).map((s) => s.name);
  it('are put in where they belong, copied, and moved', async () => {
    const names = resin().protocol.map((s) => s.name);
    const inserted = table();
    await inserted.find(`[aria-label="A step after ${names[1]}"]`).trigger('click');
    expect(after(inserted)).toEqual([...names.slice(0, 2), 'New step', ...names.slice(2)]);
    const copied = table();
    await copied.find(`[aria-label="Copy ${names[1]}"]`).trigger('click');
    expect(after(copied)).toEqual([names[0], names[1], names[1], ...names.slice(2)]);
    const keys = (lastEmitted(copied, 'change') as { key: string }[]).map((s) => s.key);
    expect(new Set(keys).size).toBe(keys.length);
    const moved = table();
    await moved.find(`[aria-label="${names[2]} earlier"]`).trigger('click');
    expect(after(moved)).toEqual([names[0], names[2], names[1], ...names.slice(3)]);
  });
  it('remind again and again where they are told to', async () => {
    const timed = table();
    await typeInto(timed, 'Remind every', '10');
    expect((lastEmitted(timed, 'change') as { everyMinutes?: number }[])[0]!.everyMinutes).toBe(10);
  });
});

describe('the record', () => {
  it('is kept when typing pauses, with figures that may be unknown', async () => {
    const record = show(ResinRecord, { resin: resin() });
    await field(record, 'Density').setValue('1,12');
    await field(record, 'Sets below').setValue('');
    expect(record.find('[role=status]').text()).toBe('keeping …');
    await vi.waitFor(() => expect(record.find('[role=status]').text()).toBe('kept'), { timeout: 4000 });
    const sent = shop.server.sent.filter((s) => s.at.includes(resin().id));
    expect(sent).toHaveLength(1);
    expect(sent[0]!.body).toMatchObject({ densityGPerMl: 1.12, solidBelowC: null });
  });
  it('is duplicated without its bottles, retired and used again', async () => {
    const actions = show(ResinActions, { resin: resin() });
    await button(actions, 'Same again, but …').trigger('click');
    await vi.waitFor(() =>
      expect(shop.server.last('/shop/resin/')?.body).toMatchObject({
        name: 'Skerry Wax 55 2',
        bottles: [],
        vats: [],
      }),
    );
    await button(actions, 'Retire').trigger('click');
    await vi.waitFor(() =>
      expect(shop.server.last(`/shop/resin/${resin().id}`)?.body).toMatchObject({ retired: true }),
    );
  });
});

describe('profiles', () => {
  it('show where they come from, their versions, and doubt after the film was changed', () => {
    const view = show(ProfilesView, { resin: resin() });
    expect(view.text()).toContain('tested: 4 coupons, 28 °C · version 2');
    expect(view.text()).toContain('Check again.');
    expect(view.text()).toContain('Version 1: 3 s, maker’s sheet');
  });
  it('are written down by hand, untested', async () => {
    const view = show(ProfilesView, { resin: resin('Skerry Wax 40') });
    expect(view.text()).toContain('None yet.');
    await button(view, 'Write one down for Printer C').trigger('click');
    await vi.waitFor(() =>
      expect(shop.server.last('/shop/profile/')?.body).toMatchObject({
        tested: false,
        version: 1,
        printerId: printer('Printer C').id,
      }),
    );
  });
});

describe('a printer', () => {
  it('remembers what was done to it', async () => {
    const events = show(PrinterEvents, { printer: printer() });
    expect(events.text()).toContain('32 % of its rated hours used');
    await button(events, 're-levelled').trigger('click');
    expect((lastEmitted(events, 'change') as Printer).events.at(-1)).toMatchObject({
      what: 're-levelled',
      note: '',
    });
  });
  it('dates its light when that is measured anew, and only then', () => {
    const now = new Date('2026-11-25T10:00:00Z');
    const before = { ...printer(), irradianceAt: '2026-01-01T00:00:00.000Z' };
    expect(datedLight(before, { ...before, note: 'x' }, now).irradianceAt).toBe(before.irradianceAt);
    expect(datedLight(before, { ...before, irradianceMwPerCm2: 2.2 }, now).irradianceAt).toBe(
      now.toISOString(),
    );
    expect(datedLight(before, { ...before, irradianceMwPerCm2: null }, now).irradianceAt).toBeNull();
  });
});

describe('before the print', () => {
  it('is ticked off, and says what is not needed and why', async () => {
    const list = show(BeforePrintList, {
      resin: resin('Brine Clear-Out'),
      printer: printer('Printer C'),
      roomC: 23,
    });
    expect(list.text()).toContain('No warming. The room is at 23 °C');
    const first = list.find('li button');
    await first.trigger('click');
    expect(first.attributes('aria-pressed')).toBe('true');
    await first.trigger('click');
    expect(first.attributes('aria-pressed')).toBe('false');
  });
  it('warns of a vat that stood too long', () => {
    const list = show(BeforePrintList, {
      resin: resin('Brine Clear-Out'),
      printer: printer('Printer C'),
      roomC: null,
    });
    expect(list.text()).toMatch(/Vat of Printer C: \d+ days past its 14 days/);
  });
});

describe('the cleaning protocol', () => {
  const open = () => {
    const own = resin('Skerry Low-Ash');
    return { own, page: show(ProtocolEditor, { resin: own }) };
  };
  const changed = (page: VueWrapper): Partial<Resin> => lastEmitted(page, 'change') as Partial<Resin>;

  it('is one version later for a whole sitting of changes', async () => {
    const { page, own } = open();
    expect(flatText(page)).toContain('Version 2, at least');
    await typeInto(page, 'Least', '7 min');
    expect(changed(page)).toMatchObject({ protocolVersion: own.protocolVersion + 1 });
    expect(changed(page).protocol![0]!.minMinutes).toBe(7);
    await typeInto(page, 'Most', '9 min');
    expect(changed(page).protocolVersion).toBe(own.protocolVersion + 1);
  });

  it('takes medium, warmth in the reader’s units, and how often', async () => {
    const { page } = open();
    await typeInto(page, 'At', '95 F', 1);
    expect(changed(page).protocol![1]!.tempC).toBeCloseTo(35, 6);
    await typeInto(page, 'Times', '2', 1);
    expect(changed(page).protocol![1]!.times).toBe(2);
  });

  it('has steps added, moved and taken out', async () => {
    const { page, own } = open();
    await buttonOf(page, 'Add a step').trigger('click');
    expect(changed(page).protocol).toHaveLength(own.protocol.length + 1);
    await page.find('[aria-label="Alcohol bath 1 earlier"]').trigger('click');
    expect(
      changed(page)
        .protocol!.slice(0, 2)
        .map((s) => s.key),
    ).toEqual(['bath1', 'drip']);
    await page.find('[aria-label="Take Let it drip out"]').trigger('click');
    expect(changed(page).protocol!.some((s) => s.key === 'drip')).toBe(false);
  });

  it('refuses minutes that are none, with a sentence', async () => {
    const { page } = open();
    await typeInto(page, 'Least', 'soon');
    expect(page.emitted('change')).toBeUndefined();
    expect(page.find('.v-messages__message').exists()).toBe(true);
  });
});
