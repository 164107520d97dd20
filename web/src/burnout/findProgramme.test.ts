// @vitest-environment happy-dom
import { METRIC, type ProgrammeFit } from '@zero-pour/core';
import type { FitInput } from '@zero-pour/jobs';
import { fitWish, valueOf } from '@zero-pour/plan';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { shallowRef } from 'vue';
import type { JobState } from '../jobs';
import { buttonOf, flatText, showInPour } from '../testing/showInPour';
import { useFakeShop } from '../testing/fakeServer';
import FindProgramme from './FindProgramme.vue';
import { changeWords } from './fitWords';

/** A worker that answers when it is told to. */
const state = shallowRef<JobState<FitInput, ProgrammeFit>>({ status: 'idle' });
const asked: FitInput[] = [];
vi.mock('../jobs', async (original) => ({
  ...(await original<object>()),
  useJob: () => ({
    state,
    ask: (input: FitInput) => {
      asked.push(input);
      state.value = { status: 'working', step: 'heat', share: 0.4 };
    },
    stop: () => (state.value = { status: 'idle' }),
    clear: () => (state.value = { status: 'idle' }),
  }),
}));
const shop = useFakeShop();
beforeEach(() => {
  asked.length = 0;
  state.value = { status: 'idle' };
});
const BETWEEN = { kilnIn: Date.parse('2026-11-26T12:00:00Z'), zero: Date.parse('2026-11-27T09:15:00Z') };
const open = () =>
  showInPour(shop, 31, FindProgramme, (plan) => {
    const burnout = valueOf(plan.burnout)!;
    return {
      burnout,
      heat: undefined,
      wish: (aim: 'mend', hours?: number) => fitWish(plan.context, burnout, aim, Date.now(), hours),
      kiln: plan.context.kiln && { ...plan.context.kiln, powerKw: 3 },
      loadedAtC: undefined,
      between: BETWEEN,
      moves: (more: number) => `More: ${more}.`,
    };
  });
/** What a run of the flask tells, as far as it is shown. */
const heat = (coreCarbonH: number) =>
  ({ dryH: 5, rimOverSteamC: 300, coreCarbonH, coreMaxC: 730, rows: [{ coreC: 510 }] }) as unknown as (ProgrammeFit & { status: 'found' })['heat']; // prettier-ignore

describe('find me a programme', () => {
  it('asks for this flask, may be stopped, and shows what it found as what it changes', async () => {
    const { page } = open();
    await buttonOf(page, 'The shortest that keeps all').trigger('click');
    expect(asked[0]).toMatchObject({ aim: 'shortest', innerDiameterMm: 76 });
    expect(page.find('[role=status]').exists()).toBe(true);
    await buttonOf(page, 'Stop').trigger('click');
    expect(page.find('[role=status]').exists()).toBe(false);
    await buttonOf(page, 'What mends this one').trigger('click');
    const input = asked[1]!;
    const segments = input.segments.map((one, n) => (n === 2 ? { ...one, holdH: 5.25 } : one));
    const changes = [{ segment: 'Carbon burns', what: 'hold' as const, from: 4, to: 5.25 }];
    state.value = { status: 'done', input, output: { status: 'found', segments, changes, totalH: 20.25, beforeH: 19, heat: heat(4.2) } }; // prettier-ignore
    await page.vm.$nextTick();
    expect(flatText(page)).toContain('1 h 15 longer. More: 1.25.');
    expect(flatText(page)).toContain('Carbon burns: hold 4 h → 5 h 15');
    expect(flatText(page)).toContain('Clean to the core.');
    expect(flatText(page)).toContain('not reckoned');
    expect(flatText(page)).toMatch(/Energy, about\s*\d+\.\d kWh/);
    await buttonOf(page, 'Take it for this pour').trigger('click');
    expect(page.findComponent(FindProgramme).emitted('take')![0]).toEqual([segments]);
  });
  it('says nothing of a programme that has changed since, and why where there is none', async () => {
    const { page, handle } = open();
    await buttonOf(page, 'What mends this one').trigger('click');
    const input = asked[0]!;
    state.value = { status: 'done', input, output: { status: 'none', why: 'No hold of a day.' } };
    await page.vm.$nextTick();
    expect(page.find('p[role=alert]').text()).toBe('No hold of a day.');
    handle.set(['invest', 'ratio'], 0.42);
    await page.vm.$nextTick();
    expect(page.find('p[role=alert]').exists()).toBe(false);
    expect(flatText(page)).toContain('Something has changed since: search again.');
  });
  it('asks for one that fills the time between the kiln and the pour', async () => {
    const { page } = open();
    await buttonOf(page, 'One that takes 21 h 15, to the pour').trigger('click');
    expect(asked[0]).toMatchObject({ withinH: 21.25, aim: 'mend' });
    state.value = {
      status: 'done',
      input: asked[0]!,
      output: { status: 'none', why: 'The shortest takes 22 h.' },
    };
    await page.vm.$nextTick();
    expect(page.find('p[role=alert]').text()).toBe('The shortest takes 22 h.');
  });
  it('does not search without a powder', async () => {
    const { page, handle } = open();
    handle.set(['invest', 'powderId'], undefined);
    await page.vm.$nextTick();
    expect(flatText(page)).toContain('Choose flask, powder and kiln');
    expect(page.findAll('button')).toHaveLength(0);
  });
});

describe('what was changed', () => {
  it.each([
    [{ what: 'added', from: null, to: 1.5 }, 'S: put in, held 1 h 30'],
    [{ what: 'ramp', from: null, to: 120 }, 'S: climb the kiln’s own → 120 °C/h'],
    [{ what: 'target', from: 600, to: 730 }, 'S: to 600 °C → 730 °C'],
    [{ what: 'target', from: null, to: 700 }, 'S: to casting temperature → 700 °C'],
  ] as const)('%j', (change, words) => {
    expect(changeWords({ segment: 'S', ...change }, METRIC)).toBe(words);
  });
});
