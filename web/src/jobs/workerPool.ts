import { releaseProxy, wrap, type Remote } from 'comlink';
import type { JobWorker } from './job.worker';

/** The work was stopped by whoever asked for it. */
export class WorkCancelled extends Error {
  override name = 'WorkCancelled';
}

export interface WorkOptions {
  signal?: AbortSignal | undefined;
  /** Waits until nobody is looking at a job that runs. */
  background?: boolean;
  /** Starts at once, beside what runs: short work that the picture waits for. */
  urgent?: boolean;
  /** What the work is about: a worker that had it last has read it already. */
  about?: string;
  /** Short work on what one worker keeps of its part: done there in turn (see residents.ts). */
  resident?: boolean;
}

interface Waiting {
  background: boolean;
  start: () => void;
}

/** A worker with what it had last; ended when nobody needs it for a while, and its memory with it. */
interface Idle {
  worker: Worker;
  remote: Remote<JobWorker>;
  about: string;
  timer: ReturnType<typeof setTimeout>;
}

/** Said of a thread that ended by itself. */
export const READER_STOPPED = 'The mesh reader stopped: the file may be too large for this machine.';

/** A worker that has read a part waits this long for more work on it. */
export const IDLE_MS = 20_000;

/** One thread is left to the page; more than four only compete for memory. */
const poolSize = (): number => Math.min(4, Math.max(1, (navigator.hardwareConcurrency || 2) - 1));

const waiting: Waiting[] = [];
const idle: Idle[] = [];
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

export type Own = Pick<Idle, 'worker' | 'remote'>;

export function newWorker(): Own {
  const worker = new Worker(new URL('./job.worker.ts', import.meta.url), { type: 'module' });
  return { worker, remote: wrap<JobWorker>(worker) };
}

/** The worker that had it last, else a new one: one that had something else would only hold two parts. */
function take(about: string | undefined): Own {
  const at = idle.findIndex((one) => one.about === about);
  if (at >= 0) {
    const [found] = idle.splice(at, 1);
    clearTimeout(found!.timer);
    return found!;
  }
  return newWorker();
}

export function end({ worker, remote }: Own): void {
  remote[releaseProxy]();
  worker.terminate();
}

/** Waits for more work on the same; the oldest that waits makes room. */
function lay(own: Own, about: string): void {
  const one: Idle = {
    ...own,
    about,
    timer: setTimeout(() => {
      idle.splice(idle.indexOf(one), 1);
      end(one);
    }, IDLE_MS),
  };
  idle.push(one);
  while (idle.length > poolSize()) {
    const oldest = idle.shift()!;
    clearTimeout(oldest.timer);
    end(oldest);
  }
}

/** Does one piece of work in a worker, when the pool has room; aborting ends the worker at once. */
export async function inWorker<T>(
  work: (remote: Remote<JobWorker>) => Promise<T>,
  options: WorkOptions = {},
): Promise<T> {
  const { signal, about } = options;
  if (signal?.aborted) throw new WorkCancelled();
  await turn(options);
  let own: Own | undefined;
  let whole = false;
  try {
    own = take(about);
    const { worker, remote } = own;
    const stopped = new Promise<never>((_, reject) => {
      const stop = () => reject(new WorkCancelled());
      if (signal?.aborted) stop();
      signal?.addEventListener('abort', stop, { once: true });
      worker.addEventListener('error', () => reject(new Error(READER_STOPPED)));
    });
    const done = await Promise.race([work(remote), stopped]);
    whole = true;
    return done;
  } finally {
    if (own && whole && about !== undefined) lay(own, about);
    else if (own) end(own);
    running--;
    next();
  }
}
