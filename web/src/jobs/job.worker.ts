import type { RunOutcome } from '@zero-pour/jobs';
import { makeRunner, manifoldEngine, type Side } from '@zero-pour/jobs/run';
import { expose, transfer, wrap } from 'comlink';
import wasmAddress from 'manifold-3d/manifold.wasm?url';
import type { SideWorker } from './side.worker';

/** The boolean engine, loaded where it is needed. */
async function engine() {
  const { default: createModule } = await import('manifold-3d');
  return manifoldEngine(await createModule({ locateFile: () => wasmAddress }));
}

/** A thread beside this one. */
function side(): Side {
  const worker = new Worker(new URL('./side.worker.ts', import.meta.url), { type: 'module' });
  const ask = wrap<SideWorker>(worker);
  const failed = new Promise<never>((_, reject) =>
    worker.addEventListener('error', () => reject(new Error('The thread beside stopped.'))),
  );
  return {
    ask: async (message) => Promise.race([ask(message), failed]),
    end: () => worker.terminate(),
  };
}

/** Buffers of numbers anywhere in an output: they are handed over, not copied. */
function buffersIn(value: unknown, found = new Set<ArrayBuffer>()): Set<ArrayBuffer> {
  if (ArrayBuffer.isView(value)) found.add(value.buffer as ArrayBuffer);
  else if (Array.isArray(value)) {
    if (typeof value[0] === 'object') for (const entry of value) buffersIn(entry, found);
  } else if (typeof value === 'object' && value !== null)
    for (const field of Object.values(value)) buffersIn(field, found);
  return found;
}

const runner = makeRunner();

/** Runs one job; bytes and progress go by way of the page. */
async function run(
  name: string,
  input: unknown,
  blob: (hash: string) => Promise<Uint8Array | Blob>,
  report: (step: string, share: number) => void,
): Promise<RunOutcome> {
  const outcome = await runner(name, input, {
    blob: async (hash) => {
      const found = await blob(hash);
      return found instanceof Blob ? new Uint8Array(await found.arrayBuffer()) : found;
    },
    report,
    engine,
    // Not every browser lets a worker begin another.
    ...(typeof Worker === 'undefined' ? {} : { side }),
  });
  return transfer(outcome, [...buffersIn(outcome)]);
}

const jobWorker = { run };
export type JobWorker = typeof jobWorker;
expose(jobWorker);
