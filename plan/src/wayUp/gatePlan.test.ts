import type { PourDoc } from '@zero-pour/contracts';
import { feedJob, type FeedAnswer, type FeedInput } from '@zero-pour/jobs';
import { describe, expect, it } from 'vitest';
import { planPour, valueOf } from '../index';
import { fullDoc, LINE, ofOneFlask, planShop } from '../testing/planShop';

const ZERO = new Date(2026, 10, 26, 9, 15);
const mass = { at: [5, 5, 4] as [number, number, number], widthMm: 8, modulusMm: 1.2 };
const placed = (widthMm: number, heightMm = widthMm) => ({ key: `g ${widthMm}`, placeMm: [20, 5, 4] as [number, number, number], normal: [1, 0, 0] as [number, number, number], section: { widthMm, heightMm } }); // prettier-ignore

/** A plan whose feed is answered by a neck ratio, or not at all. */
function planWith(gates: ReturnType<typeof placed>[], neckRatio?: number) {
  const asked: FeedInput[] = [];
  const readings = {
    of: (job: { name: string }, input: FeedInput) => {
      if (job.name !== feedJob.name) return { status: 'unread' };
      asked.push(input);
      const feed = { spot: 0, gate: 0, gateRatio: 1.5, neckRatio, neck: { ...mass, widthMm: 2 } };
      const value = { cellMm: 0.1, masses: [mass], feeds: [feed] } as FeedAnswer;
      return neckRatio === undefined ? { status: 'unread' } : { status: 'known', value };
    },
  };
  const doc = fullDoc(ZERO, (changed: PourDoc) => {
    changed.wayUp.lines = {
      [LINE]: { gates: { count: Math.max(1, gates.length), diameterMm: 8, lengthMm: 8, placed: gates } },
    };
  });
  return { plan: ofOneFlask(planPour({ doc }, { ...planShop(), readings: readings as never })), asked };
}
const rules = (judgements: readonly { rule: string; weight: string }[]): string[] =>
  judgements.map(({ rule, weight }) => `${rule} ${weight}`);

describe('gates with a place', () => {
  it('are asked after once, each as the round gate that freezes as late', () => {
    const { asked } = planWith([placed(4), placed(6, 3)]);
    expect(asked[0]).toMatchObject({ cellMm: 0.1, medianMm: 0 });
    expect(asked[0]!.gates.map(({ diameterMm }) => diameterMm)).toEqual([4, 4]);
  });
  it('are judged by their feed, not by the whole part, once it is known', () => {
    expect(rules(planWith([placed(8)], 0.5).plan.gates[0]!.judgements)).toEqual([
      'feed 1 fix',
      'fill unread watch',
    ]);
    expect(rules(planWith([placed(8)], 0.7).plan.gates[0]!.judgements)).toEqual([
      'feed 1 watch',
      'fill unread watch',
    ]);
    expect(rules(planWith([placed(8)], 0.9).plan.gates[0]!.judgements)).toEqual([
      'feed ok',
      'fill unread watch',
    ]);
  });
  it('are not called fed before anybody followed the way', () => {
    const [first] = planWith([placed(8)]).plan.gates[0]!.judgements;
    expect(first).toMatchObject({ rule: 'feed unread', weight: 'watch' });
  });
  it('ask nothing where none has a place', () => {
    const { plan, asked } = planWith([]);
    expect(asked).toEqual([]);
    expect(plan.gates[0]!.feedWish).toBeUndefined();
    expect(valueOf(plan.tree)).toBeDefined();
  });
});
