import type { Rotation, SupportAdvice } from '@zero-pour/core';
import { useDebounceFn } from '@vueuse/core';
import { onScopeDispose, shallowRef } from 'vue';
import type { ViewShape } from '../../pattern/jobs/shapes';
import { inWorker, WorkCancelled } from '../../pattern/jobs/workerPool';

/** What is asked: a part, as it stands, at the layers of its profile. */
export interface StandingJob {
  patternId: string;
  rotation: Rotation;
  layerMm: number;
}
export type StandingState =
  | { status: 'idle' | 'working' }
  | { status: 'known'; job: StandingJob; advice: SupportAdvice }
  | { status: 'failed'; sentence: string };

/** Typing an angle asks for several in a row. */
const WAIT_MS = 500;

/** Cuts a part as it stands and advises its supports, in a worker; a newer wish ends the one before. */
export function useStanding(known: (job: StandingJob, advice: SupportAdvice) => void) {
  const state = shallowRef<StandingState>({ status: 'idle' });
  let running: AbortController | undefined;
  onScopeDispose(() => running?.abort());

  async function look({ positions, triangles }: ViewShape, job: StandingJob): Promise<void> {
    running?.abort();
    const own = (running = new AbortController());
    state.value = { status: 'working' };
    try {
      const advice = await inWorker(
        async (remote) => remote.standing({ positions, triangles }, job.rotation, job.layerMm),
        { signal: own.signal },
      );
      if (running !== own) return;
      state.value = { status: 'known', job, advice };
      known(job, advice);
    } catch (error) {
      if (error instanceof WorkCancelled || running !== own) return;
      state.value = { status: 'failed', sentence: error instanceof Error ? error.message : String(error) };
    }
  }
  return { state, look: useDebounceFn(look, WAIT_MS) };
}
