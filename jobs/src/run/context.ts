import type { BooleanEngine } from '@zero-pour/core';
import type { JobResult } from '../job';
import type { Side } from './together';

/** What a job is given besides its input, wherever it runs. */
export interface JobContext {
  /** The bytes that are kept under a hash. */
  blob: (hash: string) => Promise<Uint8Array>;
  /** The boolean engine, loaded where it is needed. */
  engine: () => Promise<BooleanEngine<unknown>>;
  /** A thread beside, where there are processors for it: long work is shared with it. */
  side?: () => Side;
  /** What is being done now, and how far it is, 0 to 1. */
  report: (step: string, share: number) => void;
  /**
   * What the runner keeps of a file from one job to the next, under a name: a part that was read is not read again. It
   * is let go when a job is about another file.
   */
  memo: <T>(file: string, name: string, make: () => Promise<T>) => Promise<T>;
}

/** What a job does. */
export type Run<I, O> = (input: I, context: JobContext) => Promise<JobResult<O>>;
