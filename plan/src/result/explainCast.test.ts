import { pieceKey, type Casting, type Flaw, type PourDoc } from '@zero-pour/contracts';
import {
  CAST_FAULTS,
  CAST_SIGNS,
  formatPhrase,
  METRIC,
  startingCounts,
  type FlawKind,
} from '@zero-pour/core';
import { describe, expect, it } from 'vitest';
import {
  allPieces,
  castEvidenceOf,
  comesFrom,
  explainCast,
  learnCauses,
  planPour,
  type PourPlan,
} from '../index';
import { BLOCK_ID, flaskOf, fullDoc, id, LINE, planShop } from '../testing/planShop';

const ZERO = new Date(2026, 10, 26, 9, 15);
const at = (min: number): string => new Date(ZERO.getTime() + min * 60_000).toISOString();
const planOf = (change: (doc: PourDoc) => void = () => {}): PourPlan =>
  planPour({ id: id(77), doc: fullDoc(ZERO, change) }, planShop());
const stateOf = (plan: PourPlan, name: string): string | undefined => {
  const found = castEvidenceOf(plan)[name];
  return found && `${found.state}: ${formatPhrase(found.says, METRIC)}`;
};
const measured = (value: number) => ({ state: 'measured' as const, value });
const flaw = (kind: FlawKind, more: Partial<Flaw> = {}): Flaw => ({ kind, place: '', ...more });
const castingWith = (...flaws: Flaw[]): Casting => ({ outcome: 'scrap', flaws, photos: [] });
const result = (doc: PourDoc, ...castings: Casting[]) =>
  castings.forEach((casting, n) => (doc.result.castings[pieceKey(LINE, n + 1)] = casting));
const only = (plan: PourPlan) => {
  const [first, ...rest] = explainCast(plan, {});
  expect(rest).toEqual([]);
  return first!;
};

describe('what the record says of castings', () => {
  it('is nothing of a pour of which nothing was written down: a plan is no sign', () => {
    const found = castEvidenceOf(planOf());
    expect([...CAST_SIGNS].filter((name) => found[name] !== undefined)).toEqual([]);
  });

  it('goes by flask and metal as read, guessed or felt, against their ranges', () => {
    const read = planOf((doc) => {
      flaskOf(doc).pour.flaskRead = measured(600);
      flaskOf(doc).pour.metalRead = { state: 'guessed', value: 930 };
    });
    expect(stateOf(read, 'flask hot')).toBe('bad: Flask read at 600 °C; 480 °C to 540 °C is its range.');
    expect(stateOf(read, 'flask cool')).toMatch(/^good/);
    expect(stateOf(read, 'metal cool')).toMatch(/^bad: Metal guessed at 930 °C/);
    const felt = planOf((doc) => void (flaskOf(doc).pour.flaskRead = { state: 'felt', felt: 'hot' }));
    expect(stateOf(felt, 'flask hot')).toBe('bad: The flask felt hot.');
    const none = planOf((doc) => void (flaskOf(doc).pour.flaskRead = { state: 'not measured' }));
    expect(stateOf(none, 'flask hot')).toBeUndefined();
  });

  it('knows how it ran, whether the vacuum held, and what was done to the metal', () => {
    const plan = planOf((doc) => {
      Object.assign(flaskOf(doc).pour, { ran: 'in two goes', flux: 'none', vacuumKpa: measured(-75), vacuumLaterKpa: measured(-60) }); // prettier-ignore
    });
    expect(stateOf(plan, 'spilled')).toBe('bad: The metal ran: in two goes.');
    expect(stateOf(plan, 'poured hard')).toMatch(/^good/);
    expect(stateOf(plan, 'no flux')).toBe('bad: Molten without flux.');
    expect(stateOf(plan, 'vacuum low')).toBe('good: 75 kPa pulled; 60 kPa is the least that helps.');
    expect(stateOf(plan, 'vacuum not held')).toBe('bad: 75 kPa at best; 15 kPa lost in a minute after that.');
    const old = planOf((doc) => void (flaskOf(doc).pour.spilled = true));
    expect(stateOf(old, 'spilled')).toBe('bad: The metal ran: spilled.');
    expect(stateOf(planOf(), 'spilled')).toBeUndefined();
  });

  it('tells a flask that was hotter than thought by how late the button froze', () => {
    const after = (min: number) => planOf((doc) => void (flaskOf(doc).pour.solidAfterMin = measured(min)));
    expect(stateOf(after(200), 'froze late')).toMatch(/^bad: .*Flask or metal was much hotter/);
    expect(stateOf(after(0.1), 'froze late')).toMatch(/^good/);
    expect(stateOf(planOf(), 'froze late')).toBeUndefined();
  });

  it('judges the quench by the alloy’s wait, and its lateness by what orders as it cools', () => {
    const after = (min: number) => planOf((doc) => void (flaskOf(doc).pour.quenchAfterMin = measured(min)));
    expect(stateOf(after(2), 'quenched soon')).toMatch(/^bad: After 2 min/);
    expect(stateOf(after(10), 'quenched soon')).toMatch(/^good/);
    // Silver does not order: late is no cause of its cracks.
    expect(stateOf(after(90), 'quenched late')).toMatch(/^good: .*does not order/);
  });

  it('reads the vacuum steps off the clock of the mix, and what was looked over before it', () => {
    const mixed = (steps: PourDoc['invest']['steps'], checks: PourDoc['invest']['checks'] = {}) =>
      planOf((doc) => Object.assign(doc.invest, { powderInAt: at(0), steps, checks }));
    expect(stateOf(mixed({ flask: { doneAt: at(12) } }), 'vacuum steps late')).toMatch(/^bad: Vacuum the flask ended \d+ min late/); // prettier-ignore
    expect(stateOf(mixed({ flask: { doneAt: at(6) } }), 'vacuum steps late')).toMatch(/^good/);
    expect(stateOf(mixed({ bowl: { skipped: true } }), 'vacuum step left out')).toMatch(/^bad: .*left out/);
    expect(stateOf(mixed({}), 'vacuum steps late')).toBeUndefined();
    expect(stateOf(mixed({}), 'dusting not noted')).toBeUndefined();
    expect(stateOf(mixed({}, { 'rim even and clean': at(0) }), 'dusting not noted')).toMatch(/^bad: .*“patterns dusted off” was not ticked/); // prettier-ignore
  });

  it('takes the last look of the cleaning, not one that was washed away', () => {
    const plan = planOf((doc) => void (doc.clean.steps = { look: { saw: 'tacky', doneAt: at(-900) } }));
    const looked = castEvidenceOf(plan)['looked tacky or dark'];
    // The resin of this shop has a look in its protocol, or none: then nothing is known of it.
    if (looked) expect(looked.state).toBe('bad');
    else expect(plan.context.resin!.protocol.some(({ kind }) => kind === 'look')).toBe(false);
  });

  it('has lots’ melts only of a charge that was weighed out of lots', () => {
    const lot = { id: id(60), name: 'Buttons', alloyId: null, origin: 'button' as const, melts: 6, composition: {}, moves: [], note: '' }; // prettier-ignore
    const doc = fullDoc(ZERO, (made) => void (flaskOf(made).sprue.lots = [{ key: id(60), massG: 20 }]));
    const plan = planPour({ id: id(77), doc }, { ...planShop(), lots: [lot] });
    expect(stateOf(plan, 'metal reused much')).toBe('bad: The metal of it that was molten most often: 6 times; 5 is much.'); // prettier-ignore
    expect(stateOf(planOf(), 'metal reused much')).toBeUndefined();
  });
});

