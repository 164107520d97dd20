import { Worker } from 'node:worker_threads';
import { resultOf, type Job, type JobResult } from '../index';
import type { FromThread, ToThread } from './jobThread';

export interface ThreadOptions {
  /** Bytes under a hash, or null. */
  blob: (hash: string) => Promise<Uint8Array | null>;
  report?: (step: string, share: number) => void;
  /** Ends the thread at once. */
  signal?: AbortSignal;
}

/**
 * Runs a job in a thread of its own; its memory goes with it. Throws MeshFileError for a bad file, and what went wrong
 * otherwise.
 */
export function runInThread<I, O>(
  job: Job<I, O>,
  input: I,
  { blob, report, signal }: ThreadOptions,
): Promise<JobResult<O>> {
  const worker = new Worker(new URL('./jobThread.mjs', import.meta.url));
  const say = (message: ToThread): void => worker.postMessage(message);
  return new Promise<JobResult<O>>((resolve, reject) => {
    const stop = (): void => reject(new Error('The work was stopped.'));
    if (signal?.aborted) stop();
    signal?.addEventListener('abort', stop, { once: true });
    worker.on('error', reject);
    worker.on('exit', (code) => reject(new Error(`The thread ended (${code}).`)));
    worker.on('message', (message: FromThread) => {
      if (message.kind === 'report') report?.(message.step, message.share);
      else if (message.kind === 'blob')
        blob(message.hash).then((bytes) => say({ kind: 'bytes', hash: message.hash, bytes }), reject);
      else
        try {
          resolve(resultOf(message.outcome) as JobResult<O>);
        } catch (error) {
          reject(error as Error);
        }
    });
    say({ kind: 'run', job: job.name, input });
  }).finally(() => worker.terminate());
}
