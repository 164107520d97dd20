// @vitest-environment happy-dom
import { repeatPourDoc } from '@zero-pour/contracts';
import { flushPromises } from '@vue/test-utils';
import { describe, expect, it } from 'vitest';
import { useFakeShop } from '../../testing/fakeServer';
import { buttonOf, flatText, showInPour, typeInto } from '../../testing/showInPour';
import FinishPlanned from './FinishPlanned.vue';
import MarksOnModel from './MarksOnModel.vue';

const shop = useFakeShop();
const press = async (page: Parameters<typeof buttonOf>[0], name: string): Promise<void> => {
  await buttonOf(page, name).trigger('click');
  await flushPromises();
};

describe('what is planned of finishing', () => {
  it('a side without an allowance is said to end thinner; a recess is reckoned as cast', async () => {
    const { page, doc } = showInPour(shop, 30, FinishPlanned);
    await press(page, 'Add a side');
    expect(flatText(page)).toContain('No allowance.');
    await typeInto(page, 'Side or face', 'front');
    await typeInto(page, 'Allowance', '0.2');
    expect(flatText(page)).not.toContain('No allowance.');
    await typeInto(page, 'Recess after polishing', '0.5');
    expect(flatText(page)).toContain('0.70 mm deep as cast leaves 0.50 mm after polishing.');
    expect(doc().result.plan!.sides).toMatchObject([{ where: 'front', finish: 'full', allowanceMm: 0.2, recessMm: 0.5 }]); // prettier-ignore
    await page.find('[aria-label="Take side front away"]').trigger('click');
    expect(doc().result.plan!.sides).toEqual([]);
  });
  it('a cut is placed by a press on the model, on the file that it was shown on', async () => {
    const { page, doc } = showInPour(shop, 30, FinishPlanned);
    await press(page, 'Plan a cut of Sea-holly trellis drop');
    const model = () => page.findComponent(MarksOnModel);
    const shown = () => model().vm.$props as unknown as { asks: string; marks: object[] };
    expect(shown().asks).toBe('the cut');
    await typeInto(page, 'What is cut', 'through the pore');
    model().vm.$emit('place', [1.234, 2, 3]);
    await flushPromises();
    const [cut] = doc().result.plan!.cuts!;
    expect(cut).toMatchObject({ what: 'through the pore', placeMm: [1.23, 2, 3], lineKey: doc().brief.lines[0]!.key }); // prettier-ignore
    expect(cut!.patternId).toBe(doc().brief.lines[0]!.patternId);
    expect(shown().marks).toEqual([{ at: [1.23, 2, 3], word: 'through the pore' }]);
    // On another version of the file it keeps its place and is not drawn.
    expect(shown().asks).toBe('');
  });
  it('castings that are joined are tried dry first; what does not fit is stopped', async () => {
    const { page, handle, doc } = showInPour(shop, 30, FinishPlanned);
    await press(page, 'Join castings');
    expect(flatText(page)).toContain('Choose two castings at the least.');
    const [line] = doc().brief.lines;
    const joined = () => doc().result.plan!.joined!;
    handle.set(['result', 'plan'], { joined: [{ ...joined()[0]!, pieces: [`${line!.key}/1`, `${line!.key}/2`] }] }); // prettier-ignore
    await flushPromises();
    expect(flatText(page)).toContain('Try the fit dry before it is soldered.');
    await page.find('[aria-label="How they fit"]').findAll('button')[3]!.trigger('click');
    expect(joined()[0]!.fit).toBe('does not fit');
    expect(flatText(page)).toContain('It does not fit.');
    // The next pour has the plan, not how these went together.
    const next = repeatPourDoc(doc(), 30, '').result.plan!;
    expect(next.joined).toEqual([{ key: joined()[0]!.key, pieces: joined()[0]!.pieces, by: 'soldered' }]);
  });
});
