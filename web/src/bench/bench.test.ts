// @vitest-environment happy-dom
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { nextTick } from 'vue';
import { flushPromises } from '@vue/test-utils';
import type { Mold, PourDoc } from '@zero-pour/contracts';
import { useMolds } from '../molds';
import { useRecords } from '../state/recordStore';
import { usePours } from '../state/pourStore';
import { useFakeShop } from '../testing/fakeServer';
import { buttonOf, flatText } from '../testing/showInPour';
import BenchTimers from './BenchTimers.vue';
import MoldBenchPage from './MoldBenchPage.vue';
import PourBench from './PourBench.vue';
import type { BenchList } from '../state/benchLists';

const shop = useFakeShop();
const at = (number: number) => shop.file.pours.find((pour) => pour.number === number)!.id;
const docOf = (number: number): PourDoc => usePours().pours.get(at(number))!.doc;

beforeEach(() => {
  vi.useFakeTimers({ toFake: ['Date', 'setInterval', 'clearInterval'] });
});
afterEach(() => {
  vi.useRealTimers();
});
async function wait(seconds: number): Promise<void> {
  vi.advanceTimersByTime(seconds * 1000);
  await nextTick();
}
function open(number: number, stage: BenchList) {
  const page = shop.show(PourBench, { id: at(number), stage });
  const press = async (key: string): Promise<void> => {
    document.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true }));
    await flushPromises();
  };
  const title = (): string => page.find('h1').text();
  const digits = (): string => page.find('.figure').text();
  return { page, press, title, digits };
}

it('a timer that runs out is read out once, by its name, and those that run are not', async () => {
  const timers = [
    { key: 'a', name: 'Bath 2', endsAt: 60_000, kind: 'elsewhere' as const },
    { key: 'b', name: 'Drip', endsAt: 90_000, kind: 'own' as const },
  ];
  const page = shop.show(BenchTimers, { timers, now: 30_000 });
  const read = (): string => page.find('[role="status"]').text();
  expect(read()).toBe('');
  await page.setProps({ now: 61_000 });
  expect(read()).toBe('Bath 2 is over.');
  await page.setProps({ now: 62_000 });
  expect(read()).toBe('Bath 2 is over.');
  await page.setProps({ now: 95_000 });
  expect(read()).toBe('Bath 2 is over. Drip is over.');
});

