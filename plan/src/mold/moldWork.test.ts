import { emptyMold, usualResin, type Mold, type PourDoc } from '@zero-pour/contracts';
import { HOUR_MS, MINUTE_MS } from '@zero-pour/core';
import { describe, expect, it } from 'vitest';
import {
  boardConflicts,
  boardRows,
  earliestMold,
  judgeMoldTimes,
  moldConflicts,
  moldRows,
  nextHandsOn,
  planMoldTimes,
  planPour,
  stepsAhead,
  valueOf,
  waxesPerHour,
} from '../index';
import { fullDoc, planShop } from '../testing/planShop';

const ID = '00000000-0000-4000-8000-000000000001';
const NOTHING = { pattern: undefined, resin: undefined };
const shop = planShop();
/** A Thursday, 15:00 local; the bench of this shop is open every day. */
const ZERO = new Date(2026, 10, 26, 15, 0);
const at = (ms: number): string => new Date(ms).toISOString();
const mold = (over: Partial<Mold> = {}): Mold => ({
  ...emptyMold(3),
  id: ID,
  zeroAt: ZERO.toISOString(),
  ...over,
});
const timesOf = (one: Mold) => planMoldTimes(one, NOTHING, shop.settings)!;

describe('a mold job', () => {
  it('is counted back from the mold that is closed, each step by its own time', () => {
    const { blocks, zero, start, begins, untimed } = timesOf(mold());
    expect(zero).toBe(ZERO.getTime());
    expect(blocks.map(({ name }) => name)).toEqual(['Clean frame and master', 'Pack half, master, pack', 'Press', 'Cool', 'Cut', 'Clean and look']); // prettier-ignore
    // 5 + 15 + 60 + 30 + 25 + 5 minutes, within one day.
    expect(start).toBe(zero - 140 * MINUTE_MS);
    expect(blocks.every(({ from }, n) => n === 0 || blocks[n - 1]!.to <= from)).toBe(true);
    // Nobody waits while it cools.
    expect(begins.map(({ step }) => step.key)).toEqual(['clean', 'pack', 'press', 'cut', 'check']);
    expect(untimed).toEqual([]);
  });
  it('goes on after the last step that is over; what runs is not begun again', () => {
    const steps = { pack: { doneAt: at(ZERO.getTime() - 3 * HOUR_MS) }, press: { startedAt: at(ZERO.getTime() - 2 * HOUR_MS) } }; // prettier-ignore
    const one = mold({ state: 'being made', steps });
    expect(stepsAhead(one, NOTHING).map(({ key }) => key)).toEqual(['press', 'cool', 'cut', 'check']);
    const { blocks } = timesOf(one);
    expect(blocks.map(({ name, state }) => `${name} ${state}`)).toEqual([
      'Pack half, master, pack done',
      'Press running',
      'Cool planned',
      'Cut planned',
      'Clean and look planned',
    ]);
    expect(blocks[1]!.to - blocks[1]!.from).toBe(HOUR_MS);
  });
  it('is nowhere on the clock without a zero, once it is made, or worn', () => {
    const { zeroAt: _, ...unset } = mold();
    expect(planMoldTimes(unset, NOTHING, shop.settings)).toBeUndefined();
    for (const state of ['good', 'worn', 'retired'] as const)
      expect(planMoldTimes(mold({ state }), NOTHING, shop.settings)).toBeUndefined();
  });
  it('says of which step nobody knows the time, and counts it once somebody says so', () => {
    const poured = mold({ kind: 'silicone' });
    expect(timesOf(poured).untimed).toEqual(['Cure']);
    expect(judgeMoldTimes(timesOf(poured), 0, at).map(({ lead }) => lead)).toEqual(['Not counted.']);
    expect(earliestMold(poured, NOTHING, shop.settings, ZERO.getTime())).toBeUndefined();
    const cured = timesOf(mold({ kind: 'silicone', cureH: 12 }));
    expect(cured.untimed).toEqual([]);
    expect(cured.start).toBeLessThan(timesOf(poured).start - 11 * HOUR_MS);
    const printed = mold({ kind: 'flexible resin', printH: 5 });
    expect(timesOf(printed).untimed).toEqual(['Wash and cure']);
    const resin = { ...usualResin('flexible mold'), id: ID, name: 'Spritsail Flex' };
    expect(planMoldTimes(printed, { ...NOTHING, resin }, shop.settings)!.untimed).toEqual([]);
  });
  it('that should have begun, or is past its zero, is told', () => {
    const rules = (now: number, one = mold()) =>
      judgeMoldTimes(timesOf(one), now, at).map(({ lead }) => lead);
    expect(rules(timesOf(mold()).start - HOUR_MS)).toEqual([]);
    expect(rules(timesOf(mold()).start + HOUR_MS)).toEqual(['Should have begun.']);
    expect(rules(ZERO.getTime() + HOUR_MS)).toEqual(['Past its zero.']);
  });
  it('has an earliest zero that keeps bench hours', () => {
    const now = new Date(2026, 10, 26, 16, 30).getTime();
    const zero = earliestMold(mold(), NOTHING, shop.settings, now)!;
    expect(zero).toBeGreaterThanOrEqual(now + 140 * MINUTE_MS);
    expect(timesOf(mold({ zeroAt: at(zero) })).outside).toEqual([]);
    expect(timesOf(mold({ zeroAt: at(zero) })).start).toBeGreaterThanOrEqual(now);
  });
  it('stands on the board with its next step, and beside what the clock says', () => {
    const others = [
      mold({ id: 'a', zeroAt: at(ZERO.getTime() + HOUR_MS) }),
      mold({ id: 'b', state: 'good' }),
    ];
    const rows = moldRows({ ...shop, molds: [...others, mold()] });
    expect(rows.map(({ mold: { id } }) => id)).toEqual([ID, 'a']);
    const next = nextHandsOn([], rows);
    expect(next.map((entry) => entry.mold)).toEqual([{ id: ID, step: 'clean' }, { id: 'a', step: 'clean' }]); // prettier-ignore
    const late = moldConflicts(rows, ZERO.getTime(), at);
    expect(late.map(({ judgement }) => judgement.lead)).toEqual(['Mold 3. Should have begun.', 'Mold 3. Should have begun.']); // prettier-ignore
    expect(moldRows(shop)).toEqual([]);
  });
});

