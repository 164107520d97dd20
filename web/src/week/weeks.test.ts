// @vitest-environment happy-dom
import { smallestClash, solveWeek, type WeekProblem, type Wish } from '@zero-pour/core';
import { flushPromises, type VueWrapper } from '@vue/test-utils';
import { afterAll, beforeEach, describe, expect, it, vi } from 'vitest';
import { useNotices } from '../state/notices';
import { usePours } from '../state/pourStore';
import { useFakeShop } from '../testing/fakeServer';
import { buttonOf, flatText } from '../testing/showInPour';
import WeekPage from './WeekPage.vue';
import WeekPlanner from './WeekPlanner.vue';

// A Wednesday morning, before anything reads the clock: what goes together depends on the hour that it is asked at.
vi.hoisted(() => void vi.useFakeTimers({ toFake: ['Date'], now: Date.UTC(2026, 10, 25, 10) }));

/** What the solver is asked, each answered when the test says so. */
const asked: { name: string; answer: () => void }[] = [];
vi.mock('../jobs/runJob', async (original) => ({
  ...(await original<typeof import('../jobs/runJob')>()),
  runJob: (job: { name: string }, input: { problem: WeekProblem; effort?: string; wishes?: Wish[] }) =>
    new Promise((end) => {
      const output = () =>
        job.name === 'clash'
          ? smallestClash(input.problem, input.wishes)
          : solveWeek(input.problem, { orders: 0, proof: input.effort === 'first' ? 0 : 60 });
      asked.push({
        name: `${job.name} ${input.effort ?? ''}`.trim(),
        answer: () => end({ output: output() }),
      });
    }),
}));
afterAll(() => void vi.useRealTimers());
beforeEach(() => void asked.splice(0));

const shop = useFakeShop();
const idOf = (number: number): string => shop.file.pours.find((pour) => pour.number === number)!.id;
const zeroOf = (number: number): string => usePours().pours.get(idOf(number))!.doc.brief.zeroAt!;
const open = (): VueWrapper => shop.show(WeekPlanner);
const press = async (page: VueWrapper, name: string): Promise<void> => {
  await buttonOf(page, name).trigger('click');
  await flushPromises();
};
async function answered(): Promise<void> {
  for (const { answer } of asked.splice(0)) answer();
  await flushPromises();
}

