// @vitest-environment happy-dom
import { describe, expect, it } from 'vitest';
import { HOUR_MS } from '@zero-pour/core';
import { useNotices } from '../state/notices';
import { usePours } from '../state/pourStore';
import { useFakeShop } from '../testing/fakeServer';
import { lastEmitted } from '../testing/mountInApp';
import { timeAxis } from './timeAxis';
import { useMovedZero } from './useMovedZero';
import ZeroMark from './ZeroMark.vue';

const shop = useFakeShop();
const ZERO = Date.UTC(2026, 10, 27, 9, 15);
/** Ten pixels an hour. */
const axis = timeAxis(ZERO - 48 * HOUR_MS, ZERO + 48 * HOUR_MS, 0, 960);
function show(label: string | undefined) {
  const page = shop.show(ZeroMark, { zero: ZERO, axis, top: 0, height: 130, now: ZERO, left: false, label });
  const mark = page.find('.zero');
  Object.assign(mark.element, { setPointerCapture: () => undefined });
  Object.defineProperty(mark.element, 'ownerSVGElement', {
    value: { getBoundingClientRect: () => ({ top: 100 }) },
  });
  return { page, mark };
}

describe('a zero on the axis', () => {
  it('is dragged to quarter hours, told on the way and where it is let go', async () => {
    const { page, mark } = show('Zero of pour 31');
    await mark.trigger('pointerdown', { clientX: 480, pointerId: 1 });
    await mark.trigger('pointermove', { clientX: 506, clientY: 150 });
    expect(lastEmitted(page, 'drag')).toEqual({ at: ZERO + 2.5 * HOUR_MS, y: 50 });
    await mark.trigger('pointerup', { clientX: 506, clientY: 150 });
    expect(lastEmitted(page, 'drop')).toEqual({ at: ZERO + 2.5 * HOUR_MS, y: 50 });
  });
  it('stays by a press that does not move, and goes back where a drag is broken off', async () => {
    const { page, mark } = show('Zero of pour 31');
    await mark.trigger('pointerdown', { clientX: 480, pointerId: 1 });
    await mark.trigger('pointerup', { clientX: 482 });
    expect(page.emitted('drop')).toBeUndefined();
    await mark.trigger('pointerdown', { clientX: 480, pointerId: 1 });
    await mark.trigger('pointermove', { clientX: 530 });
    await mark.trigger('pointercancel');
    expect(page.emitted('leave')).toHaveLength(1);
  });
  it('goes by arrow keys: a quarter hour, with Shift a day; K to the next kiln', async () => {
    const { page, mark } = show('Zero of pour 31');
    await mark.trigger('keydown', { key: 'ArrowRight' });
    expect(lastEmitted(page, 'drop')).toEqual({ at: ZERO + HOUR_MS / 4, y: -1 });
    await mark.trigger('keydown', { key: 'ArrowLeft', shiftKey: true });
    expect(lastEmitted(page, 'drop')).toEqual({ at: ZERO - 24 * HOUR_MS, y: -1 });
    await mark.trigger('keydown', { key: 'k' });
    expect(page.emitted('kiln')).toHaveLength(1);
  });
  it('of a kiln that runs, or a mold, is not moved', async () => {
    const { page, mark } = show(undefined);
    expect([mark.attributes('role'), mark.attributes('tabindex')]).toEqual([undefined, undefined]);
    await mark.trigger('pointerdown', { clientX: 480, pointerId: 1 });
    await mark.trigger('pointermove', { clientX: 560 });
    expect(page.emitted('drag')).toBeUndefined();
  });
});

describe('the board under a drag', () => {
  const pourOf = (number: number) => [...usePours().pours.values()].find((pour) => pour.number === number)!;
  it('answers at once, keeps nothing until it is let go, and takes back time and kiln in one step', () => {
    const moving = shop.show({ setup: () => ({ moving: useMovedZero() }), template: '<i/>' });
    const { moved, rows, drop } = (moving.vm as unknown as { moving: ReturnType<typeof useMovedZero> })
      .moving;
    const { id, doc } = pourOf(31);
    const kilnId = shop.file.lists.kiln.find((kiln) => kiln.id !== doc.burnout.kilnId)!.id;
    const at = Date.parse(doc.brief.zeroAt!) + 6 * HOUR_MS;
    moved.value = { id, at, kilnId };
    const row = rows.value.find(({ pour }) => pour.id === id)!;
    expect([row.times!.zero, row.plan.context.kiln!.id]).toEqual([at, kilnId]);
    expect(pourOf(31).doc.brief.zeroAt).toBe(doc.brief.zeroAt);
    drop({ id, at, kilnId });
    expect(Date.parse(pourOf(31).doc.brief.zeroAt!)).toBe(at);
    useNotices().current!.action!.run();
    expect(pourOf(31).doc).toEqual(doc);
  });
});
