import { emptyPourDoc, withRecipe, type PourDoc, type Recipe } from '@zero-pour/contracts';
import { describe, expect, it } from 'vitest';
import { id, planShop } from '../testing/planShop';
import { goneOf, recipeFrom, recipesAtHand, recipeState } from './recipes';

const AT = '2026-11-20T10:00:00.000Z';
function made(): PourDoc {
  const doc = emptyPourDoc();
  doc.resin.resinId = id(1);
  doc.invest.powderId = id(2);
  doc.burnout.programmeId = id(3);
  return doc;
}
const kept = (n: number, doc: PourDoc, recipes: readonly Recipe[] = []): Recipe =>
  recipeFrom({ number: 20 + n, doc }, { id: id(100 + n), name: 'Fine work', at: AT }, recipes);
const using = ({ id: of, name, version, says }: Recipe): PourDoc =>
  withRecipe(emptyPourDoc(), { id: of, name, version, says });

describe('recipes', () => {
  it('are kept once resin, powder and programme are decided; of wax no resin is needed', () => {
    expect(recipeState(emptyPourDoc())).toEqual({
      status: 'none',
      lacks: ['resin', 'powder', 'programme'],
    });
    const wax = { ...made(), resin: {} };
    wax.brief.route = 'wax from a rubber mold';
    expect(recipeState(wax)).toEqual({ status: 'none', lacks: [] });
    expect(recipeState(made())).toEqual({ status: 'none', lacks: [] });
  });
  it('have versions: what is done otherwise is the next one, after the newest, with what it changed', () => {
    const first = kept(1, made());
    expect(first).toMatchObject({
      name: 'Fine work',
      version: 1,
      formerId: null,
      fromNumber: 21,
      change: '',
    });
    const doc = using(first);
    expect(recipeState(doc)).toEqual({ status: 'as it is' });
    doc.invest.ratio = 0.42;
    expect(recipeState(doc)).toEqual({ status: 'otherwise', parts: ['water ÷ powder'] });
    const second = kept(2, doc, [first]);
    expect(second).toMatchObject({ version: 2, formerId: first.id });
    expect(second.change).toContain('version 1: water ÷ powder');
    // From the first again, while there is a second: the third.
    const third = kept(3, { ...using(first), invest: { ...doc.invest, ratio: 0.36 } }, [first, second]);
    expect(third).toMatchObject({ version: 3, formerId: second.id });
    expect(recipesAtHand([first, second, third], { castClass: 'standard' })).toEqual([third]);
  });
  it('of the class and the metal come first, retired ones not at all', () => {
    const other = { ...kept(1, made()), id: id(9), name: 'A', castClass: 'heavy' as const };
    const own = { ...kept(2, made()), name: 'Z', alloyId: id(5) };
    const gone = { ...kept(3, made()), retired: true };
    expect(
      recipesAtHand([other, gone, own], { castClass: 'standard', alloyId: id(5) }).map(({ name }) => name),
    ).toEqual(['Z', 'A']);
  });
  it('say which of their things the shop has no more', () => {
    const { lists } = planShop();
    expect(goneOf({ boric: { school: 'none', percent: 0 } }, lists)).toEqual([]);
    expect(goneOf(kept(1, made()).says, { ...lists, resin: [], powder: [] })).toEqual(
      expect.arrayContaining(['resin', 'powder']),
    );
    expect(goneOf({ ...kept(1, made()).says, resinId: lists.resin[0]!.id }, lists)).not.toContain('resin');
  });
});
