// @vitest-environment happy-dom
import { flushPromises } from '@vue/test-utils';
import { METRIC } from '@zero-pour/core';
import { describe, expect, it } from 'vitest';
import { usePlanningShop } from '../state/planningStore';
import { useFakeShop } from '../testing/fakeServer';
import { flatText } from '../testing/showInPour';
import { factNamesApart, picturesOf } from './picturesOf';
import PicturesPage from './PicturesPage.vue';

const shop = useFakeShop();
const photo = (n: number) => ({ hash: n.toString(16).padStart(64, '0'), name: `${n}.jpg` });
const ANY = { flaw: null, zone: null };
/** Pour 22 with two pictures: one of a misrun at a tip, one of a whole casting without it. */
function pour22() {
  const pour = structuredClone(shop.file.pours.find(({ number }) => number === 22)!);
  const [line] = pour.doc.brief.lines;
  pour.doc.result.castings = {
    [`${line!.key}/1`]: { outcome: 'scrap', photos: [], flaws: [{ kind: 'misrun', zone: 'at a tip', place: '', photos: [photo(1)] }] }, // prettier-ignore
    [`${line!.key}/2`]: { outcome: 'sellable', photos: [photo(2)], flaws: [] },
  };
  return pour;
}
const of = (filter: Parameters<typeof picturesOf>[2]) =>
  picturesOf(pour22(), usePlanningShop().known, filter, METRIC);

describe('pictures of a pour', () => {
  it('are of castings and of flaws, each with what it was made with', () => {
    const found = of(ANY);
    expect(found.map(({ photo: { name }, flaw }) => [name, flaw])).toEqual([['1.jpg', 'misrun at a tip'], ['2.jpg', undefined]]); // prettier-ignore
    expect(found[0]!.title).toBe('Pour 22 · Sea-holly trellis drop 1');
    expect(found[0]!.facts).toContainEqual({ name: 'metal', says: 'Sterling silver' });
    // Its flask was felt, not read: no number stands under the picture.
    expect(found[0]!.facts.map(({ name }) => name)).not.toContain('flask');
  });
  it('of a flaw that is asked for are only those that show it', () => {
    expect(of({ flaw: 'misrun', zone: null })).toHaveLength(1);
    expect(of({ flaw: 'misrun', zone: 'on the rim' })).toEqual([]);
    expect(of({ flaw: 'nodule', zone: null })).toEqual([]);
  });
  it('tell apart what is not the same of all', () => {
    const [one, other] = of(ANY);
    expect(factNamesApart([one!, other!])).toEqual([]);
    const hotter = { ...other!, facts: [...other!.facts, { name: 'flask', says: '500 °C' }] };
    expect(factNamesApart([one!, hotter])).toEqual(['flask']);
  });
});

it('a record without pictures says so', async () => {
  const page = shop.show(PicturesPage);
  await new Promise((done) => setTimeout(done, 260));
  await flushPromises();
  expect(page.findAll('img')).toHaveLength(0);
  expect(flatText(page)).toContain('No picture was taken of castings of these pours.');
});