describe('a pour of waxes on the clock', () => {
  const POURED = new Date(2026, 10, 27, 9, 15);
  const wax = (doc: PourDoc): void => {
    doc.brief.route = 'wax from a rubber mold';
    doc.brief.moldId = ID;
  };
  const patternId = planPour({ doc: fullDoc(POURED, wax) }, shop).context.parts[0]!.pattern.id;
  const { zeroAt: _, ...unset } = mold({ patternId });
  const planOf = (molds: Mold[], change = wax) =>
    planPour({ id: 'p', doc: fullDoc(POURED, change) }, { ...shop, molds });
  const works = (molds: Mold[], change = wax) =>
    valueOf(planOf(molds, change).times)!.blocks.map(({ work, name }) => name ?? work);
  /** What comes after the pour, the same for all. */
  const after = ['quench', 'divest', 'cut off'];

  it('contains the making of a mold that has no zero of its own', () => {
    expect(works([unset])).toEqual(['warm the bottle', 'print', 'clean', 'Clean frame and master', 'Pack half, master, pack', 'Press', 'Cool', 'Cut', 'Clean and look', 'wax', 'sprue', 'invest', ...after]); // prettier-ignore
    const { moments } = planOf([unset]);
    expect(moments.filter(({ mold: of }) => of).map(({ mold: of }) => of!.step ?? 'waxes')).toEqual(['clean', 'pack', 'press', 'cut', 'check', 'waxes']); // prettier-ignore
  });
  it('begins at the waxes of a mold that is made, and at the tree once its waxes are here', () => {
    const good = { ...unset, state: 'good' as const };
    expect(works([good])).toEqual(['wax', 'sprue', 'invest', ...after]);
    const shots = [{ key: 's', at: at(0), waxes: 2, good: 2, flaws: [], pourId: 'p' }];
    expect(works([{ ...good, shots }])).toEqual(['sprue', 'invest', ...after]);
  });
  it('prints no master once the mold is begun, and none at all for a mold that is printed itself', () => {
    const begun = { ...unset, state: 'being made' as const, steps: { cool: { doneAt: at(POURED.getTime() - 40 * HOUR_MS) } } }; // prettier-ignore
    expect(works([begun]).slice(0, 4)).toEqual(['Cool', 'Cut', 'Clean and look', 'wax']);
    const printed = (doc: PourDoc): void => {
      wax(doc);
      doc.brief.route = 'wax from a printed mold';
    };
    const names = works([{ ...unset, kind: 'flexible resin', printH: 4 }], printed);
    expect(names.slice(0, 2)).toEqual(['Print both halves', 'Lay both on a flat plate']);
  });
  it('still prints its master where the mold is of another pattern, or worn', () => {
    const other = { ...unset, state: 'good' as const, patternId: null };
    expect(works([other]).slice(0, 3)).toEqual(['warm the bottle', 'print', 'clean']);
    expect(works([{ ...unset, state: 'worn' }]).slice(0, 4)).toEqual([
      'warm the bottle',
      'print',
      'clean',
      'wax',
    ]);
  });
  it('leaves a mold with its own zero to that, and says when it would come too late', () => {
    const own = mold({ patternId });
    expect(works([own])).toEqual(['warm the bottle', 'print', 'clean', 'wax', 'sprue', 'invest', ...after]);
    const conflicts = (zeroAt: number) => {
      const pour = { id: 'p', number: 7, doc: fullDoc(POURED, wax) } as never;
      const rows = boardRows([pour], { ...shop, molds: [{ ...own, zeroAt: at(zeroAt) }] });
      return boardConflicts(rows, 0, at).map(({ judgement }) => judgement.rule);
    };
    expect(conflicts(POURED.getTime() - 2 * HOUR_MS)).toContain('mold in time');
    expect(conflicts(POURED.getTime() - 90 * HOUR_MS)).not.toContain('mold in time');
  });
  it('that contains a step of unknown length says so on the board', () => {
    const silicone = (doc: PourDoc): void => {
      wax(doc);
      doc.brief.route = 'wax from a silicone mold';
    };
    const said = (molds: Mold[]) => {
      const rows = boardRows([{ id: 'p', number: 7, doc: fullDoc(POURED, silicone) } as never], { ...shop, molds }); // prettier-ignore
      return boardConflicts(rows, 0, at).map(({ judgement }) => judgement.rule);
    };
    expect(said([{ ...unset, kind: 'silicone' }])).toContain('mold untimed');
    expect(said([{ ...unset, kind: 'silicone', cureH: 6 }])).not.toContain('mold untimed');
  });
  it('injects at the mold’s own pace, in sittings', () => {
    expect(waxesPerHour(mold())).toBe(15);
    expect(waxesPerHour(mold({ wax: { perHour: 40 } }))).toBe(40);
    const many = (doc: PourDoc): void => {
      wax(doc);
      doc.brief.lines[0]!.count = 100;
    };
    const sittings = valueOf(planOf([{ ...unset, state: 'good' }], many).times)!.blocks.filter(
      ({ work }) => work === 'wax',
    );
    // 100 at 15 an hour: 6 h 40 min in four sittings.
    expect(sittings.map(({ from, to }) => Math.round((to - from) / MINUTE_MS))).toEqual([100, 100, 100, 100]);
  });
});
