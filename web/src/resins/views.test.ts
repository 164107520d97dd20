// @vitest-environment happy-dom
import type { Resin, TestSetRun } from '@zero-pour/contracts';
import { gatherTrials, tuningThings, type GatheredTrials } from '@zero-pour/plan';
import type { VueWrapper } from '@vue/test-utils';
import { describe, expect, it, vi } from 'vitest';
import { useFakeShop } from '../testing/fakeServer';
import { typeInto } from '../testing/showInPour';
import { lastEmitted } from '../testing/mountInApp';
import ComparePage from './compare/ComparePage.vue';
import CurveView from './curve/CurveView.vue';
import ResinIndex from './ranking/ResinIndex.vue';
import PiecesTable from './testset/PiecesTable.vue';
import TestSetView from './testset/TestSetView.vue';
import VerdictRows from './testset/VerdictRows.vue';
import StartingFigures from './tune/StartingFigures.vue';
import TrialTable from './tune/TrialTable.vue';
import WidthPanel from './tune/WidthPanel.vue';

const shop = useFakeShop();

const show = shop.show;
const resin = (name = 'Skerry Wax 55'): Resin => shop.file.lists.resin.find((r) => r.name === name)!;
const button = (of: VueWrapper, text: string) => of.findAll('button').find((b) => b.text() === text)!;
/** Rows of a table, a blank between cells. */
const rowsOf = (of: VueWrapper): string[] =>
  of.findAll('tbody tr').map((row) =>
    row
      .findAll('td')
      .map((cell) => cell.text().replace(/\s+/g, ' '))
      .join(' '),
  );

describe('ranking', () => {
  it('has every resin, the surest print first, those without record last', () => {
    const rows = rowsOf(show(ResinIndex));
    expect(rows).toHaveLength(8);
    expect(rows[0]).toContain('Skerry Wax 55');
    expect(rows[0]).toContain('4 of 5');
    expect(rows.at(-1)).toContain('no pieces yet');
  });
  it('is told anew for another class', async () => {
    const index = show(ResinIndex);
    await button(index, 'Heavy').trigger('click');
    expect(rowsOf(index).find((row) => row.startsWith('Brine Clear-Outwax-free'))).toContain('5 of 5');
  });
});

describe('comparing', () => {
  it('shows choices side by side and says which number decides', async () => {
    const page = show(ComparePage);
    expect(page.find('.decides').text()).toMatch(/is cheapest, .* What decides is|cost alike/);
    const cells = (name: string): number =>
      page
        .findAll('tbody tr')
        .find((r) => r.text().startsWith(name))!
        .findAll('td').length - 1;
    expect(cells('Layers')).toBe(3);
    await page.findAll('.pick-row button')[0]!.trigger('click');
    expect(cells('Cost of a good casting')).toBe(2);
  });
});

describe('working curve', () => {
  it('fits the demo’s test and guesses for printers of its light only', () => {
    const view = show(CurveView, { resin: resin('Skerry Low-Ash') });
    expect(view.text()).toContain('0.108 mm ± 0.002 mm');
    expect(view.text()).toContain('another wavelength: Dp and Ec do not hold there');
  });
  it('takes pasted discs, and says which line is wrong', async () => {
    const view = show(CurveView, { resin: resin('Skerry Low-Ash') });
    const box = view.find('textarea:not([readonly])');
    await box.setValue('10 0,06\n15 many');
    await button(view, 'Use these discs').trigger('click');
    await vi.waitFor(() => expect(view.text()).toContain('Line 2'));
    await box.setValue('10 0,06\n15 0,1\n22 0,14');
    await button(view, 'Use these discs').trigger('click');
    await vi.waitFor(() => expect(shop.server.last('/records/cureTest/')?.body['discs']).toHaveLength(3), {
      timeout: 4000,
    });
  });
  it('begins a test for a resin that has none', async () => {
    const view = show(CurveView, { resin: resin('Skerry Wax 40') });
    expect(view.text()).toContain('No test yet.');
    await button(view, 'New test').trigger('click');
    expect(view.text()).toContain('Needs three discs');
    expect(shop.server.last('/records/cureTest/')?.body).toMatchObject({ wavelengthNm: 405, discs: [] });
  });
});

