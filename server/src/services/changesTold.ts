import type { ToldChange } from '@zero-pour/contracts';
import { randomUUID } from 'node:crypto';

/** Tells open pages what was kept, in order, so that each sees what another changed. Kept nowhere: who was away reads anew. */
export class ChangesTold {
  private readonly start = randomUUID();
  private count = 0;
  private readonly listeners = new Set<(change: ToldChange) => void>();
  private readonly over = new AbortController();
  readonly stopped = this.over.signal;

  /** Says how far it is: a page that knew less has missed something. */
  get now(): ToldChange {
    return { start: this.start, count: this.count };
  }

  /** Something was kept at an address, by a window that knows it already. */
  tell(at: string, by?: string): void {
    this.count++;
    const change: ToldChange = { ...this.now, at, ...(by === undefined ? {} : { by }) };
    for (const listener of this.listeners) listener(change);
  }

  listen(listener: (change: ToldChange) => void): () => void {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  }

  stop(): void {
    this.over.abort();
  }
}
