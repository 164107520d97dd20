// @vitest-environment happy-dom
import { valueOf, type PourPlan, type ScalePlan } from '@zero-pour/plan';
import { describe, expect, it } from 'vitest';
import { nextTick, type Component } from 'vue';
import { useFakeShop } from '../../testing/fakeServer';
import { lastEmitted } from '../../testing/mountInApp';
import { buttonOf, fieldOf, flatText, showInPour, typeInto } from '../../testing/showInPour';
import { scaledName } from '../../pattern/jobs/savePattern';
import { markPoured, markPrintStart } from '../../state/printedAs';
import CastingSizeRows from '../result/CastingSizeRows.vue';
import HoldSizeFields from '../stages/HoldSizeFields.vue';
import ScaleStage from '../stages/ScaleStage.vue';
import ChainTable from './ChainTable.vue';
import OnTheWay from './OnTheWay.vue';
import OutOfFile from './OutOfFile.vue';
import SizeTable from './SizeTable.vue';
import { withField } from '../../sizes/useWantedSizes';

const shop = useFakeShop();
const flat = flatText;
/** Shows something of pour 31, the planned band ring. */
const showOf = (component: Component, propsOf?: (plan: PourPlan) => object, number = 31) =>
  showInPour(shop, number, component, propsOf);
const scaleOf = (plan: PourPlan): ScalePlan => valueOf(plan.scale)!;
describe('scale stage', () => {
  it('answers first: the percent, the printed bore, what it finishes at and how sure', () => {
    const { page, handle } = showOf(ScaleStage);
    const { percent, sizes } = scaleOf(handle.plan.value);
    expect(flat(page)).toContain(`Print at${percent.value.toFixed(2)} %`);
    expect(flat(page)).toContain('Bore 17.35 mm is printed as');
    expect(flat(page)).toMatch(/It finishes17\.35 mm ± 0\.\d\d mm/);
    expect(sizes[0]!.within).toBe(true);
    expect(page.findAll('details')).toHaveLength(6);
    expect(page.findAll('details[open]')).toHaveLength(1);
  });

  it('follows the one percent of the shop and says that it misses', async () => {
    const { page, doc } = showOf(ScaleStage);
    await buttonOf(page, 'One percent').trigger('click');
    expect(doc().scale.way).toBe('percent');
    await typeInto(page, 'Print at', '100');
    expect(flat(page)).toContain('This percent misses.');
    expect(flat(page)).toMatch(/The steps ask for 101\.\d\d %/);
  });

  it('waits for a resin or a metal with the way there', async () => {
    const { page, handle } = showOf(ScaleStage);
    handle.set(['brief', 'alloyId'], undefined);
    await nextTick();
    expect(flat(page)).toContain('the metal');
  });
});

describe('the first size', () => {
  it('is a ring size in any system, or a length; a length takes the ring size away', async () => {
    const { page, doc } = showOf(HoldSizeFields);
    await fieldOf(page, 'Size').setValue('17.4');
    await fieldOf(page, 'Size').trigger('blur');
    expect(doc().brief.sizes[0]).toMatchObject({ of: 'bore', finishedMm: 17.4, drawnMm: 17.35 });
    const ring = page.findAll('.ring input').at(-1)!;
    await ring.setValue('7');
    expect(doc().brief.sizes[0]).toMatchObject({ finishedMm: 17.32, ring: { system: 'US', size: '7' } });
    await ring.setValue('seven');
    expect(flat(page)).toContain('Not a US, Canada size.');
    expect(doc().brief.sizes[0]!.finishedMm).toBe(17.32);
    await typeInto(page, 'Size', '17.2');
    expect(doc().brief.sizes[0]!.ring).toBeUndefined();
  });

  it('goes when it is emptied, and leaves the others', async () => {
    const { page, doc } = showOf(HoldSizeFields);
    expect(doc().brief.sizes).toHaveLength(2);
    await typeInto(page, 'Size', '');
    expect(doc().brief.sizes.map((s) => s.name)).toEqual(['Width']);
    await typeInto(page, 'Size', '20');
    expect(doc().brief.sizes.map((s) => [s.name, s.of])).toEqual([['Size', 'outside'], ['Width', 'outside']]); // prettier-ignore
  });

  it('loses an optional field when it is emptied', () => {
    const size = shop.file.pours.find((p) => p.number === 31)!.doc.brief.sizes[0]!;
    expect('toleranceMm' in withField(size, 'toleranceMm', undefined)).toBe(false);
    expect(withField(size, 'wideBandMm', 0.1)).toMatchObject({ ...size, wideBandMm: 0.1 });
  });
});

describe('all sizes', () => {
  const table = () => showOf(SizeTable, (plan) => ({ planned: scaleOf(plan).sizes }));

  it('say what each is printed as and comes to, and whether it is within', () => {
    const { page } = table();
    const lines = page.findAll('.out').map((line) => line.text().replace(/\s+/g, ' '));
    expect(lines[0]).toMatch(/^printed 17\.\d{3} mm ?, finishes 17\.35 mm ± 0\.\d\d mm: within$/);
    expect(lines[1]).toMatch(/^printed 7\.\d{3} mm/);
  });

  it('must hold or may follow; are added and taken away', async () => {
    const { page, doc } = table();
    const width = page.findAll('article')[1]!;
    await width.findAll('button').find((b) => b.text() === 'must hold')!.trigger('click'); // prettier-ignore
    expect(doc().brief.sizes[1]!.holds).toBe(true);
    await buttonOf(page, 'Add wall').trigger('click');
    expect(doc().brief.sizes[2]).toMatchObject({ of: 'wall', name: 'Wall', holds: true });
    await page.findAll('article')[1]!.find('.away').trigger('click');
    expect(doc().brief.sizes.map((s) => s.name)).toEqual(['Bore', 'Wall']);
  });
});