describe('test set', () => {
  const run = (): TestSetRun => shop.file.records.testSetRun[0]!;
  it('tells how far the resin is on the way to a verdict', () => {
    const steps = show(TestSetView, { resin: resin('Skerry Wax 40') }).findAll('.steps li');
    expect(steps.map((s) => s.classes('done'))).toEqual([false, false, false, false, false]);
    expect(
      show(TestSetView, { resin: resin() })
        .findAll('.steps li')
        .every((s) => s.classes('done')),
    ).toBe(true);
  });
  it('says what finding out took: of coupons too, and nothing of a resin that nobody tried', () => {
    const said = (name?: string) =>
      show(TestSetView, { resin: resin(name) })
        .text()
        .replace(/\s+/g, ' ');
    expect(said()).toMatch(/Finding out took \d+ coupons and \d+ test plates?: \d+\.\d ml of resin, \d+ h \d+ of printers/); // prettier-ignore
    const untried = shop.file.lists.resin.find(
      ({ id }) =>
        ![...shop.file.records.trial, ...shop.file.records.testSetRun].some((one) => one.resinId === id),
    )!;
    expect(said(untried.name)).not.toContain('Finding out took');
  });
  it('is printed as many times as wanted, at a figure that somebody told, not at the shortest light', async () => {
    const view = show(TestSetView, { resin: resin('Skerry Wax 40') });
    await typeInto(view, 'Of each part', '2');
    const press = view.findAll('button').find((b) => b.text().startsWith('Print the test set, 2 of each'))!;
    await press.trigger('click');
    const { body } = shop.server.last('/records/testSetRun/')!;
    expect(body['pieces']).toHaveLength(8);
    expect(view.findAll('.piece:not(.all)')).toHaveLength(8);
    const printer = shop.file.lists.printer.find((p) => p.id === body['printerId'])!;
    expect(body['exposureS']).toBeGreaterThan(2 * printer.exposureLeastS);
  });
  it('grades the copies of a part in one press, and keeps what went wrong', async () => {
    const fresh = { ...run(), pieces: run().pieces.map((p) => ({ ...p, print: null, cast: null })) };
    const table = show(PiecesTable, { run: fresh });
    const all = table.find('.piece.all');
    await all
      .findAll('[role=radio]')
      .find((r) => r.text() === 'thin or distorted')!
      .trigger('click');
    const graded = lastEmitted(table, 'change') as TestSetRun['pieces'];
    const name = graded[0]!.name;
    expect(graded.filter((p) => p.print === 'thin or distorted').every((p) => p.name === name)).toBe(true);
    expect(graded.filter((p) => p.print === 'thin or distorted').length).toBeGreaterThan(1);
    const bad = show(PiecesTable, { run: { ...fresh, pieces: graded } });
    await bad
      .findAll('.faults button')
      .find((b) => b.text().startsWith('Parted'))!
      .trigger('click');
    expect((lastEmitted(bad, 'change') as TestSetRun['pieces'])[0]!.faults).toEqual(['parted from supports']);
  });
  it('brings its figure into a profile where most came out whole', async () => {
    const rows = show(VerdictRows, { run: run(), runs: [run()] });
    await button(rows, `Take ${run().exposureS} s into a profile`).trigger('click');
    expect(lastEmitted(rows, 'take')).toBeTruthy();
    const none = { ...run(), pieces: run().pieces.map((p) => ({ ...p, print: 'missing' as const })) };
    expect(show(VerdictRows, { run: none, runs: [none] }).text()).not.toContain('into a profile');
  });
  it('takes a casting’s grade away with its print', async () => {
    const table = show(PiecesTable, { run: run() });
    const first = table.find('.piece');
    await first
      .findAll('[role=radio]')
      .find((r) => r.text() === 'missing')!
      .trigger('click');
    expect((lastEmitted(table, 'change') as TestSetRun['pieces'])[0]).toMatchObject({
      print: 'missing',
      cast: null,
    });
  });
  it('keeps prints and casts apart in the verdict', async () => {
    const rows = show(VerdictRows, { run: run(), runs: [run()] });
    expect(rows.text()).toContain('4 of 5 printed whole');
    const group = rows
      .findAll('[role=radiogroup]')
      .find((g) => g.attributes('aria-label') === 'Filigree casts')!;
    await group
      .findAll('button')
      .find((b) => b.text() === 'keep for …')!
      .trigger('click');
    const { filigree } = lastEmitted(rows, 'change') as TestSetRun['verdicts'];
    expect(filigree).toMatchObject({ prints: { says: 'keep' }, casts: { says: 'keep for …' } });
  });
});

