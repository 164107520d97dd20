import type { WaysAnswer, WaysJob } from '@zero-pour/contracts';
import { proxy } from 'comlink';
import { onScopeDispose, shallowRef } from 'vue';
import type { ViewShape } from '../../pattern/jobs/shapes';
import { inWorker, WorkCancelled } from '../../pattern/jobs/workerPool';

export type WaysState =
  | { status: 'idle' }
  | { status: 'working'; share: number }
  | { status: 'found'; answer: WaysAnswer; job: WaysJob }
  | { status: 'failed'; sentence: string };

/** Searches ways up of a part in a worker; a newer wish ends the one before. */
export function useWaysUp() {
  const state = shallowRef<WaysState>({ status: 'idle' });
  let running: AbortController | undefined;

  function stop(): void {
    running?.abort();
    running = undefined;
    state.value = { status: 'idle' };
  }
  onScopeDispose(() => running?.abort());

  async function search({ positions, triangles }: ViewShape, job: WaysJob): Promise<void> {
    running?.abort();
    const own = (running = new AbortController());
    state.value = { status: 'working', share: 0 };
    const report = proxy((share: number) => {
      if (running === own) state.value = { status: 'working', share };
    });
    try {
      const answer = await inWorker(async (remote) => remote.waysUp({ positions, triangles }, job, report), {
        signal: own.signal,
      });
      if (running === own) state.value = { status: 'found', answer, job };
    } catch (error) {
      if (error instanceof WorkCancelled || running !== own) return;
      state.value = { status: 'failed', sentence: error instanceof Error ? error.message : String(error) };
    }
  }

  return { state, search, stop };
}
