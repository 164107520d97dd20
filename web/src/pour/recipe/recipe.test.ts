// @vitest-environment happy-dom
import { recipeOf, type Recipe } from '@zero-pour/contracts';
import { flushPromises } from '@vue/test-utils';
import { describe, expect, it } from 'vitest';
import { useNotices } from '../../state/notices';
import { useRecords } from '../../state/recordStore';
import { useFakeShop } from '../../testing/fakeServer';
import { buttonOf, flatText, showInPour, typeInto } from '../../testing/showInPour';
import RecipeOfPour from './RecipeOfPour.vue';

const shop = useFakeShop();
async function open(number: number) {
  const shown = await showInPour(shop, number, RecipeOfPour);
  await flushPromises();
  return shown;
}

describe('the recipe of a pour', () => {
  it('says what it lacks to be one, and offers nothing before', async () => {
    const { page, handle } = await open(31);
    handle.set(['invest', 'powderId'], undefined);
    await flushPromises();
    expect(flatText(page)).toContain('To be kept as a recipe it lacks: powder.');
    expect(page.findAll('button')).toHaveLength(0);
  });
  it('is kept under a name, counts from then on, and is the next version once something is otherwise', async () => {
    const { page, handle, doc } = await open(31);
    await typeInto(page, 'Keep what it is made with, as', 'Bands in gold');
    await buttonOf(page, 'Keep as a recipe').trigger('click');
    await flushPromises();
    expect(doc().brief.recipe).toMatchObject({ name: 'Bands in gold', version: 1 });
    expect(flatText(page)).toContain('As Bands in gold, version 1. What comes of it counts for the recipe.');
    handle.set(['invest', 'ratio'], 0.41);
    await flushPromises();
    expect(flatText(page)).toContain('Bands in gold, version 1, but otherwise in water ÷ powder.');
    expect(flatText(page)).toContain('It does not count for the recipe.');
    await buttonOf(page, 'Keep it as the next version').trigger('click');
    await flushPromises();
    expect(doc().brief.recipe!.version).toBe(2);
    const [first, second] = useRecords().lists.recipe.filter(({ name }) => name === 'Bands in gold');
    expect([first!.says.ratio, second!.says.ratio]).toEqual([undefined, 0.41]);
    expect(second!.formerId).toBe(first!.id);
  });
  it('says that there is a newer version, and what the shop has no more', async () => {
    const { page, handle } = await open(31);
    const { id, name, version, says } = shop.file.records.recipe[0]!;
    handle.set(['brief', 'recipe'], { id, name, version, says: { ...says, resinId: id } });
    await flushPromises();
    expect(flatText(page)).toContain('Heavy bronze in Clear-Out, version 1, but otherwise in');
    expect(flatText(page)).toContain('Version 2 came after it (other than in version 1: powder).');
    await flushPromises();
    expect(flatText(page)).toContain('The shop has no more of what it names: resin.');
  });
});

describe('a pour made by a recipe', () => {
  it('takes all of it in one step, which is taken back in one', async () => {
    const { page, handle, doc } = await open(31);
    const before = recipeOf(doc());
    const recipe: Recipe = useRecords().lists.recipe.find(
      ({ name }) => name === 'Heavy bronze in Clear-Out',
    )!;
    expect(page.findComponent({ name: 'VSelect' }).exists()).toBe(false);
    const brief = await showInPour(shop, 31, RecipeOfPour, () => ({ choose: true }));
    await flushPromises();
    brief.page.findComponent({ name: 'VSelect' }).vm.$emit('update:modelValue', recipe.id);
    await flushPromises();
    expect(recipeOf(brief.doc())).toMatchObject({ resinId: recipe.says.resinId, powderId: recipe.says.powderId }); // prettier-ignore
    expect(flatText(brief.page)).toContain('As Heavy bronze in Clear-Out');
    useNotices().current!.action!.run();
    await flushPromises();
    expect(recipeOf(brief.doc())).toEqual(before);
    expect(handle.pour.value.doc.brief.recipe).toBeUndefined();
  });
});
