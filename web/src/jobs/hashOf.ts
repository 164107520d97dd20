import { wrap } from 'comlink';
import type { HashWorker } from './hash.worker';
import { READER_STOPPED } from './workerPool';

/** The hash that a file's bytes are kept under, worked out beside the page. Rejects where the file can no longer be read. */
export async function hashOf(file: Blob): Promise<string> {
  const worker = new Worker(new URL('./hash.worker.ts', import.meta.url), { type: 'module' });
  try {
    const stopped = new Promise<never>((_, reject) =>
      worker.addEventListener('error', () => reject(new Error(READER_STOPPED))),
    );
    return await Promise.race([wrap<HashWorker>(worker).hash(file), stopped]);
  } finally {
    worker.terminate();
  }
}
