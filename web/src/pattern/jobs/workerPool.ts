import { releaseProxy, wrap, type Remote } from 'comlink';
import type { MeshWorker } from './mesh.worker';

/** The work was stopped by whoever asked for it. */
export class WorkCancelled extends Error {
  override name = 'WorkCancelled';
}

export interface WorkOptions {
  signal?: AbortSignal;
  /** Waits until nobody is looking at a job that runs. */
  background?: boolean;
  /** Starts at once, beside what runs: short work that the picture waits for. */
  urgent?: boolean;
}

interface Waiting {
  background: boolean;
  start: () => void;
}

/** One thread is left to the page; more than four only compete for memory. */
const poolSize = (): number => Math.min(4, Math.max(1, (navigator.hardwareConcurrency || 2) - 1));

const waiting: Waiting[] = [];
let running = 0;

function next(): void {
  while (running < poolSize()) {
    const first = waiting.find((job) => !job.background) ?? waiting[0];
    if (!first) return;
    waiting.splice(waiting.indexOf(first), 1);
    running++;
    first.start();
  }
}

/** Resolves when a worker may start; rejects when the wait is called off. */
function turn({ signal, background = false, urgent = false }: WorkOptions): Promise<void> {
  if (urgent) {
    running++;
    return Promise.resolve();
  }
  return new Promise((resolve, reject) => {
    const job: Waiting = { background, start: resolve };
    signal?.addEventListener(
      'abort',
      () => {
        const at = waiting.indexOf(job);
        if (at >= 0) waiting.splice(at, 1);
        reject(new WorkCancelled());
      },
      { once: true },
    );
    waiting.push(job);
    next();
  });
}

/**
 * Does one piece of work in a mesh worker of its own, when the pool has room; aborting ends the worker at once.
 * Memory of a large mesh goes with its worker.
 */
export async function inWorker<T>(
  work: (remote: Remote<MeshWorker>) => Promise<T>,
  options: WorkOptions = {},
): Promise<T> {
  const { signal } = options;
  if (signal?.aborted) throw new WorkCancelled();
  await turn(options);
  let worker: Worker | undefined;
  try {
    worker = new Worker(new URL('./mesh.worker.ts', import.meta.url), { type: 'module' });
    const own = worker;
    const remote = wrap<MeshWorker>(own);
    const stopped = new Promise<never>((_, reject) => {
      const stop = () => reject(new WorkCancelled());
      if (signal?.aborted) stop();
      signal?.addEventListener('abort', stop, { once: true });
      own.addEventListener('error', () =>
        reject(new Error('The mesh reader stopped: the file may be too large for this machine.')),
      );
    });
    try {
      return await Promise.race([work(remote), stopped]);
    } finally {
      remote[releaseProxy]();
    }
  } finally {
    worker?.terminate();
    running--;
    next();
  }
}
