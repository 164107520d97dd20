// @vitest-environment happy-dom
import { castPieces } from '@zero-pour/plan';
import { flushPromises } from '@vue/test-utils';
import { describe, expect, it, vi } from 'vitest';
import { nextTick, type Component } from 'vue';
import { useNotices } from '../../state/notices';
import { usePatterns } from '../../state/shopPatterns';
import { useShop } from '../../state/shopStore';
import { listed } from '../../testing/fakePatterns';
import { useFakeShop } from '../../testing/fakeServer';
import { buttonOf, fieldOf, flatText, showInPour, typeInto } from '../../testing/showInPour';
import BriefStage from './BriefStage.vue';
import BurnoutStage from './BurnoutStage.vue';
import CleanStage from './CleanStage.vue';
import InvestStage from './InvestStage.vue';
import PourStage from './PourStage.vue';
import PrintStage from './PrintStage.vue';
import ResinStage from './ResinStage.vue';
import ResultStage from './ResultStage.vue';
import SprueStage from './SprueStage.vue';

const shop = useFakeShop();
/** The planned band ring unless another is asked for. */
const show = (component: Component, number = 31) => showInPour(shop, number, component);
const values = (page: ReturnType<typeof show>['page'], label: string): string =>
  (fieldOf(page, label).element as HTMLInputElement).value;

describe('brief', () => {
  it('shows what is wanted and takes another count, but not none', async () => {
    const { page, doc } = show(BriefStage);
    expect(flatText(page)).toContain('Barnacle band');
    await typeInto(page, 'For whom', 'the harbour master');
    expect(doc().brief.lines[0]!.order).toBe('the harbour master');
    await typeInto(page, 'Castings wanted', '5');
    expect(doc().brief.lines[0]!.count).toBe(5);
    await typeInto(page, 'Castings wanted', '0');
    expect(flatText(page)).toContain('From 1 to 500');
    expect(doc().brief.lines[0]!.count).toBe(5);
  });

  it('takes a pattern out, and leaves the way to another', async () => {
    const { page, doc } = show(BriefStage);
    await buttonOf(page, 'Take out').trigger('click');
    expect(doc().brief.lines).toEqual([]);
    expect(flatText(page)).toContain('Drop an STL, OBJ, PLY or 3MF file here');
  });

  it('takes the same pattern on another line, told apart from the first', async () => {
    const { page, handle, doc } = show(BriefStage);
    const [first] = doc().brief.lines;
    handle.set(['brief', 'lines', 'l2'], { key: 'l2', patternId: first!.patternId, count: 2 });
    handle.set(['print', 'pieces', 'l1/1'], { outcome: 'lost', note: '' });
    await nextTick();
    await typeInto(page, 'Castings wanted', '9');
    // What was recorded of a piece stays with it, however many others there are.
    expect(doc().brief.lines.map(({ key, count }) => `${key} ${count}`)).toEqual(['l1 9', 'l2 2']);
    expect(Object.keys(doc().print.pieces)).toEqual(['l1/1']);
    expect(castPieces(handle.plan.value.context).map(({ name }) => name)).toContain('Barnacle band b 2');
    expect(castPieces(handle.plan.value.context).map(({ key }) => key)).not.toContain('l1/1');
  });

  it('adds a pattern that was here by name alone once it is here whole, and says what is not here', async () => {
    const patterns = usePatterns();
    const bead = patterns.whole.find(({ name }) => name === 'Whelk bead')!;
    const others = patterns.patterns.filter(({ id }) => id !== bead.id);
    patterns.patterns = [...others, listed(bead)];
    const { page, doc } = show(BriefStage);
    const answers = fetch;
    vi.stubGlobal('fetch', () => Promise.reject(new TypeError('no way there')));
    const pick = page.findComponent({ name: 'VSelect' });
    pick.vm.$emit('update:modelValue', bead.id);
    await flushPromises();
    // It cannot be planned with: it is not taken as if it could.
    expect(doc().brief.lines).toHaveLength(1);
    expect(useNotices().current?.weight).toBe('wrong');
    vi.stubGlobal('fetch', answers);
    pick.vm.$emit('update:modelValue', bead.id);
    await flushPromises();
    expect(doc().brief.lines.map(({ patternId }) => patternId)).toContain(bead.id);
    expect(flatText(page)).not.toContain('not here');
    patterns.patterns = others;
    await nextTick();
    expect(flatText(page)).toContain('One pattern of this pour is not here: every number is without it.');
  });

  it('asks by a mold route which mold its waxes come from', async () => {
    const { page, handle } = show(BriefStage);
    expect(flatText(page)).toContain('No mold to make');
    handle.set(['brief', 'route'], 'wax from a silicone mold');
    await nextTick();
    expect(flatText(page)).toContain('The print is a master or a mold');
    expect(flatText(page)).toContain('No mold chosen.');
  });
});

