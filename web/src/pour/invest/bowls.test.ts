// @vitest-environment happy-dom
import { describe, expect, it } from 'vitest';
import { nextTick } from 'vue';
import { useShop } from '../../state/shopStore';
import { powderStep } from '../../state/timedSteps';
import { useFakeShop } from '../../testing/fakeServer';
import { buttonOf, flatText, showInPour, typeInto } from '../../testing/showInPour';
import InvestStage from '../stages/InvestStage.vue';

const shop = useFakeShop();
const flat = (part: { text: () => string }): string => part.text().replace(/\s+/g, ' ');

/** Pour 31 with its two bands in two flasks. */
async function inTwoFlasks() {
  const shown = showInPour(shop, 31, InvestStage);
  const { handle } = shown;
  const [first] = handle.plan.value.flasks;
  const pieces = first!.context.pieces.map(({ key }) => key);
  const { decided } = first!.context;
  handle.set(['flasks', 'f2'], { ...decided, key: 'f2', pieces: [pieces[1]!], pour: {} } as never);
  await nextTick();
  return { ...shown, first: first! };
}

describe('the bowls of a pour', () => {
  it('of one flask are told by the least bowl, and nothing more', () => {
    const { page } = showInPour(shop, 31, InvestStage);
    expect(flatText(page)).toMatch(
      /\d ml of slurry; a bowl of at least \d+ ml, as it rises under the vacuum\./,
    );
    expect(flatText(page)).not.toContain('under the vacuumFlask 1');
    expect(page.findAll('[aria-label=Bowls]')).toHaveLength(0);
  });

  it('fill several flasks in turn, from one bowl', async () => {
    const { page } = await inTwoFlasks();
    const bowls = flat(page.get('[aria-label=Bowls]'));
    expect(bowls).toContain('One bowl, in this order');
    expect(bowls).toMatch(/Flask 1\s*4:30 to 5:30\s*5:30 to 7:00/);
    expect(bowls).toMatch(/Flask 2\s*5:30 to 6:30\s*7:00 to 8:30/);
  });

  it('are two where the person wants it; what was noted of the first stays with it when the second begins', async () => {
    const { page, doc, handle } = await inTwoFlasks();
    await typeInto(page, 'Bowls', '2');
    const [one, two] = [0, 1].map((n) => flat(page.findAll('.bowls > li')[n]!));
    expect(one).toContain('Bowl 1, at hand');
    expect(flatText(page)).toMatch(/Powder, bowl 1\s*\d+ g\s*\d+ g in all/);
    expect(flatText(page)).not.toContain('Flask filled and setting');
    expect(two).toContain('Bowl 2, to come');
    expect(flatText(page)).not.toContain('begin bowl 2');
    await typeInto(page, 'Powder, weighed', '610');
    const powderInAt = new Date(Date.now() - 10 * 60_000).toISOString();
    handle.set(['invest', 'powderInAt'], powderInAt);
    handle.set(['invest', 'steps', 'mix'], { doneAt: powderInAt });
    await nextTick();
    const big = powderStep(handle.plan.value)[0]!;
    expect(big.name).toBe('Bowl 1: powder into the water');
    await buttonOf(page, 'This bowl is poured: begin bowl 2').trigger('click');
    expect(doc().invest.earlierBowls).toEqual([
      { powderInAt, weighedPowderG: 610, steps: { mix: { doneAt: powderInAt } } },
    ]);
    expect(doc().invest).toMatchObject({ steps: {} });
    expect(doc().invest.powderInAt ?? doc().invest.weighedPowderG).toBeUndefined();
    expect(flatText(page)).toMatch(/Bowl 1, mixed, powder in at \d\d:\d\d/);
    expect(powderStep(handle.plan.value)[0]!.name).toBe('Bowl 2: powder into the water');
    expect(flatText(page)).not.toContain('begin bowl 3');
    expect(flatText(page)).toContain('Flask filled and setting');
  });
});

describe('a step that is late', () => {
  it('says what it risks, done late or still to be done; one in time or left out says nothing', async () => {
    const { page, handle } = showInPour(shop, 31, InvestStage);
    const began = Date.now() - 6 * 60_000;
    const at = (min: number): string => new Date(began + min * 60_000).toISOString();
    handle.set(['invest', 'powderInAt'], at(0));
    handle.set(['invest', 'steps', 'mix'], { doneAt: at(2.9) });
    handle.set(['invest', 'steps', 'bowl'], { doneAt: at(5.5) });
    await nextTick();
    const text = flatText(page);
    expect(text).not.toContain('Late: Thick slurry');
    expect(text).toContain('Late: Bubbles stay in the slurry.');
    expect(text).toContain('Late: Water lines on the casting.');
    expect(text).not.toContain('Late: Nodules');
    handle.set(['invest', 'steps', 'pour'], { skipped: true });
    await nextTick();
    expect(flatText(page)).not.toContain('Late: Water lines');
  });
});

describe('what the mix is for', () => {
  it('chooses the ratio of the powder’s maker, and the usual one again', async () => {
    const { page, doc, handle } = showInPour(shop, 31, InvestStage);
    const powder = handle.plan.value.context.powder!;
    await buttonOf(page, `thin, for filigree ${powder.ratioMost.toFixed(2)}`).trigger('click');
    expect(doc().invest.ratio).toBe(powder.ratioMost);
    await buttonOf(page, `usual ${powder.ratioUsual.toFixed(2)}`).trigger('click');
    expect(doc().invest.ratio).toBeUndefined();
  });
});

describe('boric acid', () => {
  it('is taken as the resin’s record asks by a press, and then no press is offered', async () => {
    const { page, doc, handle } = showInPour(shop, 31, InvestStage);
    expect(flatText(page)).not.toContain('As the resin asks');
    Object.assign(handle.plan.value.context.resin!, { boricSchool: 'water', boricPercent: 2.5 });
    handle.set(['invest', 'boric', 'percent'], 2);
    await nextTick();
    await buttonOf(page, 'As the resin asks').trigger('click');
    expect(doc().invest.boric).toEqual({ school: 'water', percent: 2.5 });
    expect(flatText(page)).toContain('Boric acid as the resin asks.');
    expect(page.findAll('button').some((b) => b.text() === 'As the resin asks')).toBe(false);
  });
});

describe('the bowl of the shop', () => {
  it('that is too small for one flask is told, and one nobody named is not', async () => {
    const { page } = showInPour(shop, 31, InvestStage);
    expect(flatText(page)).not.toContain('It runs over.');
    const settled = useShop();
    settled.settings = { ...settled.settings, investing: { bowlMl: 300 } };
    await nextTick();
    expect(flatText(page)).toContain('It runs over.');
  });
});
