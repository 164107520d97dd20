// @vitest-environment happy-dom
import { emptyFlask, type Pour, type StepRecord } from '@zero-pour/contracts';
import { programmeCurve, type Segment } from '@zero-pour/core';
import { createDemoShop } from '@zero-pour/demo';
import { planPour, type PourPlan, type Shop } from '@zero-pour/plan';
import type { VueWrapper } from '@vue/test-utils';
import { afterEach, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import { cleanSteps, investingSteps, nextStep, timeWords, type TimedStep } from '../state/timedSteps';
import SegmentTable from '../burnout/SegmentTable.vue';
import StepTable from '../components/StepTable.vue';
import { isTyping } from '../state/isTyping';
import { lastEmitted, mountInApp } from '../testing/mountInApp';
import SprueStepper from './SprueStepper.vue';
import TicketPanel from './TicketPanel.vue';
import TreeDrawing from './TreeDrawing.vue';

const NOW = new Date(2026, 10, 24, 16, 54);
let shop: Shop;
let pours: Pour[];
beforeAll(async () => {
  const { file } = await createDemoShop(NOW);
  shop = { settings: file.settings, lists: file.lists, patterns: file.patterns };
  pours = file.pours;
});
const pourNumber = (number: number): Pour => pours.find((p) => p.number === number)!;
const planOf = (pour: Pour): PourPlan => planPour(pour, shop);

let mounted: VueWrapper | undefined;
beforeEach(() => localStorage.clear());
afterEach(() => mounted?.unmount());
const show = (...args: Parameters<typeof mountInApp>): VueWrapper => (mounted = mountInApp(...args));
const flat = (text: string): string => text.replace(/\s+/g, ' ');

describe('the ticket', () => {
  it('says what to weigh, mix, set and when, while the pour is ahead', () => {
    const pour = pourNumber(30);
    const ticket = show(TicketPanel, { pour, plan: planOf(pour) });
    expect(ticket.findAll('h2').map((h) => h.find('span').text())).toEqual([
      'Zero',
      'Weigh',
      'Mix',
      'Set',
      'Cost',
    ]);
    for (const label of ['Metal', 'Powder', 'Water 0.40', 'Scale', 'Kiln in, button down'])
      expect(ticket.text()).toContain(label);
  });

  it('offers the working of every computed number, by name and value', () => {
    const pour = pourNumber(30);
    const ticket = show(TicketPanel, { pour, plan: planOf(pour) });
    const labels = ticket.findAll('button.figure').map((b) => b.attributes('aria-label') ?? '');
    expect(labels.length).toBeGreaterThan(14);
    for (const label of labels) expect(label).toMatch(/^\S.* \S+, show the working$/);
  });

  it('says what is needed first, with the way there', async () => {
    const pour = {
      ...pourNumber(31),
      doc: { ...pourNumber(31).doc, flasks: [emptyFlask('f1')] },
    };
    const ticket = show(TicketPanel, { pour, plan: planOf(pour) });
    const need = ticket.findAll('.needs button').find((b) => b.text() === 'a flask')!;
    await need.trigger('click');
    expect(lastEmitted(ticket, 'goTo')).toBe('sprue');
  });

  it('marks what stands on a guess', () => {
    const pour = structuredClone(pourNumber(30));
    const { sprue } = pour.doc.flasks[0]!;
    sprue.weighBy = 'weight';
    sprue.weighedPatternsG = { state: 'guessed', value: 1 };
    expect(show(TicketPanel, { pour, plan: planOf(pour) }).findAll('abbr').length).toBeGreaterThan(3);
  });

  it('shows what was done once poured', () => {
    const pour = pourNumber(22);
    const ticket = show(TicketPanel, { pour, plan: planOf(pour) });
    expect(flat(ticket.text())).toMatch(/Sellable\s*1 of 4/);
    expect(ticket.text()).toContain('felt cold');
  });
});

describe('the sprue stepper', () => {
  it('says of every stage whether it is done, in work or ahead, and opens it', async () => {
    const stepper = show(SprueStepper, { plan: planOf(pourNumber(30)), shown: 'print' });
    const items = stepper.findAll('li');
    expect(items.map((li) => li.find('.visually-hidden').text())).toEqual([
      ...Array.from({ length: 5 }, () => 'done'),
      'in work',
      ...Array.from({ length: 6 }, () => 'ahead'),
    ]);
    expect(items[5]!.find('button').attributes('aria-current')).toBe('step');
    await items[8]!.find('button').trigger('click');
    expect(lastEmitted(stepper, 'goTo')).toBe('invest');
  });
});

describe('timed steps', () => {
  const steps = (): TimedStep[] => cleanSteps(planOf(pourNumber(30)));

  it('come from the resin’s protocol, and the next is the first that is neither done nor left out', () => {
    const all = steps();
    expect(all[0]).toMatchObject({
      name: 'Let it drip',
      seconds: 300,
      bounds: '5 to 10 min',
      caution: 'resin',
    });
    expect(all.find((s) => s.key === 'look')).toMatchObject({ seconds: null, bounds: 'until done' });
    const record = (r: StepRecord, step: TimedStep): TimedStep => ({ ...step, record: r });
    expect(nextStep(all)?.key).toBe('drip');
    expect(
      nextStep([record({ skipped: true }, all[0]!), record({ doneAt: 'x' }, all[1]!), all[2]!])?.key,
    ).toBe('bath2');
    expect(nextStep(all.map((s) => record({ skipped: true }, s)))).toBeUndefined();
  });

  it('tell short from long, and nothing of steps without a beginning', () => {
    const drip = steps()[0]!;
    const took = (minutes: number): string =>
      timeWords({
        ...drip,
        record: {
          startedAt: NOW.toISOString(),
          doneAt: new Date(NOW.getTime() + minutes * 60_000).toISOString(),
        },
      });
    expect([took(2), took(7), took(15)]).toEqual([
      'shorter than it should be',
      '',
      'longer than it should be',
    ]);
    expect(timeWords({ ...drip, record: { doneAt: NOW.toISOString() } })).toBe('');
  });

  it('of investing share out the working time', () => {
    const all = investingSteps(planOf(pourNumber(30)));
    expect(all.map((s) => s.bounds)).toEqual([
      'by 3:00',
      'by 4:30',
      'by 5:30',
      'by 7:00',
      'by 8:00',
      'by 9:30',
    ]);
    expect(all.reduce((sum, s) => sum + (s.seconds ?? 0), 0)).toBe(570);
  });

  it('are begun, done, left out and taken up again', async () => {
    const table = show(StepTable, { steps: steps() });
    const press = async (name: string): Promise<unknown[] | undefined> => {
      await table.find(`[aria-label="${name}"]`).trigger('click');
      return table.emitted('record')?.at(-1);
    };
    expect(await press('Begin Let it drip')).toEqual(['drip', { startedAt: expect.any(String) }]);
    expect(await press('Look at the skin done')).toEqual([
      'look',
      { doneAt: expect.any(String), saw: 'fine' },
    ]);
    expect(await press('Leave out Cure')).toEqual(['cure', { skipped: true }]);
    await table.setProps({
      steps: steps().map((s) => (s.key === 'cure' ? { ...s, record: { skipped: true } } : s)),
    });
    expect(table.text()).toContain('left out');
    expect(await press('Cure: not done')).toEqual(['cure', undefined]);
  });
});

describe('a programme’s segments', () => {
  const segments: Segment[] = [
    {
      name: 'Steam',
      rampCPerH: 130,
      targetC: 150,
      holdH: 2,
      flaskWay: 'button down',
      hands: [{ afterH: 2, what: 'Turn' }],
      note: '',
    },
    { name: 'Soak', rampCPerH: null, targetC: null, holdH: 1, flaskWay: 'button up', hands: [], note: '' },
  ];
  const placed = () => programmeCurve(segments, 500, { maxRampCPerH: 400, coolTauH: 4 }).segments;
  const table = (): VueWrapper => show(SegmentTable, { placed: placed() });
  const changed = (wrapper: VueWrapper): Segment[] => lastEmitted(wrapper, 'change') as Segment[];
  async function type(wrapper: VueWrapper, segment: number, label: string, text: string): Promise<void> {
    const field = wrapper
      .findAll('li')
      [segment]!.findAll('.v-input')
      .find((i) => i.text().startsWith(label))!;
    await field.find('input').setValue(text);
  }

  it('change one at a time; an empty climb or target is the kiln’s own and the casting temperature', async () => {
    const wrapper = table();
    await type(wrapper, 0, 'Hold', '3:30');
    expect(changed(wrapper).map((s) => s.holdH)).toEqual([3.5, 1]);
    await type(wrapper, 0, 'Target', '');
    expect(changed(wrapper)[0]?.targetC).toBeNull();
    await type(wrapper, 1, 'Climb', '90');
    expect(changed(wrapper)[1]?.rampCPerH).toBe(90);
  });

  it('take hands in and out', async () => {
    const wrapper = table();
    await type(wrapper, 1, 'Hands after', '1');
    expect(changed(wrapper)[1]?.hands).toEqual([{ afterH: 1, what: 'Turn the flask, button up' }]);
    await type(wrapper, 0, 'Hands after', '');
    expect(changed(wrapper)[0]?.hands).toEqual([]);
    await type(wrapper, 0, 'What hands do', 'Turn and look');
    expect(changed(wrapper)[0]?.hands).toEqual([{ afterH: 2, what: 'Turn and look' }]);
  });

  it('are added after one and taken out, but never the last', async () => {
    const wrapper = table();
    await wrapper.find('[aria-label="Add a step after Steam"]').trigger('click');
    expect(changed(wrapper).map((s) => s.name)).toEqual(['Steam', 'New step', 'Soak']);
    await wrapper.find('[aria-label="Take Soak out"]').trigger('click');
    expect(changed(wrapper).map((s) => s.name)).toEqual(['Steam']);
    await wrapper.setProps({ placed: placed().slice(0, 1) });
    expect(wrapper.find('[aria-label="Take Steam out"]').exists()).toBe(false);
  });
});

it('the tree’s drawing says in words what it shows', () => {
  const plan = planOf(pourNumber(29));
  const { tree: planned, context } = plan.flasks[0]!;
  const tree = planned.status === 'known' ? planned.value : undefined;
  const drawing = show(TreeDrawing, { flask: context.flask, ...tree!.cylinders! });
  expect(drawing.attributes('aria-label')).toContain('in a flask 76 across and 102 high');
  expect(drawing.text()).toMatch(/mm above/);
});

it('keys belong to whoever types', () => {
  document.body.innerHTML =
    '<input id="a"><p id="b">x</p><div role="listbox"><i id="c"></i></div><textarea id="d"></textarea>';
  const at = (name: string): boolean => isTyping(document.getElementById(name));
  expect([at('a'), at('b'), at('c'), at('d'), isTyping(null)]).toEqual([true, false, true, true, false]);
});
