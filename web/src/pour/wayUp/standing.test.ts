// @vitest-environment happy-dom
import { measurePrintDirection, NO_ROTATION, type SupportAdvice } from '@zero-pour/core';
import { nextTick } from 'vue';
import { describe, expect, it } from 'vitest';
import { useFakeShop } from '../../testing/fakeServer';
import { flatText, showInPour } from '../../testing/showInPour';
import StandingAdvice from './StandingAdvice.vue';
import SupportMarks from './SupportMarks.vue';
import { partOf, type StandingInput } from '@zero-pour/jobs';
import type { Part } from '@zero-pour/plan';
import { useReadings } from '../../jobs/readingStore';
import type { JobState } from '../../jobs/useJob';

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
type State = JobState<StandingInput, SupportAdvice>;
const input = (part: Part): StandingInput => ({ part: partOf(part.pattern), rotation: NO_ROTATION, layerMm: 0.05 }); // prettier-ignore
const known = (part: Part): State => ({ status: 'done', input: input(part), output: ADVICE });
const open = (state: (part: Part) => State = known) =>
  showInPour(shop, 31, StandingAdvice, ({ context }) => ({ part: context.parts[0]!, state: state(context.parts[0]!) })); // prettier-ignore

describe('what the layers say of a part as it stands', () => {
  it('is said in lines, with the layers on demand', () => {
    const said = flatText(open().page);
    expect(said).toContain('1 place begins in mid-air: a support under each triangle.');
    expect(said).toContain('2 supports: 1 heavy, 0 middle, 1 fine.');
    expect(said).toContain('Layer by layer');
  });

  it('is waited for, and a failure is a sentence', () => {
    expect(flatText(open(() => ({ status: 'working', step: '', share: 0 })).page)).toContain(
      'Cutting it into layers …',
    );
    const failed = open((part) => ({ status: 'failed', input: input(part), sentence: 'It is too large to be cut so finely.' })); // prettier-ignore
    expect(failed.page.find('p[role="alert"]').text()).toBe('It is too large to be cut so finely.');
  });

  it('judges what holds the plate, once every part was cut, whoever had it cut', async () => {
    const { page, handle } = open();
    expect(flatText(page)).not.toContain('The film pulls at');
    // Besides, the class by thickness asks for the pattern's own reading.
    const ofLayers = () => handle.plan.value.wants.filter(({ job }) => job === 'standing');
    expect(ofLayers()).toHaveLength(1);
    const [wanted] = ofLayers();
    shop.server.known.set(wanted!.text, ADVICE);
    await useReadings().order(wanted!);
    await nextTick();
    expect(flatText(page)).toContain(`The film pulls at ${Math.round(3 * direction.peak.areaMm2)} mm²`);
    expect(ofLayers()).toEqual([]);
  });

  it('takes a file with its supports as it lies, and says only what still begins in mid-air', async () => {
    const { page, doc } = open();
    expect(doc().wayUp.lines['l1']!.rotation).toBeDefined();
    await page.find('input[type="checkbox"]').setValue(true);
    expect(doc().wayUp.lines['l1']!.supported).toBe(true);
    expect(doc().wayUp.lines['l1']!.rotation).toBeUndefined();
    const lines = page.findAll('.lines li').map((line) => line.text());
    expect(lines).toHaveLength(1);
    expect(lines[0]).toContain('in spite of the file’s supports');
    await page.find('input[type="checkbox"]').setValue(false);
    expect(doc().wayUp.lines['l1']!.supported).toBeUndefined();
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