describe('resin', () => {
  it('stops a master resin from being burnt out, and lets it be a master', async () => {
    const { page, handle } = show(ResinStage);
    const master = shop.file.lists.resin.find((resin) => resin.name === 'Basalt Master')!;
    handle.set(['resin', 'resinId'], master.id);
    await nextTick();
    expect(flatText(page)).toContain('Not for burnout.');
    handle.set(['brief', 'route'], 'wax from a rubber mold');
    await nextTick();
    expect(flatText(page)).not.toContain('Not for burnout.');
  });
});

describe('print', () => {
  it('takes hours and millilitres as the printer says, over its own', async () => {
    const { page, doc } = show(PrintStage);
    await typeInto(page, 'Hours, as the printer says', '2:30');
    await typeInto(page, 'Resin, as the printer says', '12,5');
    expect([doc().print.hoursTyped, doc().print.resinMlTyped]).toEqual([2.5, 12.5]);
    expect(flatText(page)).toMatch(/Hours ?2 h 30/);
  });

  it('starts, finishes, and fixes what was printed', async () => {
    const { page, doc } = show(PrintStage);
    await buttonOf(page, 'Started now').trigger('click');
    expect(doc().scale.printedAs!.at).toBe(doc().print.startedAt);
    await buttonOf(page, 'Finished now').trigger('click');
    expect(Date.parse(doc().print.finishedAt!)).toBeGreaterThanOrEqual(Date.parse(doc().print.startedAt!));
    expect(page.findAll('button').some((b) => / now$/.test(b.text()))).toBe(false);
  });

  it('can be left when the prints are there already; whether they are clean is asked', async () => {
    const { page, doc } = show(PrintStage);
    await buttonOf(page, 'I already have the prints').trigger('click');
    expect(doc().left).toEqual(['print']);
    const { page: clean, doc: cleaned, handle } = show(CleanStage);
    handle.set(['left'], ['print']);
    await nextTick();
    expect(flatText(clean)).toContain('Are they washed and cured?');
    await buttonOf(clean, 'They came clean').trigger('click');
    expect(cleaned().clean.cameClean).toBeDefined();
    expect(flatText(clean)).toContain('nothing of it is on record here');
  });

  it('asks about hours that cannot be, or are odd, before it learns from them', async () => {
    const { page, doc, handle } = show(PrintStage);
    await buttonOf(page, 'Started now').trigger('click');
    const started = Date.parse(doc().print.startedAt!);
    handle.set(['print', 'finishedAt'], new Date(started).toISOString());
    await nextTick();
    expect(flatText(page)).toContain('It cannot have been so short.');
    expect(page.findAll('button').some((b) => b.text() === 'That is right')).toBe(false);
    handle.set(['print', 'finishedAt'], new Date(started + 200 * 3_600_000).toISOString());
    await nextTick();
    expect(flatText(page)).toContain('Is that how long it took?');
    await buttonOf(page, 'That is right').trigger('click');
    expect(flatText(page)).not.toContain('Is that how long it took?');
    expect(doc().print.hoursRight).toBe(true);
  });
});

