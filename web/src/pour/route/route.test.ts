// @vitest-environment happy-dom
import { type Mold } from '@zero-pour/contracts';
import { planRoutes, type PourPlan } from '@zero-pour/plan';
import { flushPromises } from '@vue/test-utils';
import { describe, expect, it } from 'vitest';
import { nextTick } from 'vue';
import { useMolds } from '../../molds';
import { useRecords } from '../../state/recordStore';
import { useShop } from '../../state/shopStore';
import { useFakeShop } from '../../testing/fakeServer';
import { buttonOf, fieldOf, flatText, showInPour, typeInto } from '../../testing/showInPour';
import MoldOfPour from './MoldOfPour.vue';
import RouteMinutes from './RouteMinutes.vue';

const shop = useFakeShop();
const NOTHING = { yields: [], molds: [] };
const rowsOf = ({ context }: PourPlan) => ({
  rows: planRoutes(context, NOTHING, { count: 5, most: 60 }).rows,
});

describe('minutes of a route', () => {
  it('are the shop’s once they are typed, and the usual again once they are taken away', async () => {
    const { page } = showInPour(shop, 31, RouteMinutes, rowsOf);
    const own = () => useShop().settings.routeTimes?.minutes['wax from a rubber mold'];
    expect(fieldOf(page, 'Hands on a mold').attributes('placeholder')).toBe('95');
    await typeInto(page, 'Hands on a mold', '120');
    expect(own()).toEqual({ moldHandsMin: 120 });
    await typeInto(page, 'Hands on a mold', '');
    expect(own()).toEqual({});
  });
  it('has no mold to make where the print burns out', () => {
    const { page } = showInPour(shop, 31, RouteMinutes, rowsOf);
    expect(page.findAll('fieldset')[0]!.findAll('.v-input')).toHaveLength(1);
    expect(page.findAll('fieldset')[1]!.findAll('.v-input')).toHaveLength(2);
  });
});

describe('the mold of a pour', () => {
  async function open(fields: Partial<Mold> = {}) {
    await useRecords().load();
    const shown = showInPour(shop, 31, MoldOfPour);
    const part = shown.handle.plan.value.context.parts[0]!;
    const molds = useMolds();
    shown.handle.set(['brief', 'route'], 'wax from a silicone mold');
    const made = (await molds.add({ kind: 'silicone', patternId: part.pattern.id, ...fields }))!;
    await nextTick();
    return { ...shown, made, molds, wanted: part.count };
  }
  it('says what is not chosen, and chosen what is not made or how long it takes', async () => {
    const { page, handle, made } = await open();
    expect(flatText(page)).toContain('No mold chosen.');
    handle.set(['brief', 'moldId'], made.id);
    await nextTick();
    expect(flatText(page)).toContain('The mold is not made yet.');
    expect(flatText(page)).toContain('“Cure”');
  });
  it('begins at the waxes, and says when enough of them are here', async () => {
    const { page, handle, made, molds, doc, wanted } = await open({ state: 'good' });
    handle.set(['brief', 'moldId'], made.id);
    await nextTick();
    await buttonOf(page, 'Begin at the waxes').trigger('click');
    expect(doc().left).toEqual(expect.arrayContaining(['print', 'clean']));
    const shot = { key: 's', at: new Date().toISOString(), waxes: wanted, good: wanted, flaws: [] };
    molds.change(made, { shots: [{ ...shot, pourId: handle.pour.value.id }] });
    await nextTick();
    expect(flatText(page)).toContain('Its waxes are here.');
    molds.change(made, { shots: [shot] });
    await nextTick();
    expect(flatText(page)).toContain(`Inject ${wanted} for ${wanted}.`);
  });
  it('plans one of the route’s kind, for the pour’s pattern', async () => {
    const { page, molds, doc } = await open();
    const before = molds.all.length;
    await buttonOf(page, 'Plan a mold for it').trigger('click');
    await flushPromises();
    expect(molds.all).toHaveLength(before + 1);
    expect(molds.all[0]).toMatchObject({ kind: 'silicone', id: doc().brief.moldId! });
  });
});
