// @vitest-environment happy-dom
import { measurePrintDirection, NO_ROTATION, type SupportAdvice } from '@zero-pour/core';
import { nextTick } from 'vue';
import { describe, expect, it } from 'vitest';
import { useFakeShop } from '../../testing/fakeServer';
import { flatText, showInPour } from '../../testing/showInPour';
import StandingAdvice from './StandingAdvice.vue';
import SupportMarks from './SupportMarks.vue';
import type { StandingState } from './useStanding';

const shop = useFakeShop();
/** A plate of two triangles is enough for a direction. */
const { direction } = measurePrintDirection(
  {
    positions: Float64Array.from([0, 0, 0, 4, 0, 0, 4, 4, 0, 0, 4, 1]),
    triangles: Uint32Array.from([0, 2, 1, 0, 3, 2, 0, 1, 3, 1, 2, 3]),
  },
  { rotation: NO_ROTATION, layerMm: 0.2, pixelMm: 0.2 },
);
const ADVICE: SupportAdvice = {
  points: [
    { at: [0, 0, 0], why: 'overhang', weight: 'heavy', anchor: true, cut: 'free', onPart: false },
    { at: [1, 0, 0], why: 'island', weight: 'fine', anchor: false, cut: 'hard', onPart: false },
  ],
  islands: [[1, 0, 0]],
  bothSides: false,
  more: false,
  direction,
};
const known = (patternId: string): StandingState => ({
  status: 'known',
  job: { patternId, rotation: NO_ROTATION, layerMm: 0.05 },
  advice: ADVICE,
});
const open = (state: (patternId: string) => StandingState = known) =>
  showInPour(shop, 31, StandingAdvice, ({ context }) => {
    const { pattern } = context.parts[0]!;
    return { pattern, state: state(pattern.id) };
  });
const band = () => shop.file.patterns.find((p) => p.name === 'Barnacle band')!;

describe('what the layers say of a part as it stands', () => {
  it('is said in lines, with the layers on demand', () => {
    const said = flatText(open().page);
    expect(said).toContain('1 place begins in mid-air: a support under each triangle.');
    expect(said).toContain('2 supports: 1 heavy, 0 middle, 1 fine.');
    expect(said).toContain('Layer by layer');
  });

  it('is waited for, and a failure is a sentence', () => {
    expect(flatText(open(() => ({ status: 'working' })).page)).toContain('Cutting it into layers …');
    const failed = open(() => ({ status: 'failed', sentence: 'It is too large to be cut so finely.' }));
    expect(failed.page.find('p[role="alert"]').text()).toBe('It is too large to be cut so finely.');
  });

  it('judges what holds the plate, once every part was cut', async () => {
    const { page, handle } = open();
    expect(flatText(page)).not.toContain('The film pulls at');
    const rotation = { xDeg: 90, yDeg: 0, zDeg: 0 };
    handle.set(['wayUp', 'cut', band().id], { rotation, islands: 1, cups: 0, overhangMm2: 20, areaMm2: 900, peakMm2: 70, firstMm2: 9, supportPoints: 2 }); // prettier-ignore
    await nextTick();
    expect(flatText(page)).toContain('The film pulls at 210 mm²');
  });

  it('takes a file with its supports as it lies, and says only what still begins in mid-air', async () => {
    const { page, doc } = open();
    expect(doc().wayUp.rotations[band().id]).toBeDefined();
    await page.find('input[type="checkbox"]').setValue(true);
    expect(doc().wayUp.supported).toEqual([band().id]);
    expect(doc().wayUp.rotations[band().id]).toBeUndefined();
    const lines = page.findAll('.lines li').map((line) => line.text());
    expect(lines).toHaveLength(1);
    expect(lines[0]).toContain('in spite of the file’s supports');
    await page.find('input[type="checkbox"]').setValue(false);
    expect(doc().wayUp.supported).toBeUndefined();
  });
});

describe('marks on the part', () => {
  const scene = { screenOf: ([x, y]: number[]) => ({ x: 10 * x! + 5, y: 10 * y! + 5, depth: 0 }) };
  const marks = (supported: boolean) =>
    shop.show(SupportMarks, { advice: ADVICE, supported, scene, tick: 0, width: 100, height: 80 });

  it('are larger where heavier, rimmed where first, crossed where hard, with a triangle in mid-air', () => {
    const page = marks(false);
    const [first, second] = page.findAll('circle');
    expect(Number(first!.attributes('r'))).toBeGreaterThan(Number(second!.attributes('r')));
    expect([first!.classes(), second!.classes()]).toEqual([['anchor'], []]);
    expect(page.findAll('.cross')).toHaveLength(1);
    expect(page.find('.island').attributes('d')).toContain('M7,-7');
  });
  it('are triangles only where the file has its supports', () => {
    const page = marks(true);
    expect(page.findAll('circle')).toHaveLength(0);
    expect(page.findAll('.island')).toHaveLength(1);
  });
});
