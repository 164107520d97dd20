// @vitest-environment happy-dom
import { flushPromises } from '@vue/test-utils';
import { emptyPourDoc } from '@zero-pour/contracts';
import { planPour } from '@zero-pour/plan';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { h } from 'vue';
import { usePlanningShop } from '../state/planningStore';
import { usePours } from '../state/pourStore';
import { useFakeShop } from '../testing/fakeServer';
import { buttonOf, flatText } from '../testing/showInPour';
import { useNotices } from '../state/notices';
import GuidedPour from './GuidedPour.vue';
import { useGuided, useStartGuide } from './guidedPour';
import { fillsOf, GUIDE_STEPS, type GuideSight } from './guideSteps';
import NewHere from './NewHere.vue';

const shop = useFakeShop();
/** Stores alone, with no page. */
const NOTHING_SHOWN = { render: () => h('i') };
const NOW = Date.parse('2026-11-26T07:00:00Z');
beforeEach(() => {
  useGuided().value = null;
  localStorage.clear();
});

/** A guided pour on show, with the pour that it goes through. */
async function begin() {
  const id = await usePours()
    .create(emptyPourDoc())
    .then((pour) => pour.id);
  useGuided().value = { pourId: id, at: 0 };
  const page = shop.show(GuidedPour, {});
  await flushPromises();
  return { page, id, doc: () => usePours().pours.get(id)!.doc };
}
function sightOf(id: string, others: GuideSight['others'] = []): GuideSight {
  const known = usePlanningShop().known;
  return { plan: planPour(usePours().pours.get(id)!, known), shop: known, others, now: NOW };
}
const fillAll = (id: string, others: GuideSight['others']): void => {
  for (const step of GUIDE_STEPS)
    for (const { path, value } of fillsOf(step, sightOf(id, others)))
      usePours().set(id, path, value as never);
};

describe('steps of a guided pour', () => {
  it('fill an empty pour from what the shop has, until every one of them is told and it counts back', async () => {
    shop.show(NOTHING_SHOWN);
    const { id } = await usePours().create(emptyPourDoc());
    const others = usePours()
      .open.filter((pour) => pour.id !== id)
      .map(({ doc }) => doc);
    fillAll(id, others);
    const sight = sightOf(id, others);
    for (const step of GUIDE_STEPS) expect([step.title, step.isDone?.(sight) ?? true]).toEqual([step.title, true]); // prettier-ignore
    expect(sight.plan.times.status).toBe('known');
    expect(Date.parse(sight.plan.context.doc.brief.zeroAt!)).toBeGreaterThan(NOW);
  });

  it('take what the newest other pour chose, and write over nothing that somebody chose', async () => {
    shop.show(NOTHING_SHOWN);
    const { id } = await usePours().create(emptyPourDoc());
    const other = shop.file.pours.find(({ number }) => number === 29)!.doc;
    const brief = GUIDE_STEPS[0]!;
    expect(fillsOf(brief, sightOf(id, [other])).find(({ path }) => path[1] === 'alloyId')?.value).toBe(
      other.brief.alloyId,
    );
    const mine = usePlanningShop().known.lists.alloy.find(({ id: one }) => one !== other.brief.alloyId)!.id;
    usePours().set(id, ['brief', 'alloyId'], mine);
    expect(fillsOf(brief, sightOf(id, [other])).map(({ path }) => path.join('.'))).toEqual(['brief.lines']);
  });

  it('fill in no half of a choice, and no profile of another resin', async () => {
    shop.show(NOTHING_SHOWN);
    const { id } = await usePours().create(emptyPourDoc());
    const resin = GUIDE_STEPS.find(({ at }) => at === '/resin')!;
    const known = usePlanningShop().known;
    const chosen = known.lists.profile.at(-1)!;
    usePours().set(id, ['resin', 'resinId'], chosen.resinId);
    const filled = fillsOf(resin, sightOf(id)).find(({ path }) => path[1] === 'profileId')!.value;
    expect(known.lists.profile.find((one) => one.id === filled)?.resinId).toBe(chosen.resinId);
    const bare = { ...known, lists: { ...known.lists, profile: [], kiln: [] } };
    expect(fillsOf(resin, { ...sightOf(id), shop: bare })).toEqual([]);
    const burnout = GUIDE_STEPS.find(({ at }) => at === '/burnout')!;
    expect(fillsOf(burnout, { ...sightOf(id), shop: bare })).toEqual([]);
  });
});

describe('a guided pour', () => {
  it('says what a step is about, does it when asked, and says that it is told', async () => {
    const { page, doc } = await begin();
    expect(flatText(page)).toContain('What is wanted');
    expect(page.find('[role="status"]').exists()).toBe(true);
    expect(flatText(page)).not.toContain('That is told.');
    await buttonOf(page, 'Take me there').trigger('click');
    await flushPromises();
    await buttonOf(page, 'Fill it in for me').trigger('click');
    expect(doc().brief.lines).toHaveLength(1);
    expect(flatText(page)).toContain('That is told.');
    await buttonOf(page, 'Next').trigger('click');
    expect(flatText(page)).toContain('What it is like');
    await buttonOf(page, 'Back').trigger('click');
    expect(flatText(page)).toContain('What is wanted');
  });

  it('begins though what it was asked of is gone by then, as a dialog that closes', async () => {
    let start: (() => Promise<boolean>) | undefined;
    const asked = shop.show({ setup: () => ((start = useStartGuide()), () => null) });
    asked.unmount();
    expect(await start!()).toBe(true);
    expect(useGuided().value?.at).toBe(0);
    await vi.waitFor(() => expect(sessionStorage.getItem('zp-guided')).toContain('"at":0'));
  });

  it('is left at any point: the pour stays, and can be thrown away', async () => {
    const { page, id } = await begin();
    await buttonOf(page, 'Pass over').trigger('click');
    await buttonOf(page, 'Leave').trigger('click');
    expect(useGuided().value).toBeNull();
    const notice = useNotices().current!;
    expect(notice.text).toMatch(/^Pour \d+ stays on the board\.$/);
    notice.action!.run();
    await flushPromises();
    expect(usePours().pours.get(id)!.discarded).toBe(true);
  });

  it('ends with its pour: one that was put aside is shown no further', async () => {
    const { page, id } = await begin();
    await usePours().discard(id, true);
    await flushPromises();
    expect(useGuided().value).toBeNull();
    expect(page.text()).toBe('');
  });

  it('is offered on the board until somebody says no', async () => {
    const page = shop.show(NewHere, {});
    expect(flatText(page)).toContain('Be shown one pour');
    await buttonOf(page, 'No, thanks').trigger('click');
    expect(page.text()).toBe('');
    expect(shop.show(NewHere, {}).text()).toBe('');
  });
});
