import { describe, expect, it } from 'vitest';
import reference from '../../reference/diagnosis.json';
import { InputError, say } from '../numeric';
import {
  chooseChange,
  confirmCause,
  OTHER,
  PRINT_CHANGES,
  howToKnow,
  PRINT_FAULTS,
  rankCauses,
  ruleOutCauses,
  startingCounts,
  type Evidence,
  type Fault,
  type TriedChange,
} from './index';

const GOLDEN: Fault = {
  key: 'x',
  name: 'x',
  causes: [
    { key: 'a', name: 'a', prior: 0.4, tests: [{ sign: 'ta', pBad: 0.8, pElse: 0.25 }] },
    { key: 'b', name: 'b', prior: 0.2, tests: [{ sign: 'tb', pBad: 0.7, pElse: 0.2 }] },
    { key: 'c', name: 'c', prior: 0.25, tests: [{ sign: 'tc', pBad: 0.9, pElse: 0.1 }] },
  ],
};
const bad = { state: 'bad' as const, says: say`bad` };
const good = { state: 'good' as const, says: say`good` };
const FOUND: Evidence = { ta: bad, tb: good };
const ORDER = ['a', 'b', 'c', OTHER];
const inOrder = (counts: Record<string, number>): number[] => ORDER.map((key) => counts[key]!);

describe('why', () => {
  const counts = startingCounts(GOLDEN);
  const ranked = rankCauses(GOLDEN, counts, FOUND);

  it('agrees with the numbers worked out independently', () => {
    inOrder(counts).forEach((count, i) => expect(count).toBeCloseTo(reference.counts[i]!, 12));
    ORDER.forEach((key, i) => {
      expect(ranked.find((cause) => cause.key === key)!.chance).toBeCloseTo(reference.posterior[i]!, 12);
    });
    expect(ranked[0]!.key).toBe('a');
  });

  it('learns from what is confirmed and ruled out', () => {
    inOrder(confirmCause(counts, 'a')).forEach((c, i) =>
      expect(c).toBeCloseTo(reference.after_confirming_a[i]!, 12),
    );
    const chances = Object.fromEntries(ranked.map(({ key, chance }) => [key, chance]));
    inOrder(ruleOutCauses(counts, chances, ['a'])).forEach((c, i) =>
      expect(c).toBeCloseTo(reference.after_ruling_out_a[i]!, 12),
    );
  });

  it('never revives what was ruled out before, however many follow', () => {
    const order = ['a', 'b', 'c'];
    for (let n = 1; n <= order.length; n++) {
      const out = order.slice(0, n);
      const left = rankCauses(GOLDEN, counts, FOUND, out);
      for (const key of out) expect(left.find((cause) => cause.key === key)!.chance).toBe(0);
      expect(left.reduce((sum, { chance }) => sum + chance, 0)).toBeCloseTo(1, 12);
    }
    // The others keep standing to each other as they did.
    const chance = (of: typeof ranked, key: string) => of.find((cause) => cause.key === key)!.chance;
    const without = rankCauses(GOLDEN, counts, FOUND, ['a']);
    expect(chance(without, 'b') / chance(without, 'c')).toBeCloseTo(
      chance(ranked, 'b') / chance(ranked, 'c'),
      12,
    );
    expect(rankCauses(GOLDEN, counts, FOUND, [...order, OTHER])[0]).toMatchObject({ key: OTHER, chance: 1 });
  });

  it('counts a print once, whatever was ruled out of it', () => {
    const sum = (of: Record<string, number>) => Object.values(of).reduce((a, b) => a + b, 0);
    const chances = Object.fromEntries(ranked.map(({ key, chance }) => [key, chance]));
    expect(sum(ruleOutCauses(counts, chances, ['a', 'b']))).toBeCloseTo(sum(counts) + 1, 12);
    expect(ruleOutCauses(counts, {}, ['a'])).toEqual(counts);
  });

  it('is defined without any counts, and where two signs weigh alike', () => {
    for (const cause of rankCauses(GOLDEN, {}, {})) expect(cause.chance).toBeCloseTo(0.25, 12);
    const tests = [
      { sign: 's', pBad: 0.8, pElse: 0.2, group: 'g' },
      { sign: 't', pBad: 0.2, pElse: 0.8, group: 'g' },
    ];
    const fault = { ...GOLDEN, causes: [{ key: 'a', name: 'a', prior: 0.4, tests }] };
    const [first, second] = [tests, [...tests].reverse()].map((order) =>
      rankCauses({ ...fault, causes: [{ ...fault.causes[0]!, tests: order }] }, startingCounts(fault), {
        s: bad,
        t: bad,
      }),
    );
    expect(first!.map(({ key, chance }) => [key, chance])).toEqual(
      second!.map(({ key, chance }) => [key, chance]),
    );
  });

  it('says what was not looked at, and lets it weigh nothing', () => {
    expect(ranked.find((cause) => cause.key === 'c')!.missing).toEqual(['tc']);
    const none = rankCauses(GOLDEN, counts, {});
    expect(none.map((cause) => cause.key)).toEqual(['a', 'c', 'b', OTHER]);
    none.forEach((cause) => expect(cause.chance).toBeCloseTo(cause.prior, 12));
  });

  it('counts only the strongest of signs that hang together', () => {
    const tests = [
      { sign: 's', pBad: 0.9, pElse: 0.1, group: 'g' },
      { sign: 't', pBad: 0.6, pElse: 0.3, group: 'g' },
    ];
    const fault: Fault = { key: 'f', name: 'f', causes: [{ key: 'a', name: 'a', prior: 0.5, tests }] };
    const both = rankCauses(fault, startingCounts(fault), { s: bad, t: bad });
    const one = rankCauses(fault, startingCounts(fault), { s: bad });
    expect(both[0]!.chance).toBeCloseTo(one[0]!.chance, 12);
    expect(both[0]!.signs.map((sign) => sign.counts)).toEqual([true, false]);
  });

  it('proposes the change that tells the two likeliest apart, for its cost', () => {
    const changes: TriedChange[] = [
      { key: 'dear', words: '', cost: 5, recurs: { a: 0.1 } },
      { key: 'telling', words: '', cost: 1, recurs: { a: 0.2, c: 0.8 } },
      { key: 'both', words: '', cost: 1, recurs: { a: 0.2, c: 0.2 } },
    ];
    const chosen = chooseChange(ranked, changes)!;
    expect(chosen).toMatchObject({ change: { key: 'telling' }, between: ['a', 'c'], recursIf: [0.2, 0.8] });
    expect(chooseChange(ranked, [{ key: 'idle', words: '', cost: 1, recurs: { z: 0 } }])).toBeUndefined();
    expect(chooseChange(ranked.slice(0, 1), changes)).toBeUndefined();
  });

  it('refuses causes that leave nothing to others', () => {
    const full = { ...GOLDEN, causes: GOLDEN.causes.map((cause) => ({ ...cause, prior: 0.4 })) };
    expect(() => startingCounts(full)).toThrow(InputError);
  });
});

