import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { say } from '../numeric';
import { FLAW_KINDS } from '../result';
import { calibrationError, madeUpFlaws, tellChances } from '../testing/syntheticFaults';
import {
  CAST_CHANGES,
  CAST_FAULTS,
  chooseChange,
  confirmCause,
  howToKnow,
  OTHER,
  rankCauses,
  startingCounts,
  type Evidence,
  type Fault,
} from './index';

const FAULTS: readonly Fault[] = CAST_FAULTS;
const faultOf = (key: string): Fault => FAULTS.find((fault) => fault.key === key)!;
const bad = (sign: string) => ({ [sign]: { state: 'bad' as const, says: say`${sign}` } });
const good = (sign: string) => ({ [sign]: { state: 'good' as const, says: say`${sign}` } });
const rank = (key: string, evidence: Evidence) =>
  rankCauses(faultOf(key), startingCounts(faultOf(key)), evidence);

describe('flaws of castings', () => {
  it('each have causes, and leave something to others', () => {
    expect(FAULTS.map(({ key }) => key).sort()).toEqual([...FLAW_KINDS].sort());
    for (const fault of FAULTS) {
      expect(new Set(fault.causes.map(({ key }) => key)).size, fault.key).toBe(fault.causes.length);
      expect(startingCounts(fault)[OTHER], fault.key).toBeGreaterThanOrEqual(0.8);
    }
  });

  it.each(FAULTS.map((fault) => [fault.name, fault] as const))(
    '%s: its signs tell, and each can be known',
    (_, fault) => {
      for (const { key, tests } of fault.causes) {
        expect(tests.length, key).toBeGreaterThan(0);
        for (const { sign, pBad, pElse } of tests) {
          expect(pBad, sign).toBeGreaterThan(pElse);
          expect(pElse, sign).toBeGreaterThan(0);
          expect(pBad, sign).toBeLessThan(1);
          expect(howToKnow(sign), sign).toBeTruthy();
        }
      }
    },
  );

  it('something can be done about every cause, and the change that is offered mends the likeliest', () => {
    for (const fault of FAULTS)
      for (const { key, tests } of fault.causes) {
        expect(CAST_CHANGES.some(({ recurs }) => ((recurs as Record<string, number>)[key] ?? 1) <= 0.4), key).toBe(true);
        const evidence = Object.assign({}, ...tests.map(({ sign }) => bad(sign))) as Evidence;
        const ranked = rankCauses(fault, startingCounts(fault), evidence);
        const chosen = chooseChange(ranked, CAST_CHANGES)!;
        const [first] = chosen.between;
        expect(chosen.change.recurs[first]!, `${fault.key}: ${key}`).toBeLessThan(0.8);
      }
  }); // prettier-ignore

  it('short hours at the core speak for ash, long ones against it', () => {
    const short = rank('ash pitting', bad('core clean-out short'));
    expect(short[0]).toMatchObject({ key: 'core short' });
    expect(chooseChange(short, CAST_CHANGES)!.change.key).toBe('hold longer');
    const long = rank('ash pitting', good('core clean-out short'));
    expect(long.find(({ key }) => key === 'core short')!.chance).toBeLessThan(0.12);
  });

  it('a stale vat is told even where the print looked good', () => {
    const ranked = rank('ash pitting', { ...bad('vat old'), ...good('core clean-out short') });
    expect(ranked[0]).toMatchObject({ key: 'stale vat' });
  });

  it('evidence that contradicts itself is shown on both sides, and settles nothing', () => {
    // The print looked right, and yet the bath was short: one is for, one against, in one group.
    const ranked = rank('debris cast in', { ...bad('washed short'), ...good('looked tacky or dark') });
    const tacky = ranked.find(({ key }) => key === 'tacky')!;
    expect(tacky.signs.map(({ z }) => Math.sign(z)).sort()).toEqual([-1, 1]);
    expect(tacky.chance).toBeLessThan(0.6);
    const cool = rank('misrun', { ...bad('flask cool'), ...bad('flask hot'), ...bad('metal hot'), ...bad('metal cool') });
    expect(cool[0]!.chance).toBeLessThan(0.6);
  }); // prettier-ignore

  it('everything bad at once never makes one cause sure, and chances stay chances', () => {
    for (const fault of FAULTS) {
      const all = Object.assign({}, ...fault.causes.flatMap((c) => c.tests.map(({ sign }) => bad(sign)))) as Evidence;
      const ranked = rankCauses(fault, startingCounts(fault), all);
      expect(ranked.reduce((sum, { chance }) => sum + chance, 0)).toBeCloseTo(1, 12);
      expect(ranked[0]!.chance, fault.key).toBeLessThan(0.97);
      expect(ranked.find(({ key }) => key === OTHER)!.chance, fault.key).toBeGreaterThan(0);
    }
  }); // prettier-ignore

  it('goes by what was found, not by the order it was found in', () => {
    fc.assert(
      fc.property(fc.constantFrom(...FAULTS), fc.infiniteStream(fc.double({ min: 0, max: 1, noNaN: true })), fc.gen(), (fault, stream, gen) => {
        const signs = [...new Set(fault.causes.flatMap((c) => c.tests.map(({ sign }) => sign)))];
        const entries = signs.flatMap((sign) => {
          const u = stream.next().value as number;
          return u < 0.3 ? [] : [[sign, u < 0.65 ? bad(sign)[sign] : good(sign)[sign]] as const];
        });
        const shuffled = gen(fc.shuffledSubarray, entries, { minLength: entries.length, maxLength: entries.length });
        const chances = (list: typeof entries) =>
          new Map(rankCauses(fault, startingCounts(fault), Object.fromEntries(list)).map(({ key, chance }) => [key, chance]));
        const [one, other] = [chances(entries), chances(shuffled)];
        for (const [key, chance] of one) expect(other.get(key)).toBeCloseTo(chance, 12);
      }),
    );
  }); // prettier-ignore
});

describe('chances that are told', () => {
  it('come true as often as they say, on 2,000 pours drawn from the model itself', () => {
    const told = tellChances(madeUpFlaws(FAULTS, 2000, 11));
    expect(calibrationError(told)).toBeLessThan(0.02);
    const hits = told.filter(({ first, was }) => first && was).length / 2000;
    expect(hits).toBeGreaterThan(0.45);
  });

  it('are off in a shop with other habits, and come right as it confirms what it found', () => {
    // What is rare by the book is often there, and the other way round: what the shop does not know at first.
    const turned = (fault: Fault): number[] => Object.values(startingCounts(fault)).map((count) => 1 / count);
    const flaws = madeUpFlaws(FAULTS, 4000, 12, { rateOf: turned });
    const [seen, later] = [flaws.slice(0, 2000), flaws.slice(2000)];
    const before = calibrationError(tellChances(later));
    const learnt = new Map(FAULTS.map((fault) => [fault.key, startingCounts(fault)]));
    for (const { fault, cause } of seen) learnt.set(fault.key, confirmCause(learnt.get(fault.key)!, cause));
    const after = calibrationError(tellChances(later, ({ key }) => learnt.get(key)!));
    expect(before).toBeGreaterThan(0.04);
    expect(after).toBeLessThan(0.025);
    expect(after).toBeLessThan(before);
  });
});
