import { describe, expect, it } from 'vitest';
import { emptyPourDoc, FACT_NAMES, recordQuerySchema, tellFacts, type PourDoc } from '../index';

const of = (change: (doc: PourDoc) => void) => {
  const doc = emptyPourDoc();
  change(doc);
  return tellFacts(doc);
};
const measured = (value: number) => ({ state: 'measured' as const, value });

describe('what the record finds a pour by', () => {
  it('has no number of what nobody measured: neither 0 nor a guess', () => {
    const none = of(() => {});
    for (const name of FACT_NAMES) expect(none[name], name).toBeUndefined();
    expect(of((doc) => void (doc.flasks[0]!.pour.flaskRead = { state: 'felt', felt: 'hot' })).flaskC).toBeUndefined(); // prettier-ignore
    expect(of((doc) => void (doc.flasks[0]!.pour.flaskRead = { state: 'guessed', value: 500 })).flaskC).toBe(500); // prettier-ignore
  });

  it('counts castings by what they became in the end', () => {
    const facts = of((doc) => {
      doc.result.castings = {
        'l1/1': { outcome: 'sellable', finished: 'scrap', flaws: [], photos: [] },
        'l1/2': { outcome: 'sellable', flaws: [], photos: [] },
        'l1/3': { flaws: [{ kind: 'misrun', zone: 'at a tip', place: 'thistle' }], photos: [] },
      };
    });
    expect(facts).toMatchObject({ looked: 2, sellable: 1, sharePercent: 50, flaws: ['misrun'], zones: ['at a tip'] }); // prettier-ignore
    expect(facts.words).toContain('thistle');
  });

  it('takes the mix as it was weighed before the mix as it was typed, and words from all that was told', () => {
    const facts = of((doc) => {
      Object.assign(doc.invest, { ratio: 0.4, weighedPowderG: 1000, weighedWaterG: 420 });
      doc.brief.statedChange = 'hotter flask';
      doc.result.why = { misrun: { confirmed: 'flask cool', ruledOut: [] } };
      Object.assign(doc.flasks[0]!.pour, { spilled: true, opened: { quench: 'nothing', minutes: 20 }, outMin: 3, chargeRead: measured(40) }); // prettier-ignore
    });
    expect(facts).toMatchObject({ ratio: 0.42, clearedMin: 20, outMin: 3, chargeG: 40 });
    for (const word of ['hotter flask', 'flask cool', 'spilled', 'did not burst'])
      expect(facts.words).toContain(word);
    expect(of((doc) => void (doc.invest.ratio = 0.4)).ratio).toBe(0.4);
  });

  it('is asked by an address whose numbers and ways are read as such', () => {
    expect(recordQuerySchema.parse({ fact: 'flaskC', from: '400', down: 'false' })).toMatchObject({ from: 400, to: null, down: false, limit: 50 }); // prettier-ignore
    expect(recordQuerySchema.safeParse({ sort: 'doc' }).success).toBe(false);
  });
});
