import type { Remote } from 'comlink';
import type { JobWorker } from './job.worker';
import { end, newWorker, READER_STOPPED, WorkCancelled, type Own } from './workerPool';

/** A worker that stays with one part, and the end of what it was given to do. */
interface Resident {
  own: Own;
  last: Promise<unknown>;
  timer: ReturnType<typeof setTimeout> | undefined;
}

/** How long a part's worker waits for the next move of a gate: making its grid anew takes seconds. */
export const STAY_MS = 300_000;
/** Parts that workers stay with; more would only hold memory. */
const RESIDENTS_MAX = 2;

/** Oldest first. */
const residents = new Map<string, Resident>();

function leave(about: string): void {
  const found = residents.get(about);
  if (!found) return;
  residents.delete(about);
  clearTimeout(found.timer);
  end(found.own);
}

function residentOf(about: string): Resident {
  const found = residents.get(about) ?? { own: newWorker(), last: Promise.resolve(), timer: undefined };
  residents.delete(about);
  residents.set(about, found);
  clearTimeout(found.timer);
  while (residents.size > RESIDENTS_MAX) leave(residents.keys().next().value!);
  return found;
}

/**
 * Does short work in the one worker that stays with a part, in turn. Work that is called off before its turn is left out; work
 * that is called off later is done all the same, since what it reads of the part serves the next.
 */
export async function inResident<T>(
  about: string,
  work: (remote: Remote<JobWorker>) => Promise<T>,
  signal?: AbortSignal,
): Promise<T> {
  const resident = residentOf(about);
  const { worker, remote } = resident.own;
  const stopped = new Promise<never>((_, reject) => {
    const stop = (): void => reject(new WorkCancelled());
    if (signal?.aborted) stop();
    signal?.addEventListener('abort', stop, { once: true });
    worker.addEventListener('error', () => {
      if (residents.get(about) === resident) leave(about);
      reject(new Error(READER_STOPPED));
    });
  });
  const own = resident.last.then(() => {
    if (signal?.aborted) throw new WorkCancelled();
    return work(remote);
  });
  const over = own.catch(() => undefined);
  resident.last = over;
  void over.then(() => {
    if (resident.last === over && residents.get(about) === resident)
      resident.timer = setTimeout(() => leave(about), STAY_MS);
  });
  return Promise.race([own, stopped]);
}
