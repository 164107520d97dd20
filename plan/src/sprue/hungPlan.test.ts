import { usualPouring, type HungAt, type PourDoc } from '@zero-pour/contracts';
import { formatPhrase, METRIC, type HungClearance } from '@zero-pour/core';
import { airJob, hungJob, type AirAnswer, type AirInput, type HungInput } from '@zero-pour/jobs';
import { describe, expect, it } from 'vitest';
import { planPour, valueOf } from '../index';
import { fullDoc, LINE, ofOneFlask, planShop } from '../testing/planShop';

const ZERO = new Date(2026, 10, 26, 9, 15);
const at = (key: string, angleDeg: number): HungAt => ({
  key,
  angleDeg,
  awayMm: 3,
  heightMm: 25,
  tiltDeg: 45,
  spinDeg: 0,
});
const FREE: HungClearance = {
  wallMm: 12,
  topMm: 30,
  baseMm: 4,
  sprueMm: 5,
  pairs: [{ a: 0, b: 1, gapMm: 6 }],
};

/** Two blocks on a tree, their gaps answered or not. */
function planWith(
  hung: HungAt[],
  {
    clearance,
    air,
    change = () => {},
  }: {
    clearance?: HungClearance;
    air?: (of: AirInput) => AirAnswer;
    change?: (doc: PourDoc) => void;
  } = {},
) {
  const asked: HungInput[] = [];
  const readings = {
    of: (job: { name: string }, input: HungInput) => {
      if (job.name === airJob.name && air) return { status: 'known', value: air(input as never) };
      if (job.name !== hungJob.name) return { status: 'unread' };
      asked.push(hungJob.input.parse(input));
      return clearance ? { status: 'known', value: clearance } : { status: 'unread' };
    },
  };
  const doc = fullDoc(ZERO, (changed) => {
    Object.assign(changed.flasks[0]!.sprue, {
      arrangement: 'rings',
      hung,
      mainSprueLengthMm: 30,
      mainSprueDiameterMm: 12,
    });
    change(changed);
  });
  const shop = planShop();
  const settings = { ...shop.settings, pouring: usualPouring('vacuum') };
  const plan = ofOneFlask(planPour({ doc }, { ...shop, settings, readings: readings as never }));
  const tree = valueOf(plan.tree)!;
  return {
    asked,
    tree,
    said: tree.judgements.map(
      ({ rule, weight, lead, why }) => `${rule} ${weight}: ${lead} ${formatPhrase(why, METRIC)}`,
    ),
  };
}

