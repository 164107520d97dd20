import { describe, expect, it } from 'vitest';
import { at, MIN, of, pour, shop, type Shape } from '../../testing/weekShop';
import { smallestClash } from './smallestClash';
import { FIRST_EFFORT, solveWeek } from './solveWeek';
import { wishesOf, wishKey, withWishes } from './wishes';

describe('what cannot be', () => {
  const wantedAt = (n: number, hour: number): Shape => ({ wanted: at(n, hour) });
  it('is named by the fewest wishes: without any one of them it can', () => {
    const problem = shop([pour('a', wantedAt(2, 9)), pour('b', { ...wantedAt(2, 9.25), kilns: ['k1', 'k2'] }), pour('c', wantedAt(4, 9))]); // prettier-ignore
    const answer = smallestClash(problem);
    if (answer.status !== 'clash') throw new Error(answer.status);
    expect(answer.clash.map(wishKey).sort()).toEqual(['a zero', 'b kiln', 'b zero']);
    for (const wish of answer.clash) {
      const fewer = answer.clash.filter((one) => one !== wish);
      expect(solveWeek(withWishes(problem, fewer)).status).toBe('planned');
    }
    expect(solveWeek(withWishes(problem, answer.clash)).status).toBe('none');
    // Every one given up was tried with all the others kept.
    expect(answer.changes.map(({ wish, partly }) => [wishKey(wish), partly])).toEqual(answer.clash.map((wish) => [wishKey(wish), false])); // prettier-ignore
    const other = answer.changes.find(({ wish }) => wish.kind === 'kiln')!;
    expect(other.answer.jobs.find(({ key }) => key === 'b')!.way).toBe(1);
  });
  it('says by how much: the least stretch, the nearest zero', () => {
    const problem = shop([pour('a', { stretchMin: 600, wanted: at(2, 12) })]);
    const answer = smallestClash(problem);
    if (answer.status !== 'clash') throw new Error(answer.status);
    const given = Object.fromEntries(
      answer.changes.map(({ wish, answer: plan }) => [wish.kind, plan.jobs[0]!.tasks]),
    );
    // In at 18:30 and turned at 20:30 as it stands: the hold grows until the turn is at 17:45, or the pour comes by as much sooner.
    expect((of(given['holds']!, 'turn').from - at(1, 17.75)) / MIN).toBe(0);
    expect((of(given['zero']!, 'zero').from - at(2, 12)) / MIN).toBe(-165);
    expect(answer.clash.map(wishKey).sort()).toEqual(['a holds', 'a zero']);
  });
  it('without any bench hours is hopeless, and no search without end', () => {
    const answer = smallestClash(shop([pour('a', wantedAt(2, 9))], { people: [{ key: 'one', spans: [] }] }));
    expect(answer).toMatchObject({ status: 'clash', clash: [], hopeless: ['a'] });
  });
  it.each([
    ['a zero in the past', pour('a', wantedAt(-3, 9))],
    ['waits that contradict each other', { ...pour('a'), ways: pour('a').ways.map((way) => ({ ...way, gaps: way.gaps.map((gap) => ({ ...gap, leastMin: 300, mostMin: 100 })) })) }], // prettier-ignore
  ])('is said of %s', (_, job) => {
    const kept = withWishes(shop([job]), wishesOf(job));
    expect(solveWeek(kept)).toMatchObject({ status: 'none', alone: ['a'] });
  });
  it('throws for what is no problem at all', () => {
    expect(() => solveWeek(shop([{ key: 'a', ways: [] }]))).toThrow('ways');
    expect(() => solveWeek(shop([pour('a', { prepMin: NaN })]))).toThrow('minutes');
    expect(() => solveWeek({ ...shop([pour('a')]), to: at(0, 7) })).toThrow('stretch');
  });
  it('answers at once for nothing to do', () => {
    expect(solveWeek(shop([]))).toMatchObject({ status: 'planned', best: true, jobs: [] });
  });
  it('has a first answer, or says that it found none, for more jobs than fit', () => {
    const many = Array.from({ length: 25 }, (_, n) => pour(`p${n}`));
    const answer = solveWeek(shop(many), FIRST_EFFORT);
    expect(answer.status).toBe('not found');
  });
});
