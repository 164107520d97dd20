import { emptyMold, type Mold, type PourDoc } from '@zero-pour/contracts';
import { describe, expect, it } from 'vitest';
import { judgeMoldOfPour, planPour } from '../index';
import { fullDoc, planShop } from '../testing/planShop';

const shop = planShop();
const ZERO = new Date(2026, 10, 26, 9, 15);
const contextOf = (change: (doc: PourDoc) => void) => planPour({ doc: fullDoc(ZERO, change) }, shop).context;
const rubber = contextOf((doc) => void (doc.brief.route = 'wax from a rubber mold'));
const mold = (over: Partial<Mold> = {}): Mold => ({
  ...emptyMold(1),
  id: '00000000-0000-4000-8000-000000000001',
  state: 'good',
  patternId: rubber.parts[0]!.pattern.id,
  ...over,
});
const shots = (waxes: number, good: number): Mold['shots'] => [
  { key: 'a', at: '2026-11-01T08:00:00.000Z', waxes, good, flaws: [] },
];
const said = (one: Mold | undefined, context = rubber): string[] =>
  judgeMoldOfPour(context, one).map(({ weight, lead }) => `${weight}: ${lead}`);

describe('the mold of a pour', () => {
  it('is not asked for where the print burns out', () => {
    expect(
      said(
        undefined,
        contextOf(() => {}),
      ),
    ).toEqual([]);
    expect(said(undefined)).toEqual(['watch: No mold chosen.']);
  });
  it('serves when it is good, of this pattern and kind, and says how many waxes it takes', () => {
    const wanted = rubber.parts[0]!.count;
    expect(said(mold({ shots: shots(20, 20) }))).toEqual([`ok: Inject ${wanted} for ${wanted}.`]);
    const half = said(mold({ shots: shots(20, 10) }))[0]!;
    expect(Number(/Inject (\d+)/.exec(half)![1])).toBeGreaterThan(2 * wanted);
    expect(said(mold())).toEqual(['watch: No wax of it on record.']);
  });
  it('says nothing of the patterns that it does not give but that they have none', () => {
    const [part] = rubber.parts;
    const other = { ...part!, key: 'l2', pattern: { ...part!.pattern, id: 'another' } };
    const two = { ...rubber, parts: [part!, other] };
    expect(said(mold({ shots: shots(20, 20) }), two)).toContain('watch: One pattern has no mold here.');
  });
  it('is told in each point where it does not', () => {
    expect(said(mold({ kind: 'silicone' }))).toContain('fix: Another kind of mold.');
    expect(said(mold({ patternId: null }))).toContain('fix: A mold of another pattern.');
    expect(said(mold({ state: 'worn' }))).toContain('fix: The mold is worn.');
    expect(said(mold({ state: 'planned' }))).toContain('watch: The mold is not made yet.');
    expect(said(mold({ shots: shots(499, 499) }))).toContain('watch: It may be worn before that.');
  });
});