describe('the chain', () => {
  const chain = () => showOf(ChainTable, (plan) => ({ chain: scaleOf(plan).chain!, held: true }));

  it('says where each step comes from, and takes an own value over it', async () => {
    const { page, doc, handle } = chain();
    expect(flat(page)).toMatch(/alloy record and \d of your sizes; the book said −1\.60 %/);
    const before = scaleOf(handle.plan.value).percent.value;
    const metal = page.findAll('tbody tr').at(-1)!.find('input');
    await metal.setValue('-2.5');
    await metal.trigger('blur');
    expect(doc().scale.own.metal).toBe(-2.5);
    expect(scaleOf(handle.plan.value).percent.value).toBeGreaterThan(before + 0.4);
    expect(flat(page)).toContain('typed here');
  });

  it('asks for the mold by the mold routes only', async () => {
    const { page, handle } = chain();
    expect(flat(page)).not.toContain('The mold is of');
    handle.set(['brief', 'route'], 'wax from a silicone mold');
    await nextTick();
    expect(flat(page)).toContain('platinum silicone');
    expect(page.findAll('tbody tr')).toHaveLength(5);
  });
});

describe('on the way', () => {
  it('foresees the finished size from the cured print', async () => {
    const { page, doc, handle } = showOf(OnTheWay, (plan) => ({ planned: scaleOf(plan).sizes }));
    expect(flat(page)).not.toContain('first wax');
    await typeInto(page, 'Bore, cured', '17.2');
    expect(doc().scale.measured).toEqual({ held: { cured: { state: 'measured', value: 17.2 } } });
    // Believed as far as calipers go: not all of it is the print's.
    const { value } = scaleOf(handle.plan.value).sizes[0]!.finished;
    expect(value).toBeLessThan(17.25);
    expect(value).toBeGreaterThan(17.05);
    expect(flat(page)).toContain(`By these it finishes ${value.toFixed(2)} mm`);
    await typeInto(page, 'Bore, cured', '');
    expect(scaleOf(handle.plan.value).sizes[0]!.foreseen).toBe(false);
  });
});

describe('what the print was scaled by', () => {
  it('is fixed when the print starts, and free again when it did not', () => {
    const { handle, doc } = showOf(OnTheWay, () => ({ planned: [] }));
    const planned = scaleOf(handle.plan.value).percents;
    markPrintStart(handle, '2026-11-26T08:00:00.000Z');
    expect(doc().scale.printedAs).toMatchObject({ at: '2026-11-26T08:00:00.000Z', percents: planned });
    expect(doc().scale.printedAs!.flaskC).toBeGreaterThan(400);
    handle.set(['scale', 'own', 'metal'], -3);
    expect(scaleOf(handle.plan.value).percents).toEqual(planned);
    expect(scaleOf(handle.plan.value).proposed![0]).toBeGreaterThan(planned[0]);
    markPrintStart(handle, undefined);
    expect(doc().scale.printedAs).toBeUndefined();
  });

  it('is fixed at the pour at the latest, unless the prints came from elsewhere', () => {
    const { handle, doc } = showOf(OnTheWay, () => ({ planned: [] }));
    handle.set(['left'], ['print']);
    markPoured(handle, '2026-11-26T09:00:00.000Z');
    expect(doc().scale.printedAs).toBeUndefined();
    handle.set(['left'], []);
    markPoured(handle, '2026-11-26T09:00:00.000Z');
    expect(doc().scale.printedAs!.at).toBe('2026-11-26T09:00:00.000Z');
  });

  it('travels in the name of the file, with the ring size', () => {
    const ring = { system: 'US' as const, size: '7 1/2' };
    expect(scaledName('Barnacle band', [101.234, 101.234, 101.234], ring, 'stl')).toBe(
      'Barnacle band US 7½ 101.23 pc mm.stl',
    );
    expect(scaledName('Drop', [101, 101, 102], undefined, '3mf')).toBe(
      'Drop X101.00 Y101.00 Z102.00 pc mm.3mf',
    );
    expect(scaledName('Odd', [100, 100, 100], { system: 'UK', size: 'N/O' }, 'stl')).not.toContain('/');
  });
});

describe('sizes of a casting', () => {
  it('are kept as cast and finished, and say how far off, with the way to why', async () => {
    const { sizes } = shop.file.pours.find((p) => p.number === 21)!.doc.brief;
    const rows = shop.show(CastingSizeRows, { casting: 'l1/1', sizes, pourId: 'p', measured: { held: { finished: { state: 'measured', value: 17.22 } } } }); // prettier-ignore
    expect(flat(rows)).toContain('0.13 mm under, outside the tolerance');
    expect(rows.find('a').attributes('href')).toContain('/sizes/why?pour=p&size=held&casting=l1/1');
    await typeInto(rows, 'Bore, as cast', '17.15');
    expect(lastEmitted(rows, 'change')).toEqual({
      held: { finished: { state: 'measured', value: 17.22 }, cast: { state: 'measured', value: 17.15 } },
    });
    const within = shop.show(CastingSizeRows, { casting: 'l1/1', sizes, pourId: 'p', measured: { held: { finished: { state: 'guessed', value: 17.36 } } } }); // prettier-ignore
    expect(flat(within)).toContain('0.01 mm over');
    expect(within.find('a').exists()).toBe(false);
  });
});

describe('out of the file', () => {
  it('offers to measure on the model, and nothing that was not read', () => {
    const { page } = showOf(OutOfFile, (plan) => ({ pattern: plan.context.parts[0]!.pattern }));
    expect(flat(page)).toContain('Measure on the model');
    expect(flat(page)).not.toContain('Take the file’s bore');
  });
});
