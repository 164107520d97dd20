// @vitest-environment happy-dom
import type { VueWrapper } from '@vue/test-utils';
import { describe, expect, it } from 'vitest';
import { nextTick } from 'vue';
import { useSizes } from '../state/sizeStore';
import { useShop } from '../state/shopStore';
import { useFakeShop } from '../testing/fakeServer';
import { lastEmitted } from '../testing/mountInApp';
import { newSeries, profilesOf, readReadings } from './newSeries';
import PairRows from './PairRows.vue';
import SaysView from './SaysView.vue';
import SeriesForm from './SeriesForm.vue';
import SeriesView from './SeriesView.vue';
import ThingsFields from './ThingsFields.vue';
import TypedPiece from './TypedPiece.vue';
import WhyAnswer from './WhyAnswer.vue';
import WhyPage from './WhyPage.vue';
import { whyOff, type WhyOff } from '@zero-pour/plan';

const shop = useFakeShop();
const flat = (of: VueWrapper): string => of.text().replace(/\s+/g, ' ');
const rowsOf = (of: VueWrapper): string[] =>
  of.findAll('tbody tr').map((row) => row.text().replace(/\s+/g, ' '));
const button = (of: VueWrapper, text: string) => of.findAll('button').find((b) => b.text() === text)!;

describe('readings', () => {
  it('are read as they are typed, with comma or point, one or several', () => {
    expect(readReadings('9,97 9.98')).toEqual([9.97, 9.98]);
    expect(readReadings(' 10;10.02 ')).toEqual([10, 10.02]);
    expect(readReadings('')).toEqual([]);
    for (const wrong of ['ten', '0', '-3', '9.9 x', '500', Array(21).fill('1').join(' ')])
      expect(readReadings(wrong), wrong).toBeUndefined();
  });
});

describe('a new series', () => {
  it('begins like the newest, with nothing measured', () => {
    const { lists, records } = shop.file;
    const newest = records.sizeSeries[1]!;
    const made = newSeries(lists, newest, new Date('2026-11-26T10:00:00Z'))!;
    expect(made).toMatchObject({ resinId: newest.resinId, stage: newest.stage, pairs: [], note: '' });
    expect(made.measuredAt).toBe('2026-11-26T10:00:00.000Z');
    expect(made.id).not.toBe(newest.id);
  });

  it('of an empty shop needs a resin, and takes one that burns out', () => {
    const { lists } = shop.file;
    expect(newSeries({ ...lists, resin: [] }, undefined, new Date())).toBeUndefined();
    const made = newSeries(lists, undefined, new Date())!;
    const resin = lists.resin.find((r) => r.id === made.resinId)!;
    expect(resin.forBurnout).toBe(true);
    expect(profilesOf(lists, made.resinId, made.printerId).every((p) => !p.replaced)).toBe(true);
  });
});

describe('what it says', () => {
  it('lists every step that was measured, most measured first, with the book beside it', () => {
    const rows = rowsOf(shop.show(SaysView));
    expect(rows[0]).toMatch(/^Skerry Low-Ash, printed to cured ?−0\.30 % ?−0\.3\d % ?± 0\.\d\d %/);
    expect(rows.some((row) => row.startsWith('14 ct yellow gold, freezing to room'))).toBe(true);
    expect(rows.some((row) => row.startsWith('Mold of natural rubber'))).toBe(true);
  });

  it('shows the largest group first and finds its drift by bottle', () => {
    const page = shop.show(SaysView);
    expect(page.find('.v-select').text()).toContain('Skerry Wax 55, cured, across the plate (9)');
    expect(flat(page)).toMatch(/It drifts: −0\.\d\d % in thirty days/);
    expect(flat(page)).toMatch(/By bottle: bottle 1 \+0\.\d\d % \(6\), bottle 2 −0\.\d\d % \(3\)/);
  });

  it('leaves a size out on request, and keeps it in sight', async () => {
    const page = shop.show(SaysView);
    const before = useSizes().known.learnt.countOf(
      `resin ${useShop().lists.resin.find((r) => r.name === 'Skerry Wax 55')!.id}`,
    );
    await button(page, 'leave out').trigger('click');
    const sent = shop.server.last('/records/sizeSeries/')!;
    const pairs = sent.body['pairs'] as { leftOut: boolean }[];
    expect(pairs.filter((p) => p.leftOut)).toHaveLength(1);
    await new Promise((done) => setTimeout(done, 50));
    const after = useSizes().known.learnt.countOf(
      `resin ${useShop().lists.resin.find((r) => r.name === 'Skerry Wax 55')!.id}`,
    );
    expect(after).toBe(before - 1);
    expect(flat(page)).toContain('left out');
  });

  it('of an empty shop says what to do first', async () => {
    useSizes().poured = [];
    const { records } = shop.file;
    const kept = records.sizeSeries;
    records.sizeSeries = [];
    try {
      // The store was filled before: an empty one is asked anew.
      const page = shop.show(SaysView);
      const { useRecords } = await import('../state/recordStore');
      useRecords().lists = { ...useRecords().lists, sizeSeries: [] };
      await nextTick();
      expect(flat(page)).toContain('Nothing measured yet');
    } finally {
      records.sizeSeries = kept;
    }
  });
});

