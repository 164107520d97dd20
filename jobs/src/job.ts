import type { BooleanEngine } from '@zero-pour/core';
import { z } from 'zod';

/** What a job is given besides its input, wherever it runs. */
export interface JobContext {
  /** The bytes that are kept under a hash. */
  blob: (hash: string) => Promise<Uint8Array>;
  /** The boolean engine, loaded where it is needed. */
  engine: () => Promise<BooleanEngine<unknown>>;
  /** What is being done now, and how far it is, 0 to 1. */
  report: (step: string, share: number) => void;
  /** What the runner keeps from one job to the next, under a name: a part that was read is not read again. */
  memo: <T>(name: string, make: () => Promise<T>) => Promise<T>;
}

/** What a job found; the bytes that its output names by their hash come beside it. */
export interface JobResult<O> {
  output: O;
  blobs?: ReadonlyMap<string, Uint8Array<ArrayBuffer>>;
}

/**
 * A long computation: the same for the page's workers, the server's threads and the command line. The version rises
 * whenever the same input would give another output.
 */
export interface Job<I, O> {
  name: string;
  version: number;
  input: z.ZodType<I>;
  output: z.ZodType<O>;
  run: (input: I, context: JobContext) => Promise<JobResult<O>>;
}

export const defineJob = <I, O>(job: Job<I, O>): Job<I, O> => job;

/** An output that never leaves the runner's own machine, and so is taken as it is: buffers of numbers. */
export const typed = <T>(): z.ZodType<T> => z.custom<T>();
