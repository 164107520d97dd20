// @vitest-environment happy-dom
import { flushPromises } from '@vue/test-utils';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { IDLE_MS, inWorker, WorkCancelled } from './workerPool';

describe('the pool of workers', () => {
  class QuietWorker {
    static made: QuietWorker[] = [];
    ended = false;
    constructor() {
      QuietWorker.made.push(this);
    }
    addEventListener(): void {}
    removeEventListener(): void {}
    postMessage(): void {}
    start(): void {}
    terminate(): void {
      this.ended = true;
    }
  }
  beforeEach(() => {
    QuietWorker.made = [];
    vi.stubGlobal('Worker', QuietWorker);
    vi.stubGlobal('navigator', { ...navigator, hardwareConcurrency: 2 });
  });
  afterEach(() => vi.unstubAllGlobals());
  /** Work that lasts until it is told to end. */
  const lasting = () => {
    let end!: () => void;
    const until = new Promise<void>((resolve) => (end = resolve));
    return { work: () => until, end };
  };

  it('leaves a thread to the page, and lets what is looked at go before what is not', async () => {
    const [first, behind, ahead] = [lasting(), lasting(), lasting()];
    const order: string[] = [];
    const runs = [
      inWorker(first.work).then(() => order.push('first')),
      inWorker(behind.work, { background: true }).then(() => order.push('background')),
      inWorker(ahead.work).then(() => order.push('ahead')),
    ];
    await flushPromises();
    expect(QuietWorker.made).toHaveLength(1);
    first.end();
    await flushPromises();
    ahead.end();
    await flushPromises();
    behind.end();
    await Promise.all(runs);
    expect(order).toEqual(['first', 'ahead', 'background']);
    expect(QuietWorker.made.every(({ ended }) => ended)).toBe(true);
  });
  it('lets short work that the picture waits for start beside what runs', async () => {
    const [long, short] = [lasting(), lasting()];
    const runs = [inWorker(long.work), inWorker(short.work, { urgent: true })];
    await flushPromises();
    expect(QuietWorker.made).toHaveLength(2);
    short.end();
    await runs[1];
    expect(QuietWorker.made.map(({ ended }) => ended)).toEqual([false, true]);
    long.end();
    await runs[0];
  });
  it('ends a worker at once when its work is called off, and one that waits never starts', async () => {
    const stop = new AbortController();
    const running = inWorker(lasting().work, { signal: stop.signal });
    const waits = inWorker(lasting().work, { signal: stop.signal });
    await flushPromises();
    stop.abort();
    await expect(running).rejects.toBeInstanceOf(WorkCancelled);
    await expect(waits).rejects.toBeInstanceOf(WorkCancelled);
    expect(QuietWorker.made.map(({ ended }) => ended)).toEqual([true]);
  });
  it('keeps a worker for more work on the same part, and ends it when none comes', async () => {
    vi.useFakeTimers();
    const on = (about: string) => inWorker(() => Promise.resolve(about), { about });
    await on('a part');
    await on('a part');
    expect(QuietWorker.made).toHaveLength(1);
    // Another part is read elsewhere, and the first makes room where there is none.
    await on('another');
    expect(QuietWorker.made.map(({ ended }) => ended)).toEqual([true, false]);
    await vi.advanceTimersByTimeAsync(IDLE_MS);
    expect(QuietWorker.made.map(({ ended }) => ended)).toEqual([true, true]);
    vi.useRealTimers();
  });
});