describe('why a casting has a flaw', () => {
  it('is nothing for castings without any', () => {
    expect(explainCast(planOf((doc) => result(doc, { outcome: 'sellable', flaws: [], photos: [] })), {})).toEqual([]);
  }); // prettier-ignore

  it('ranks causes with this pour’s own numbers and offers one change', () => {
    const of = only(planOf((doc) => {
      result(doc, castingWith(flaw('misrun', { zone: 'far from a gate' })), castingWith(flaw('misrun')));
      flaskOf(doc).pour.flaskRead = measured(380);
      flaskOf(doc).pour.metalRead = measured(975);
    })); // prettier-ignore
    expect(of.pieces.map(({ name }) => name)).toEqual(['Block 1', 'Block 2']);
    expect(of.ranked[0]!.key).toBe('flask cool');
    expect(formatPhrase(of.ranked[0]!.signs[0]!.says, METRIC)).toBe('Flask read at 380 °C; 480 °C to 540 °C is its range.'); // prettier-ignore
    expect(of.change!.change.key).toBe('flask hotter');
    expect(of.ranked.find(({ key }) => key === 'margin')!.missing).toContain('fill margin low');
  });

  it('leads back to the print where the print had it already', () => {
    const of = only(planOf((doc) => {
      doc.print.pieces[pieceKey(LINE, 1)] = { outcome: 'flawed', note: '', fault: 'hole closed' };
      result(doc, castingWith(flaw('metal in lettering')));
    })); // prettier-ignore
    const print = of.ranked.find(({ key }) => key === 'print')!;
    expect(print.chance).toBeGreaterThan(0.7);
    expect(formatPhrase(print.signs[0]!.says, METRIC)).toBe('Block 1: flawed as printed already.');
    expect(comesFrom(of)).toBe('print');
    // Usual is not found: of a pour of which nothing is known no stage is blamed.
    const none = only(planOf((doc) => result(doc, castingWith(flaw('debris cast in')))));
    expect(none.ranked[0]!.key).toBe('tacky');
    expect(comesFrom(none)).toBeUndefined();
  });

  it('counts the same place on all copies, by a point or by a zone; a place on another file counts for nothing', () => {
    const places = (a: Partial<Flaw>, b: Partial<Flaw>) => {
      const [of] = explainCast(planOf((doc) => result(doc, castingWith(flaw('rough rim', a)), castingWith(flaw('rough rim', b)))), {}); // prettier-ignore
      const print = of!.ranked.find(({ key }) => key === 'print')!;
      return print.missing.includes('same place on all') ? 'missing' : print.signs.map(({ z }) => (z > 0 ? 'for' : 'against')).join(); // prettier-ignore
    };
    const on = { patternId: BLOCK_ID };
    expect(places({ ...on, placeMm: [1, 1, 1] }, { ...on, placeMm: [1, 1, 1.2] })).toBe('for');
    expect(places({ ...on, placeMm: [0, 0, 0] }, { ...on, placeMm: [10, 10, 10] })).toBe('against');
    expect(places({ zone: 'on the rim' }, { zone: 'on the rim' })).toBe('for');
    expect(places({ zone: 'on the rim' }, { zone: 'at a tip' })).toBe('against');
    expect(places({}, {})).toBe('missing');
    const one = explainCast(planOf((doc) => result(doc, castingWith(flaw('rough rim', { zone: 'on the rim' })))), {}); // prettier-ignore
    expect(one[0]!.ranked.find(({ key }) => key === 'print')!.missing).toContain('same place on all');
  });

  it('follows what is confirmed and ruled out, here and in other pours, each pour once', () => {
    const plain = only(planOf((doc) => result(doc, castingWith(flaw('nodule')))));
    const sure = only(planOf((doc) => {
      result(doc, castingWith(flaw('nodule')));
      doc.result.why = { nodule: { confirmed: 'late mix', ruledOut: [] } };
    })); // prettier-ignore
    const chance = (of: typeof plain, key: string) => of.ranked.find((c) => c.key === key)!.chance;
    expect(chance(sure, 'late mix')).toBeGreaterThan(chance(plain, 'late mix'));
    const out = only(planOf((doc) => {
      result(doc, castingWith(flaw('nodule')));
      doc.result.why = { nodule: { ruledOut: ['vacuum', 'late mix'] } };
    })); // prettier-ignore
    expect([chance(out, 'vacuum'), chance(out, 'late mix')]).toEqual([0, 0]);
    const lessons = learnCauses([
      { flaw: 'nodule', said: { confirmed: 'cup down', ruledOut: [] }, times: 5 },
    ]);
    expect(lessons.nodule!.found).toEqual({ 'cup down': 5 });
    const [taught] = explainCast(
      planOf((doc) => result(doc, castingWith(flaw('nodule')))),
      lessons,
    );
    expect(taught!.ranked[0]!.key).toBe('cup down');
    expect(taught!.foundBefore).toEqual({ 'cup down': 5 });
    expect(learnCauses([])).toEqual({});
  });

  it('begin with what other shops found, which weighs no more than the book, and name none of it as found here', () => {
    const [fault] = CAST_FAULTS;
    const cause = fault!.causes[0]!.key;
    const told = [{ flaw: fault!.key as FlawKind, said: { confirmed: cause, ruledOut: [] }, times: 40 }];
    const table = {
      key: '0c9a6f8e-6f6c-4c0a-9a43-6f2f5f3f7a11',
      from: 'Tern House',
      at: '2026-11-01T08:00:00.000Z',
      told,
    };
    const sum = (counts: Record<string, number>): number => Object.values(counts).reduce((a, b) => a + b, 0);
    const book = startingCounts(fault!);
    const begun = learnCauses([], [table])[fault!.key as FlawKind]!;
    expect(begun.found).toEqual({});
    expect(sum(begun.counts)).toBeCloseTo(sum(book), 9);
    expect(begun.counts[cause]!).toBeGreaterThan(book[cause]!);
    // Twice as many of theirs change where it begins by little; ten of one's own by much.
    const twice = learnCauses([], [table, { ...table, key: 'other' }])[fault!.key as FlawKind]!;
    expect(sum(twice.counts)).toBeCloseTo(sum(book), 9);
    const other = fault!.causes[1]!.key;
    const own = learnCauses(
      [{ flaw: fault!.key as FlawKind, said: { confirmed: other, ruledOut: [] }, times: 10 }],
      [table],
    )[fault!.key as FlawKind]!;
    expect(own.counts[other]!).toBeGreaterThan(own.counts[cause]!);
    expect(own.found).toEqual({ [other]: 10 });
  });

  it('tells every kind of flaw of a pour of which nothing is known, without a number out of nothing', () => {
    const plan = planOf((doc) => result(doc, castingWith(...CAST_FAULTS.map(({ key }) => flaw(key)))));
    const all = explainCast(plan, {});
    expect(all).toHaveLength(CAST_FAULTS.length);
    for (const of of all) {
      const own = of.ranked.flatMap(({ signs }) => signs);
      // What a plan alone says is no sign; that something cannot be the same on all was told by the second copy, not looked at.
      expect(own, of.fault.key).toEqual([]);
    }
    expect(allPieces(plan.context).pieces).toHaveLength(2);
  });
});
