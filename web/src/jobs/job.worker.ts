import type { RunOutcome } from '@zero-pour/jobs';
import { makeRunner, manifoldEngine } from '@zero-pour/jobs/run';
import { expose, transfer } from 'comlink';
import wasmAddress from 'manifold-3d/manifold.wasm?url';

/** The boolean engine, loaded where it is needed. */
async function engine() {
  const { default: createModule } = await import('manifold-3d');
  return manifoldEngine(await createModule({ locateFile: () => wasmAddress }));
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
  blob: (hash: string) => Promise<Uint8Array>,
  report: (step: string, share: number) => void,
): Promise<RunOutcome> {
  const outcome = await runner(name, input, { blob, report, engine });
  return transfer(outcome, [...buffersIn(outcome)]);
}

const jobWorker = { run };
export type JobWorker = typeof jobWorker;
expose(jobWorker);
