// @vitest-environment happy-dom
import { tellPrint, type PourGate } from '@zero-pour/contracts';
import type { FeedingGate } from '@zero-pour/core';
import type { DrawnSprues } from '@zero-pour/jobs';
import { flushPromises, mount } from '@vue/test-utils';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { nextTick } from 'vue';
import type { PartScene } from '../../pattern';
import { useShop } from '../../state/shopStore';
import { useFakeShop } from '../../testing/fakeServer';
import { lastEmitted } from '../../testing/mountInApp';
import { buttonOf, flatText, showInPour, typeInto } from '../../testing/showInPour';
import DrawSprues from './DrawSprues.vue';
import GateMarks from './GateMarks.vue';
import GatesOnPart from './GatesOnPart.vue';
import { newGate, withPlaced } from './placeGates';

const worker = vi.hoisted(() => ({
  asked: [] as { gates: unknown[]; sprue: unknown }[],
  answer: undefined as unknown,
}));
vi.mock('../../jobs', async (original) => ({
  ...(await original<object>()),
  runJob: (_job: unknown, input: { gates: unknown[]; sprue: unknown }) => {
    worker.asked.push(input);
    return Promise.resolve({ output: worker.answer });
  },
}));
beforeEach(() => void (worker.asked = []));
const shop = useFakeShop();
const settle = async (): Promise<void> => {
  for (let n = 0; n < 12; n++) await new Promise((resolve) => setTimeout(resolve));
};

/** The band of the demo with one gate on it. */
function withGate(component: typeof GatesOnPart | typeof DrawSprues, gate: Partial<PourGate> = {}) {
  const shown = showInPour(shop, 31, component, ({ gates }) => ({ entry: gates[0]!, placing: false }));
  const { part, gates } = shown.handle.plan.value.gates[0]!;
  const placed = [{ ...newGate([9, 0, 0], [1, 0, 0], 3), ...gate }];
  shown.handle.set(['wayUp', 'lines', part.key, 'gates'], withPlaced(gates, placed));
  const own = () => shown.doc().wayUp.lines[part.key]?.gates?.placed;
  return { ...shown, own, part };
}

describe('the fields of a gate', () => {
  it('set how it is made and how it leaves the part; what is not typed follows the usual', async () => {
    const { page, own } = withGate(GatesOnPart);
    await nextTick();
    await buttonOf(page, 'More').trigger('click');
    await buttonOf(page, 'kept support').trigger('click');
    await typeInto(page, 'Dips in wax', '3');
    expect(flatText(page)).toContain('3.0 mm as printed, 3.9 mm after 3 dips of 0.3 mm');
    await typeInto(page, 'Leans by', '30');
    await typeInto(page, 'Length', '7');
    expect(own()).toMatchObject([{ making: 'kept support', dips: 3, leanDeg: 30, lengthMm: 7 }]);
    expect(own()![0]).not.toHaveProperty('flareMm');
  });
  it('refuse a lean that is none, and lose nothing', async () => {
    const { page, own } = withGate(GatesOnPart, { leanDeg: 20 });
    await nextTick();
    await buttonOf(page, 'More').trigger('click');
    await typeInto(page, 'Leans by', '120');
    expect(own()).toMatchObject([{ leanDeg: 20 }]);
  });
  it('offer the places of an earlier pour with what came of them', async () => {
    const { part } = withGate(GatesOnPart);
    const gates = { x1: [newGate([1, 2, 3], [0, 0, 1], 2), newGate([4, 5, 6], [0, 0, 1], 2)] };
    const lines = [{ key: 'x1', patternId: part.pattern.id, count: 2 }];
    const told = tellPrint(shop.file.pours.find(({ number }) => number === 23)!)!;
    shop.server.printsOfPattern = [{ ...told, lines, gates, outcomes: { 'x1/1': 'sellable', 'x1/2': 'sellable' } }]; // prettier-ignore
    const { page, own } = withGate(GatesOnPart);
    await flushPromises();
    await buttonOf(page, 'As in pour 23: 2 gates, 2 of 2 good').trigger('click');
    expect(own()!.map(({ placeMm }) => placeMm)).toEqual([
      [1, 2, 3],
      [4, 5, 6],
    ]);
  });
});

