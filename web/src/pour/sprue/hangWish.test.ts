import { emptyFlask, type Arrangement, type Flask, type HungAt } from '@zero-pour/contracts';
import { METRIC, type ChosenFlasks, type HungTree } from '@zero-pour/core';
import type { HangInput } from '@zero-pour/jobs';
import { describe, expect, it } from 'vitest';
import { fullWish, fullWords, hungFlasks, leftWords, sharedOut, type HangWish } from './hangWish';
import { moved, movedByDrag, movedByKey, withMoved } from './treeMoves';

const at = { angleDeg: 12.3456, awayMm: 3, heightMm: 20.004, tiltDeg: 45, spinDeg: 90 };
const treeOf = (kinds: number[], mainSprueMm = 31.234): HungTree => ({
  pieces: kinds.map((kind) => ({ kind, ...at })),
  left: [0, 0],
  mainSprueMm,
  miss: null,
  cannot: [],
});
const FLASKS = [
  { id: 'a', name: '76 × 102' },
  { id: 'b', name: '50 × 60' },
] as Flask[];
const wish = (arrangement: Arrangement = 'rings'): HangWish => ({
  input: { counts: [3, 2], arrangement } as HangInput,
  keys: [
    ['l1/1', 'l1/2', 'l1/3'],
    ['l2/1', 'l2/2'],
  ],
  flasks: FLASKS,
  names: ['Band', 'Bead'],
});
const chosen = (change: Partial<ChosenFlasks> = {}): ChosenFlasks => ({
  trees: [
    { room: 1, tree: treeOf([0, 0, 1]) },
    { room: 0, tree: treeOf([0, 1], 12) },
  ],
  left: [0, 0],
  miss: null,
  cannot: [],
  ...change,
});

describe('how many the flask takes', () => {
  const asked = fullWish(wish());
  const filled = (left: number[]): ChosenFlasks => ({
    trees: [{ room: 0, tree: { ...treeOf([0]), left } }],
    left,
    miss: null,
    cannot: [],
  });
  it('is tried with the same mix so many times over', () => {
    expect(asked.input.counts).toEqual([36, 24]);
    expect(asked.keys).toEqual(wish().keys);
  });
  it('is said with its mix, and as at least so many where nothing was left over', () => {
    expect(fullWords(asked, filled([22, 15]), METRIC)).toBe(
      '76 × 102 takes 23: 14 × Band, 9 × Bead, heavier ones first.',
    );
    const one = { ...asked, input: { ...asked.input, counts: [60] } };
    expect(fullWords(one, filled([0]), METRIC)).toBe('76 × 102 takes at least 60.');
  });
  it('is a miss where not one hangs', () => {
    const none = chosen({ trees: [], left: [36, 24], miss: { what: 'wall', mm: 3.2, room: 0 } });
    expect(fullWords(asked, none, METRIC)).toMatch(/^Not even one fits\. In 76 × 102 it is 3\.2 mm too wide/);
  });
});

