import { emptyMold, type Mold, type PourDoc } from '@zero-pour/contracts';
import { describe, expect, it } from 'vitest';
import { judgeMoldOfPour, planPour, valueOf, type PourContext } from '../index';
import { fullDoc, planShop } from '../testing/planShop';

const ZERO = new Date(2026, 10, 26, 9, 15);
const ID = '00000000-0000-4000-8000-000000000001';
const POUR = '00000000-0000-4000-8000-0000000000bb';
const asRubber = (doc: PourDoc): void => {
  doc.brief.route = 'wax from a rubber mold';
  doc.brief.moldId = ID;
};
const contextOf = (molds: Mold[] | undefined, change: (doc: PourDoc) => void = asRubber) =>
  planPour({ id: POUR, doc: fullDoc(ZERO, change) }, { ...planShop(), molds }).context;
const [PART] = contextOf([]).parts;
const mold = (over: Partial<Mold> = {}): Mold => ({
  ...emptyMold(1),
  id: ID,
  state: 'good',
  patternId: PART!.pattern.id,
  ...over,
});
const shots = (waxes: number, good: number, pourId?: string): Mold['shots'] => [
  { key: 'a', at: '2026-11-01T08:00:00.000Z', waxes, good, flaws: [], ...(pourId ? { pourId } : {}) },
];
const said = (one: Mold, change?: (doc: PourDoc) => void): string[] =>
  judgeMoldOfPour(contextOf([one], change)).map(({ weight, lead }) => `${weight}: ${lead}`);

describe('the mold of a pour', () => {
  it('is not asked for where the print burns out; not chosen, not read and gone are three answers', () => {
    const leads = (context: PourContext) => judgeMoldOfPour(context).map(({ lead }) => lead);
    expect(leads(contextOf([mold()], (doc) => void (doc.brief.moldId = ID)))).toEqual([]);
    const unchosen = (doc: PourDoc) => void (doc.brief.route = 'wax from a rubber mold');
    expect(leads(contextOf([mold()], unchosen))).toEqual(['No mold chosen.']);
    expect(leads(contextOf(undefined))).toEqual(['Its mold is not read yet.']);
    expect(leads(contextOf([]))).toEqual(['Its mold is gone.']);
  });
  it('serves when it is good, of this pattern and kind, and says how many waxes it takes', () => {
    const wanted = PART!.count;
    expect(said(mold({ shots: shots(20, 20) }))).toEqual([`ok: Inject ${wanted} for ${wanted}.`]);
    const half = said(mold({ shots: shots(20, 10) }))[0]!;
    expect(Number(/Inject (\d+)/.exec(half)![1])).toBeGreaterThan(2 * wanted);
    expect(said(mold())).toEqual(['watch: No wax of it on record.']);
    expect(said(mold({ shots: shots(20, 0) }))).toEqual(['fix: No good wax yet.']);
  });
  it('counts the good waxes that were made for this pour, and no others', () => {
    expect(said(mold({ shots: shots(3, 2, POUR) }))).toEqual(['ok: Its waxes are here.']);
    expect(said(mold({ shots: shots(3, 1, POUR) }))[0]).toMatch(/^ok: Inject \d+ for 1\.$/);
    expect(said(mold({ shots: shots(3, 2, ID) }))[0]).toMatch(/for 2\.$/);
  });
  it('says nothing of the patterns that it does not give but that they have none', () => {
    const context = contextOf([mold({ shots: shots(20, 20) })]);
    const other = { ...PART!, key: 'l2', pattern: { ...PART!.pattern, id: 'another' } };
    const leads = judgeMoldOfPour({ ...context, parts: [PART!, other] }).map(({ lead }) => lead);
    expect(leads).toContain('One pattern has no mold here.');
  });
  it('is told in each point where it does not', () => {
    expect(said(mold({ kind: 'silicone' }))).toContain('fix: Another kind of mold.');
    expect(said(mold({ patternId: null }))).toContain('fix: A mold of another pattern.');
    expect(said(mold({ state: 'worn' }))).toContain('fix: The mold is worn.');
    expect(said(mold({ state: 'planned' }))).toContain('watch: The mold is not made yet.');
    expect(said(mold({ shots: shots(499, 499) }))).toContain('watch: It may be worn before that.');
    const after = mold({ state: 'planned', zeroAt: new Date(ZERO.getTime() + 1).toISOString() });
    expect(said(after)).toContain('fix: The mold comes after the pour.');
  });
  it('gives the weight of its waxes to the charge, until they are weighed themselves', () => {
    const massOf = (one: Mold, change: (doc: PourDoc) => void = asRubber) => {
      const plan = planPour({ id: POUR, doc: fullDoc(ZERO, change) }, { ...planShop(), molds: [one] });
      return valueOf(plan.flasks[0]!.tree)?.patternsOtherWay?.value;
    };
    const wax = { pieceG: 0.76 };
    // Two waxes of 0.76 g at 0.95 g/cm³.
    expect(massOf(mold({ wax }))).toBeCloseTo(1.6, 9);
    expect(massOf(mold())).toBeUndefined();
    expect(massOf(mold({ wax, patternId: null }))).toBeUndefined();
    const weighed = (doc: PourDoc) => {
      asRubber(doc);
      doc.flasks[0]!.sprue.weighedPatternsG = { state: 'measured', value: 1.9 };
    };
    expect(massOf(mold({ wax }), weighed)).toBeCloseTo(2, 9);
  });
});

describe('a pour of waxes', () => {
  const planOf = (molds: Mold[], change: (doc: PourDoc) => void = asRubber) =>
    planPour({ id: POUR, doc: fullDoc(ZERO, change) }, { ...planShop(), molds });
  it('costs no resin and no printer once its mold is there', () => {
    const names = (change: (doc: PourDoc) => void) =>
      planOf([mold()], change).cost.lines.map(({ name }) => name);
    expect(names(asRubber)).toContain('Resin');
    expect(
      names((doc) => {
        asRubber(doc);
        doc.left = ['print', 'clean'];
      }),
    ).not.toContain('Resin');
  });
  it('wants no resin grade of its powder: wax burns out', () => {
    const shop = planShop();
    const powder = shop.lists.powder.map((one) => ({ ...one, grade: 'standard' as const }));
    const rules = (change: (doc: PourDoc) => void) => {
      const plan = planPour({ doc: fullDoc(ZERO, change) }, { ...shop, lists: { ...shop.lists, powder } });
      return valueOf(plan.mix)!.judgements.map(({ rule }) => rule);
    };
    const of = (wax: string[], resin: string[]) => resin.filter((rule) => !wax.includes(rule));
    expect(
      of(
        rules(asRubber),
        rules(() => {}),
      ),
    ).toEqual(['grade']);
  });
});
