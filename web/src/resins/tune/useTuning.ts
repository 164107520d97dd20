import type { TuningAnswer, TuningJob } from '@zero-pour/contracts';
import { releaseProxy, wrap, type Remote } from 'comlink';
import { computed, onScopeDispose, shallowRef, watch } from 'vue';
import type { TuningWorker } from './tuning.worker';

/**
 * What the counts say, worked out beside the page; the answer to the newest question is shown, others are dropped.
 * `about` names what is asked about: an answer about something else is never taken for one about this.
 */
export function useTuning(about: () => string, job: () => TuningJob | undefined) {
  const given = shallowRef<{ about: string; answer: TuningAnswer }>();
  const answer = computed(() => (given.value?.about === about() ? given.value.answer : undefined));
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
        given.value = undefined;
        return;
      }
      const asking = about();
      try {
        const found = await ask().tune(now);
        if (own === asked) [given.value, problem.value] = [{ about: asking, answer: found }, ''];
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

  /** The last answer, whatever it is about: a picture may stand until the next one comes. */
  const latest = computed(() => given.value?.answer);
  return { answer, latest, problem };
}
