import type { MetalLot, PourDoc } from '@zero-pour/contracts';
import { formatPhrase, METRIC } from '@zero-pour/core';
import { describe, expect, it } from 'vitest';
import type { Shop } from '../context';
import { planPour, valueOf } from '../index';
import { blockPattern, fullDoc, id, ofOneFlask, planShop } from '../testing/planShop';

const ZERO = new Date(2026, 10, 26, 9, 15);
const measured = (value: number) => ({ state: 'measured' as const, value });

function planWith(change: (doc: PourDoc) => void, shop: Partial<Shop> = {}) {
  const doc = fullDoc(ZERO, change);
  const plan = ofOneFlask(planPour({ doc }, { ...planShop(), ...shop }));
  const [tree, charge] = [valueOf(plan.tree)!, valueOf(plan.charge)!];
  const said = [...tree.judgements, ...charge.judgements].map(
    ({ rule, weight, why }) => `${rule} ${weight}: ${formatPhrase(why, METRIC)}`,
  );
  return { tree, charge, said, share: (100 * charge.newMetal.value) / charge.total.value };
}
const lot = (n: number, melts: number): MetalLot =>
  ({
    id: id(900 + n),
    name: `Lot ${n}`,
    melts,
    composition: { Ag: 0.925, Cu: 0.075 },
    moves: [],
  }) as unknown as MetalLot;

describe('how much of the charge is new', () => {
  const sprue = (doc: PourDoc) => doc.flasks[0]!.sprue;
  it('is the shop’s usual, the alloy’s own, what was typed, and what the chosen lots are, each before the one before', () => {
    const lists = { ...planShop().lists };
    const asks = { lists: { ...lists, alloy: lists.alloy.map((a) => ({ ...a, newPercent: 70 })) } };
    expect(planWith(() => {}).share).toBeCloseTo(50, 9);
    expect(planWith(() => {}, asks).share).toBeCloseTo(70, 9);
    expect(planWith((doc) => (sprue(doc).newPercent = 20), asks).share).toBeCloseTo(20, 9);
    const lots = [lot(1, 0), lot(2, 3)];
    const chosen = (doc: PourDoc) => {
      sprue(doc).newPercent = 20;
      sprue(doc).lots = [
        { key: lots[0]!.id, massG: 30 },
        { key: lots[1]!.id, massG: 10 },
      ];
    };
    expect(planWith(chosen, { ...asks, lots }).share).toBeCloseTo(75, 9);
    // Lots that are not read are no lots of nothing.
    expect(planWith(chosen, asks).share).toBeCloseTo(20, 9);
  });
});

describe('a tree on the balance', () => {
  const weigh = (treeG: number) => (doc: PourDoc) =>
    Object.assign(doc.flasks[0]!.sprue, {
      weighBy: 'weight',
      weighedPatternsG: measured(3.9),
      weighedTreeG: measured(treeG),
      weighedBaseG: measured(40),
    });
  it('is wax where it is neither base nor print, by the wax’s density', () => {
    const { tree, said } = planWith(weigh(49.6));
    expect(tree.sprues.value).toBeCloseTo((49.6 - 40 - 3.9) / 0.95, 9);
    expect(said.some((line) => line.startsWith('tree weight'))).toBe(false);
  });
  it('that weighs less than what is on it is told, and the wax is taken by volume', () => {
    const { tree, said } = planWith(weigh(42));
    expect(tree.sprues.value).toBeCloseTo(planWith(() => {}).tree.sprues.value, 9);
    expect(said).toContainEqual(expect.stringMatching(/^tree weight fix: .*no wax is left/));
  });
});

describe('why weight and volume differ', () => {
  // Two blocks of 1.6 cm³ at about 1.2 g/cm³ are near 3.9 g.
  const weighed = (massG: number) => (doc: PourDoc) =>
    Object.assign(doc.flasks[0]!.sprue, { weighBy: 'weight', weighedPatternsG: measured(massG) });
  const reason = (massG: number, shop: Partial<Shop> = {}) =>
    planWith(weighed(massG), shop).said.find((line) => line.startsWith('ways'))!;
  it('is resin left inside when they are far too heavy, a hollow when far too light', () => {
    expect(reason(8)).toMatch(/resin or solvent left inside/);
    expect(reason(1)).toMatch(/one is hollow, broken/);
  });
  it('is the file where it is open, or its bodies lie in each other', () => {
    const open = blockPattern({ closed: false, openEdges: 4, volumePlusMinusMm3: 300 });
    expect(reason(8, { patterns: [open] })).toMatch(/not closed/);
    expect(reason(1, { patterns: [blockPattern({ overlapMm3: 500 })] })).toMatch(/counts twice/);
  });
});

describe('a tree from weights only', () => {
  const noFiles = (doc: PourDoc) => {
    doc.brief.lines = [];
    Object.assign(doc.flasks[0]!.sprue, { weighedPatternsG: measured(3.9) });
  };
  it('has its charge by the balance, and says that nobody knows whether it fits', () => {
    const { tree, charge, said } = planWith(noFiles);
    expect(tree.cylinders).toBeUndefined();
    const withFiles = planWith((doc) =>
      Object.assign(doc.flasks[0]!.sprue, { weighBy: 'weight', weighedPatternsG: measured(3.9) }),
    );
    expect(tree.patterns.value).toBeCloseTo(withFiles.tree.patterns.value, 9);
    expect(charge.total.value).toBeGreaterThan(10.357 * (tree.patterns.value + tree.sprues.value));
    expect(said[0]).toMatch(/^by weight only watch/);
    expect(said.some((line) => / ok:/.test(line))).toBe(false);
  });
  it('is none before anything was weighed', () => {
    const doc = fullDoc(ZERO, (changed) => void (changed.brief.lines = []));
    const { tree } = ofOneFlask(planPour({ doc }, planShop()));
    expect(tree).toMatchObject({
      status: 'missing',
      needs: [{ what: 'a pattern, or the patterns weighed' }],
    });
  });
});