describe('entering a series', () => {
  const pairs = [{ key: 'a', axis: 'XY' as const, printMm: 10, readingsMm: [9.97], leftOut: false }];
  const rows = () => shop.show(PairRows, { pairs, axes: ['XY', 'Z', 'bore'] });

  it('takes several readings, and says when a word is none without losing what stood there', async () => {
    const table = rows();
    const readings = table.findAll('input').find((i) => i.element.value === '9.97')!;
    await readings.setValue('9.97 9,99');
    expect(lastEmitted(table, 'change')).toMatchObject([{ readingsMm: [9.97, 9.99] }]);
    await readings.setValue('9.97 about ten');
    expect(flat(table)).toContain('Sizes in mm, with spaces between');
    expect(table.emitted('change')).toHaveLength(1);
    expect(readings.element.value).toBe('9.97 about ten');
  });

  it('adds a size like the last, leaves one out, takes one away', async () => {
    const table = rows();
    await button(table, 'Add a size').trigger('click');
    expect(lastEmitted(table, 'change')).toMatchObject([
      pairs[0],
      { axis: 'XY', printMm: 10, readingsMm: [] },
    ]);
    await button(table, 'leave out').trigger('click');
    expect(lastEmitted(table, 'change')).toMatchObject([{ leftOut: true }]);
    await button(table, 'away').trigger('click');
    expect(lastEmitted(table, 'change')).toEqual([]);
  });

  it('asks for metal, powder and flask only of what was poured, for a mold only of what came out of one', () => {
    const things = shop.file.records.sizeSeries.find((s) => s.stage === 'wax')!;
    const labels = (stage: string, of = things): string[] =>
      shop.show(ThingsFields, { things: of, stage }).findAll('label').map((l) => l.text()); // prettier-ignore
    expect(labels('cured')).not.toContain('Metal');
    expect(labels('cured')).not.toContain('The mold is of');
    expect(labels('wax')).toContain('The mold is of');
    expect(labels('finished')).toEqual(expect.arrayContaining(['Metal', 'Powder', 'Flask at the pour']));
    expect(labels('cast', { ...things, route: 'burn out the print' })).not.toContain('The mold is of');
  });

  it('is kept as it is typed', async () => {
    const series = shop.file.records.sizeSeries[0]!;
    const form = shop.show(SeriesForm, { series });
    const lot = form.findAll('input').find((i) => i.element.value === series.lot)!;
    await lot.setValue('bottle 7');
    expect(flat(form)).toContain('keeping …');
    await new Promise((done) => setTimeout(done, 900));
    expect(shop.server.last('/records/sizeSeries/')!.body).toMatchObject({
      lot: 'bottle 7',
      stage: series.stage,
    });
  });

  it('opens the newest first, adds another, and takes one away with a way back', async () => {
    const view = shop.show(SeriesView, { id: undefined });
    expect(view.findAll('nav a')[0]!.text()).toContain('Skerry Wax 55, cured');
    await button(view, 'New series').trigger('click');
    await nextTick();
    expect(shop.server.last('/records/sizeSeries/')!.body).toMatchObject({ pairs: [], stage: 'cured' });
    await button(view, 'Take this series away').trigger('click');
    expect(shop.server.last('/records/sizeSeries/')!.method).toBe('DELETE');
  });
});