describe('beside the chart', () => {
  const gathered = (change: Partial<GatheredTrials> = {}): GatheredTrials => {
    const things = tuningThings(shop.file.lists, {
      resinId: resin().id,
      printerId: shop.file.lists.printer[0]!.id,
      layerMm: 0.05,
    })!;
    return { ...gatherTrials(shop.file.lists, shop.file.records, things, 'filigree', false), ...change };
  };
  it('the coupons stand newest first, and one is opened again', async () => {
    const table = show(TrialTable, { gathered: gathered(), of: 'filigree', pool: false });
    expect(rowsOf(table)[0]).toMatch(/^4 4\.5 s 24 \/ 24 15 \/ 24 25 s × 6 held 28 °C slots webbed/);
    expect(table.text()).toContain('Test sets add 4 pieces');
    await table.find('tbody button').trigger('click');
    expect(lastEmitted(table, 'open')).toMatchObject({ exposureS: 4.5 });
  });
  it('what is left out is listed with its reason, and can be counted in', async () => {
    const [first] = gathered().used;
    const table = show(TrialTable, {
      gathered: gathered({ leftOut: [{ trial: first!.trial, why: ['No law.'] }] }),
      of: 'filigree',
      pool: false,
    });
    expect(table.text()).toContain('Left out: 2.4 s at 0.050 mm. No law.');
    await table.find('input[type=checkbox]').setValue(true);
    expect(lastEmitted(table, 'pool')).toBe(true);
  });
  it('figures to begin with say what they do not know, and one far off is pointed out', async () => {
    const panel = show(StartingFigures, {
      figures: [
        {
          way: 'maker for this printer',
          name: 'sheet',
          exposureS: 3,
          reasoning: [['sheet: 3 s']],
          unknown: [['how warm the vat was']],
        },
      ],
      refused: [{ name: 'maker’s figure for Printer C', why: ['Made at 385 nm.'] }],
      far: [{ name: 'sheet', reportedS: 3, ratio: 1.43 }],
      chosenS: 3,
      typedS: undefined,
    });
    expect(panel.text()).toContain('Does not know: how warm the vat was.');
    expect(panel.text()).toContain('Not used: maker’s figure for Printer C. Made at 385 nm.');
    expect(panel.text()).toContain('× 1.43');
    await panel.find('li button').trigger('click');
    expect(lastEmitted(panel, 'choose')).toBe(3);
  });
  it('widths say how much features come out wider, or what is needed first', () => {
    const widths = [2, 3, 4].map((exposureS) => ({
      exposureS,
      drawnMm: 0.4,
      measuredMm: 0.38 + 0.02 * Math.log(exposureS),
    }));
    expect(show(WidthPanel, { widths, exposureS: 3, finest: undefined }).text()).toContain('0.002 mm wider');
    expect(show(WidthPanel, { widths: [], exposureS: 3, finest: undefined }).text()).toContain(
      'three widths at two exposures',
    );
  });
});
