// @vitest-environment happy-dom
import { flushPromises, type VueWrapper } from '@vue/test-utils';
import { describe, expect, it } from 'vitest';
import { nextTick, type Component } from 'vue';
import { useFakeShop } from '../../testing/fakeServer';
import { useNotices } from '../../state/notices';
import { usePours } from '../../state/pourStore';
import { useShop } from '../../state/shopStore';
import { buttonOf, fieldOf, flatText, showInPour, typeInto, unfold } from '../../testing/showInPour';
import PrintStage from '../stages/PrintStage.vue';
import PlateSheet from '../sheet/PlateSheet.vue';
import AfterPrint from './AfterPrint.vue';
import HowMany from './HowMany.vue';
import PieceRows from './PieceRows.vue';
import PlateDrawing from './PlateDrawing.vue';
import PrintRecord from './PrintRecord.vue';
import PrintWhy from './PrintWhy.vue';

const shop = useFakeShop();
const flat = flatText;
/** Pour 30: four trellis drops and a spare, on the printer. */
const showOf = (component: Component) => showInPour(shop, 30, component);
const radio = (page: VueWrapper, piece: number, outcome: string) =>
  page.find(`[role="radiogroup"][aria-label$=" ${piece}"]`).findAll('button').find((b) => b.text() === outcome)!; // prettier-ignore
describe('how pieces came off', () => {
  it('are all good with one press', async () => {
    const { page, doc } = showOf(PieceRows);
    await page.findAll('button').find((b) => b.text() === 'All good')!.trigger('click'); // prettier-ignore
    expect(Object.values(doc().print.pieces)).toEqual(
      Array.from({ length: 5 }, () => ({ outcome: 'good', note: '' })),
    );
  });

  it('ask what is wrong only where something is, and keep it when the outcome changes', async () => {
    const { page, doc, handle } = showOf(PieceRows);
    expect(flat(page)).not.toContain('What is wrong');
    await radio(page, 2, 'flawed').trigger('click');
    expect(flat(page)).toContain('What is wrong');
    handle.set(['print', 'pieces', 'l1/2'], {
      outcome: 'flawed',
      note: 'left edge',
      fault: 'ridge',
      heightMm: 8,
    });
    await nextTick();
    await radio(page, 2, 'lost').trigger('click');
    expect(doc().print.pieces['l1/2']).toEqual({
      outcome: 'lost',
      note: 'left edge',
      fault: 'ridge',
      heightMm: 8,
    });
    await radio(page, 2, 'good').trigger('click');
    expect(doc().print.pieces['l1/2']).toEqual({ outcome: 'good', note: 'left edge' });
  });

  it('have several faults, the same for all by one press, and what was mended', async () => {
    const { page, doc, handle } = showOf(PieceRows);
    handle.set(['print', 'pieces'], {
      'l1/1': { outcome: 'good', note: '' },
      'l1/2': { outcome: 'flawed', note: 'rim', fault: 'pinholes', moreFaults: ['waves'] },
    });
    await nextTick();
    await fieldOf(page, 'Mended with wax at').setValue('rim, left');
    expect(doc().print.pieces['l1/2']!.mended).toBe('rim, left');
    await buttonOf(page, 'The same for all that are not good').trigger('click');
    const { pieces } = doc().print;
    expect(pieces['l1/1']).toEqual({ outcome: 'good', note: '' });
    const others = Object.entries(pieces).filter(([key]) => key !== 'l1/1' && key !== 'l1/2');
    expect(others.length).toBeGreaterThan(0);
    for (const [, piece] of others)
      expect(piece).toEqual({ outcome: 'flawed', note: 'rim', fault: 'pinholes', moreFaults: ['waves'] });
  });

  it('notice one height on every piece, and take pauses as they are typed', async () => {
    const { page, doc, handle } = showOf(PieceRows);
    handle.set(['print', 'pieces'], {
      'l1/1': { outcome: 'flawed', note: '', heightMm: 8 },
      'l1/2': { outcome: 'flawed', note: '', heightMm: 8.2 },
    });
    await nextTick();
    expect(flat(page)).toContain('The same height on every piece, 8.1 mm');
    const pauses = fieldOf(page, 'Paused or knocked at, mm from the plate');
    await pauses.setValue('8,1 12');
    expect(doc().print.pausesMm).toEqual([8.1, 12]);
    await pauses.setValue('8,1 noon');
    expect(flat(page)).toContain('Heights in mm');
    expect(doc().print.pausesMm).toEqual([8.1, 12]);
    await pauses.setValue('');
    expect(doc().print.pausesMm).toBeUndefined();
  });
});