describe('it came out off', () => {
  const pour21 = () => useSizes().poured.find((p) => p.number === 21)!;
  const answer = (measuredMm: number): { why: WhyOff; page: VueWrapper } => {
    shop.show(SaysView);
    const pour = pour21();
    const target = pour.sizes[0]!;
    const why = whyOff(
      { pour, target, stage: 'finished', measuredMm, casting: 'l1/1' },
      useSizes().known,
      useShop().lists,
    )!;
    return { why, page: shop.show(WhyAnswer, { why, target, stage: 'finished' }) };
  };

  it('says when the percent alone did it, and what to print next', () => {
    const { why, page } = answer(17.22);
    expect(flat(page)).toContain('The percent did it. Printed at 100.40 %');
    expect(flat(page)).toContain('0.13 mm under');
    expect(why.nextPercents![0]).toBeGreaterThan(100.8);
    expect(why.nextPercents![0]).toBeLessThan(101.5);
  });

  it('names the likeliest step when the piece is far from what was expected', () => {
    const { why, page } = answer(17.1);
    expect(flat(page)).toMatch(/Most likely: /);
    const first = rowsOf(page)[0]!;
    const share = why.found.shares[0]!;
    expect(first).toContain(String(Math.round(100 * share.chance)));
    expect(share.mm).toBeLessThan(0);
  });

  it('says so when it is farther off than any step goes', () => {
    const { why, page } = answer(16.6);
    expect(why.found.beyond).toBeGreaterThan(0.9);
    expect(flat(page)).toContain('Farther off than these steps go.');
    expect(flat(page)).toContain('another file, another metal');
    // No percent stands beside what is not cleared up.
    expect(why.nextPercents).toBeNull();
    expect(flat(page)).toContain('Clear this up first');
  });

  it('names a plain mistake: never scaled', () => {
    shop.show(SaysView);
    const poured = pour21();
    const pour = {
      ...poured,
      scale: {
        ...poured.scale,
        printedAs: { ...poured.scale.printedAs!, percents: [103, 103, 103] as [number, number, number] },
      },
    };
    const target = pour.sizes[0]!;
    const at = whyOff(
      { pour, target, stage: 'finished', measuredMm: 17.35, casting: '' },
      useSizes().known,
      useShop().lists,
    )!;
    const unscaled = at.found.mistakes.find((m) => m.key === 'not scaled')!.expectedMm;
    const why = whyOff(
      { pour, target, stage: 'finished', measuredMm: unscaled, casting: '' },
      useSizes().known,
      useShop().lists,
    )!;
    const page = shop.show(WhyAnswer, { why, target, stage: 'finished' });
    expect(flat(page)).toContain('the print was not scaled');
    expect(flat(page)).toContain('Check the file that was printed');
    expect(flat(page)).not.toContain('Print next at');
  });

  it('is asked of a print too, against what it should measure there', () => {
    shop.show(SaysView);
    const pour = pour21();
    const target = pour.sizes[0]!;
    const at = (measuredMm: number): WhyOff =>
      whyOff({ pour, target, stage: 'cured', measuredMm, casting: '' }, useSizes().known, useShop().lists)!;
    const { wantedThereMm } = at(17.4);
    expect(wantedThereMm).toBeGreaterThan(17.35);
    const right = at(at(17.4).found.expectedMm);
    expect(Math.abs(right.found.offMm)).toBeLessThan(1e-9);
    expect(right.onTheWay).toEqual([]);
    const text = flat(shop.show(WhyAnswer, { why: right, target, stage: 'cured' }));
    expect(text).toContain(`${wantedThereMm.toFixed(2)} mm cured`);
  });

  it('does not count a piece as evidence against itself', () => {
    shop.show(SaysView);
    const pour = pour21();
    const target = pour.sizes[0]!;
    const why = (casting: string): WhyOff =>
      whyOff(
        { pour, target, stage: 'finished', measuredMm: 17.22, casting },
        useSizes().known,
        useShop().lists,
      )!;
    // Told as another piece, the recorded one is among what is known and pulls the expectation to itself.
    expect(Math.abs(why('another').found.offMm)).toBeLessThan(Math.abs(why('l1/1').found.offMm));
  });

  it('opens with the newest measured pour, and takes another number', async () => {
    const page = shop.show(WhyPage);
    await new Promise((done) => setTimeout(done, 50));
    expect(flat(page)).toContain('Pour 28, Sea-holly trellis drop');
    expect(flat(page)).toMatch(/wanted/);
    const field = page.findAll('input').find((i) => i.element.value === '32.2')!;
    await field.setValue('31.2');
    await field.trigger('blur');
    expect(flat(page)).toMatch(/1\.10 mm under/);
  });

  it('takes a piece of no pour once all of it is told', async () => {
    const form = shop.show(TypedPiece);
    expect(lastEmitted(form, 'told')).toBeUndefined();
    const [wanted, percent] = form.findAll('.v-text-field input').slice(-2);
    await wanted!.setValue('17.32');
    await wanted!.trigger('blur');
    expect(lastEmitted(form, 'told')).toBeUndefined();
    await percent!.setValue('101');
    await percent!.trigger('blur');
    expect(lastEmitted(form, 'told')).toMatchObject({
      sizes: [{ of: 'bore', finishedMm: 17.32 }],
      scale: { printedAs: { percents: [101, 101, 101] } },
    });
  });
});
