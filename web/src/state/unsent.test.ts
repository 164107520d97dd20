// @vitest-environment happy-dom
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { createPinia, setActivePinia } from 'pinia';
import { RequestError } from '../api/request';
import { TEST_SHOP } from '../testing/answers';
import { useNotices } from './notices';
import { useNotKept } from './notKept';
import { learnRevision, revisionAt } from '../api/revisions';
import { knowShop, shopKey } from './shopKeys';
import { forgetUnsent, isOnTheWay, keepSurely, readUnsent } from './unsent';

const AT = '/records/trial/1';
const outage = () => new RequestError('OFFLINE', 'no answer', 0);
const refusal = () => new RequestError('BAD_REQUEST', 'This cannot be kept.', 422);

beforeEach(() => {
  vi.useFakeTimers();
  localStorage.clear();
  setActivePinia(createPinia());
  knowShop(TEST_SHOP);
});
afterEach(() => vi.useRealTimers());

describe('keeping a whole thing surely', () => {
  it('holds it in the browser until the server has it', async () => {
    let answer = (): void => {};
    const kept = keepSurely({
      at: AT,
      value: { n: 1 },
      afterMs: 0,
      send: () => new Promise<void>((done) => (answer = done)),
    });
    await vi.advanceTimersByTimeAsync(0);
    expect(readUnsent('/records/')).toEqual([{ at: AT, value: { n: 1 } }]);
    expect([isOnTheWay('1'), isOnTheWay('2')]).toEqual([true, false]);
    answer();
    expect(await kept).toBe(true);
    expect(isOnTheWay('1')).toBe(false);
    expect(readUnsent('/records/')).toEqual([]);
  });
  it('waits an outage out', async () => {
    const send = vi
      .fn()
      .mockRejectedValueOnce(outage())
      .mockRejectedValueOnce(outage())
      .mockResolvedValue(undefined);
    const kept = keepSurely({ at: AT, value: { n: 2 }, afterMs: 0, send });
    await vi.advanceTimersByTimeAsync(2900);
    expect(send).toHaveBeenCalledTimes(1);
    await vi.advanceTimersByTimeAsync(4000);
    expect(await kept).toBe(true);
    expect(send).toHaveBeenCalledTimes(3);
  });
  it('in a browser without room says so once, holds it in the window, and sends it when it can', async () => {
    const { getItem, removeItem } = localStorage;
    const setItem = (): never => {
      throw new DOMException('full', 'QuotaExceededError');
    };
    vi.stubGlobal('localStorage', { getItem, removeItem, setItem });
    const notices = useNotices();
    const send = vi.fn().mockRejectedValueOnce(outage()).mockResolvedValue(undefined);
    const kept = keepSurely({ at: AT, value: { n: 3 }, afterMs: 0, send });
    expect(notices.current?.text).toContain('in this window only');
    expect(readUnsent('/records/')).toEqual([{ at: AT, value: { n: 3 } }]);
    notices.clear();
    void keepSurely({ at: AT, value: { n: 4 }, afterMs: 0, send });
    expect(notices.current).toBeNull();
    await vi.advanceTimersByTimeAsync(10_000);
    expect(await kept).toBe(false);
    expect(send).toHaveBeenLastCalledWith({ n: 4 });
    expect(readUnsent('/records/')).toEqual([]);
    vi.unstubAllGlobals();
  });
  it('sends only the last of what was typed in one go', async () => {
    const send = vi.fn().mockResolvedValue(undefined);
    const all = [1, 2, 3].map((n) => keepSurely({ at: AT, value: { n }, afterMs: 500, send }));
    await vi.advanceTimersByTimeAsync(1200);
    expect(await Promise.all(all)).toEqual([false, false, true]);
    expect(send.mock.calls).toEqual([[{ n: 3 }]]);
  });
  it('never lets an older state arrive after a newer one', async () => {
    const arrived: number[] = [];
    let slow = (): void => {};
    const send = (value: { n: number }): Promise<void> =>
      new Promise((done) => {
        const arrive = (): void => {
          arrived.push(value.n);
          done();
        };
        if (value.n === 1) slow = arrive;
        else arrive();
      });
    const first = keepSurely({ at: AT, value: { n: 1 }, afterMs: 0, send });
    await vi.advanceTimersByTimeAsync(0);
    const second = keepSurely({ at: AT, value: { n: 2 }, afterMs: 0, send });
    await vi.advanceTimersByTimeAsync(100);
    expect(arrived).toEqual([]);
    slow();
    await Promise.all([first, second]);
    expect(arrived).toEqual([1, 2]);
    expect(readUnsent('/records/')).toEqual([]);
  });
  it('gives a refusal back, and sets what was typed aside with its sentence', async () => {
    const kept = keepSurely({ at: AT, value: { n: 4 }, afterMs: 0, send: () => Promise.reject(refusal()) });
    await expect(kept).rejects.toThrow('This cannot be kept.');
    expect(readUnsent('/records/')).toEqual([]);
    const aside = { of: 'thing', at: AT, value: { n: 4 }, sentence: 'This cannot be kept.' };
    expect(useNotKept().entries).toEqual([aside]);
    setActivePinia(createPinia());
    await vi.advanceTimersByTimeAsync(0);
    expect(useNotKept().entries).toEqual([]);
    await vi.advanceTimersByTimeAsync(0);
    expect(useNotKept().entries).toEqual([aside]);
  });
  it('is dealt with by keeping another state of it', async () => {
    const send = vi.fn().mockRejectedValueOnce(refusal()).mockResolvedValue(undefined);
    await keepSurely({ at: AT, value: { n: 4 }, afterMs: 0, send }).catch(() => undefined);
    await keepSurely({ at: AT, value: { n: 5 }, afterMs: 0, send });
    expect(useNotKept().entries).toEqual([]);
  });
  it('of an earlier window is sent over what it was typed over, not over what was learnt since', async () => {
    learnRevision(AT, 3);
    const lost = keepSurely({ at: AT, value: { n: 8 }, afterMs: 0, send: () => Promise.reject(outage()) });
    await vi.advanceTimersByTimeAsync(10);
    learnRevision(AT, 5);
    readUnsent('/records/');
    expect(revisionAt(AT)).toBe(3);
    forgetUnsent(AT);
    await vi.advanceTimersByTimeAsync(3100);
    expect(await lost).toBe(false);
    learnRevision(AT, 6);
    readUnsent('/records/');
    expect(revisionAt(AT)).toBe(6);
  });
  it('sets aside what Zero Pour stumbles over three times', async () => {
    const send = vi.fn().mockRejectedValue(new RequestError('INTERNAL', 'Something went wrong.', 500));
    const kept = keepSurely({ at: AT, value: { n: 6 }, afterMs: 0, send }).catch((e: Error) => e.message);
    await vi.advanceTimersByTimeAsync(10_000);
    expect(await kept).toBe('Something went wrong.');
    expect(send).toHaveBeenCalledTimes(3);
    expect(useNotKept().thingWith('1')).toMatchObject({ value: { n: 6 } });
  });
  it('stops for what was removed', async () => {
    const send = vi.fn().mockRejectedValue(outage());
    const kept = keepSurely({ at: AT, value: { n: 5 }, afterMs: 0, send });
    await vi.advanceTimersByTimeAsync(10);
    forgetUnsent(AT);
    await vi.advanceTimersByTimeAsync(3100);
    expect(await kept).toBe(false);
    expect(send).toHaveBeenCalledTimes(1);
  });
  it('does not stumble over what is not readable', () => {
    localStorage.setItem(shopKey(`put.${AT}`), '{');
    expect(readUnsent('/records/')).toEqual([]);
  });
});