describe('a tree that was hung by real shapes', () => {
  it('is reckoned as cylinders until it is', () => {
    expect(planWith([]).tree.hung).toBeUndefined();
    expect(planWith([]).said.some((line) => line.startsWith('wall'))).toBe(true);
  });
  it('is asked after with the parts as they are printed, by the gate that they hang by', () => {
    const { asked } = planWith([at(`${LINE}/1`, 0), at(`${LINE}/2`, 180)]);
    expect(asked[0]!.pieces.map(({ kind, angleDeg }) => [kind, angleDeg])).toEqual([
      [0, 0],
      [0, 180],
    ]);
    expect(asked[0]!.parts[0]!.scale).toBeGreaterThan(1);
    expect(asked[0]!.parts[0]!.gate).toMatchObject({
      at: null,
      normal: [0, 0, -1],
      lengthMm: 8,
      diameterMm: 8,
    });
    expect(asked[0]!.sprue).toEqual({ diameterMm: 12, lengthMm: 30 });
  });
  it('hangs by the gate that has a place', () => {
    const { asked } = planWith([at(`${LINE}/1`, 0)], {
      change: (doc) => {
        const placed = [{ key: 'g', placeMm: [20, 5, 4] as [number, number, number], normal: [1, 0, 0] as [number, number, number], section: { widthMm: 4, heightMm: 4 } }]; // prettier-ignore
        doc.wayUp.lines = { [LINE]: { gates: { count: 1, diameterMm: 4, lengthMm: 6, placed } } };
      },
    });
    expect(asked[0]!.parts[0]!.gate).toEqual({
      at: [20, 5, 4],
      normal: [1, 0, 0],
      lengthMm: 6,
      diameterMm: 4,
    });
  });
  it('says nothing good before its gaps are measured', () => {
    const { said } = planWith([at(`${LINE}/1`, 0), at(`${LINE}/2`, 180)]);
    expect(said[0]).toMatch(/^gap watch: The gaps are not measured yet\./);
    expect(said.filter((line) => / ok:/.test(line) && !line.startsWith('main sprue'))).toEqual([]);
  });
  it('is judged by its measured gaps, with the pieces’ own names', () => {
    const all = [at(`${LINE}/1`, 0), at(`${LINE}/2`, 180)];
    const said = planWith(all, { clearance: FREE }).said;
    expect(said.map((line) => line.split(':')[0])).toEqual([
      'wall ok',
      'top ok',
      'gap ok',
      'air watch',
      'main sprue ok',
    ]);
    const close = planWith(all, {
      clearance: { ...FREE, wallMm: 5, sprueMm: 1, pairs: [{ a: 0, b: 1, gapMm: 2.5 }] },
    }).said;
    expect(close).toContainEqual(expect.stringMatching(/^wall fix/));
    expect(close).toContainEqual(expect.stringMatching(/^to sprue fix/));
    expect(close).toContainEqual(
      expect.stringMatching(/^gap fix: Parts too close\. Block 1 and Block 2 are 2\.5 mm apart/),
    );
  });
  it('is judged as it hangs, though the form says otherwise since', () => {
    const straight = (doc: PourDoc): void => void (doc.flasks[0]!.sprue.arrangement = 'straight');
    const leaning = planWith([at(`${LINE}/1`, 0)], { clearance: FREE, change: straight });
    expect(leaning.asked[0]!.sprue).not.toBeNull();
    const upright = planWith([{ ...at(`${LINE}/1`, 0), tiltDeg: 90 }], {
      clearance: { ...FREE, sprueMm: null },
    });
    expect(upright.asked[0]!.sprue).toBeNull();
    expect(upright.said.some((line) => line.startsWith('main sprue'))).toBe(false);
  });
  it('on branches has these in its measures, its metal and its judgements', () => {
    const on = (key: string, awayMm: number): HungAt => ({
      ...at(key, 90),
      awayMm,
      tiltDeg: 90,
      onBranch: true,
    });
    const both = [on(`${LINE}/1`, 20), on(`${LINE}/2`, 30)];
    const thick =
      (mm?: number) =>
      (doc: PourDoc): void =>
        void Object.assign(doc.flasks[0]!.sprue, { arrangement: 'branches', branchDiameterMm: mm });
    const { asked, said, tree } = planWith(both, { clearance: FREE, change: thick(10) });
    expect(asked[0]!.sprue).toEqual({ diameterMm: 12, lengthMm: 30, branchDiameterMm: 10 });
    expect(asked[0]!.pieces[0]).toMatchObject({ onBranch: true, awayMm: 20 });
    // One branch to 30 + 5, of which 6 are within the main sprue.
    const bare = planWith([at(`${LINE}/1`, 0), at(`${LINE}/2`, 180)], { clearance: FREE });
    const branches = (Math.PI / 4) * 10 ** 2 * (35 - 6);
    expect(tree.sprues.value - bare.tree.sprues.value).toBeCloseTo(branches / 1000, 9);
    expect(
      said.filter((line) => /^(branch|main sprue)/.test(line)).map((line) => line.split(':')[0]),
    ).toEqual(['main sprue ok']);
    const thin = planWith(both, { clearance: FREE, change: thick() }).said;
    expect(thin).toContainEqual(expect.stringMatching(/^branch thin fix: A branch freezes first\./));
    const over = planWith(both, { clearance: FREE, change: thick(11.5) }).said;
    expect(over).toContainEqual(
      expect.stringMatching(/^main sprue thin fix: .* branches of 11\.5 mm want 12\.7 mm/),
    );
  });
  it('on branches has nothing good said of it before it hangs', () => {
    const branches = (doc: PourDoc): void => void (doc.flasks[0]!.sprue.arrangement = 'branches');
    const { tree, said } = planWith([], { change: branches });
    expect(tree.cylinders).toBeUndefined();
    expect(said).toContainEqual(expect.stringMatching(/^not hung watch/));
    expect(said.some((line) => line.includes(' ok:'))).toBe(false);
  });
  it('names pieces that came later, and a sprue that is too short', () => {
    const { said } = planWith([{ ...at(`${LINE}/1`, 0), heightMm: 60 }, at('gone/1', 20)], {
      clearance: FREE,
    });
    expect(said).toContainEqual(expect.stringMatching(/^no place fix: One piece has no place on the tree\./));
    expect(said).toContainEqual(expect.stringMatching(/^sprue short fix/));
  });
  it('says nothing good of the air before it is read, and reads pieces that stand alike once', () => {
    const two = [at(`${LINE}/1`, 0), at(`${LINE}/2`, 180)];
    expect(planWith(two, { clearance: FREE }).said.join()).toContain(
      'air watch: Whether air leaves is not read yet.',
    );
    const asked: AirInput[] = [];
    const held = (of: AirInput, volumeMm3: number) => ({
      tiltDeg: of.tiltDeg,
      spinDeg: of.spinDeg,
      pockets: volumeMm3 > 0 ? [{ at: [0, 0, 0] as [number, number, number], volumeMm3, depthMm: 1 }] : [],
      spots: [],
      cellMm: 0.1,
    });
    const air = (of: AirInput): AirAnswer => {
      asked.push(of);
      const now = held(of, of.spinDeg === 0 ? 3 : 0);
      return { now, best: { ...held(of, 0), spinDeg: 90 } };
    };
    const { tree, said } = planWith([...two.slice(0, 1), { ...two[1]!, spinDeg: 90 }], {
      clearance: FREE,
      air,
    });
    expect(tree.hung!.airs.map(({ pieces }) => pieces)).toEqual([[`${LINE}/1`], [`${LINE}/2`]]);
    expect(said.filter((line) => line.startsWith('air')).map((line) => line.split(':')[0])).toEqual([
      'air Block fix',
      'air Block ok',
    ]);
    asked.length = 0;
    planWith(two, { clearance: FREE, air });
    expect(asked.filter(({ spinDeg }) => spinDeg === 0)).toHaveLength(1);
  });
});