describe('what was hung', () => {
  it('has each piece once, by its name, and a sprue that reaches its highest gate', () => {
    const [first, second] = hungFlasks(wish(), chosen());
    expect(first).toMatchObject({ flaskId: 'b', mainSprueLengthMm: 31.3 });
    expect(first!.hung.map(({ key }) => key)).toEqual(['l1/1', 'l1/2', 'l2/1']);
    expect(first!.hung[0]).toMatchObject({ angleDeg: 12.35, heightMm: 20 });
    expect(second!.hung.map(({ key }) => key)).toEqual(['l1/3', 'l2/2']);
    expect(hungFlasks(wish('straight'), chosen())[0]!.mainSprueLengthMm).toBeUndefined();
  });
  it('on branches is kept as such', () => {
    const tree = treeOf([0]);
    const on = { ...tree, pieces: [{ ...tree.pieces[0]!, onBranch: true }] };
    const [found] = hungFlasks(wish('branches'), chosen({ trees: [{ room: 1, tree: on }] }));
    expect(found).toMatchObject({ mainSprueLengthMm: 31.3, hung: [{ onBranch: true }] });
  });
  it('is shared out over the flasks that there are, and new ones; none is lost', () => {
    const found = hungFlasks(wish(), chosen());
    const before = [
      { ...emptyFlask('f1'), sprue: { ...emptyFlask('f1').sprue, arrangement: 'rings' as const } },
    ];
    const flasks = sharedOut(before, found);
    expect(flasks.map(({ key }) => key)).toEqual(['f1', 'f2']);
    expect(flasks.map(({ pieces }) => pieces?.length)).toEqual([3, 2]);
    expect(flasks[1]!.sprue).toMatchObject({ flaskId: 'a', arrangement: 'rings', mainSprueLengthMm: 12 });
    const three = sharedOut([...before, emptyFlask('f2'), emptyFlask('f7')], found);
    expect(three.map(({ key, pieces }) => [key, pieces?.length])).toEqual([
      ['f1', 3],
      ['f2', 2],
      ['f7', 0],
    ]);
  });
  it('says what found no room, and by how much one misses', () => {
    expect(leftWords(wish(), chosen(), METRIC)).toBe('');
    expect(leftWords(wish(), chosen({ left: [1, 0] }), METRIC)).toContain('4 of 5 hang; 1 found no room.');
    const bead = chosen({ left: [0, 2], cannot: [null, { what: 'sprue', mm: 1.2, room: 0 }] });
    expect(leftWords(wish(), bead, METRIC)).toBe(
      '3 of 5 hang; not even one Bead fits. In 76 × 102 it is 1.2 mm too near its sprue. Longer gates, or a thinner sprue.',
    );
    const none = chosen({ trees: [], left: [3, 2], miss: { what: 'wall', mm: 4.23, room: 1 } });
    expect(leftWords(wish(), none, METRIC)).toBe(
      'Not even one fits. In 50 × 60 it is 4.2 mm too wide. A wider flask, steeper, or shorter gates.',
    );
  });
});

describe('a branch', () => {
  it('goes with the piece that is moved, and what stands elsewhere stays', () => {
    const on = (key: string, heightMm: number, onBranch = true): HungAt => ({
      key,
      ...at,
      heightMm,
      onBranch,
    });
    const places = [on('a/1', 20), on('a/2', 20), on('a/3', 40), on('a/4', 20, false)];
    const after = withMoved(places, places[0]!, moved(places[0]!, 10, 5));
    expect(after.map(({ heightMm, angleDeg }) => [heightMm, angleDeg])).toEqual([
      [25, 22.35],
      [25, 22.35],
      [40, 12.3456],
      [20, 12.3456],
    ]);
    expect(after[1]!.awayMm).toBe(at.awayMm);
  });
});

describe('a piece that is moved', () => {
  const piece: HungAt = { key: 'l1/1', ...at, angleDeg: 350, heightMm: 1 };
  it('goes round and along, and never under the base', () => {
    expect(moved(piece, 20, -3)).toMatchObject({ angleDeg: 10, heightMm: 0 });
    expect(movedByKey(piece, 'ArrowLeft')!.angleDeg).toBe(348);
    expect(movedByKey(piece, 'ArrowUp')!.heightMm).toBe(1.5);
    expect(movedByKey(piece, 'Enter')).toBeUndefined();
  });
  it('follows the pointer round the sprue seen from above, and its way along seen from the side', () => {
    const above = { above: true, middle: { x: 100, y: 100 }, mmPerPixel: 0.5 };
    expect(movedByDrag(piece, { x: 150, y: 100 }, { x: 100, y: 40 }, above)).toMatchObject({
      angleDeg: 80,
      heightMm: 1,
    });
    const side = { ...above, above: false };
    expect(movedByDrag(piece, { x: 0, y: 0 }, { x: 0, y: -20 }, side).heightMm).toBe(11);
  });
});
