import { pieceKey, type Casting, type PourDoc } from '@zero-pour/contracts';
import { betterChance, type FlawKind } from '@zero-pour/core';
import { describe, expect, it } from 'vitest';
import {
  comparePours,
  explainCast,
  judgeChange,
  rankMadeWith,
  planPour,
  setsByItself,
  tryChange,
  valueOf,
} from '../index';
import { flaskOf, fullDoc, id, LINE, planShop } from '../testing/planShop';

const ZERO = new Date(2026, 10, 26, 9, 15);
const planOf = (change: (doc: PourDoc) => void = () => {}, shop = planShop()) =>
  planPour({ id: id(77), doc: fullDoc(ZERO, change) }, shop);
const measured = (value: number) => ({ state: 'measured' as const, value });
const casting = (outcome: Casting['outcome'], ...kinds: FlawKind[]): Casting => ({ ...(outcome ? { outcome } : {}), flaws: kinds.map((kind) => ({ kind, place: '' })), photos: [] }); // prettier-ignore
const result = (doc: PourDoc, ...castings: Casting[]) =>
  castings.forEach((one, n) => (doc.result.castings[pieceKey(LINE, n + 1)] = one));

describe('two pours side by side', () => {
  it('differ in nothing from themselves', () => {
    expect(comparePours(planOf(), planOf())).toEqual([]);
  });

  it('differ in what was typed, in what follows from it, and in nothing else, in the order of the work', () => {
    const other = planOf((doc) => {
      doc.invest.ratio = 0.42;
      flaskOf(doc).pour.flaskRead = measured(600);
      doc.print.spares = 1;
    });
    const found = comparePours(planOf(), other);
    const stages = found.map(({ stage }) => stage);
    expect([...new Set(stages)]).toEqual(['print', 'invest', 'pour']);
    const of = (label: string) => found.find((one) => one.label === label);
    expect(of('Water ÷ powder')).toMatchObject({ a: undefined, b: { kind: 'number', value: 0.42 } });
    expect(of('Flask, as read')).toMatchObject({ a: undefined, b: { value: 600, unit: 'degC' } });
    expect(of('Powder')!.a).not.toEqual(of('Powder')!.b);
  });

  it('tell another powder by its name and by each of its numbers', () => {
    const shop = planShop();
    const [powder] = shop.lists.powder;
    const thick = { ...powder!, name: 'Thick powder', ceilingC: powder!.ceilingC - 20 };
    const found = comparePours(planOf(), planOf(() => {}, { ...shop, lists: { ...shop.lists, powder: [thick] } })); // prettier-ignore
    expect(found.map(({ label }) => label)).toEqual(expect.arrayContaining(['Powder']));
    expect(found.find(({ key }) => key === 'powder/ceilingC')!.b).toMatchObject({ value: thick.ceilingC, unit: 'degC' }); // prettier-ignore
    expect(found.every(({ stage }) => stage === 'invest')).toBe(true);
  });

  it('tell what came out by counts, and name the piece that a weight is of', () => {
    const weighed = planOf((doc) => result(doc, { ...casting('sellable', 'nodule'), weightG: measured(3.2) }, casting('scrap'))); // prettier-ignore
    const found = comparePours(planOf(), weighed);
    const of = (label: string) => found.find((one) => one.label === label)?.b;
    expect(of('Sellable')).toMatchObject({ words: '1 of 2' });
    expect(of('With nodule')).toMatchObject({ words: '1 of 2' });
    expect(of('Block 1: Weight as cast')).toMatchObject({ value: 3.2 });
  });

  it('are the same the other way round', () => {
    const other = planOf((doc) => void (doc.brief.castClass = 'heavy'));
    const [there, back] = [comparePours(planOf(), other), comparePours(other, planOf())];
    expect(back.map(({ key, a, b }) => [key, b, a]).sort()).toEqual(there.map(({ key, a, b }) => [key, a, b]).sort()); // prettier-ignore
  });
});