describe('why', () => {
  const withRidges = () => {
    const shown = showOf(PrintWhy);
    shown.handle.set(['print', 'pieces'], {
      'l1/1': { outcome: 'flawed', note: '', fault: 'ridge', heightMm: 8 },
      'l1/3': { outcome: 'lost', note: '', fault: 'ridge', heightMm: 8 },
    });
    return shown;
  };

  it('ranks causes with what speaks for and against them, and names one change', async () => {
    const { page } = withRidges();
    await nextTick();
    expect(flat(page)).toContain(
      'Why: ridge at one height (Sea-holly trellis drop 1, Sea-holly trellis drop 3)',
    );
    expect(page.findAll('li')[0]!.text()).toContain('a pause or knock');
    expect(flat(page)).toContain('for: All flaws stand 8.0 mm from the plate.');
    expect(flat(page)).toContain('against: All flaws stand 8.0 mm');
    expect(flat(page)).toContain('not known: paused');
    expect(flat(page)).toContain('Change one thing: print it through without a pause.');
  });

  it('takes the bench’s word: it was, it was not, and back again', async () => {
    const { page, doc } = withRidges();
    await nextTick();
    const press = async (text: string): Promise<void> => {
      await page.findAll('li')[0]!.findAll('button').find((b) => b.text() === text)!.trigger('click'); // prettier-ignore
    };
    await press('it was');
    expect(doc().print.why).toMatchObject({ ridge: { ruledOut: [], confirmed: 'pause' } });
    // How likely each was then is kept with the answer.
    expect(doc().print.why!.ridge!.chances!['pause']).toBeGreaterThan(0);
    await press('it was this');
    expect(doc().print.why!.ridge).toMatchObject({ ruledOut: [] });
    expect(doc().print.why!.ridge!.confirmed).toBeUndefined();
    await press('it was not');
    expect(doc().print.why).toMatchObject({ ridge: { ruledOut: ['pause'] } });
    expect(page.findAll('li')[0]!.text()).not.toContain('a pause or knock');
  });

  it('is silent on a plate without faults', () => {
    expect(showOf(PrintWhy).page.find('section').exists()).toBe(false);
  });
});

describe('how many', () => {
  it('says how many to print by this resin’s own record, and takes the spares', async () => {
    const { page, doc } = showOf(HowMany);
    await nextTick();
    const print = Number(/print (\d+)\s?:/.exec(flat(page))![1]);
    expect(print).toBeGreaterThan(4);
    expect(flat(page)).toMatch(/To have 4 good with 90 in 100/);
    await page.find('button').trigger('click');
    expect(doc().print.spares).toBe(print - 4);
    expect(page.find('button').exists()).toBe(false);
  });

  it('does not ask for spares of a master', async () => {
    const { page, handle } = showOf(HowMany);
    handle.set(['brief', 'route'], 'wax from a rubber mold');
    await nextTick();
    expect(page.find('.many').exists()).toBe(false);
  });
});

describe('the plate', () => {
  it('shows every copy where it has room, numbered, and how many more would fit', () => {
    const { page } = showOf(PlateDrawing);
    expect(page.findAll('polygon')).toHaveLength(5);
    expect(page.findAll('text').map((t) => t.text())).toEqual(['1', '2', '3', '4', '5']);
    expect(flat(page)).toMatch(
      /5 parts stand on it; \d+ more of Sea-holly trellis drop would fit at no extra time\./,
    );
  });

  it('says what has no room', async () => {
    const { page, handle } = showOf(PlateDrawing);
    handle.set(['print', 'spares'], 60);
    await nextTick();
    expect(flat(page)).toMatch(/\d+ have no room\./);
  });
});

describe('what is noted of a print', () => {
  it('keeps how the supports were, and takes a choice back that is pressed again', async () => {
    const { page, doc } = showOf(PrintRecord);
    const choice = (label: string, option: string) =>
      page.find(`[aria-label="${label}"]`).findAll('button').find((b) => b.text() === option)!; // prettier-ignore
    await choice('How heavy', 'heavy').trigger('click');
    await choice('They came off', 'tore pits').trigger('click');
    expect(doc().print.supports).toEqual({ weight: 'heavy', came: 'tore pits' });
    await choice('How heavy', 'heavy').trigger('click');
    await choice('They came off', 'tore pits').trigger('click');
    expect(doc().print.supports).toBeUndefined();
  });

  it('takes the resin that it took and the vat’s warmth, in the reader’s units', async () => {
    const { page, doc } = showOf(PrintRecord);
    await typeInto(page, 'Resin that it took', '6,4 ml');
    await typeInto(page, 'Resin in the vat', '79 F');
    expect(doc().print.resinUsedMl).toBe(6.4);
    const { vatC } = doc().print;
    expect(vatC?.state === 'measured' && vatC.value).toBeCloseTo(26.1, 1);
  });
});

