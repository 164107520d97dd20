// @vitest-environment happy-dom
import { emptyMold, type Mold } from '@zero-pour/contracts';
import { describe, expect, it } from 'vitest';
import type { VueWrapper } from '@vue/test-utils';
import { nextTick } from 'vue';
import { usePours } from '../state/pourStore';
import { useRecords } from '../state/recordStore';
import { useFakeShop } from '../testing/fakeServer';
import { buttonOf, flatText, typeInto } from '../testing/showInPour';
import MakingMold from './MakingMold.vue';
import MoldMaster from './MoldMaster.vue';
import MoldsPage from './MoldsPage.vue';
import MoldZero from './MoldZero.vue';
import { useMolds } from './moldStore';
import { opened } from './opened';
import { PULLS, pullName } from './pulls';
import { planMold } from '@zero-pour/plan';
import WaxShots from './WaxShots.vue';

const shop = useFakeShop();
const NOTHING = { pattern: undefined, resin: undefined, tests: [], thinnestMm: undefined };
const mold = (over: Partial<Mold> = {}): Mold => ({
  ...emptyMold(4),
  id: '00000000-0000-4000-8000-00000000000a',
  ...over,
});
/** A part of the page with what it asks to change. */
function part(component: object, one: Mold) {
  const page = shop.show(component, { mold: one, plan: planMold(one, NOTHING), pattern: undefined });
  const changes = (): Partial<Mold>[] =>
    (page.findComponent(component as never) as unknown as VueWrapper)
      .emitted<[Partial<Mold>]>('change')!
      .map(([fields]) => fields);
  return { page, changes };
}

describe('the page of molds', () => {
  it('lists what there is with what it gave, and plans a new one with the next number', async () => {
    const page = shop.show(MoldsPage, {});
    await useRecords().load();
    await nextTick();
    expect(flatText(page)).toContain('Oarlock escutcheon, rubber');
    expect(flatText(page)).toContain('32 waxes, about 468 to go');
    await useMolds().add();
    expect(useMolds().all[0]).toMatchObject({ number: 2, name: 'Mold 2', state: 'planned' });
    const [made] = useMolds().all;
    useMolds().change(made!, { place: 'Shelf 3' });
    expect(useMolds().all[0]!.place).toBe('Shelf 3');
  });
});

describe('the master', () => {
  it('is answered yes or no; the same press again takes it back', async () => {
    const { page, changes } = part(MoldMaster, mold({ master: { sanded: true } }));
    const yes = (name: string) =>
      page
        .find(`[aria-label="${name}"]`)
        .findAll('button')
        .find((one) => one.text() === 'yes')!;
    await yes('Sprue on it').trigger('click');
    await yes('Layer lines sanded').trigger('click');
    expect(changes()).toEqual([{ master: { sanded: true, sprued: true } }, { master: {} }]);
    expect(flatText(page)).toContain('Choose the master’s resin first.');
  });
  it('keeps how a silicone took to its resin', async () => {
    await useRecords().load();
    const resinId = shop.file.lists.resin[0]!.id;
    const { page } = part(MoldMaster, mold({ kind: 'silicone', resinId }));
    await buttonOf(page, 'sticky').trigger('click');
    await nextTick();
    expect(useRecords().lists.moldTest.at(-1)).toMatchObject({ resinId, kind: 'silicone', result: 'sticky' });
    await nextTick();
    expect(page.find('[aria-label="Tests of silicone"]').text()).toContain('sticky');
  });
});

describe('making it', () => {
  it('begins, ends and takes back steps; with the first one its making has begun', async () => {
    await useRecords().load();
    const kept = (await useMolds().add())!;
    const page = shop.show(MakingMold, { mold: kept, plan: planMold(kept, NOTHING) });
    const now = (): Mold => useMolds().all.find(({ id }) => id === kept.id)!;
    expect(flatText(page)).toContain('under the press for 60 min');
    await page.find('[aria-label="Begin Press"]').trigger('click');
    expect(now().steps['press']!.startedAt).toBeDefined();
    expect(now().state).toBe('being made');
    await page.setProps({ mold: now() });
    await page.find('[aria-label="Press done"]').trigger('click');
    expect(now().steps['press']!.doneAt).toBeDefined();
    await page.setProps({ mold: now() });
    await page.find('[aria-label="Press: not done"]').trigger('click');
    expect(now().steps).toEqual({});
  });
  it('says what hurts at the step that is next only', () => {
    const before = ['clean', 'pack'].map((key) => [key, { doneAt: '2026-11-01T08:00:00.000Z' }] as const);
    const { page } = part(MakingMold, mold({ steps: Object.fromEntries(before) }));
    expect(flatText(page)).toContain('Press, frame and rubber burn');
    expect(flatText(page)).not.toContain('cut-proof glove');
  });
  it('is counted back from its zero, and says whose time is not known', async () => {
    const zeroAt = new Date(Date.now() + 10 * 24 * 3600_000).toISOString();
    const rubber = shop.show(MoldZero, { mold: mold({ zeroAt }) });
    expect(flatText(rubber)).toContain('Next hands-on. Clean frame and master:');
    const poured = shop.show(MoldZero, { mold: mold({ kind: 'silicone' }) });
    expect(flatText(poured)).toContain('“Cure”');
    expect(flatText(poured)).not.toContain('Earliest');
    const { page, changes } = part(MoldZero, mold({ kind: 'silicone', cureH: 8 }));
    await page.find('button').trigger('click');
    expect(Date.parse(changes()[0]!.zeroAt!)).toBeGreaterThan(Date.now() + 8 * 3600_000);
    expect(flatText(shop.show(MoldZero, { mold: mold({ state: 'good' }) }))).toBe('');
  });
});

