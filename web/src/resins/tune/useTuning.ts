import type { TuningAnswer, TuningJob } from '@zero-pour/contracts';
import { releaseProxy, wrap, type Remote } from 'comlink';
import { onScopeDispose, shallowRef, watch } from 'vue';
import type { TuningWorker } from './tuning.worker';

/** What the counts say, worked out beside the page; the answer to the newest question is shown, others are dropped. */
export function useTuning(job: () => TuningJob | undefined) {
  const answer = shallowRef<TuningAnswer>();
  const problem = shallowRef('');
  let worker: Worker | undefined;
  let remote: Remote<TuningWorker> | undefined;
  let asked = 0;

  function ask(): Remote<TuningWorker> {
    worker ??= new Worker(new URL('./tuning.worker.ts', import.meta.url), { type: 'module' });
    return (remote ??= wrap<TuningWorker>(worker));
  }

  watch(
    job,
    async (now) => {
      const own = ++asked;
      if (!now) {
        answer.value = undefined;
        return;
      }
      try {
        const found = await ask().tune(now);
        if (own === asked) [answer.value, problem.value] = [found, ''];
      } catch (error) {
        if (own === asked) problem.value = error instanceof Error ? error.message : String(error);
      }
    },
    { immediate: true },
  );
  onScopeDispose(() => {
    remote?.[releaseProxy]();
    worker?.terminate();
  });

  return { answer, problem };
}