describe('planning the weeks', () => {
  it('says nothing before it is asked', () => {
    const page = open();
    expect(page.find('[role=status]').exists()).toBe(false);
    expect(page.find('.proposal').exists()).toBe(false);
  });
  it('shows a first plan while it looks for a better one, and neither once it is stopped', async () => {
    const page = open();
    await press(page, 'Earliest');
    expect(asked.map(({ name }) => name)).toEqual(['week first', 'week full']);
    expect(flatText(page)).toContain('Planning the weeks.');
    asked.shift()!.answer();
    await flushPromises();
    expect(flatText(page)).toContain('A first plan stands');
    expect(page.findAll('.proposal tbody tr')).toHaveLength(3);
    expect(page.text()).not.toContain('Take this plan');
    await press(page, 'Stop');
    expect(page.find('.proposal').exists()).toBe(false);
  });
  it('is taken in one step, taken back in one, and left without a trace', async () => {
    const page = open();
    const before = [30, 31].map(zeroOf);
    await press(page, 'Earliest');
    await answered();
    expect((page.emitted('propose')!.at(-1) as [unknown[]])[0]).toHaveLength(3);
    await press(page, 'Leave it');
    expect([30, 31].map(zeroOf)).toEqual(before);
    await press(page, 'Earliest');
    await answered();
    await press(page, 'Take this plan');
    expect([30, 31].map(zeroOf)).not.toEqual(before);
    expect(usePours().pours.get(idOf(31))!.doc.plannedWeek!.zeroAt).toBe(zeroOf(31));
    useNotices().current!.action!.run();
    await flushPromises();
    expect([30, 31].map(zeroOf)).toEqual(before);
    expect(usePours().pours.get(idOf(31))!.doc.plannedWeek).toBeUndefined();
  });
  it('says that today’s times go together only of the times that it looked at', async () => {
    for (const number of [30, 31]) {
      const later = Date.parse(zeroOf(number)) + 4 * 86_400_000;
      usePours().set(idOf(number), ['brief', 'zeroAt'], new Date(later).toISOString());
    }
    const page = open();
    await press(page, 'Do today’s times go together?');
    await answered();
    const said = flatText(page);
    if (!said.includes('Today’s times go together.'))
      expect(said).toContain('Today’s times do not go together.');
    usePours().set(idOf(31), ['brief', 'zeroAt'], zeroOf(30));
    await flushPromises();
    expect(flatText(page)).not.toContain('Today’s times');
    await press(page, 'Do today’s times go together?');
    await answered();
    expect(flatText(page)).toContain('Today’s times do not go together.');
    expect(page.findAll('.clash li').length).toBeGreaterThan(1);
    await page.find('.way button').trigger('click');
    expect(useNotices().current!.text).toBe('Taken.');
    expect(zeroOf(31) === zeroOf(30)).toBe(false);
  });
  it('asks again of what has changed since, and keeps an answer whose pour came back the same', async () => {
    const page = open();
    await press(page, 'Do today’s times go together?');
    const before = asked.splice(0);
    usePours().set(idOf(31), ['brief', 'zeroAt'], zeroOf(30));
    await flushPromises();
    expect(asked.map(({ name }) => name)).toEqual(['clash']);
    before[0]!.answer();
    await flushPromises();
    expect(flatText(page)).toContain('Looking for what does not go together.');
    await answered();
    expect(flatText(page)).toContain('Today’s times do not go together.');
    const { pours } = usePours();
    const same = pours.get(idOf(31))!;
    const doc = Object.fromEntries(Object.entries(same.doc).reverse()) as typeof same.doc;
    pours.set(same.id, { ...same, doc });
    await flushPromises();
    expect(flatText(page)).toContain('Today’s times do not go together.');
  });
  it('names what it cannot plan, with the way there', async () => {
    usePours().set(idOf(31), ['burnout', 'kilnId'], undefined);
    const page = open();
    await press(page, 'Earliest');
    expect(flatText(page)).toContain('Not planned: Pour 31, needs a kiln.');
    expect(page.findAll('a').some((link) => link.attributes('href') === `/pours/${idOf(31)}`)).toBe(true);
  });
  it('says nothing good of an empty plan', async () => {
    for (const number of [29, 30, 31]) usePours().set(idOf(number), ['burnout', 'kilnId'], undefined);
    const page = open();
    for (const name of ['Do today’s times go together?', 'Earliest']) {
      await press(page, name);
      await answered();
      expect(flatText(page)).toContain('There is nothing to plan.');
      expect(flatText(page)).not.toMatch(/go together\. Hands|Proven|Take this plan/);
    }
  });
  it('tells of a plan that does not hold, and plans anew by a press', async () => {
    const page = open();
    await press(page, 'Earliest');
    await answered();
    await press(page, 'Take this plan');
    expect(flatText(page)).not.toContain('does not hold');
    usePours().set(idOf(31), ['brief', 'zeroAt'], new Date(Date.parse(zeroOf(31)) + 3_600_000).toISOString());
    await flushPromises();
    expect(flatText(page)).toContain('Pour 31: the plan does not hold any more. Its pour was moved');
    asked.splice(0);
    await press(page, 'Plan anew');
    expect(asked.map(({ name }) => name)).toEqual(['week first', 'week full']);
  });
});

describe('the week’s list', () => {
  it('is by person once a plan was taken, by day, with a box to tick', async () => {
    const planner = open();
    await press(planner, 'Earliest');
    await answered();
    await press(planner, 'Take this plan');
    const page = shop.show(WeekPage);
    const names = page.findAll('.person h2').map((head) => head.text());
    expect(names).toEqual(expect.arrayContaining(['Print bench', 'Casting bench']));
    const of = (name: string) =>
      page
        .findAll('.person')
        .find((one) => one.find('h2').text() === name)!
        .text();
    expect(of('Print bench')).toContain('Start the print');
    expect(of('Casting bench')).toContain('Zero: pour');
    expect(of('Casting bench')).not.toContain('Start the print');
    expect(page.findAll('.box').length).toBe(page.findAll('.person li').length);
  });
  it('is nobody’s before', () => {
    const page = shop.show(WeekPage);
    expect(page.findAll('.person h2').map((head) => head.text())).toEqual(['Nobody’s yet']);
  });
});