describe('waxes', () => {
  it('are noted as a shot with its flaws, and make the mold good', async () => {
    const { page, changes } = part(WaxShots, mold());
    expect(flatText(page)).toContain('No wax yet.');
    expect(buttonOf(page, 'Note it').attributes('disabled')).toBeDefined();
    await typeInto(page, 'Waxes', '4');
    await typeInto(page, 'Good', '5');
    expect(flatText(page)).toContain('More good ones than waxes');
    await typeInto(page, 'Good', '3');
    await buttonOf(page, 'Bubble').trigger('click');
    await buttonOf(page, 'Note it').trigger('click');
    expect(changes()[0]).toMatchObject({ state: 'good', shots: [{ waxes: 4, good: 3, flaws: ['bubble'] }] });
    expect(changes()[0]!.shots![0]).not.toHaveProperty('waxC');
  });
  it('say how many it takes by what came out so far, and nothing without', async () => {
    const shots = [{ key: 'a', at: '2026-11-01T08:00:00.000Z', waxes: 10, good: 8, flaws: [] }];
    const known = part(WaxShots, mold({ shots })).page;
    await typeInto(known, 'Good waxes wanted', '5');
    expect(flatText(known)).toMatch(/\d+ waxes give 5 good ones nine times in ten, by 8 good of 10 so far/);
    const unknown = part(WaxShots, mold()).page;
    await typeInto(unknown, 'Good waxes wanted', '5');
    expect(flatText(unknown)).toContain('nobody can say how many it takes');
  });
  it('are for the open pour that takes them, unless for none', async () => {
    const id = shop.file.pours.find(({ number }) => number === 31)!.id;
    usePours().set(id, ['brief', 'moldId'], mold().id);
    await nextTick();
    const { page, changes } = part(WaxShots, mold());
    expect(flatText(page)).toContain('Pour 31');
    await typeInto(page, 'Waxes', '4');
    await typeInto(page, 'Good', '4');
    await buttonOf(page, 'Note it').trigger('click');
    expect(changes()[0]!.shots![0]).toMatchObject({ pourId: id });
    const shown = part(WaxShots, mold({ shots: changes()[0]!.shots! })).page;
    expect(shown.find('[aria-label="Shots"]').text()).toContain('pour 31');
  });
  it('of which none is good do not make the mold good', async () => {
    const { page, changes } = part(WaxShots, mold());
    await typeInto(page, 'Waxes', '2');
    await typeInto(page, 'Good', '0');
    await buttonOf(page, 'Note it').trigger('click');
    expect(changes()[0]).toMatchObject({ state: 'planned', shots: [{ waxes: 2, good: 0 }] });
  });
  it('a worn mold stays worn when it gives once more', async () => {
    const { page, changes } = part(WaxShots, mold({ state: 'worn' }));
    await typeInto(page, 'Waxes', '1');
    await typeInto(page, 'Good', '1');
    await buttonOf(page, 'Note it').trigger('click');
    expect(changes()[0]!.state).toBe('worn');
  });
});

describe('a mold that is opened', () => {
  const triangle = (z: number) => ({
    positions: Float32Array.from([0, 0, z, 2, 0, z, 0, 2, z]),
    triangles: Uint32Array.from([0, 1, 2]),
  });
  const made = {
    shown: { lower: triangle(-1), upper: triangle(1), part: triangle(0) },
    sizeMm: [10, 10, 10] as [number, number, number],
  };
  it('has its halves apart along the pull and the part between, and no part while it is closed', () => {
    const closed = opened(made, 0);
    expect([closed.positions.length / 9, closed.positions[2], closed.positions.at(-1)]).toEqual([2, -1, 1]);
    const wide = opened(made, 1);
    expect(wide.positions.length / 9).toBe(3);
    expect(wide.positions[2]).toBeCloseTo(-9, 5);
    expect(wide.positions.at(-1)).toBeCloseTo(9, 5);
    expect([...wide.colours.slice(0, 3)]).not.toEqual([...wide.colours.slice(9, 12)]);
  });
  it('is named by the axis that it opens along', () => {
    expect(pullName(null)).toBeUndefined();
    expect(pullName([0, 0, -1])).toBe('z');
    expect(pullName([0.7, 0, 0.7])).toBeUndefined();
    expect(PULLS).toHaveLength(3);
  });
});
