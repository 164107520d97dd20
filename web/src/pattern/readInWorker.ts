import type { PatternAnswer, PatternProgress } from '@zero-pour/contracts';
import { proxy, releaseProxy, wrap } from 'comlink';
import type { MeshWorker } from './mesh.worker';

/** Reading was stopped by whoever asked for it. */
export class ReadingCancelled extends Error {
  override name = 'ReadingCancelled';
}

/** Reads a pattern file in a worker of its own; aborting ends the worker at once. */
export async function readInWorker(
  bytes: Uint8Array,
  fileName: string,
  unitMm: number | null,
  report: PatternProgress,
  signal?: AbortSignal,
): Promise<PatternAnswer> {
  const worker = new Worker(new URL('./mesh.worker.ts', import.meta.url), { type: 'module' });
  const remote = wrap<MeshWorker>(worker);
  const stopped = new Promise<never>((_, reject) => {
    const stop = () => reject(new ReadingCancelled());
    if (signal?.aborted) stop();
    signal?.addEventListener('abort', stop, { once: true });
    worker.addEventListener('error', () =>
      reject(new Error('The mesh reader stopped: the file may be too large for this machine.')),
    );
  });
  try {
    return await Promise.race([
      remote.read(bytes as Uint8Array<ArrayBuffer>, fileName, unitMm, proxy(report)),
      stopped,
    ]);
  } finally {
    remote[releaseProxy]();
    worker.terminate();
  }
}
