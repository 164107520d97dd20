import { describe, expect, it } from 'vitest';
import {
  emptyPourDoc,
  pourDiffers,
  recipeDiffers,
  recipeOf,
  tellFacts,
  withRecipe,
  type PourDoc,
  type UsedRecipe,
} from '../index';

const ID = '0f0c2d1e-8c1b-4b7d-9f51-0c7a3a1d9b01';
const OTHER = '1f0c2d1e-8c1b-4b7d-9f51-0c7a3a1d9b02';
function made(): PourDoc {
  const doc = emptyPourDoc();
  doc.resin = { resinId: ID, profileId: OTHER };
  doc.invest = { ...doc.invest, powderId: ID, ratio: 0.39, boric: { school: 'powder', percent: 2 } }; // prettier-ignore
  doc.burnout.programmeId = ID;
  doc.flasks[0]!.pour.flaskTempC = 500;
  return doc;
}
const recipe = (): UsedRecipe => ({
  id: OTHER,
  name: 'Fine silver work',
  version: 2,
  says: recipeOf(made()),
});

describe('a recipe', () => {
  it('is what a pour is made with, without what is left to the shop’s things', () => {
    expect(recipeOf(emptyPourDoc())).toEqual({ boric: { school: 'none', percent: 0 } });
    expect(recipeOf(made())).toMatchObject({ resinId: ID, ratio: 0.39, flaskTempC: 500 });
    expect(recipeOf(made())).not.toHaveProperty('metalTempC');
  });
  it('taken by a pour is used by it as it is, in every flask, until something is done otherwise', () => {
    const before = emptyPourDoc();
    before.flasks.push({ ...structuredClone(before.flasks[0]!), key: 'f2' });
    before.flasks[1]!.pour.metalTempC = 990;
    const doc = withRecipe(before, recipe());
    expect(pourDiffers(doc)).toEqual([]);
    expect(doc.flasks.map(({ pour }) => pour)).toEqual([{ flaskTempC: 500 }, { flaskTempC: 500 }]);
    expect(tellFacts(doc).recipeId).toBe(OTHER);
    doc.invest.ratio = 0.41;
    doc.flasks[0]!.pour.metalTempC = 980;
    expect(pourDiffers(doc)).toEqual(['ratio', 'metalTempC']);
    expect(tellFacts(doc).recipeId).toBeNull();
  });
  it('takes away what it leaves to the shop’s things', () => {
    const doc = made();
    const says = { boric: { school: 'none' as const, percent: 0 } };
    const after = withRecipe(doc, { ...recipe(), says });
    expect(recipeOf(after)).toEqual(says);
    // None is none, whatever percent stands in the field.
    after.invest.boric.percent = 3;
    expect(pourDiffers(after)).toEqual([]);
  });
  it('is compared in its cleaning only once both were begun', () => {
    const cleaned = { name: 'Two baths', version: 1 };
    const says = recipeOf(made());
    expect(recipeDiffers(says, { ...says, cleaned })).toEqual([]);
    expect(recipeDiffers({ ...says, cleaned }, { ...says, cleaned: { ...cleaned, version: 2 } })).toEqual(['cleaned']); // prettier-ignore
  });
  it('is nobody’s where none was taken', () => {
    expect(pourDiffers(made())).toBeUndefined();
    expect(tellFacts(made()).recipeId).toBeNull();
  });
});
