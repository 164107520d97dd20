// @vitest-environment happy-dom
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { inResident, STAY_MS } from './residents';
import { WorkCancelled } from './workerPool';

class QuietWorker {
  static made: QuietWorker[] = [];
  ended = false;
  fails: (() => void)[] = [];
  constructor() {
    QuietWorker.made.push(this);
  }
  addEventListener(kind: string, listener: () => void): void {
    if (kind === 'error') this.fails.push(listener);
  }
  removeEventListener(): void {}
  postMessage(): void {}
  start(): void {}
  terminate(): void {
    this.ended = true;
  }
}
/** Work that lasts until it is told to end, and says when it begins. */
function lasting(name: string, begun: string[]) {
  let end!: () => void;
  const until = new Promise<string>((resolve) => (end = () => resolve(name)));
  return { work: () => (begun.push(name), until), end };
}

describe('the worker that stays with a part', () => {
  beforeEach(() => {
    QuietWorker.made = [];
    vi.useFakeTimers();
    vi.stubGlobal('Worker', QuietWorker);
  });
  afterEach(async () => {
    await vi.advanceTimersByTimeAsync(2 * STAY_MS);
    vi.useRealTimers();
    vi.unstubAllGlobals();
  });

  it('does its work in turn, and leaves out what is called off before', async () => {
    const begun: string[] = [];
    const [grid, stale, newest] = ['grid', 'stale', 'newest'].map((name) => lasting(name, begun));
    const stop = new AbortController();
    const first = inResident('a part', grid!.work);
    const second = inResident('a part', stale!.work, stop.signal);
    const third = inResident('a part', newest!.work);
    await vi.advanceTimersByTimeAsync(1);
    stop.abort();
    await expect(second).rejects.toBeInstanceOf(WorkCancelled);
    grid!.end();
    newest!.end();
    expect(await Promise.all([first, third])).toEqual(['grid', 'newest']);
    expect(begun).toEqual(['grid', 'newest']);
    expect(QuietWorker.made).toHaveLength(1);
  });
  it('finishes what was begun although it is called off, and has its worker for the next', async () => {
    const begun: string[] = [];
    const grid = lasting('grid', begun);
    const stop = new AbortController();
    const called = inResident('a part', grid.work, stop.signal);
    await vi.advanceTimersByTimeAsync(1);
    stop.abort();
    await expect(called).rejects.toBeInstanceOf(WorkCancelled);
    const next = inResident('a part', () => Promise.resolve('next'));
    await vi.advanceTimersByTimeAsync(1);
    expect(QuietWorker.made.map(({ ended }) => ended)).toEqual([false]);
    grid.end();
    expect(await next).toBe('next');
  });
  it('ends when nothing comes for a while, and the oldest makes room for a third part', async () => {
    for (const part of ['a', 'b', 'c']) await inResident(part, () => Promise.resolve(part));
    expect(QuietWorker.made.map(({ ended }) => ended)).toEqual([true, false, false]);
    await vi.advanceTimersByTimeAsync(STAY_MS + 1);
    expect(QuietWorker.made.every(({ ended }) => ended)).toBe(true);
  });
  it('says so when its worker stops, and the next work has a new one', async () => {
    const stuck = inResident('a part', () => new Promise(() => {}));
    const said = expect(stuck).rejects.toThrow('The mesh reader stopped');
    await vi.advanceTimersByTimeAsync(1);
    QuietWorker.made[0]!.fails.forEach((fail) => fail());
    await said;
    expect(await inResident('a part', () => Promise.resolve('again'))).toBe('again');
    expect(QuietWorker.made.map(({ ended }) => ended)).toEqual([true, false]);
  });
});