describe('cleaning at the bench', () => {
  it('is begun with Space, counts down, and the next timed step begins by itself', async () => {
    const { page, press, title, digits } = open(31, 'clean');
    expect([title(), digits()]).toEqual(['Let it drip', '5:00']);
    await press(' ');
    await wait(61);
    expect(digits()).toBe('3:59');
    await wait(300);
    expect(digits()).toBe('+1:01');
    expect(flatText(page)).toContain('Ready; at most 3:59 more.');
    await wait(300);
    expect(flatText(page)).toContain('Longer than it should be.');
    await press(' ');
    expect(title()).toBe('Alcohol bath 1');
    expect(docOf(31).clean.steps['bath1']!.startedAt).toBeDefined();
    expect(docOf(31).clean.steps['drip']!.doneAt).toBeDefined();
  });

  it('fixes the protocol with the first step, as the resin has it now', async () => {
    const { press } = open(31, 'clean');
    expect(docOf(31).clean.begun).toBeUndefined();
    await press(' ');
    const { begun } = docOf(31).clean;
    const resin = shop.file.lists.resin.find((r) => r.id === docOf(31).resin.resinId)!;
    expect(begun).toMatchObject({ name: resin.protocolName, version: 2, protocol: resin.protocol });
    expect(begun!.cure).toEqual(shop.file.settings.cure);
  });

  it('goes by what is seen: the number keys choose, Space says that it is as it should be', async () => {
    const { page, press, title } = open(31, 'clean');
    for (const key of ['drip', 'bath1', 'bath2', 'air'])
      usePours().set(at(31), ['clean', 'steps', key], { doneAt: new Date().toISOString() });
    await nextTick();
    expect(title()).toBe('Look at the skin');
    expect(flatText(page)).toContain('1 as it should be2 wet or shiny3 tacky');
    await press('2');
    expect(title()).toBe('Alcohol bath 2, again');
    expect(flatText(page)).toContain('Residue: wash again before giving more light.');
    await press('z');
    // Stepping back takes up what was begun of this one, then the look itself.
    await press('z');
    expect(title()).toBe('Look at the skin');
    await press(' ');
    expect(docOf(31).clean.steps['look']!.saw).toBe('fine');
    expect(title()).toBe('Take the supports off');
  });

  it('leaves a step out and says so in the record', async () => {
    const { press, title } = open(31, 'clean');
    await press('k');
    expect(docOf(31).clean.steps['drip']).toEqual({ skipped: true });
    expect(title()).toBe('Alcohol bath 1');
  });

  it('runs several at once: another step comes to the front, the first runs on below', async () => {
    const { page, press, title } = open(31, 'clean');
    await press(' ');
    await press('ArrowRight');
    expect(title()).toBe('Alcohol bath 1');
    await press(' ');
    await wait(30);
    const timers = page.find('[aria-label="Timers"]');
    expect(timers.text()).toContain('4:30');
    expect(timers.text()).toContain('Let it drip');
    await buttonOf(page, 'show').trigger('click');
    expect(title()).toBe('Let it drip');
  });

  it('shows what runs at other pours', async () => {
    const startedAt = new Date().toISOString();
    usePours().set(at(30), ['clean', 'steps', 'drip'], { startedAt });
    const { page } = open(31, 'clean');
    expect(page.find('[aria-label="Timers"]').text()).toContain('Pour 30: Let it drip');
  });

  it('has timers of one’s own, which outlast the page and are put out', async () => {
    const first = open(31, 'clean');
    await first.press('t');
    expect(first.page.find('[aria-label="Timers"]').text()).toContain('5 min timer');
    await nextTick();
    const second = open(31, 'clean');
    await wait(60);
    expect(second.page.find('[aria-label="Timers"]').text()).toContain('4:00');
    await buttonOf(second.page, 'put out').trigger('click');
    expect(second.page.find('[aria-label="Timers"]').text()).not.toContain('5 min timer');
  });

  it('leaves keys with a modifier to the browser, and sound can be turned off', async () => {
    const { page, press, title } = open(31, 'clean');
    document.dispatchEvent(new KeyboardEvent('keydown', { key: 'k', ctrlKey: true }));
    await nextTick();
    expect(title()).toBe('Let it drip');
    expect(flatText(page)).toContain('sound on');
    await press('s');
    expect(flatText(page)).toContain('sound off');
  });
});

describe('investing at the bench', () => {
  it('begins with the powder, whose moment is the pour’s, and can be taken back', async () => {
    const { page, press, title } = open(31, 'invest');
    expect(title()).toBe('Powder into the water');
    expect(page.find('.figure').text()).toMatch(/^\d+ g into \d+ g$/);
    await press(' ');
    expect(docOf(31).invest.powderInAt).toBeDefined();
    expect(title()).not.toBe('Powder into the water');
    await wait(90);
    expect(flatText(page)).toContain('1:30 of');
    await press('z');
    expect(docOf(31).invest.powderInAt).toBeUndefined();
  });

  it('counts every step to its place on the one clock', async () => {
    const { press, digits } = open(31, 'invest');
    await press(' ');
    const first = digits();
    await wait(30);
    await press(' ');
    // The second step ends later on the same clock, not after its own length.
    const seconds = (text: string): number => Number(text.split(':')[0]) * 60 + Number(text.split(':')[1]);
    expect(seconds(digits())).toBeGreaterThan(seconds(first) - 30);
    expect(Object.keys(docOf(31).invest.steps)).toHaveLength(1);
  });
});