describe('sprues into the print', () => {
  const measure = shop.file?.patterns?.[0]?.measure;
  const section = { at: [9, 0, 0], axis: [1, 0, 0], diameterMm: 3, volumeMm3: 20 };
  const made = (): DrawnSprues => {
    const own = shop.file.patterns[0]!.measure ?? measure;
    const bytes = new Uint8Array(4);
    return {
      status: 'made',
      file: { hash: 'f'.repeat(64), measure: own, bytes },
      piece: { hash: 'e'.repeat(64), measure: own, bytes },
      marks: [{ by: 'cut', at: [9, 0, 0], shiftMm: 0 }],
      sections: [section as never],
    };
  };
  it('make a new version that takes the line’s place, and the gates are the file’s then', async () => {
    worker.answer = made();
    const { page, doc, own, part } = withGate(DrawSprues);
    await nextTick();
    await buttonOf(page, 'Draw the gate into the print').trigger('click');
    await settle();
    expect(worker.asked[0]).toMatchObject({
      sprue: null,
      gates: [{ at: [9, 0, 0], diameterMm: 3, lengthMm: 4.5, flareMm: 0.75 }],
    });
    const line = doc().brief.lines.find(({ key }) => key === part.key)!;
    const kept = useShop().patterns.find(({ id }) => id === line.patternId)!;
    expect(kept).toMatchObject({ formerId: part.pattern.id, sprues: { pieceHash: 'e'.repeat(64) } });
    expect(own()).toBeUndefined();
    expect(doc().wayUp.lines[part.key]!.gates).toEqual({ count: 1, diameterMm: 3, lengthMm: 0 });
  });
  it('lead to a sprue that is not thinner than the largest gate asks, unless somebody types it', async () => {
    worker.answer = made();
    const { page } = withGate(DrawSprues);
    await nextTick();
    await page.find('input[type=checkbox]').setValue(true);
    await typeInto(page, 'Sprue, diameter', '2');
    expect(flatText(page)).toContain('freezes while the gate still feeds');
    await typeInto(page, 'Sprue, diameter', '');
    await buttonOf(page, 'Draw the gate into the print').trigger('click');
    await settle();
    expect(worker.asked.at(-1)!.sprue).toEqual({ diameterMm: 3.3, lengthMm: 10, base: null });
  });
  it('that cannot be are said in words, and nothing changes', async () => {
    worker.answer = { status: 'refused', gate: 0, why: 'into the part' } satisfies DrawnSprues;
    const { page, own, doc, part } = withGate(DrawSprues);
    await nextTick();
    await buttonOf(page, 'Draw the gate into the print').trigger('click');
    await settle();
    expect(flatText(page)).toContain('Gate 1, or its way to the sprue, runs into the part');
    expect(own()).toHaveLength(1);
    expect(doc().brief.lines.find(({ key }) => key === part.key)!.patternId).toBe(part.pattern.id);
  });
});

describe('gates under hand and key', () => {
  const gates: FeedingGate[] = [
    { at: [0, 0, 0], diameterMm: 2 },
    { at: [5, 0, 0], diameterMm: 2 },
  ];
  /** A part that is the plane z = 0 from −10 to 10, ten pixels a millimetre. */
  const scene = {
    mmPerPixel: () => 0.1,
    screenOf: ([x, y]: number[]) => ({ x: 10 * x! + 100, y: 100 - 10 * y!, depth: 0 }),
    pick: (x: number, y: number) => {
      const at = [(x - 100) / 10, (100 - y) / 10, 0];
      return Math.max(Math.abs(at[0]!), Math.abs(at[1]!)) <= 10 ? { at, vertices: [0, 1, 2] } : null;
    },
  } as unknown as PartScene;
  const show = (over: object = {}) =>
    mount(GateMarks, {
      props: {
        gates,
        movable: 1,
        feed: undefined,
        lastFilled: undefined,
        scene,
        tick: 0,
        width: 200,
        height: 200,
        ...over,
      },
      attachTo: document.body,
    });
  it('move a quarter of a millimetre a press, four times that with Shift', async () => {
    const marks = show();
    const [first] = marks.findAll('.gate');
    await first!.trigger('keydown', { key: 'ArrowRight' });
    expect(marks.emitted('move')![0]).toEqual([0, { at: [0.25, 0, 0], vertices: [0, 1, 2] }]);
    await first!.trigger('keydown', { key: 'ArrowUp', shiftKey: true });
    expect(marks.emitted('move')![1]).toEqual([0, { at: [0, 1, 0], vertices: [0, 1, 2] }]);
  });
  it('do not move a gate of the file, nor one that lies behind the part or at its edge', async () => {
    const marks = show({ gates: [{ at: [10, 0, 0], diameterMm: 2 }, gates[1]!] });
    const [first, second] = marks.findAll('.gate');
    await second!.trigger('keydown', { key: 'ArrowRight' });
    await first!.trigger('keydown', { key: 'ArrowRight' });
    expect(marks.emitted('move')).toBeUndefined();
    expect(lastEmitted(marks, 'hidden')).toBe(0);
    const behind = show({ gates: [{ at: [0, 0, -5], diameterMm: 2 }] });
    await behind.find('.gate').trigger('keydown', { key: 'ArrowLeft' });
    expect(behind.emitted('move')).toBeUndefined();
    expect(lastEmitted(behind, 'hidden')).toBe(0);
  });
  it('show where air or a crumb stays as the part hangs, by the word', () => {
    const held = [
      { at: [3, 0, 0], word: 'air' },
      { at: [-3, 0, 0], word: 'crumb' },
    ];
    expect(
      show({ held })
        .findAll('.held')
        .map((mark) => mark.text()),
    ).toEqual(['air', 'crumb']);
    expect(show().findAll('.held')).toHaveLength(0);
  });
  it('follow a finger over the part', async () => {
    const marks = show();
    const [first] = marks.findAll('.gate');
    (first!.element as Element & { setPointerCapture: () => void }).setPointerCapture = () => undefined;
    await first!.trigger('pointerdown', { clientX: 100, clientY: 100, pointerId: 1 });
    await first!.trigger('pointermove', { clientX: 130, clientY: 100, pointerId: 1 });
    await first!.trigger('pointerup', { pointerId: 1 });
    expect(marks.emitted('move')!.at(-1)).toEqual([0, { at: [3, 0, 0], vertices: [0, 1, 2] }]);
    await first!.trigger('pointermove', { clientX: 170, clientY: 100, pointerId: 1 });
    expect(marks.emitted('move')!.at(-1)![1]).toMatchObject({ at: [3, 0, 0] });
  });
});
