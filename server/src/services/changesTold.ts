import type { ToldChange } from '@zero-pour/contracts';
import { randomUUID } from 'node:crypto';
import { z } from 'zod';

const noticeSchema = z.object({ from: z.string(), at: z.string(), by: z.string().optional() });

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

  /** Tells the other processes of one database, where there are others. */
  passOn: ((text: string) => void) | undefined;

  /** Something was kept here at an address, by a window that knows it already. */
  tell(at: string, by?: string): void {
    this.tellHere(at, by);
    this.passOn?.(JSON.stringify({ from: this.start, at, by }));
  }
  /** What another process told; its own words come back to it, and are nothing new. */
  hear(text: string): void {
    const heard = noticeSchema.safeParse(JSON.parse(text));
    if (heard.success && heard.data.from !== this.start) this.tellHere(heard.data.at, heard.data.by);
  }
  private tellHere(at: string, by?: string): void {
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