describe('pouring at the bench', () => {
  it('steps from the charge to the quench; what the clock saw between them is kept with the pour', async () => {
    const { page, press, title, digits } = open(29, 'pour');
    const pour = () => docOf(29).flasks[0]!.pour;
    expect(title()).toBe('Weigh the charge');
    expect(digits()).toMatch(/^\d+\.\d g$/);
    await press(' ');
    expect(title()).toBe('Ready to melt');
    await press(' ');
    expect([title(), digits()]).toEqual(['Melt', '1080 °C']);
    await press(' ');
    // This shop pours under vacuum.
    expect(title()).toBe('Vacuum on');
    await press(' ');
    expect([title(), digits()]).toEqual(['Flask out of the kiln', '520 °C']);
    expect(flatText(page)).toContain('Molten metal: dry tools, face shield');
    await press(' ');
    expect(title()).toBe('Pour');
    await wait(90);
    await press(' ');
    expect(pour().pouredAt).toBeDefined();
    expect(pour().outMin).toBeCloseTo(1.5, 1);
    expect(pour().way).toBe('vacuum');
    expect(title()).toBe('Button solid');
    await wait(120);
    await press(' ');
    expect(pour().solidAfterMin).toEqual({ state: 'measured', value: 2 });
    expect(title()).toMatch(/^(Wait, then quench|Let it cool, then break it out)$/);
    await press(' ');
    expect(title()).toMatch(/^(Into the water|Break it out)$/);
    await press(' ');
    expect(pour().quenchAfterMin).toMatchObject({ state: 'measured' });
    expect(flatText(page)).toContain('All done');
  });

  it('takes its minutes back with the step, and never those that somebody typed', async () => {
    const { press } = open(29, 'pour');
    const pour = () => docOf(29).flasks[0]!.pour;
    for (let n = 0; n < 6; n++) await press(' ');
    await wait(60);
    await press(' ');
    expect(pour().solidAfterMin).toEqual({ state: 'measured', value: 1 });
    await press('z');
    expect(pour().solidAfterMin).toBeUndefined();
    usePours().set(at(29), ['flasks', 'f1', 'pour', 'solidAfterMin'], { state: 'guessed', value: 4 });
    await press(' ');
    expect(pour().solidAfterMin).toEqual({ state: 'guessed', value: 4 });
  });

  it('has nothing to step through without a metal', () => {
    usePours().set(at(31), ['brief', 'alloyId'], undefined);
    expect(flatText(open(31, 'pour').page)).toContain('Choose metal and flask first.');
  });
});

describe('a mold at the bench', () => {
  async function openMold(fields: Partial<Mold> = {}) {
    await useRecords().load();
    const molds = useMolds();
    const mold = (await molds.add(fields))!;
    const page = shop.show(MoldBenchPage, { id: mold.id });
    const press = async (key: string): Promise<void> => {
      document.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true }));
      await flushPromises();
    };
    const now = (): Mold => molds.all.find(({ id }) => id === mold.id)!;
    return {
      page,
      press,
      now,
      title: () => page.find('h1').text(),
      digits: () => page.find('.figure').text(),
    };
  }

  it('begins each timed step by hand, cools by itself, and says what hurts there', async () => {
    const { page, press, now, title, digits } = await openMold();
    expect([title(), digits()]).toEqual(['Clean frame and master', '5:00']);
    await press(' ');
    expect(now().state).toBe('being made');
    await wait(60);
    expect(digits()).toBe('4:00');
    for (const _ of [1, 2, 3]) await press(' ');
    expect(title()).toBe('Press');
    expect(flatText(page)).toContain('Press, frame and rubber burn');
    await press(' ');
    await press(' ');
    // Nobody has to begin the cooling.
    expect(title()).toBe('Cool');
    expect(now().steps['cool']!.startedAt).toBeDefined();
    await press('z');
    expect(now().steps['cool']).toBeUndefined();
  });
  it('shows its running steps beside those of a pour', async () => {
    const { press } = await openMold({ name: 'Cleat, rubber' });
    await press(' ');
    const { page } = open(31, 'clean');
    expect(page.find('[aria-label="Timers"]').text()).toContain('Cleat, rubber: Clean frame and master');
  });
  it('that is gone is said, with the way back', async () => {
    await useRecords().load();
    const page = shop.show(MoldBenchPage, { id: '00000000-0000-4000-8000-0000000000ff' });
    expect(flatText(page)).toContain('This mold is gone.');
  });
});
