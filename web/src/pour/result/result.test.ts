// @vitest-environment happy-dom
import { flushPromises, type VueWrapper } from '@vue/test-utils';
import { describe, expect, it } from 'vitest';
import { nextTick } from 'vue';
import { useFakeShop } from '../../testing/fakeServer';
import { buttonOf, flatText, showInPour, typeInto } from '../../testing/showInPour';
import OpenFlask from '../atPour/OpenFlask.vue';
import PourSheet from '../atPour/PourSheet.vue';
import LookedOver from '../invest/LookedOver.vue';
import ResultStage from '../stages/ResultStage.vue';
import AllAlike from './AllAlike.vue';
import CastWhy from './CastWhy.vue';
import ChangeHelped from './ChangeHelped.vue';
import FinishingSteps from './FinishingSteps.vue';
import MarksOnModel from './MarksOnModel.vue';

const shop = useFakeShop();
const castings = (of: { doc(): { result: { castings: Record<string, unknown> } } }) =>
  Object.values(of.doc().result.castings) as { outcome?: string; flaws: { kind: string; placeMm?: number[]; patternId?: string }[] }[]; // prettier-ignore
const press = (page: VueWrapper, text: string) => buttonOf(page, text).trigger('click');

describe('the result', () => {
  it('is said of all at once, and the odd ones apart; a flaw of all is on each', async () => {
    const shown = showInPour(shop, 30, ResultStage);
    await press(shown.page, 'all');
    shown.page.findComponent(AllAlike).vm.$emit('flaw', 'misrun');
    await nextTick();
    expect(castings(shown).map(({ outcome, flaws }) => [outcome, flaws.map(({ kind }) => kind)])).toEqual(
      Array.from({ length: 4 }, () => ['sellable', ['misrun']]),
    );
    const last = shown.page.findAll('article').at(-1)!;
    await last.findAll('[role=radio]').find((one) => one.text() === 'scrap')!.trigger('click'); // prettier-ignore
    expect(castings(shown).map(({ outcome }) => outcome)).toEqual(['sellable', 'sellable', 'sellable', 'scrap']); // prettier-ignore
  });

  it('takes a flaw’s place from a press on the model, once one is asked for', async () => {
    const shown = showInPour(shop, 30, ResultStage);
    shown.page.findComponent(AllAlike).vm.$emit('flaw', 'nodule');
    await nextTick();
    const model = () => shown.page.findComponent(MarksOnModel);
    model().vm.$emit('place', [1, 2, 3]);
    expect(castings(shown)[0]!.flaws[0]!.placeMm).toBeUndefined();
    await press(shown.page, 'show on the model');
    expect(flatText(shown.page)).toContain(
      'Press on the model where it is: nodule of Sea-holly trellis drop 1',
    );
    model().vm.$emit('place', [1.234, 2, 3]);
    await nextTick();
    const pattern = shop.file.patterns.find(({ name }) => name === 'Sea-holly trellis drop')!;
    expect(castings(shown)[0]!.flaws[0]).toMatchObject({ placeMm: [1.23, 2, 3], patternId: pattern.id });
    expect(flatText(shown.page)).toContain('shown on the model');
  });

  it('asks for the unit of a weight that is ten times what the volume says, and keeps it', async () => {
    const shown = showInPour(shop, 30, ResultStage);
    await typeInto(shown.page, 'Weight as cast', '19.6');
    await nextTick();
    expect(flatText(shown.page)).toContain('Which unit is that?');
    await typeInto(shown.page, 'Weight as cast', '1.96');
    await nextTick();
    expect(flatText(shown.page)).toContain('As heavy as its volume says.');
    await typeInto(shown.page, 'Weight as cast', '1.2');
    await nextTick();
    expect(flatText(shown.page)).toMatch(/Which unit is that\?|Lighter than its volume/);
  });
});

describe('why castings have flaws', () => {
  const withFlaw = async () => {
    const shown = showInPour(shop, 30, CastWhy);
    shown.handle.set(['result', 'castings', 'l1/1'], { outcome: 'scrap', flaws: [{ kind: 'misrun', place: '' }], photos: [] }); // prettier-ignore
    shown.handle.set(['result', 'castings', 'l1/2'], { outcome: 'sellable', flaws: [], photos: [] });
    shown.handle.setInFlask('pour', 'flaskRead', { state: 'measured', value: 380 });
    shown.handle.setInFlask('pour', 'metalRead', { state: 'measured', value: 1000 });
    await flushPromises();
    return shown;
  };

  it('is told with its numbers, what is not known and how to know it; said once by a press', async () => {
    const shown = await withFlaw();
    const text = flatText(shown.page);
    expect(text).toContain('Why: misrun, short');
    expect(text).toMatch(/\d+ in 100\s?flask too cool/i);
    expect(text).toContain('for: Flask read at 380 °C');
    expect(text).toContain('note at Pour how long it was out of the kiln');
    await press(shown.page, 'it was');
    expect(shown.doc().result.why!.misrun!.confirmed).toBe('flask cool');
    await press(shown.page, 'it was this');
    expect(shown.doc().result.why!.misrun!.confirmed).toBeUndefined();
  });

  it('takes in what other pours found', async () => {
    shop.server.lessons = { misrun: { counts: { leak: 40, margin: 1, 'flask cool': 1, gate: 1, 'metal cool': 1, other: 1 }, found: { leak: 39 } } }; // prettier-ignore
    const shown = await withFlaw();
    expect(flatText(shown.page)).toContain('found here 39 times before');
    expect(shown.page.find('li').text()).toContain('vacuum leaked');
  });

  it('makes the next pour of the change, and tells there whether it helped', async () => {
    const shown = await withFlaw();
    await press(shown.page, 'Try it in the next pour');
    await flushPromises();
    const { doc } = shop.server.last('/pours')!.body as unknown as { doc: ReturnType<typeof shown.doc> };
    expect(doc.brief).toMatchObject({ againOf: 30, statedChange: 'The flask 30 °C hotter', trying: { flaw: 'misrun', had: 1, of: 2 } }); // prettier-ignore
    expect(doc.flasks[0]!.pour.flaskTempC).toBeGreaterThan(500);
    const next = showInPour(shop, 31, ChangeHelped);
    expect(next.page.text()).toBe('');
    next.handle.set(['brief', 'trying'], doc.brief.trying);
    next.handle.set(['brief', 'againOf'], 30);
    await nextTick();
    expect(flatText(next.page)).toContain('Not known yet: no casting of this pour is judged.');
    for (const copy of [1, 2, 3])
      next.handle.set(['result', 'castings', `l1/${copy}`], { outcome: 'sellable', flaws: [], photos: [] });
    await nextTick();
    expect(flatText(next.page)).toContain('1 of 2 in pour 30, 3 of 3 in this.');
    expect(flatText(next.page)).toMatch(
      /\d+ in 100 that it comes less often now\. These counts do not tell yet\./,
    );
  });
});

