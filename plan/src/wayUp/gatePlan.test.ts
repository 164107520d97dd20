import type { PourDoc, PouredPrint, PourGate } from '@zero-pour/contracts';
import { jointMomentGMm } from '@zero-pour/core';
import { feedJob, placesJob, type FeedAnswer, type FeedInput, type PlacesAnswer } from '@zero-pour/jobs';
import { describe, expect, it } from 'vitest';
import { gatesBefore, planPour, valueOf } from '../index';
import { blockPattern, fullDoc, LINE, ofOneFlask, planShop } from '../testing/planShop';

const ZERO = new Date(2026, 10, 26, 9, 15);
const mass = { at: [5, 5, 4] as [number, number, number], widthMm: 8, modulusMm: 1.2 };
const placed = (widthMm: number, heightMm = widthMm) => ({ key: `g ${widthMm}`, placeMm: [20, 5, 4] as [number, number, number], normal: [1, 0, 0] as [number, number, number], section: { widthMm, heightMm } }); // prettier-ignore

/** A plan whose feed is answered by a neck ratio, or not at all. */
function planWith(gates: PourGate[], neckRatio?: number, seen?: PlacesAnswer, pattern = blockPattern()) {
  const asked: FeedInput[] = [];
  const readings = {
    of: (job: { name: string }, input: FeedInput) => {
      if (job.name === placesJob.name && seen) return { status: 'known', value: seen };
      if (job.name !== feedJob.name) return { status: 'unread' };
      asked.push(input);
      // The finest grid is read in the background: here it never is.
      if (input.cellMm < 0.1) return { status: 'unread' };
      const feed = { spot: 0, gate: 0, gateRatio: 1.5, neckRatio, neck: { ...mass, widthMm: 6 } };
      const value = { cellMm: 0.1, masses: [mass], feeds: [feed] } as FeedAnswer;
      return neckRatio === undefined ? { status: 'unread' } : { status: 'known', value };
    },
  };
  const doc = fullDoc(ZERO, (changed: PourDoc) => {
    changed.wayUp.lines = {
      [LINE]: { gates: { count: Math.max(1, gates.length), diameterMm: 8, lengthMm: 8, placed: gates } },
    };
  });
  return {
    plan: ofOneFlask(planPour({ doc }, { ...planShop(pattern), readings: readings as never })),
    asked,
  };
}
const rules = (judgements: readonly { rule: string; weight: string }[]): string[] =>
  judgements.map(({ rule, weight }) => `${rule} ${weight}`);

describe('gates with a place', () => {
  it('are asked after once, each as the round gate that freezes as late', () => {
    const { asked } = planWith([placed(4), placed(6, 3)]);
    expect(asked.map(({ cellMm }) => cellMm)).toEqual([0.05, 0.1]);
    expect(asked[1]).toMatchObject({ medianMm: 0 });
    expect(asked[1]!.gates.map(({ diameterMm }) => diameterMm)).toEqual([4, 4]);
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
  it('want the fine grid of nobody: it is made in the background by the page that shows it', () => {
    const { plan } = planWith([placed(8)]);
    const wanted = plan.wants.filter(({ job }) => job === feedJob.name);
    expect(wanted.map(({ input }) => (input as FeedInput).cellMm)).toEqual([0.1]);
  });
  it('are as thick as their dips make them, as long each as they are, and hold the metal of all', () => {
    const kept = { ...placed(2), making: 'kept support' as const, dips: 4, lengthMm: 9 };
    const { plan, asked } = planWith([kept, { ...placed(3), lengthMm: 4 }]);
    expect(asked[1]!.gates.map(({ diameterMm }) => Math.round(10 * diameterMm) / 10)).toEqual([3.2, 3]);
    const { count, diameterMm, lengthMm } = plan.gates[0]!.gates;
    expect(count * diameterMm ** 2 * lengthMm).toBeCloseTo(3.2 ** 2 * 9 + 9 * 4, 6);
  });
});

const good = { awayMm: 0, onShow: false, sawn: true };
describe('where they stand and what they carry', () => {
  const seen = (places: PlacesAnswer['places']): PlacesAnswer => ({ centreMm: [10, 5, 4], places });
  const own = (gates: PourGate[], places: PlacesAnswer['places']) =>
    planWith(gates, 0.9, seen(places)).plan.gates[0]!.judgements;
  it('is said of none before anybody looked', () => {
    const said = rules(planWith([placed(8)], 0.9).plan.gates[0]!.judgements);
    expect(said.filter((rule) => rule.startsWith('carry') || rule.startsWith('gate'))).toEqual([]);
  });
  it('names the gate in mid-air, on a show face, or out of a saw’s reach', () => {
    const bad = [
      { ...good, awayMm: 2 },
      { ...good, onShow: true },
      { ...good, sawn: false },
    ];
    const said = rules(own([placed(8), placed(7), placed(6)], bad));
    expect(said.slice(0, 3)).toEqual(['gate mid-air 1 fix', 'gate on show 2 watch', 'gate unsawn 3 watch']);
  });
  it('weighs the print against its wax joints, and the lever from where each is joined', () => {
    const carry = (gate: PourGate) => own([gate], [good]).find(({ rule }) => rule === 'carry')!;
    // 1.6 cm³ of about 1.2 g at 10 mm: some 19 g·mm.
    expect(jointMomentGMm(1.8)).toBeLessThan(17);
    expect(carry(placed(1.8)).weight).toBe('watch');
    expect(carry(placed(4)).weight).toBe('ok');
    expect(carry({ ...placed(1.8), making: 'modelled', lengthMm: 80 }).weight).toBe('fix');
  });
  it('says nothing of the joint of a sprue that the file holds: where it ends is not known', () => {
    const block = blockPattern();
    const section = { at: [20, 5, 4], axis: [1, 0, 0], diameterMm: 4, volumeMm3: 30 };
    const mark = { by: 'cut', at: [22, 5, 4], shiftMm: 0 };
    const sprues = { marks: [mark], sections: [section], pieceHash: 'b'.repeat(64), piece: block.measure };
    const said = planWith([], 0.9, seen([]), { ...block, sprues: sprues as never }).plan.gates[0]!.judgements;
    expect(rules(said)).toContain('feed ok');
    expect(rules(said).filter((rule) => rule.startsWith('carry'))).toEqual([]);
  });
  it('warns that wax lets go of a resin without wax, unless the gates are printed with it', () => {
    const shy = (gate: PourGate) => rules(own([gate], [good])).includes('wax lets go watch');
    expect(shy(placed(4))).toBe(true);
    expect(shy({ ...placed(4), making: 'modelled' })).toBe(false);
  });
});

describe('gates of earlier pours', () => {
  const print = (number: number, fields: Partial<PouredPrint>) =>
    ({
      pourId: `p${number}`,
      number,
      lines: [{ key: 'l1', patternId: 'band', count: 2 }],
      outcomes: {},
      ...fields,
    }) as PouredPrint;
  const gates = { l1: [placed(2)] };
  it('come with what came of them, the newest first; not this pour’s, nor another pattern’s', () => {
    const all = [
      print(3, { gates, outcomes: { 'l1/1': 'sellable', 'l1/2': 'scrap', 'l2/1': 'sellable' } }),
      print(5, { gates }),
      print(6, { gates, lines: [{ key: 'l1', patternId: 'other', count: 1 }] }),
      print(7, {}),
      print(8, { gates }),
    ];
    expect(gatesBefore(all, 'band', 'p8').map(({ number, good: g, looked }) => [number, g, looked])).toEqual([
      [5, 0, 0],
      [3, 1, 2],
    ]);
  });
});