describe('at the printer, after', () => {
  it('ticks what is done; the resin is filtered back or left, not both', async () => {
    const { page, doc } = showOf(AfterPrint);
    const press = (what: string) => page.findAll('.ticks button').find((b) => b.text().includes(what))!.trigger('click'); // prettier-ignore
    await press('vat wiped');
    await press('resin left in the vat');
    await press('resin filtered back');
    expect(Object.keys(doc().print.after!)).toEqual(['vat wiped', 'resin filtered back']);
    await press('vat wiped');
    expect(Object.keys(doc().print.after!)).toEqual(['resin filtered back']);
  });

  it('says whether the resin is to be bottled, by what is planned next', () => {
    expect(flatText(showOf(AfterPrint).page)).toContain(
      'Bottle it now. No other print is planned on Printer B.',
    );
    // Pour 29 was printed with wax-rich resin on Printer A, and pour 31 prints low-ash there next.
    expect(flatText(showInPour(shop, 29, AfterPrint).page)).toMatch(
      /Bottle it now\. Pour 31 prints another resin on Printer A/,
    );
  });

  it('draws the bottle’s record down by a press, once, and puts it back by Undo', async () => {
    const { page, doc } = showInPour(shop, 29, AfterPrint);
    const left = () => useShop().lists.resin.find((r) => r.name === 'Skerry Wax 55')!.bottles[0]!.mlLeft;
    const before = left();
    const take = () => page.findAll('button').find((b) => b.text().startsWith('Take'));
    await take()!.trigger('click');
    await flushPromises();
    expect(left()).toBeLessThan(before);
    expect(left()).toBeGreaterThan(before - 12);
    expect(doc().print.fromBottleMl).toBeGreaterThan(0);
    expect(take()).toBeUndefined();
    expect(flatText(page)).toMatch(/\d+ ml were taken off the bottle’s record/);
    useNotices().current!.action!.run();
    await flushPromises();
    expect([left(), doc().print.fromBottleMl]).toEqual([before, undefined]);
    expect(take()).toBeDefined();
  });
});

describe('a sheet of the plate', () => {
  it('has the settings, what to do before, and a box for every piece', () => {
    const pour = shop.file.pours.find((p) => p.number === 31)!;
    const said = flatText(shop.show(PlateSheet, { id: pour.id }));
    for (const part of [
      'Plate of pour 31',
      'Skerry Low-Ash',
      'Printer A',
      '423',
      'Shake.',
      '3 parts stand on it',
    ])
      expect(said).toContain(part);
    expect(said.match(/good flawed lost/g)).toHaveLength(3);
  });
  it('says what is missing', async () => {
    const pour = shop.file.pours.find((p) => p.number === 31)!;
    usePours().set(pour.id, ['resin', 'profileId'], undefined);
    expect(flatText(shop.show(PlateSheet, { id: pour.id }))).toContain(
      'Choose pattern, resin, printer and profile first.',
    );
  });
});

describe('the Print stage', () => {
  it('keeps what is ticked before the print, and takes it back', async () => {
    const { page, doc } = showInPour(shop, 31, PrintStage);
    await unfold(page, 'Before the print');
    const step = (lead: string) => page.findAll('details button').find((b) => b.text().includes(lead))!;
    await step('Shake.').trigger('click');
    expect(Object.keys(doc().print.before!)).toEqual(['shake']);
    expect(step('Shake.').attributes('aria-pressed')).toBe('true');
    await step('Shake.').trigger('click');
    expect(doc().print.before).toEqual({});
  });

  it('says when it will be done, and asks for a look part way once it runs', async () => {
    const { page, doc } = showInPour(shop, 31, PrintStage);
    expect(flat(page)).toMatch(/done .* if started now; the screen is lit/);
    expect(flat(page)).toMatch(/\d+ ml stay in the bottles/);
    await buttonOf(page, 'Started now').trigger('click');
    expect(doc().print.plate).toMatchObject({ layers: 423 });
    expect(doc().scale.printedAs).toBeDefined();
    expect(flat(page)).toMatch(/Look at it .*, when base and 5 mm are out/);
    await buttonOf(page, 'All hang').trigger('click');
    expect(flat(page)).toMatch(/Looked at/);
    await buttonOf(page, 'not yet').trigger('click');
    expect(doc().print.checkedAt).toBeUndefined();
  });

  it('forgets the plate when it was not started after all', async () => {
    const { page, doc } = showInPour(shop, 31, PrintStage);
    await buttonOf(page, 'Started now').trigger('click');
    await typeInto(page, 'Started', '');
    expect([doc().print.startedAt, doc().print.plate, doc().scale.printedAs]).toEqual([
      undefined,
      undefined,
      undefined,
    ]);
  });
});
