import { z } from 'zod';

/**
 * A long computation: the same for the page's workers, the server's threads and the command line. The version rises
 * whenever the same input would give another output. What it does stands apart (run/), so that whoever only asks for it,
 * or looks its result up, does not load it.
 */
export interface Job<I, O> {
  name: string;
  version: number;
  input: z.ZodType<I>;
  output: z.ZodType<O>;
}

export const defineJob = <I, O>(job: Job<I, O>): Job<I, O> => job;

/** An output that never leaves the runner's own machine, and so is taken as it is: buffers of numbers. */
export const typed = <T>(): z.ZodType<T> => z.custom<T>();

/** What a job found; the bytes that its output names by their hash come beside it. */
export interface JobResult<O> {
  output: O;
  blobs?: ReadonlyMap<string, Uint8Array<ArrayBuffer>>;
}
