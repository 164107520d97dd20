import { describe, expect, it } from 'vitest';
import { emptyPourDoc, FACT_NAMES, recordQuerySchema, tellFacts, type PourDoc } from '../index';

const of = (change: (doc: PourDoc) => void) => {
  const doc = emptyPourDoc();
  change(doc);
  return tellFacts(doc);
};
const ID = '0f0c2d1e-8c1b-4b7d-9f51-0c7a3a1d9b01';
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

  it('tells how old the vat was, what took longer and weighed more than was reckoned, and nothing of half a pair', () => {
    const hours = (h: number): string => new Date(Date.UTC(2026, 10, 2) + h * 3_600_000).toISOString();
    const plate = {
      printerId: ID,
      profileId: ID,
      layers: 100,
      exposureS: 300,
      hours: 4,
      partsMl: 3,
      raftMl: 1,
    };
    const facts = of((doc) => {
      doc.print = { ...doc.print, plate: { ...plate, vatFilledAt: hours(-36) }, startedAt: hours(0), finishedAt: hours(5) };
      doc.flasks[0]!.pour = { chargePlannedG: 40, chargeRead: measured(44) };
      doc.result.castings = { 'l1/1': { outcome: 'scrap', photos: [], flaws: [{ kind: 'ash pitting', place: '' }, { kind: 'ash pitting', place: 'rim' }], finishing: [{ key: 's1', kind: 'saw off', minutes: 6 }] }, 'l1/2': { outcome: 'sellable', photos: [], flaws: [] } };
    }); // prettier-ignore
    expect(facts.vatDays).toBe(1.5);
    expect(facts.printOffPercent).toBe(25);
    expect(facts.chargeOffPercent).toBeCloseTo(10, 9);
    expect(facts.finishingMin).toBe(6);
    expect(facts.shares).toEqual({ 'ash pitting': 50 });
    const half = of((doc) => {
      doc.print = { ...doc.print, plate: { ...plate, vatFilledAt: hours(2) }, startedAt: hours(0) };
      doc.flasks[0]!.pour = { chargeRead: measured(44) };
    });
    // A vat that was filled after the print began was not this print's.
    expect(half).not.toHaveProperty('vatDays');
    expect(half).not.toHaveProperty('printOffPercent');
    expect(half).not.toHaveProperty('chargeOffPercent');
    expect(half.shares).toEqual({});
  });

  it('is asked by an address whose numbers and ways are read as such', () => {
    expect(recordQuerySchema.parse({ fact: 'flaskC', from: '400', down: 'false' })).toMatchObject({ from: 400, to: null, down: false, limit: 50 }); // prettier-ignore
    expect(recordQuerySchema.safeParse({ sort: 'doc' }).success).toBe(false);
  });
});