describe('one change', () => {
  const cool = (doc: PourDoc) => {
    result(doc, casting('scrap', 'misrun'), casting('sellable'));
    flaskOf(doc).pour.flaskRead = measured(380);
    flaskOf(doc).pour.metalRead = measured(975);
  };
  const next = () => {
    const plan = planOf(cool);
    return tryChange({ id: id(77), number: 12 }, plan, explainCast(plan, {})[0]!)!;
  };

  it('becomes the next pour: stated, set where it is a number of the plan, with what it is to help against', () => {
    const doc = next();
    expect(doc.brief).toMatchObject({
      againOf: 12,
      statedChange: 'The flask 30 °C hotter',
      trying: { flaw: 'misrun', change: 'flask hotter', fromPourId: id(77), had: 1, of: 2 },
    });
    expect(setsByItself('flask hotter')).toBe(true);
    expect(setsByItself('gasket')).toBe(false);
    // It was 130 °C cooler than planned: what was planned is the change.
    expect(doc.flasks[0]!.pour.flaskTempC).toBe(valueOf(planOf().flasks[0]!.temperatures)!.flaskC);
    expect(doc.result.castings).toEqual({});
    expect(planOf(cool).context.doc.flasks[0]!.pour.flaskTempC).toBeUndefined();
  });

  it('is 30 °C over what was read, where that was as planned', () => {
    const plan = planOf((doc) => {
      result(doc, casting('scrap', 'cold shut'));
      flaskOf(doc).pour.flaskRead = measured(520);
      doc.result.why = { 'cold shut': { confirmed: 'flask cool', ruledOut: ['metal cool', 'margin', 'two goes'] } }; // prettier-ignore
    });
    const doc = tryChange({ id: id(77), number: 12 }, plan, explainCast(plan, {})[0]!)!;
    expect(doc.brief.trying!.change).toBe('flask hotter');
    expect(doc.flasks[0]!.pour.flaskTempC).toBe(550);
  });

  it('is judged when its castings are looked at, and not before', () => {
    const doc = next();
    expect(judgeChange(doc)).toMatchObject({ better: undefined, before: { good: 1, n: 2 } });
    result(doc, casting(undefined, 'misrun'));
    expect(judgeChange(doc)!.better).toBeUndefined();
    result(doc, casting('sellable'), casting('sellable'));
    const judged = judgeChange(doc)!;
    expect(judged.better).toBeCloseTo(betterChance({ good: 1, n: 2 }, { good: 2, n: 2 }), 12);
    expect(judged.after).toEqual({ good: 2, n: 2 });
    // It did not come again: that speaks for the cause that the change mends.
    expect(judged.between[0]).toMatchObject({ name: 'flask too cool' });
    expect(judged.between[0]!.chance).toBeGreaterThan(0.5);
    result(doc, casting('scrap', 'misrun'), casting('scrap', 'misrun'));
    expect(judgeChange(doc)!.better).toBeLessThan(0.5);
    expect(judgeChange(doc)!.between[0]!.chance).toBeLessThan(0.5);
    expect(judgeChange(fullDoc(ZERO))).toBeUndefined();
  });

  it('travels with no copy of a copy', () => {
    const plan = planPour({ id: id(78), doc: next() }, planShop());
    expect(plan.context.doc.brief.trying).toBeDefined();
    const [none] = [tryChange({ id: id(78), number: 13 }, plan, { ...explainCast(planOf(cool), {})[0]!, change: undefined })]; // prettier-ignore
    expect(none).toBeUndefined();
  });
});

describe('what came out best', () => {
  const made = (looked: number, sellable: number, n: number, alloyId = id(40)) => ({ alloyId, castClass: 'standard', resinId: id(n), powderId: null, programmeId: null, recipeId: null, pours: 1, looked, sellable, lastPourId: id(90 + n), lastNumber: n }); // prettier-ignore

  it('ranks nineteen of twenty before one of one, and says how sure that is', () => {
    const [group, ...rest] = rankMadeWith([made(1, 1, 1), made(20, 14, 2), made(20, 19, 3)]);
    expect(rest).toEqual([]);
    expect(group!.rows.map((row) => row.made.lastNumber)).toEqual([3, 2, 1]);
    expect(group!.says).toContain('98 in 100 that the first is better than the second');
  });

  it('says that few counts do not tell, and of one way that it is the only one', () => {
    expect(rankMadeWith([made(3, 2, 1), made(3, 3, 2)])[0]!.says).toContain(
      'do not tell the first two apart',
    );
    expect(rankMadeWith([made(4, 3, 1)])[0]!.says).toBe('The only way on record: 3 of 4 sellable.');
    expect(rankMadeWith([made(0, 0, 1)])).toEqual([]);
    expect(rankMadeWith([made(4, 3, 1), made(4, 3, 2, id(41))])).toHaveLength(2);
  });
});