describe('at the pour', () => {
  it('tells how it ran, once, whatever an older record said of a spill', async () => {
    const shown = showInPour(shop, 30, PourSheet);
    shown.handle.setInFlask('pour', 'spilled', true);
    await nextTick();
    const on = () => shown.page.find('[aria-label="How the metal ran"] [aria-checked=true]');
    expect(on().text()).toBe('spilled');
    await press(shown.page, 'evenly');
    expect(shown.doc().flasks[0]!.pour).toMatchObject({ ran: 'evenly' });
    expect(shown.doc().flasks[0]!.pour.spilled).toBeUndefined();
    expect(on().text()).toBe('evenly');
    await press(shown.page, 'none');
    expect(shown.doc().flasks[0]!.pour.flux).toBe('none');
  });

  it('tells of a button that froze late, against what is reckoned for it', async () => {
    const shown = showInPour(shop, 30, PourSheet);
    expect(flatText(shown.page)).toMatch(/is solid about \d+\.\d min after the pour, by the plan/);
    await typeInto(shown.page, 'Button solid after', '30');
    await nextTick();
    expect(flatText(shown.page)).toContain('It froze late.');
  });

  it('says beforehand what will clear it, what the record has of it, and takes what happened', async () => {
    const shown = showInPour(shop, 30, OpenFlask);
    await flushPromises();
    expect(flatText(shown.page)).toContain(
      'No flask of Sterling silver without a hardener is on record as opened.',
    );
    expect(flatText(shown.page)).toContain('Have ready: water and brush.');
    await press(shown.page, 'nothing');
    expect(shown.doc().flasks[0]!.pour.opened).toEqual({ quench: 'nothing' });
    expect(flatText(shown.page)).toContain('Kept as evidence');
    await press(shown.page, 'nothing');
    expect(shown.doc().flasks[0]!.pour.opened).toBeUndefined();
    shop.server.openings = [10, 20, 30].map((minutes) => ({ hardened: false, opened: { tool: 'jet' as const, minutes, quench: 'burst' as const } })); // prettier-ignore
    const again = showInPour(shop, 30, OpenFlask);
    await flushPromises();
    expect(flatText(again.page)).toContain('3 flasks of Sterling silver without a hardener: most were cleared by jet, 20 min is the middle, 3 of 3 burst in the water.'); // prettier-ignore
  });
});

describe('what was looked over before the mix', () => {
  it('is ticked and taken back; with nothing ticked nothing is known of it', async () => {
    const shown = showInPour(shop, 31, LookedOver);
    const [dusted] = shown.page.findAll('input[type=checkbox]');
    await dusted!.setValue(true);
    expect(Object.keys(shown.doc().invest.checks!)).toEqual(['patterns dusted off']);
    await dusted!.setValue(false);
    expect(shown.doc().invest.checks).toBeUndefined();
  });
});

describe('finishing', () => {
  it('counts minutes and what it lost, and says when that is not known', async () => {
    const page = shop.show(FinishingSteps, { steps: [], of: 'Band 1', beforeG: 5 });
    page.findComponent({ name: 'VSelect' }).vm.$emit('update:modelValue', 'file');
    const [[steps]] = page.emitted('change') as [[{ key: string; kind: string }[]]];
    expect(steps).toMatchObject([{ key: 's1', kind: 'file' }]);
    expect(flatText(shop.show(FinishingSteps, { steps, of: 'Band 1', beforeG: 5 }))).toContain(
      'what it lost is not known',
    );
    const done = [{ ...steps[0]!, minutes: 12, weightG: { state: 'measured', value: 4.6 } }];
    const next = shop.show(FinishingSteps, { steps: done, of: 'Band 1', beforeG: 5 });
    expect(flatText(next)).toContain('12 min in all');
    expect(flatText(next)).toContain('0.40 g lost by it');
  });
});
