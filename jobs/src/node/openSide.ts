import type { PartAnswer } from '@zero-pour/core';
import { Worker } from 'node:worker_threads';
import type { Side } from '../run/index';

/** A thread beside, for one part; it answers in the order in which it is asked. */
export function openSide(): Side {
  const worker = new Worker(new URL('./side.mjs', import.meta.url));
  const asked: { give: (answer: PartAnswer | null) => void; fail: (error: Error) => void }[] = [];
  const lose = (error: Error): void => {
    for (const { fail } of asked.splice(0)) fail(error);
  };
  worker.on('message', (answer: PartAnswer | null) => asked.shift()?.give(answer));
  worker.on('error', lose);
  worker.on('exit', (code) => lose(new Error(`The thread beside ended (${code}).`)));
  return {
    ask: (message) =>
      new Promise((give, fail) => {
        asked.push({ give, fail });
        worker.postMessage(message);
      }),
    end: () => void worker.terminate(),
  };
}