describe('clean', () => {
  it('lists the resin’s protocol, and keeps what was left out as such', async () => {
    const { page, doc } = show(CleanStage);
    const { protocol } = shop.file.lists.resin.find((resin) => resin.name === 'Skerry Low-Ash')!;
    for (const step of protocol) expect(flatText(page)).toContain(step.name);
    const first = protocol[0]!;
    await page.find(`[aria-label^="Leave out ${first.name}"]`).trigger('click');
    expect(doc().clean.steps[first.key]).toMatchObject({ skipped: true });
    await page.find(`[aria-label="${protocol[1]!.name} done"]`).trigger('click');
    expect(doc().clean.steps[protocol[1]!.key]!.doneAt).toBeDefined();
  });

  it('sends to the resin first when none is chosen', async () => {
    const { page, handle } = show(CleanStage);
    handle.set(['resin', 'resinId'], undefined);
    await nextTick();
    expect(flatText(page)).toContain('Choose it');
  });
});

describe('sprue', () => {
  it('weighs the metal by volume, or by the patterns on the balance', async () => {
    const { page, doc } = show(SprueStage);
    expect(flatText(page)).toContain('Metal to weigh out');
    await buttonOf(page, 'By weight').trigger('click');
    expect(doc().flasks[0]!.sprue.weighBy).toBe('weight');
    await typeInto(page, 'Patterns on the balance', '1.9');
    expect(doc().flasks[0]!.sprue.weighedPatternsG).toEqual({ state: 'measured', value: 1.9 });
    await typeInto(page, 'New metal', '30');
    expect(doc().flasks[0]!.sprue.newPercent).toBe(30);
  });

  it('judges the clearance of the tree in its flask', () => {
    expect(flatText(show(SprueStage).page)).toMatch(/clearance|Clearance|wall|top/);
  });
});

describe('invest', () => {
  it('takes another ratio inside the powder’s range, and names the range outside it', async () => {
    const { page, doc } = show(InvestStage);
    const before = flatText(page);
    await typeInto(page, 'Water ÷ powder', '0.41');
    expect(doc().invest.ratio).toBe(0.41);
    expect(flatText(page)).not.toBe(before);
    await typeInto(page, 'Water ÷ powder', '4');
    expect(doc().invest.ratio).toBe(0.41);
    expect(values(page, 'Water ÷ powder')).toBe('4');
  });

  it('rewrites the plan for ordinary powder by one press, and then has nothing more to rewrite', async () => {
    const { page, doc, handle } = show(InvestStage);
    expect(flatText(page)).not.toContain('Rewrite the plan');
    const standard = useShop().lists.powder.find(({ grade }) => grade === 'standard')!;
    handle.set(['invest', 'powderId'], standard.id);
    await nextTick();
    expect(flatText(page)).toContain('Ordinary powder under resin.');
    await buttonOf(page, 'Rewrite the plan for ordinary powder').trigger('click');
    expect(doc().invest).toMatchObject({
      ratio: standard.ratioLeast,
      boric: { school: 'powder', percent: 1 },
    });
    expect(
      Math.max(
        ...doc()
          .burnout.segments!.slice(1, 3)
          .map(({ rampCPerH }) => rampCPerH ?? Infinity),
      ),
    ).toBeLessThanOrEqual(60);
    expect(flatText(page)).toContain('Ordinary powder, helped.');
    expect(flatText(page)).toContain('harms fertility');
    expect(flatText(page)).toMatch(/1(\.0)? % of the powder is 2\.\d % of the water\./);
    expect(flatText(page)).not.toContain('Rewrite the plan');
  });

  it('keeps what the balance said, and when the gloss went off', async () => {
    const { page, doc, handle } = show(InvestStage);
    await typeInto(page, 'Powder, weighed', '600');
    await typeInto(page, 'Water, weighed', '270');
    expect(doc().invest).toMatchObject({ weighedPowderG: 600, weighedWaterG: 270 });
    expect(flatText(page)).toContain('Thinner than planned.');
    expect(flatText(page)).not.toContain('Gloss is off');
    handle.set(['invest', 'powderInAt'], new Date(Date.now() - 25 * 60_000).toISOString());
    await nextTick();
    await buttonOf(page, 'Gloss is off: done').trigger('click');
    expect(doc().invest.glossOffAt).toBeDefined();
    expect(flatText(page)).toContain('It set late.');
  });

  it('takes the water as it was felt', async () => {
    const { page, doc } = show(InvestStage);
    await typeInto(page, 'Water temperature', '68 F');
    expect(doc().invest.waterTempC).toMatchObject({ state: 'measured' });
    expect((doc().invest.waterTempC as { value: number }).value).toBeCloseTo(20, 6);
  });
});

