import { parentPort } from 'node:worker_threads';
import type { RunOutcome } from '../index';
import { makeRunner } from '../run/index';
import { loadEngine } from './loadEngine';

/** What the other side sends: a job to run, then the bytes that it asks for. */
export type ToThread =
  { kind: 'run'; job: string; input: unknown } | { kind: 'bytes'; hash: string; bytes: Uint8Array | null };
/** What comes back: what it needs, how far it is, what came of it. */
export type FromThread =
  | { kind: 'blob'; hash: string }
  | { kind: 'report'; step: string; share: number }
  | { kind: 'ended'; outcome: RunOutcome };

const port = parentPort!;
const say = (message: FromThread): void => port.postMessage(message);
const awaited = new Map<string, (bytes: Uint8Array) => void>();
const run = makeRunner();

const blob = (hash: string): Promise<Uint8Array> =>
  new Promise((resolve) => {
    awaited.set(hash, resolve);
    say({ kind: 'blob', hash });
  });
const report = (step: string, share: number): void => say({ kind: 'report', step, share });
/** Anything but a bad file ends the thread: whoever started it is told. */
const fail = (error: unknown): void =>
  void setImmediate(() => {
    throw error;
  });

port.on('message', (message: ToThread) => {
  if (message.kind === 'run')
    run(message.job, message.input, { blob, report, engine: loadEngine }).then(
      (outcome) => say({ kind: 'ended', outcome }),
      fail,
    );
  else if (message.bytes) awaited.get(message.hash)?.(message.bytes);
  else fail(new Error(`the bytes ${message.hash} are not kept`));
});