describe('faults of prints', () => {
  it('name for each sign what to do to know it, so that "not known" is no dead end', () => {
    const signs = new Set(PRINT_FAULTS.flatMap((fault) => (fault as Fault).causes.flatMap((c) => c.tests.map((t) => t.sign)))); // prettier-ignore
    for (const sign of signs) expect(howToKnow(sign), sign).toBeTruthy();
    expect(howToKnow('nothing of the kind')).toBeUndefined();
  });
  it('know that what every copy has may be the file', () => {
    const closed: Fault = PRINT_FAULTS.find((fault) => fault.key === 'hole closed')!;
    const file = (state?: 'bad' | 'good'): number =>
      rankCauses(
        closed,
        startingCounts(closed),
        state ? { 'all copies alike': { state, says: [] } } : {},
      ).find((c) => c.key === 'file')!.chance;
    expect(file('bad')).toBeGreaterThan(1.5 * file());
    expect(file('good')).toBeLessThan(0.5 * file());
  });

  it.each(PRINT_FAULTS.map((fault) => [fault.name, fault] as const))(
    '%s: priors and signs make sense',
    (_, fault) => {
      const of: Fault = fault;
      expect(new Set(of.causes.map((cause) => cause.key)).size).toBe(of.causes.length);
      const counts = startingCounts(of);
      expect(counts[OTHER]).toBeGreaterThan(0.3);
      for (const { tests } of of.causes)
        for (const { pBad, pElse } of tests) {
          expect(pBad).toBeGreaterThan(0);
          expect(Math.max(pBad, pElse)).toBeLessThan(1);
          expect(pBad).not.toBe(pElse);
        }
    },
  );

  it.each(PRINT_FAULTS.map((fault) => [fault.name, fault] as const))(
    '%s: something can be done about its likeliest cause',
    (_, fault) => {
      const of: Fault = fault;
      const first = [...of.causes].sort((a, b) => b.prior - a.prior)[0]!;
      expect(PRINT_CHANGES.some((change) => (change.recurs[first.key] ?? 1) < 0.5)).toBe(true);
      expect(chooseChange(rankCauses(of, startingCounts(of), {}), PRINT_CHANGES)).toBeDefined();
    },
  );
});