describe('burnout', () => {
  it('shows the programme on the clock, and goes back to it after an edit of its own', async () => {
    const { page, handle, doc } = show(BurnoutStage);
    const { programme } = handle.plan.value.context;
    const typed = page.findAll('input').map((input) => input.element.value);
    for (const { name } of programme!.segments) expect(typed).toContain(name);
    handle.set(['burnout', 'segments'], programme!.segments.slice(0, 2));
    await nextTick();
    await buttonOf(page, 'Back to the programme as it stands').trigger('click');
    expect(doc().burnout.segments).toBeUndefined();
  });
});

describe('pour', () => {
  it('is poured with one press, and then the print’s scale is fixed too', async () => {
    const { page, doc } = show(PourStage);
    expect(doc().scale.printedAs).toBeUndefined();
    await buttonOf(page, 'Poured now').trigger('click');
    // It was never in the kiln: that is asked, once.
    expect(doc().flasks[0]!.pour.pouredAt).toBeUndefined();
    expect(flatText(page)).toContain('This flask was never put in the kiln here.');
    await buttonOf(page, 'Not poured').trigger('click');
    expect(doc().flasks[0]!.pour.pouredAt).toBeUndefined();
    await buttonOf(page, 'Poured now').trigger('click');
    await buttonOf(page, 'Burnt out, nobody noted when: poured').trigger('click');
    expect(doc().left).toContain('burnout');
    expect(doc().flasks[0]!.pour.pouredAt).toBeDefined();
    expect(doc().scale.printedAs!.at).toBe(doc().flasks[0]!.pour.pouredAt);
  });

  it('takes Fahrenheit where it is written, and offers it where Celsius is far off', async () => {
    const { page, doc } = show(PourStage);
    await typeInto(page, 'Flask, as read', '950 F');
    expect((doc().flasks[0]!.pour.flaskRead as { value: number }).value).toBeCloseTo(510, 0);
    await typeInto(page, 'Metal, as read', '1700');
    expect(flatText(page)).toContain('If you mean Fahrenheit, write 1700 F.');
    expect(doc().flasks[0]!.pour.metalRead).toBeUndefined();
  });
});

describe('result', () => {
  it('takes a rough word for all castings, each changeable after', async () => {
    const { page, doc } = show(ResultStage);
    await buttonOf(page, 'most').trigger('click');
    const outcomes = Object.values(doc().result.castings).map((casting) => casting.outcome);
    expect(outcomes).toHaveLength(3);
    expect(outcomes.filter((outcome) => outcome === 'sellable').length).toBeGreaterThan(1);
    expect(outcomes).toContain('scrap');
  });

  it('shows the sizes of each casting, and waits for the pour before the record', async () => {
    const { page, doc } = show(ResultStage);
    expect(flatText(page)).toContain('Say when it was poured first.');
    await typeInto(page, 'Bore, finished', '17.3');
    expect(doc().result.castings['l1/1']!.sizes).toEqual({
      held: { finished: { state: 'measured', value: 17.3 } },
    });
    await typeInto(page, 'Bore, finished', 'US 7');
    expect((doc().result.castings['l1/1']!.sizes!['held']!.finished as { value: number }).value).toBeCloseTo(
      17.3196,
      6,
    );
  });
});
