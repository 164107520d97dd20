import { describe, expect, it } from 'vitest';
import { Lanes } from './lanes';

const settle = (): Promise<void> => new Promise((done) => setTimeout(done, 0));
/** Work that ends when it is told to, and says when it began. */
function work(name: string, began: string[]) {
  let end = (): void => {};
  const done = new Promise<void>((resolve) => (end = resolve));
  return { run: () => (began.push(name), done), end };
}

describe('one line to a database', () => {
  it('takes one at a time, in the order in which they came', async () => {
    const lanes = new Lanes();
    const began: string[] = [];
    const [a, b] = [work('a', began), work('b', began)];
    const both = [lanes.run('read', a.run), lanes.run('read', b.run)];
    await settle();
    expect(began).toEqual(['a']);
    a.end();
    await settle();
    expect(began).toEqual(['a', 'b']);
    b.end();
    await Promise.all(both);
  });

  it('lets a change go before reads that wait, but interrupts none', async () => {
    const lanes = new Lanes();
    const began: string[] = [];
    const [first, second, change] = ['read 1', 'read 2', 'change'].map((name) => work(name, began));
    const all = [
      lanes.run('read', first!.run),
      lanes.run('read', second!.run),
      lanes.run('change', change!.run),
    ];
    await settle();
    first!.end();
    await settle();
    expect(began).toEqual(['read 1', 'change']);
    change!.end();
    second!.end();
    await Promise.all(all);
    expect(began).toEqual(['read 1', 'change', 'read 2']);
  });

  it('lets a read in between changes that follow each other: none waits for ever', async () => {
    const lanes = new Lanes();
    const began: string[] = [];
    let read: Promise<void> | undefined;
    for (let n = 0; n < 5; n++) {
      await lanes.run('change', async () => {
        began.push(`change ${n}`);
        read ??= lanes.run('read', () => Promise.resolve(void began.push('read')));
        await settle();
      });
    }
    await read;
    expect(began.indexOf('read')).toBeLessThan(3);
  });

  it('turns to what came meanwhile between two reads, however little they wait for', async () => {
    const lanes = new Lanes();
    const began: string[] = [];
    const step = (lane: 'read' | 'change', name: string) => lanes.run(lane, () => Promise.resolve(void began.push(name)));
    const reads = Array.from({ length: 50 }, (_, n) => step('read', `read ${n}`));
    const change = new Promise<void>((done) => setImmediate(() => void step('change', 'change').then(done)));
    await Promise.all([...reads, change]);
    expect(began).toHaveLength(51);
    expect(began.indexOf('change')).toBeLessThan(4);
  }); // prettier-ignore

  it('goes on after work that failed, and tells its failure', async () => {
    const lanes = new Lanes();
    const failed = lanes.run('change', () => Promise.reject(new Error('no')));
    const next = lanes.run('read', () => Promise.resolve(7));
    await expect(failed).rejects.toThrow('no');
    expect(await next).toBe(7);
  });
});
